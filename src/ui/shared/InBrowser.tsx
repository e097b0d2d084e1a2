'use client';

import Box from '@mui/material/Box';
import Skeleton from '@mui/material/Skeleton';
import { useSyncExternalStore, type ReactNode } from 'react';

const never = () => () => {};

/** Whether the page runs in a browser yet: false on the server and while it is taken over. */
const useInBrowser = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );

/**
 * What is worked out in the browser. The server sends its place: what a station computes is nobody's business there, and
 * twenty people who open one at once would wait for each other.
 */
export function InBrowser({ meanwhile = <Waiting />, children }: { meanwhile?: ReactNode; children: () => ReactNode }) {
  return useInBrowser() ? children() : meanwhile;
}

/** The place of something that is on its way. */
export function Waiting() {
  return (
    <Box className="pane" aria-hidden="true">
      {[38, 92, 84, 88, 60].map((width, i) => (
        <Skeleton key={i} animation={false} variant="rounded" height={18} width={`${width}%`} sx={{ mb: 3 }} />
      ))}
    </Box>
  );
}
