import '@fontsource-variable/source-sans-3';
import '@fontsource-variable/source-code-pro';
import '@/ui/look.css';
import InitColorSchemeScript from '@mui/material/InitColorSchemeScript';
import type { Metadata } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { Providers } from '@/ui/shared/Providers';

export const metadata: Metadata = { title: 'Vane Scale', description: 'Sizes workstations to professional work.' };

/** Every page is made for its request: its scripts carry the nonce that the door gave it. */
export default async function RootLayout({ children }: { children: ReactNode }) {
  const nonce = (await headers()).get('x-nonce') ?? undefined;
  return (
    <html lang="en" suppressHydrationWarning>
      <body>
        <InitColorSchemeScript attribute="data-theme" defaultMode="system" nonce={nonce} />
        <Providers>{children}</Providers>
      </body>
    </html>
  );
}
