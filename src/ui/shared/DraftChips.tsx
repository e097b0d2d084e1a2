'use client';

import { useSeat } from '../seat/store';

/** The seat's drafts as buttons, one of them shown. */
export function DraftButtons() {
  const drafts = useSeat((state) => state.bundle.drafts);
  const draftId = useSeat((state) => state.draftId);
  const selectDraft = useSeat((state) => state.selectDraft);
  return drafts.map((entry) => (
    <button
      key={entry.id}
      type="button"
      className="chip"
      aria-pressed={entry.id === draftId}
      onClick={() => selectDraft(entry.id)}
    >
      {entry.body.name}
    </button>
  ));
}

/** The seat's drafts, where nothing but the choice is offered. */
export const DraftChips = () => (
  <span className="row wrap" role="group" aria-label="Draft">
    <DraftButtons />
  </span>
);
