'use client';

import Box from '@mui/material/Box';
import { ChoiceButton } from '../shared/ChoiceButton';
import { TextButton } from '../shared/TextButton';
import type { Machine } from '@/core/model/machine';
import { inPhase } from '@/core/model/phases';
import { LevelSign, LOUD } from '../shared/Level';
import { useJudge } from '../seat/moment';
import { useSeat } from '../seat/useSeat';
import { Value } from '../shared/Value';
import { Hint } from '../shared/Hint';

/** Switches between the machine as built first and its later phase, which every rule runs on too. */
export function PhaseBar({ machine }: { machine: Machine }) {
  const phase = useSeat((state) => state.phase);
  const selectPhase = useSeat((state) => state.selectPhase);
  const editDraft = useSeat((state) => state.editDraft);
  const judge = useJudge();
  const { later } = machine;
  if (!later) return null;
  const worst = (of: 'now' | 'later') => {
    const { findings } = judge(inPhase(machine, of));
    return LOUD.find((level) => findings.some((finding) => finding.level === level));
  };
  return (
    <Box component="span" className="row wrap" role="group" aria-label="Phases" sx={{ gap: '6px' }}>
      {(['now', 'later'] as const).map((of) => {
        const level = worst(of);
        return (
          <Hint
            key={of}
            says={of === 'now' ? 'The machine as built first' : 'What is added or taken out here comes later'}
          >
            <ChoiceButton chosen={phase === of} onClick={() => selectPhase(of)}>
              {of === 'now' ? 'Now' : `${later.name}${later.on ? `, ${later.on}` : ''}`}
              {level && <LevelSign level={level} />}
            </ChoiceButton>
          </Hint>
        );
      })}
      {phase === 'later' && (
        <>
          <Value
            label="Name of the later phase"
            editor={{
              kind: 'text',
              value: later.name,
              onChange: (name) => editDraft({ kind: 'later', later: { ...later, name } }, `Phase ${name}`),
            }}
          >
            Rename phase
          </Value>
          <TextButton
            onClick={() => {
              selectPhase('now');
              editDraft({ kind: 'later' }, `Drop the phase ${later.name}`);
            }}
          >
            Drop phase
          </TextButton>
        </>
      )}
    </Box>
  );
}
