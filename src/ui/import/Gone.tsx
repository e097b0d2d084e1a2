import Box from '@mui/material/Box';
import { DeskBar } from '../shared/DeskBar';
import { PageLink } from '../shared/PageLink';

/** The address of a file that was thrown away or waited too long. */
export function Gone() {
  return (
    <Box className="frame" sx={{ gridTemplateRows: '40px minmax(0, 1fr)' }}>
      <DeskBar />
      <main className="pane">
        <h1>The file is no longer here</h1>
        <p>
          It was thrown away, or waited for more than two days. Give it again on the{' '}
          <PageLink href="/library">Library</PageLink> or the <PageLink href="/">Desk</PageLink>.
        </p>
      </main>
    </Box>
  );
}
