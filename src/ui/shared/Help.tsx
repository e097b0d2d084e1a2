'use client';

import Button from '@mui/material/Button';
import Drawer from '@mui/material/Drawer';
import Stack from '@mui/material/Stack';
import Tab from '@mui/material/Tab';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import Tabs from '@mui/material/Tabs';
import Typography from '@mui/material/Typography';
import { usePathname } from 'next/navigation';
import { useState } from 'react';
import { GLOSSARY, type GlossaryTerm } from '@/core/words/glossary';
import { HELP, placeOf } from '@/core/words/help';

const KEYS = [
  ['Ctrl or ⌘ K', 'find a part or do something'],
  ['g then 1 … 6', 'Brief, Draft, Weigh, Rivals, Buy, Assemble'],
  ['g then 0', 'Desk'],
  ['g then 7', 'Library'],
  ['g then 8', 'Workshop'],
  ['/ and n in the Library', 'find, new part'],
  ['Space in the Library', 'side by side, or not'],
  ['Ctrl or ⌘ Z', 'undo'],
  ['Ctrl or ⌘ Shift Z', 'redo'],
  ['↑ ↓ in the tray', 'look at a candidate: map and beams follow'],
  ['Enter in the tray', 'take the candidate'],
  ['Escape', 'leave the tray or a dialog'],
  ['?', 'this list'],
] as const;

export type HelpShown = 'here' | 'words' | 'keys';

interface HelpProps {
  readonly first: HelpShown;
  /** The word that somebody asked about. */
  readonly word?: GlossaryTerm;
  readonly onClose: () => void;
  /** Shows around, where there is something to show. */
  readonly onTour?: () => void;
}

/** One panel beside the screen: what this place is for, what the words mean, the keys. */
export function Help({ first, word, onClose, onTour }: HelpProps) {
  const [shown, setShown] = useState<HelpShown>(first);
  const place = HELP[placeOf(usePathname())];
  return (
    <Drawer
      open
      anchor="right"
      onClose={onClose}
      slotProps={{ paper: { role: 'dialog', 'aria-labelledby': 'help', sx: { width: 440, maxWidth: '92vw', p: 4 } } }}
    >
      <Stack direction="row" sx={{ alignItems: 'center', justifyContent: 'space-between' }}>
        <Typography id="help" variant="h1" component="h2">
          Help
        </Typography>
        <Button onClick={onClose} autoFocus>
          Close
        </Button>
      </Stack>
      <Tabs value={shown} onChange={(_, next: HelpShown) => setShown(next)} aria-label="Help">
        <Tab value="here" label={place.name} />
        <Tab value="words" label="Words" />
        <Tab value="keys" label="Keys" />
      </Tabs>
      {shown === 'here' && (
        <>
          <Typography variant="subtitle1" component="p" sx={{ mt: 3 }}>
            {place.asks}
          </Typography>
          <Pairs rows={place.lines} />
          {onTour && (
            <Button variant="outlined" sx={{ mt: 3, alignSelf: 'flex-start' }} onClick={onTour}>
              Show me around
            </Button>
          )}
        </>
      )}
      {shown === 'words' && <Pairs rows={GLOSSARY} asked={word} />}
      {shown === 'keys' && <Pairs rows={KEYS} keys />}
    </Drawer>
  );
}

interface PairsProps {
  readonly rows: readonly (readonly [string, string])[];
  /** The one that is meant: marked, and brought into view. */
  readonly asked?: string | undefined;
  readonly keys?: boolean;
}

function Pairs({ rows, asked, keys = false }: PairsProps) {
  return (
    <Table sx={{ mt: 1 }}>
      <TableBody>
        {rows.map(([name, says]) => (
          <TableRow
            key={name}
            selected={name === asked}
            ref={name === asked ? (row: HTMLElement | null) => row?.scrollIntoView({ block: 'nearest' }) : null}
          >
            <TableCell component="th" scope="row" sx={{ width: 140, verticalAlign: 'top', fontWeight: 650 }}>
              {keys ? <kbd>{name}</kbd> : name}
            </TableCell>
            <TableCell>{says}</TableCell>
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}
