import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';

/** What a station has to say, in one sentence at its top. */
export function Answer({ children }: { children: ReactNode }) {
  return (
    <Typography component="h1" variant="h1" sx={{ textWrap: 'balance' }}>
      {children}
    </Typography>
  );
}
