'use client';

import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { z } from 'zod';
import { partBase } from '@/core/parts/common';
import { PART_KINDS, type PartKind } from '@/core/parts';
import { kindName } from '@/core/words/names';
import { addPart } from '@/server/actions';
import type { PartSheet } from '@/server/contract';
import { FormField, SchemaForm } from '../shared/form';
import { FormChoice } from '../shared/FormChoice';

export interface NewPartStart {
  readonly as: 'new' | 'copy' | 'stand-in';
  readonly from?: PartSheet;
  readonly kind: PartKind;
}

const TITLES = { new: 'A part by hand', copy: 'A copy as a start', 'stand-in': 'Let it stand in' } as const;

const KINDS = PART_KINDS.map((kind) => ({ value: kind, label: kindName(kind) }));

const newPartForm = z.object({ kind: z.enum(PART_KINDS), maker: partBase.maker, name: partBase.name });

function says({ as, from }: NewPartStart): string {
  const source = from ? `${from.part.maker} ${from.part.name}` : '';
  switch (as) {
    case 'new':
      return 'Name it; its figures are filled in on its sheet. What stays empty is unknown and never passes a check.';
    case 'copy':
      return `All figures of ${source} are copied; change on the sheet what differs. Give it a name of its own.`;
    case 'stand-in':
      return `${source} lends its figures to a part that the library lacks. The new part is marked as borrowing them and has a price of its own.`;
  }
}

/** A part that the library lacks: what is known is filled in on its sheet afterwards, the rest stays unknown. */
export function NewPart({
  start,
  onClose,
  onMade,
}: {
  start: NewPartStart;
  onClose: () => void;
  onMade: (id: string) => void;
}) {
  const copied = start.as === 'copy' ? start.from?.part : undefined;
  return (
    <Dialog open onClose={onClose} maxWidth="xs" fullWidth aria-labelledby="new-part">
      <SchemaForm
        label={TITLES[start.as]}
        schema={newPartForm}
        start={{ kind: start.kind, maker: copied?.maker ?? '', name: copied?.name ?? '' }}
        refused="Not added"
        onKeep={async (named) => {
          const result = await addPart({
            ...named,
            as: start.as,
            ...(start.from ? { from: start.from.part.id } : {}),
          });
          if (result.state === 'refused') return result.problems;
          onMade(result.id);
          return undefined;
        }}
      >
        {({ busy }) => (
          <>
            <DialogTitle id="new-part">{TITLES[start.as]}</DialogTitle>
            <DialogContent>
              <Stack sx={{ gap: 3 }}>
                <Typography variant="body2" color="text.secondary">
                  {says(start)}
                </Typography>
                <FormChoice name="kind" label="Kind" options={KINDS} disabled={start.as !== 'new'} />
                <FormField name="maker" label="Maker" autoFocus />
                <FormField name="name" label="Name" />
              </Stack>
            </DialogContent>
            <DialogActions>
              <Button color="inherit" onClick={onClose}>
                Cancel
              </Button>
              <Button type="submit" variant="contained" disabled={busy}>
                Add it
              </Button>
            </DialogActions>
          </>
        )}
      </SchemaForm>
    </Dialog>
  );
}
