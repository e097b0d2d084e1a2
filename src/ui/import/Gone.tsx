import Box from '@mui/material/Box';
import Link from 'next/link';
import { DeskBar } from '../shared/DeskBar';

/** The address of a file that was thrown away or waited too long. */
export function Gone() {
  return (
    <Box className="frame" sx={{ gridTemplateRows: '40px minmax(0, 1fr)' }}>
      <DeskBar />
      <main className="pane">
        <h1>The file is no longer here</h1>
        <p>
          It was thrown away, or waited for more than two days. Give it again on the{' '}
          <Link href="/library">Library</Link> or the <Link href="/">Desk</Link>.
        </p>
      </main>
    </Box>
  );
}
