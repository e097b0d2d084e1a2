'use client';

import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import { useState } from 'react';
import { GLOSSARY } from '@/core/words/glossary';

const KEYS = [
  ['Ctrl or ⌘ K', 'find a part or do something'],
  ['g then 1 … 5', 'Brief, Draft, Weigh, Rivals, Buy'],
  ['g then 0', 'Desk'],
  ['g then 7', 'Library'],
  ['g then 8', 'Workshop'],
  ['/ and n in the Library', 'find, new part'],
  ['Ctrl or ⌘ Z', 'undo'],
  ['Ctrl or ⌘ Shift Z', 'redo'],
  ['↑ ↓ in the tray', 'look at a candidate: map and beams follow'],
  ['Enter in the tray', 'take the candidate'],
  ['Escape', 'leave the tray or a dialog'],
  ['?', 'this list'],
] as const;

type Shown = 'keys' | 'words';

/** The keys, and the words of the screens. */
export function Shortcuts({
  onClose,
  onTour,
  first = 'keys',
}: {
  onClose: () => void;
  /** Shows around, where there is something to show. */
  onTour?: () => void;
  first?: Shown;
}) {
  const [shown, setShown] = useState<Shown>(first);
  return (
    <Dialog open onClose={onClose} aria-labelledby="shortcuts">
      <DialogTitle id="shortcuts">Help</DialogTitle>
      <DialogContent>
        <Tabs value={shown} onChange={(_, next: Shown) => setShown(next)} aria-label="Help">
          <Tab value="keys" label="Keys" />
          <Tab value="words" label="Words" />
        </Tabs>
        <Table sx={{ width: 520 }}>
          <TableBody>
            {shown === 'words' &&
              GLOSSARY.map(([term, meaning]) => (
                <TableRow key={term}>
                  <TableCell component="th" scope="row" sx={{ width: 150, verticalAlign: 'top', fontWeight: 650 }}>
                    {term}
                  </TableCell>
                  <TableCell>{meaning}</TableCell>
                </TableRow>
              ))}
            {shown === 'keys' &&
              KEYS.map(([keys, what]) => (
                <TableRow key={keys}>
                  <TableCell sx={{ whiteSpace: 'nowrap' }}>
                    <kbd>{keys}</kbd>
                  </TableCell>
                  <TableCell>{what}</TableCell>
                </TableRow>
              ))}
          </TableBody>
        </Table>
      </DialogContent>
      <DialogActions>
        {onTour && <Button onClick={onTour}>Show me around</Button>}
        <Button onClick={onClose} autoFocus>
          Close
        </Button>
      </DialogActions>
    </Dialog>
  );
}
