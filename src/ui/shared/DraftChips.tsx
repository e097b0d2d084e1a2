'use client';

import { useSeat } from '../seat/store';

/** The seat's drafts, one of them shown. */
export function DraftChips() {
  const drafts = useSeat((state) => state.bundle.drafts);
  const draftId = useSeat((state) => state.draftId);
  const selectDraft = useSeat((state) => state.selectDraft);
  return (
    <span className="row wrap" role="group" aria-label="Draft">
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
    </span>
  );
}
