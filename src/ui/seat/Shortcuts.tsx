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

export function Shortcuts({ onClose }: { onClose: () => void }) {
  return (
    <Dialog open onClose={onClose} aria-labelledby="shortcuts">
      <DialogTitle id="shortcuts">Keys</DialogTitle>
      <DialogContent>
        <Table sx={{ width: 440 }}>
          <TableBody>
            {KEYS.map(([keys, what]) => (
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
        <Button onClick={onClose} autoFocus>
          Close
        </Button>
      </DialogActions>
    </Dialog>
  );
}
