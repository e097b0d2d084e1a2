'use client';

import Box from '@mui/material/Box';
import { TextButton } from '@/ui/shared/TextButton';
export default function ErrorPage({ error, reset }: { error: Error; reset: () => void }) {
  return (
    <Box component="main" className="pane" sx={{ maxWidth: 640 }}>
      <h1>This screen could not be shown</h1>
      <p className="quiet">Your work is saved. What went wrong: {error.message}</p>
      <p>
        <TextButton onClick={reset}>Try again</TextButton>
        {' or '}
        <a href="/">go to the desk</a>.
      </p>
    </Box>
  );
}
