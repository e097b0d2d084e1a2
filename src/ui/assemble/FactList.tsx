import Box from '@mui/material/Box';
import type { ReactNode } from 'react';

/** What is said of one thing, a name and its figure under each other. What is empty is left out. */
export function FactList({ rows }: { rows: readonly (readonly [name: string, says: ReactNode])[] }) {
  return (
    <Box component="dl" sx={{ m: 0, '& dt': { color: 'var(--quiet)', mt: 1 }, '& dd': { m: 0 } }}>
      {rows.flatMap(([name, says]) =>
        says === undefined || says === '' ? [] : [<dt key={name}>{name}</dt>, <dd key={`${name} says`}>{says}</dd>],
      )}
    </Box>
  );
}
