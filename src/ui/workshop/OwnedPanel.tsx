'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useState, type FormEvent } from 'react';
import type { Problem } from '@/core/formats/problems';
import { kindName } from '@/core/words/names';
import { dropOwned, keepOwned, putOwned } from '@/server/actions';
import type { Done, LibraryRow, OwnedRow, Refused } from '@/server/contract';
import { Panel } from '../shared/Panel';
import { PartField } from '../shared/PartField';
import { Problems } from '../shared/Problems';

export interface Place {
  readonly seatId: string;
  readonly draftId: string;
  readonly label: string;
}

/** What is owned and stays: parts, displays, licences. Put into a draft they cost nothing; a display stands at its seat. */
export function OwnedPanel({ owned, places }: { owned: readonly OwnedRow[]; places: readonly Place[] }) {
  const router = useRouter();
  const [picked, setPicked] = useState<LibraryRow | null>(null);
  const [count, setCount] = useState('1');
  const [note, setNote] = useState('');
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [told, setTold] = useState<string>();
  const done = (result: Done | Refused, said?: string) => {
    setProblems(result.state === 'refused' ? result.problems : []);
    setTold(result.state === 'done' ? said : undefined);
    if (result.state === 'done') router.refresh();
    return result.state === 'done';
  };
  const add = async () => {
    if (!picked) return setProblems([{ path: 'part', message: 'is not chosen; find it by its name' }]);
    const result = await keepOwned({
      part: picked.id,
      count: Number(count),
      ...(note.trim() === '' ? {} : { note: note.trim() }),
    });
    if (done(result)) {
      setPicked(null);
      setNote('');
      setCount('1');
    }
  };
  return (
    <Panel title="Owned" says="Parts, displays and licences that are there already. In a draft they cost nothing.">
      <Stack component="ul" sx={{ listStyle: 'none', p: 0, my: 1 }}>
        {owned.map((entry) => (
          <OwnedItem
            key={entry.id}
            entry={entry}
            places={places}
            onDrop={() => void dropOwned(entry.id).then((result) => done(result))}
            onPut={(place) =>
              void putOwned(entry.id, { seatId: place.seatId, draftId: place.draftId }).then((result) =>
                done(result, `${entry.label}: ${entry.kind === 'display' ? 'stands at' : 'put into'} ${place.label}.`),
              )
            }
          />
        ))}
        {owned.length === 0 && (
          <Typography component="li" variant="body2" color="text.secondary">
            Nothing yet.
          </Typography>
        )}
      </Stack>
      <Stack
        component="form"
        sx={{ gap: 2, mt: 2 }}
        onSubmit={(event: FormEvent) => {
          event.preventDefault();
          void add();
        }}
      >
        <PartField key={owned.length} label="Part, display or licence" value={picked} onPick={setPicked} />
        <Stack direction="row" sx={{ gap: 2 }}>
          <TextField
            label="Count"
            sx={{ width: 76 }}
            value={count}
            slotProps={{ htmlInput: { inputMode: 'numeric' } }}
            onChange={(event) => setCount(event.target.value)}
          />
          <TextField
            label="Note"
            placeholder="where it stands"
            sx={{ flexGrow: 1 }}
            value={note}
            slotProps={{ htmlInput: { maxLength: 200 } }}
            onChange={(event) => setNote(event.target.value)}
          />
          <Button type="submit" variant="outlined">
            Add
          </Button>
        </Stack>
      </Stack>
      {told && (
        <Typography role="status" variant="body2" color="success">
          {told}
        </Typography>
      )}
      {problems.length > 0 && <Problems title="Not done" list={problems} />}
    </Panel>
  );
}

function OwnedItem({
  entry,
  places,
  onDrop,
  onPut,
}: {
  entry: OwnedRow;
  places: readonly Place[];
  onDrop: () => void;
  onPut: (place: Place) => void;
}) {
  return (
    <Box component="li" sx={{ py: 1, borderBottom: '1px solid var(--hair)' }}>
      <Stack direction="row" sx={{ alignItems: 'baseline', gap: 2 }}>
        <Typography variant="body2" sx={{ flexGrow: 1 }}>
          {entry.count > 1 ? `${entry.count} × ` : ''}
          <b>{entry.label}</b>{' '}
          <Typography component="span" variant="body2" color="text.secondary">
            {entry.kind ? kindName(entry.kind) : 'no longer in the library'}
            {entry.note && `, ${entry.note}`}
          </Typography>
        </Typography>
        <Button color="inherit" onClick={onDrop} aria-label={`${entry.label} is no longer owned`}>
          Remove
        </Button>
      </Stack>
      {entry.kind && places.length > 0 && (
        <TextField
          select
          fullWidth
          value=""
          slotProps={{
            htmlInput: { 'aria-label': `Put ${entry.label} to use` },
            select: {
              displayEmpty: true,
              renderValue: () => (entry.kind === 'display' ? 'stands at …' : 'put into a draft …'),
            },
          }}
          onChange={(event) => {
            const place = places.find((candidate) => `${candidate.seatId} ${candidate.draftId}` === event.target.value);
            if (place) onPut(place);
          }}
        >
          {places.map((place) => (
            <MenuItem key={`${place.seatId} ${place.draftId}`} value={`${place.seatId} ${place.draftId}`}>
              {place.label}
            </MenuItem>
          ))}
        </TextField>
      )}
    </Box>
  );
}
