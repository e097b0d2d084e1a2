import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';

interface PanelProps {
  readonly title: string;
  /** A sentence under the title. */
  readonly says?: ReactNode;
  /** What can be done with all of it, at the right of the title. */
  readonly actions?: ReactNode;
  readonly level?: 1 | 2;
  readonly children: ReactNode;
}

/** A part of a station under its own heading. */
export function Panel({ title, says, actions, level = 2, children }: PanelProps) {
  return (
    <Box component="section" aria-label={title}>
      <Stack direction="row" sx={{ alignItems: 'baseline', gap: 3 }}>
        <Typography component={`h${level}`} variant={`h${level}`} sx={{ flexGrow: 1 }}>
          {title}
        </Typography>
        {actions}
      </Stack>
      {says !== undefined && (
        <Typography variant="body2" color="text.secondary" component="div">
          {says}
        </Typography>
      )}
      {children}
    </Box>
  );
}
