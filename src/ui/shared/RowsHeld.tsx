import Box from '@mui/material/Box';
import Skeleton from '@mui/material/Skeleton';

interface RowsHeldProps {
  /** What is being done, for who cannot see it. */
  readonly what: string;
  readonly rows: number;
  readonly heightPx: number;
}

/** The place of rows that are being worked out, so that nothing jumps when they come. */
export function RowsHeld({ what, rows, heightPx }: RowsHeldProps) {
  return (
    <Box>
      <span className="sr-only">{what}</span>
      {Array.from({ length: rows }, (_, i) => (
        <Skeleton key={i} variant="rounded" animation={false} height={heightPx} sx={{ mt: 1 }} />
      ))}
    </Box>
  );
}
