'use client';

import type { Machine } from '@/core/model/machine';
import { type Finding } from '@/core/rules/rule';
import { turnWords } from '@/core/words/turning';
import { useBrief } from '../seat/moment';
import { useSeat } from '../seat/useSeat';
import { useWorker } from '../seat/worker';
import { identity } from './identity';

/** Turning points that are told: the figure that matters most first. */
const SHOWN = 2;

/** At which value of the missing figure an unproven finding turns, worked out in the background. */
export function TurnsAt({ machine, finding }: { machine: Machine; finding: Finding }) {
  const brief = useBrief();
  const catalogue = useSeat((state) => state.context.catalogue);
  const key = finding.key;
  const answer = useWorker(
    'missing' in finding ? `turns ${identity(machine)} ${identity(brief)} ${key}` : undefined,
    (api) => api.turns(machine, brief, key),
  );
  if (answer.state !== 'ready') return null;
  return answer.value.slice(0, SHOWN).map((turn) => (
    <p key={`${turn.figure.part} ${turn.figure.field}`} className="small unproven">
      ○ {turnWords(turn, catalogue)}
    </p>
  ));
}
