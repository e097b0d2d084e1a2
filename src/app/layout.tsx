import '@fontsource-variable/source-sans-3';
import '@fontsource-variable/source-code-pro';
import '@/ui/look.css';
import InitColorSchemeScript from '@mui/material/InitColorSchemeScript';
import type { Metadata } from 'next';
import type { ReactNode } from 'react';
import { Providers } from '@/ui/shared/Providers';

export const metadata: Metadata = { title: 'Vane Scale', description: 'Sizes workstations to professional work.' };

export default function RootLayout({ children }: { children: ReactNode }) {
  return (
    <html lang="en" suppressHydrationWarning>
      <body>
        <InitColorSchemeScript attribute="data-theme" defaultMode="light" />
        <Providers>{children}</Providers>
      </body>
    </html>
  );
}
