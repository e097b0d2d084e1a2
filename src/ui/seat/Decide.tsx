'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { useSeat } from './useSeat';
import type { Asked, Waiting } from './state';

/** Both sides of what two windows changed at the same place, and each change to put on top or to give up. */
export function Decide({ waiting }: { waiting: Waiting }) {
  const putOnTop = useSeat((state) => state.putOnTop);
  const forget = useSeat((state) => state.forget);
  const { edits, clashes } = waiting;
  return (
    <Box className="bar" role="alert" sx={{ flexWrap: 'wrap' }}>
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
      <Versions
        label="Both versions"
        columns={['Saved', 'Mine']}
        rows={clashes.map(({ place, stored, mine }) => ({ place, left: stored, right: mine }))}
      />
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
    </Box>
  );
}

interface VersionsProps {
  readonly label: string;
  readonly columns: readonly [string, string];
  readonly rows: readonly { readonly place: string; readonly left: unknown; readonly right: unknown }[];
}

/** What stands at places of a document on two sides. */
function Versions({ label, columns, rows }: VersionsProps) {
  return (
    <Table size="small" aria-label={label} sx={{ width: 'auto' }}>
      <TableHead>
        <TableRow>
          {['Place', ...columns].map((head) => (
            <TableCell key={head}>{head}</TableCell>
          ))}
        </TableRow>
      </TableHead>
      <TableBody>
        {rows.map(({ place, left, right }, i) => (
          <TableRow key={i}>
            <TableCell>{placeText(place)}</TableCell>
            <TableCell>{valueText(left)}</TableCell>
            <TableCell>{valueText(right)}</TableCell>
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}

/** A step that is asked about before it is taken: another window's, or one that overwrites what was changed since. */
export function AskFirst({ asked }: { asked: Asked }) {
  const step = useSeat((state) => state.step);
  const leave = useSeat((state) => state.leave);
  const foreign = asked.state === 'foreign';
  const take = () =>
    void (foreign ? step('undo', { seq: asked.seq }) : step(asked.direction, { seq: asked.seq, anyway: true }));
  return (
    <Box className="bar" role="alert" sx={{ flexWrap: 'wrap' }}>
      <span>
        {foreign ? (
          <>
            This window has made no step yet. The last one here, <b>{asked.label}</b>, is another window’s, of{' '}
            {asked.at.slice(0, 16).replace('T', ', ')} UTC.
          </>
        ) : (
          <>
            {asked.direction === 'undo' ? 'Taking back' : 'Bringing again'} <b>{asked.label}</b> would overwrite what
            was changed since.
          </>
        )}
      </span>
      <Button variant="contained" onClick={take}>
        {foreign ? 'Take it back' : 'Overwrite it'}
      </Button>
      <Button color="inherit" onClick={leave}>
        Leave as it is
      </Button>
      {asked.state === 'overwrites' && (
        <Versions
          label="What it would overwrite"
          columns={['Now', 'Then']}
          rows={asked.places.map(({ place, now, then }) => ({ place, left: now, right: then }))}
        />
      )}
    </Box>
  );
}

/** "fan-1: part" for items/fan-1/part. */
const placeText = (place: string): string => place.split('/').slice(-2).join(': ');

const LONGEST = 60;

/** A value as short text. */
function valueText(value: unknown): string {
  if (value === undefined) return 'nothing';
  const text = typeof value === 'string' ? value : JSON.stringify(value);
  return text.length > LONGEST ? `${text.slice(0, LONGEST)}…` : text;
}
