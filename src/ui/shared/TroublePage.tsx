'use client';

import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import type { Trouble } from '@/server/contract';

/** What stands in a page's place when the database cannot be used. */
export function TroublePage({ trouble: { title, says, safe, todo } }: { trouble: Trouble }) {
  return (
    <Stack component="main" role="alert" sx={{ maxWidth: 560, mx: 'auto', pt: '14vh', px: 2, gap: 1.5 }}>
      <Typography component="h1" variant="h6">
        {title}
      </Typography>
      <Typography>{says}</Typography>
      <Typography>{safe}</Typography>
      <Typography sx={{ fontWeight: 600 }}>{todo}</Typography>
      <Button variant="contained" href="" sx={{ alignSelf: 'start' }}>
        Try again
      </Button>
    </Stack>
  );
}
