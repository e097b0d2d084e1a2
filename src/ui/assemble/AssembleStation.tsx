'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useCallback, useState } from 'react';
import { useDraftAssessment } from '../seat/moment';
import { useSeat } from '../seat/useSeat';
import { keepText, keptText } from '../shared/browserKeeps';
import { ChoiceRow } from '../shared/ChoiceRow';
import { DraftChips } from '../shared/DraftChips';
import { later, opening } from '../shared/later';
import type { MarkedStep } from './parts';
import { PlanPart } from './PlanPart';

const StartPart = later(() => import('./StartPart').then((module) => module.StartPart), { meanwhile: opening });
const ProofPart = later(() => import('./ProofPart').then((module) => module.ProofPart), { meanwhile: opening });
const HandOverPart = later(() => import('./HandOverPart').then((module) => module.HandOverPart), {
  meanwhile: opening,
});

const WHO = 'vane who builds';
const PART = 'vane part of assemble';

const PARTS = [
  { id: 'plan', label: 'Plan' },
  { id: 'start', label: 'First start' },
  { id: 'proof', label: 'Proof' },
  { id: 'hand-over', label: 'Hand-over' },
] as const;
type PartId = (typeof PARTS)[number]['id'];

/** From the parts on the bench to the client: put together, started, proven, handed over. */
export function AssembleStation() {
  const assessment = useDraftAssessment();
  const editDraft = useSeat((state) => state.editDraft);
  const [who, setWho] = useState(() => keptText(WHO) ?? '');
  const [part, setPart] = useState<PartId>(() => PARTS.find(({ id }) => id === keptText(PART))?.id ?? 'plan');
  const { today } = assessment.facts;
  const by = who.trim() === '' ? undefined : who.trim().slice(0, 60);
  const mark = useCallback(
    ({ id, title }: MarkedStep, on: boolean) =>
      editDraft(
        {
          kind: 'assembled',
          step: id,
          ...(on ? { done: { on: today, what: title.slice(0, 200), ...(by === undefined ? {} : { by }) } } : {}),
        },
        on ? `Done: ${title}` : `Not done: ${title}`,
      ),
    [editDraft, today, by],
  );
  const Shown = { plan: PlanPart, start: StartPart, proof: ProofPart, 'hand-over': HandOverPart }[part];
  const empty = assessment.facts.parts.one('board') === undefined;
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', height: '100%', minHeight: 0 }}>
      <Box className="row wrap unprinted" sx={{ padding: '6px 14px', borderBottom: '1px solid var(--hair)', gap: 2 }}>
        <DraftChips />
        <ChoiceRow
          aria-label="Part of the work"
          value={part}
          options={PARTS}
          onPick={(next) => {
            setPart(next);
            keepText(PART, next);
          }}
        />
        <TextField
          size="small"
          label="Who builds"
          value={who}
          onChange={(event) => {
            setWho(event.target.value);
            keepText(WHO, event.target.value);
          }}
          slotProps={{ htmlInput: { maxLength: 60 } }}
          sx={{ ml: 'auto', mt: '4px', width: 160 }}
        />
        <Button onClick={() => window.print()} disabled={empty}>
          Print
        </Button>
      </Box>
      <Box className="columns" sx={{ gridTemplateColumns: 'minmax(0, 1fr) minmax(320px, 420px)', flex: '1 1 auto' }}>
        <Shown assessment={assessment} who={by} mark={mark} />
      </Box>
    </Box>
  );
}
