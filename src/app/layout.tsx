import '@fontsource-variable/source-sans-3';
import '@fontsource-variable/source-code-pro';
import '@/ui/look.css';
import InitColorSchemeScript from '@mui/material/InitColorSchemeScript';
import type { Metadata } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { preload } from 'react-dom';
import { Providers } from '@/ui/shared/Providers';

export const metadata: Metadata = { title: 'Vane Scale', description: 'Sizes workstations to professional work.' };

/** The letters of nearly every page; asked for with the page and not after its styles. */
const LETTERS = new URL(
  '../../node_modules/@fontsource-variable/source-sans-3/files/source-sans-3-latin-wght-normal.woff2',
  import.meta.url,
);

/** Every page is made for its request: its scripts carry the nonce that the door gave it. */
export default async function RootLayout({ children }: { children: ReactNode }) {
  preload(LETTERS.pathname, { as: 'font', type: 'font/woff2', crossOrigin: 'anonymous' });
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
