'use client';

import { ChoiceButton } from './ChoiceButton';
import { inPhase } from '@/core/model/phases';
import type { Machine } from '@/core/model/machine';
import { useJudge } from '../seat/moment';
import { useSeat } from '../seat/useSeat';
import { LevelSign, levelSummary, LOUD } from './Level';
import { Hint } from './Hint';

/** The seat's drafts as buttons, each with the worst that is found of it; one of them is shown. */
export function DraftButtons() {
  const drafts = useSeat((state) => state.bundle.drafts);
  return drafts.map((entry) => <DraftButton key={entry.id} id={entry.id} machine={entry.body} />);
}

function DraftButton({ id, machine }: { id: string; machine: Machine }) {
  const draftId = useSeat((state) => state.draftId);
  const selectDraft = useSeat((state) => state.selectDraft);
  const judge = useJudge();
  const { findings } = judge(inPhase(machine, 'now'));
  const level = LOUD.find((each) => findings.some((finding) => finding.level === each)) ?? 'passes';
  return (
    <Hint says={levelSummary(findings)}>
      <ChoiceButton chosen={id === draftId} aria-label={machine.name} onClick={() => selectDraft(id)}>
        {machine.name} <LevelSign level={level} />
      </ChoiceButton>
    </Hint>
  );
}

/** The seat's drafts, where nothing but the choice is offered. */
export const DraftChips = () => (
  <span className="row wrap" role="group" aria-label="Draft">
    <DraftButtons />
  </span>
);
