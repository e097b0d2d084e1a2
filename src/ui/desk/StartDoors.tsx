'use client';

import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { CARD, CardButton } from '../shared/CardButton';
import { GiveFile } from '../import/GiveFile';
import type { ProjectChoice } from './seatForm';
import { later } from '../shared/later';

/** What stands behind a door is fetched when it is opened: trades and forms are most of the page's weight. */
const FromWork = later(() => import('./FromWork').then((module) => module.FromWork));
const FromMachine = later(() => import('./FromMachine').then((module) => module.FromMachine));

/** Three doors: from the work, from the machine that is there, from a file. */
export function StartDoors({
  projects,
  currency,
}: {
  projects: readonly ProjectChoice[];
  currency: string | undefined;
}) {
  const [open, setOpen] = useState<'work' | 'machine'>();
  const close = () => setOpen(undefined);
  return (
    <Stack sx={{ gap: 2 }}>
      <Typography component="h2" variant="h2">
        Start a seat
      </Typography>
      {currency === undefined && (
        <Typography variant="body2" color="text.secondary">
          There is no region with prices yet: open a catalogue first, through the third door.
        </Typography>
      )}
      {currency !== undefined && (
        <>
          <CardButton
            first
            title="From the work"
            says="Three questions, then a brief with its sizes."
            onPick={() => setOpen('work')}
          />
          <CardButton
            title="From the machine I have"
            says="Its parts or an inventory: what to change first."
            onPick={() => setOpen('machine')}
          />
        </>
      )}
      <Box sx={CARD}>
        <Typography variant="subtitle1" component="h3" sx={{ color: 'var(--carries)' }}>
          From a file
        </Typography>
        <GiveFile label="Choose a file">
          <Typography variant="body2" color="text.secondary" sx={{ mb: 1 }}>
            Case, bill of materials, inventory, catalogue, table, archive.
          </Typography>
        </GiveFile>
      </Box>
      {open === 'work' && <FromWork projects={projects} currency={currency} onClose={close} />}
      {open === 'machine' && <FromMachine projects={projects} onClose={close} />}
    </Stack>
  );
}
