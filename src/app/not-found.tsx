import Box from '@mui/material/Box';
import { PageLink } from '@/ui/shared/PageLink';

export default function NotFound() {
  return (
    <Box component="main" className="pane" sx={{ maxWidth: 560 }}>
      <h1>There is nothing at this address</h1>
      <p className="quiet">The seat may have been removed or the link mistyped.</p>
      <p>
        <PageLink href="/">Go to the desk</PageLink>, where all projects are.
      </p>
    </Box>
  );
}
