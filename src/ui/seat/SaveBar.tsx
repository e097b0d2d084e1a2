'use client';

import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { useEffect } from 'react';
import type { Clash } from './outbox';
import { useSeat, useSeatStore, type Waiting } from './store';

/** Says when a change could not be saved as it was, and offers it again. Nothing is lost. */
export function SaveBar() {
  const saving = useSeat((state) => state.saving);
  const waiting = useSeat((state) => state.waiting);
  const refused = useSeat((state) => state.refused);
  const retry = useSeat((state) => state.retry);
  useLeaving();
  return (
    <>
      {waiting && <Decide waiting={waiting} />}
      {saving.state === 'failed' && (
        <div className="bar" role="alert">
          <span>{saving.message}</span>
          <Button variant="contained" onClick={retry}>
            Try again
          </Button>
        </div>
      )}
      {refused.length > 0 && (
        <div className="bar" role="alert">
          <span>
            The change was not taken: {refused.map((problem) => `${problem.path} ${problem.message}`).join('; ')}. What
            you see is what is saved.
          </span>
        </div>
      )}
    </>
  );
}

/** Leaving with something unsaved warns; coming back takes it up again. */
function useLeaving() {
  const store = useSeatStore();
  useEffect(() => {
    store.getState().takeUp();
    const warn = (event: BeforeUnloadEvent) => {
      if (store.getState().unsaved()) event.preventDefault();
    };
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, [store]);
}

/** Both sides of what two windows changed at the same place, and each change to put on top or to give up. */
function Decide({ waiting }: { waiting: Waiting }) {
  const putOnTop = useSeat((state) => state.putOnTop);
  const forget = useSeat((state) => state.forget);
  const { edits, clashes } = waiting;
  return (
    <div className="bar" role="alert" style={{ flexWrap: 'wrap' }}>
      <span>
        The same place was changed in another window. You see what is saved there; your{' '}
        {edits.length === 1 ? 'change is' : `${edits.length} changes are`} kept
        {edits.length === 1 ? (
          <>
            : <b>{edits[0]?.label}</b>.
          </>
        ) : (
          '.'
        )}
      </span>
      <Button variant="contained" onClick={() => putOnTop()}>
        {edits.length === 1 ? 'Put mine on top' : 'Put all on top'}
      </Button>
      <Button color="inherit" onClick={() => forget()}>
        {edits.length === 1 ? 'Leave mine out' : 'Leave all out'}
      </Button>
      <Table size="small" aria-label="Both versions" sx={{ width: 'auto' }}>
        <TableHead>
          <TableRow>
            <TableCell>Place</TableCell>
            <TableCell>Saved</TableCell>
            <TableCell>Mine</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {clashes.map((clash) => (
            <TableRow key={`${clash.id} ${clash.place}`}>
              <TableCell>{placeText(clash)}</TableCell>
              <TableCell>{valueText(clash.stored)}</TableCell>
              <TableCell>{valueText(clash.mine)}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      {edits.length > 1 &&
        edits.map(({ label }, at) => (
          <Typography key={at} variant="body2" component="div" sx={{ width: '100%' }}>
            {label}{' '}
            <Button color="inherit" onClick={() => putOnTop(at)}>
              Put on top
            </Button>
            <Button color="inherit" onClick={() => forget(at)}>
              Leave out
            </Button>
          </Typography>
        ))}
    </div>
  );
}

/** "fan-1: part" for items/fan-1/part. */
const placeText = ({ place }: Clash): string => place.split('/').slice(-2).join(': ');

const LONGEST = 60;

/** A value as short text. */
function valueText(value: unknown): string {
  if (value === undefined) return 'nothing';
  const text = typeof value === 'string' ? value : JSON.stringify(value);
  return text.length > LONGEST ? `${text.slice(0, LONGEST)}…` : text;
}
