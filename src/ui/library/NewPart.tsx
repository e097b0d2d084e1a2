'use client';

import { Entry, EntryChoice } from '../shared/Entry';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import { useState } from 'react';
import type { Problem } from '@/core/formats/problems';
import { PART_KINDS, type PartKind } from '@/core/parts';
import { kindName } from '@/core/words/names';
import { addPart } from '@/server/actions';
import type { PartSheet } from '@/server/contract';
import { Problems } from '../shared/Problems';

export interface NewPartStart {
  readonly as: 'new' | 'copy' | 'stand-in';
  readonly from?: PartSheet;
  readonly kind: PartKind;
}

const TITLES = { new: 'A part by hand', copy: 'A copy as a start', 'stand-in': 'Let it stand in' } as const;

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
  const [kind, setKind] = useState<PartKind>(start.kind);
  const [maker, setMaker] = useState(start.as === 'copy' ? (start.from?.part.maker ?? '') : '');
  const [name, setName] = useState(start.as === 'copy' ? (start.from?.part.name ?? '') : '');
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [busy, setBusy] = useState(false);
  const source = start.from && `${start.from.part.maker} ${start.from.part.name}`;
  const make = async () => {
    setBusy(true);
    const result = await addPart({
      kind,
      maker,
      name,
      as: start.as,
      ...(start.from ? { from: start.from.part.id } : {}),
    });
    setBusy(false);
    if (result.state === 'refused') setProblems(result.problems);
    else onMade(result.id);
  };
  return (
    <Dialog open onClose={onClose} aria-labelledby="new-part">
      <Box
        component="form"
        className="pane stack"
        sx={{ padding: '18px', gap: '10px', width: 420 }}
        onSubmit={(event) => {
          event.preventDefault();
          void make();
        }}
      >
        <h1 id="new-part">{TITLES[start.as]}</h1>
        <p className="quiet small">
          {start.as === 'new'
            ? 'Name it; its figures are filled in on its sheet. What stays empty is unknown and never passes a check.'
            : start.as === 'copy'
              ? `All figures of ${source ?? ''} are copied; change on the sheet what differs. Give it a name of its own.`
              : `${source ?? ''} lends its figures to a part that the library lacks. The new part is marked as borrowing them and has a price of its own.`}
        </p>
        <label className="small">
          Kind
          <EntryChoice
            value={kind}
            disabled={start.as !== 'new'}
            onChange={(event) => setKind(PART_KINDS.find((name) => name === event.target.value) ?? kind)}
          >
            {PART_KINDS.map((option) => (
              <option key={option} value={option}>
                {kindName(option)}
              </option>
            ))}
          </EntryChoice>
        </label>
        <label className="small">
          Maker
          <Entry value={maker} autoFocus maxLength={60} onChange={(event) => setMaker(event.target.value)} />
        </label>
        <label className="small">
          Name
          <Entry value={name} maxLength={120} onChange={(event) => setName(event.target.value)} />
        </label>
        {problems.length > 0 && <Problems title="Not added" list={problems} />}
        <span className="row">
          <Button type="submit" variant="contained" disabled={busy}>
            Add it
          </Button>
          <Button onClick={onClose}>Cancel</Button>
        </span>
      </Box>
    </Dialog>
  );
}
