'use client';

import Box from '@mui/material/Box';
import { ChoiceButton } from '../shared/ChoiceButton';
import { TextButton } from '../shared/TextButton';
import { FIRST, type Machine } from '@/core/model/machine';
import { inPhase, phaseOf, phasesOf } from '@/core/model/phases';
import { LevelSign, LOUD } from '../shared/Level';
import { useJudge } from '../seat/moment';
import { useSeat } from '../seat/useSeat';
import { Value } from '../shared/Value';
import { Hint } from '../shared/Hint';

/** Switches between the machine as built first and its later phases, which every rule runs on too. */
export function PhaseBar({ machine }: { machine: Machine }) {
  const chosen = useSeat((state) => state.phase);
  const selectPhase = useSeat((state) => state.selectPhase);
  const editDraft = useSeat((state) => state.editDraft);
  const judge = useJudge();
  if (!machine.phases) return null;
  const phase = phaseOf(machine, chosen);
  const worst = (id: string) => {
    const { findings } = judge(inPhase(machine, id));
    return LOUD.find((level) => findings.some((finding) => finding.level === level));
  };
  return (
    <Box component="span" className="row wrap" role="group" aria-label="Phases" sx={{ gap: '6px' }}>
      {phasesOf(machine).map((id) => {
        const level = worst(id);
        const of = phaseOf(machine, id);
        return (
          <Hint key={id} says={of ? 'What is added or taken out here comes later' : 'The machine as built first'}>
            <ChoiceButton chosen={id === (phase?.id ?? FIRST)} onClick={() => selectPhase(id)}>
              {of ? `${of.name}${of.on ? `, ${of.on}` : ''}` : 'Now'}
              {level && <LevelSign level={level} />}
            </ChoiceButton>
          </Hint>
        );
      })}
      {phase && (
        <>
          <Value
            label="Name of the later phase"
            editor={{
              kind: 'text',
              value: phase.name,
              onChange: (name) => editDraft({ kind: 'set-phase', phase: { ...phase, name } }, `Phase ${name}`),
            }}
          >
            Rename phase
          </Value>
          <TextButton
            onClick={() => {
              selectPhase(FIRST);
              editDraft({ kind: 'drop-phase', phase: phase.id }, `Drop the phase ${phase.name}`);
            }}
          >
            Drop phase
          </TextButton>
        </>
      )}
    </Box>
  );
}
