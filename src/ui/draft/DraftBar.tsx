'use client';

import Button from '@mui/material/Button';
import { useDraft, useSeat, useWholeDraft } from '../seat/store';
import { Value } from '../shared/Value';
import { PhaseBar } from './PhaseBar';

/** The drafts of the seat and the phases of the chosen one. */
export function DraftBar() {
  const drafts = useSeat((state) => state.bundle.drafts);
  const draftId = useSeat((state) => state.draftId);
  const selectDraft = useSeat((state) => state.selectDraft);
  const copy = useSeat((state) => state.copy);
  const drop = useSeat((state) => state.drop);
  const open = useSeat((state) => state.open);
  const sheet = useSeat((state) => state.sheet);
  const editDraft = useSeat((state) => state.editDraft);
  const draft = useDraft();
  const whole = useWholeDraft();
  return (
    <div className="row wrap" style={{ marginBottom: 4, gap: 6 }}>
      <span className="row wrap" role="group" aria-label="Drafts" style={{ gap: 6 }}>
        {drafts.map((entry) => (
          <button
            key={entry.id}
            type="button"
            className="chip"
            aria-pressed={entry.id === draftId}
            onClick={() => selectDraft(entry.id)}
          >
            {entry.body.name}
          </button>
        ))}
        <Button onClick={() => void copy()}>Copy</Button>
        <Value
          label="Name of the draft"
          editor={{
            kind: 'text',
            value: draft.name,
            onChange: (name) => editDraft({ kind: 'rename', name }, `Name ${name}`),
          }}
        >
          Rename
        </Value>
        {drafts.length > 1 && <Button onClick={() => void drop()}>Remove</Button>}
        {drafts.length > 1 && (
          <Button aria-pressed={sheet === 'compare'} onClick={() => open(sheet === 'compare' ? undefined : 'compare')}>
            Compare
          </Button>
        )}
      </span>
      <PhaseBar machine={whole} />
    </div>
  );
}
