'use client';

import { AppRouterCacheProvider } from '@mui/material-nextjs/v16-appRouter';
import GlobalStyles from '@mui/material/GlobalStyles';
import { ThemeProvider } from '@mui/material/styles';
import { QueryClientProvider } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { theme, toneStyles } from '../theme';
import { newAsking } from './asking';
import { HelpPlace } from './HelpPlace';
import { Notices } from './Notices';

export function Providers({ children }: { children: ReactNode }) {
  const [asking] = useState(newAsking);
  return (
    <AppRouterCacheProvider options={{ key: 'vs' }}>
      <ThemeProvider theme={theme} defaultMode="system">
        <GlobalStyles styles={toneStyles} />
        <QueryClientProvider client={asking}>
          <Notices>
            <HelpPlace>{children}</HelpPlace>
          </Notices>
        </QueryClientProvider>
      </ThemeProvider>
    </AppRouterCacheProvider>
  );
}
