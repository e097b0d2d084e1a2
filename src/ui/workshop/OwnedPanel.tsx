'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { z } from 'zod';
import type { Problem } from '@/core/formats/problems';
import { typedNumber } from '@/core/units/typed';
import { kindName } from '@/core/words/names';
import { dropOwned, keepOwned, putOwned } from '@/server/actions';
import type { Done, LibraryRow, OwnedRow, Refused } from '@/server/contract';
import { Panel } from '../shared/Panel';
import { useNotices } from '../shared/Notices';
import { FormField, FormLine, SchemaForm } from '../shared/form';
import { FormPart } from '../shared/FormPart';
import { Problems } from '../shared/Problems';

const LONGEST_NOTE = 200;

const ownedForm = z.object({
  part: z
    .custom<LibraryRow | null>()
    .transform((row) => row?.id)
    .refine((id) => id !== undefined, 'is not chosen; find it by its name'),
  count: typedNumber({ min: 1, max: 99, whole: true }),
  note: z.string().trim().max(LONGEST_NOTE),
});

export interface Place {
  readonly seatId: string;
  readonly draftId: string;
  readonly label: string;
}

/** What is owned and stays: parts, displays, licences. Put into a draft they cost nothing; a display stands at its seat. */
export function OwnedPanel({ owned, places }: { owned: readonly OwnedRow[]; places: readonly Place[] }) {
  const router = useRouter();
  const [adding, setAdding] = useState(0);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const tell = useNotices();
  const done = (result: Done | Refused, said?: string) => {
    setProblems(result.state === 'refused' ? result.problems : []);
    if (result.state !== 'done') return;
    if (said !== undefined) tell(said);
    router.refresh();
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
      <SchemaForm
        // a new one for each that is added
        key={adding}
        label="Add what is owned"
        schema={ownedForm}
        start={{ part: null, count: '1', note: '' }}
        refused="Not done"
        onKeep={async ({ part, count, note }) => {
          const result = await keepOwned({ part, count, ...(note === '' ? {} : { note }) });
          if (result.state === 'refused') return result.problems;
          setAdding(adding + 1);
          done(result);
          return undefined;
        }}
      >
        {({ busy }) => (
          <Stack sx={{ gap: 2, mt: 2 }}>
            <FormPart name="part" label="Part, display or licence" />
            <FormLine send="Add" busy={busy}>
              <FormField name="count" label="Count" inputMode="numeric" sx={{ width: 76 }} />
              <FormField
                name="note"
                label="Note"
                placeholder="where it stands"
                maxLength={LONGEST_NOTE}
                sx={{ flexGrow: 1 }}
              />
            </FormLine>
          </Stack>
        )}
      </SchemaForm>
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
