'use client';

import { DraftButtons } from '../shared/DraftChips';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { draftsElsewhere } from '@/server/actions';
import { useDraft, useSeat, useWholeDraft } from '../seat/store';
import { Value } from '../shared/Value';
import { PhaseBar } from './PhaseBar';

/** The drafts of the seat and the phases of the chosen one. */
export function DraftBar() {
  const drafts = useSeat((state) => state.bundle.drafts);
  const copy = useSeat((state) => state.copy);
  const drop = useSeat((state) => state.drop);
  const open = useSeat((state) => state.open);
  const sheet = useSeat((state) => state.sheet);
  const editDraft = useSeat((state) => state.editDraft);
  const draft = useDraft();
  const whole = useWholeDraft();
  return (
    <div className="row wrap drafts" style={{ marginBottom: 4, gap: 6 }}>
      <span className="row wrap" role="group" aria-label="Drafts" style={{ gap: 6 }}>
        <DraftButtons />
        <Button onClick={() => void copy()}>Copy</Button>
        <FromElsewhere />
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

/** A draft of another seat as a start: its parts, judged by this seat's work. */
function FromElsewhere() {
  const seatId = useSeat((state) => state.bundle.seat.id);
  const bring = useSeat((state) => state.bring);
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [list, setList] = useState<Awaited<ReturnType<typeof draftsElsewhere>>>();
  return (
    <>
      <Button
        aria-haspopup="menu"
        onClick={(event) => {
          setAnchor(event.currentTarget);
          void draftsElsewhere(seatId).then(setList);
        }}
      >
        From another seat
      </Button>
      {anchor && (
        <Menu open anchorEl={anchor} onClose={() => setAnchor(null)}>
          {list === undefined && <MenuItem disabled>Looking for drafts …</MenuItem>}
          {list?.length === 0 && <MenuItem disabled>No other seat has a draft with parts.</MenuItem>}
          {list?.map((draft) => (
            <MenuItem
              key={`${draft.seatId} ${draft.documentId}`}
              dense
              onClick={() => {
                setAnchor(null);
                void bring(draft.seatId, draft.documentId);
              }}
            >
              {draft.label}
              <span className="quiet small" style={{ marginLeft: 8 }}>
                {draft.project}
              </span>
            </MenuItem>
          ))}
        </Menu>
      )}
    </>
  );
}
