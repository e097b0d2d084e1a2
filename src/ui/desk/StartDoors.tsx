'use client';

import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Typography from '@mui/material/Typography';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { GiveFile } from '../import/GiveFile';
import type { ProjectChoice } from './seatForm';

/** What stands behind a door is fetched when it is opened: trades and forms are most of the page's weight. */
const FromWork = dynamic(() => import('./FromWork').then((module) => module.FromWork), { ssr: false });
const FromMachine = dynamic(() => import('./FromMachine').then((module) => module.FromMachine), { ssr: false });

const FRAME = {
  display: 'block',
  width: '100%',
  textAlign: 'left',
  px: 3,
  py: 2,
  mt: 2,
  border: '1px solid var(--hair)',
  borderRadius: '3px',
  backgroundColor: 'var(--sheet)',
} as const;

function Door({
  title,
  says,
  first = false,
  onOpen,
}: {
  title: string;
  says: string;
  first?: boolean;
  onOpen: () => void;
}) {
  return (
    <ButtonBase
      onClick={onOpen}
      sx={{
        ...FRAME,
        borderColor: first ? 'var(--carries)' : 'var(--hair)',
        '&:hover, &.Mui-focusVisible': { borderColor: 'var(--ink)' },
      }}
    >
      <Typography component="span" variant="subtitle1" sx={{ display: 'block', color: 'var(--carries)' }}>
        {title}
      </Typography>
      <Typography component="span" variant="body2" color="text.secondary">
        {says}
      </Typography>
    </ButtonBase>
  );
}

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
    <>
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
          <Door
            first
            title="From the work"
            says="Pick what somebody does, answer three questions, read a brief with its sizes."
            onOpen={() => setOpen('work')}
          />
          <Door
            title="From the machine I have"
            says="Its parts, or an inventory of it: what it does, what to change first."
            onOpen={() => setOpen('machine')}
          />
        </>
      )}
      <Box sx={FRAME}>
        <Typography variant="subtitle1" component="h3" sx={{ color: 'var(--carries)' }}>
          From a file
        </Typography>
        <GiveFile label="Choose a file">
          <Typography variant="body2" color="text.secondary" sx={{ mb: 1 }}>
            A case, bill of materials, inventory, catalogue, table or archive.
          </Typography>
        </GiveFile>
      </Box>
      {open === 'work' && <FromWork projects={projects} currency={currency} onClose={close} />}
      {open === 'machine' && <FromMachine projects={projects} onClose={close} />}
    </>
  );
}
