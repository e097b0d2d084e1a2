'use client';

import { AppRouterCacheProvider } from '@mui/material-nextjs/v16-appRouter';
import GlobalStyles from '@mui/material/GlobalStyles';
import { ThemeProvider } from '@mui/material/styles';
import type { ReactNode } from 'react';
import { theme, toneStyles } from '../theme';

export function Providers({ children }: { children: ReactNode }) {
  return (
    <AppRouterCacheProvider options={{ key: 'vs', enableCssLayer: true }}>
      <ThemeProvider theme={theme} defaultMode="system">
        <GlobalStyles styles={toneStyles} />
        {children}
      </ThemeProvider>
    </AppRouterCacheProvider>
  );
}
