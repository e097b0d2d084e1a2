'use client';

import type { Assessment } from '@/core/assess';

import type { TaskResult } from '@/core/predict/results';
import type { Task } from '@/core/model/tasks';
import { turnWords } from '@/core/words/turning';
import { useBrief } from '../seat/moment';
import { useWorker } from '../seat/worker';
import { identity } from './identity';
import { taskBeam, type BeamModel } from '@/core/words/beams';
import { OpenBeam } from './OpenBeam';

/** A task's beam that can be opened; an unproven one says at which value of the missing figure it would turn. */
export function TaskBeam({
  assessment,
  task,
  result,
  change,
  aside,
}: {
  assessment: Assessment;
  task: Task;
  result: TaskResult;
  change?: Partial<BeamModel>;
  aside?: string;
}) {
  const brief = useBrief();
  const { machine, catalogue } = assessment.facts;
  const [lacks] = result.verdict === 'unproven' ? result.missing : [];
  const finding =
    lacks &&
    assessment.findings.find(
      (entry) =>
        entry.rule === 'task-figures' &&
        'missing' in entry &&
        entry.missing.some(({ part, field }) => part === lacks.part && field === lacks.field),
    );
  const answer = useWorker(
    finding ? `turns ${identity(machine)} ${identity(brief)} ${finding.key}` : undefined,
    (api) => api.turns(machine, brief, finding ? finding.key : ''),
  );
  const model = taskBeam(task, result);
  const turns =
    finding && answer.state === 'ready' ? answer.value.slice(0, 1).map((turn) => turnWords(turn, catalogue)) : [];
  return (
    <OpenBeam
      model={{ ...model, ...change, sentence: [model.sentence, ...turns].join(' '), why: [...turns, ...model.why] }}
      {...(aside === undefined ? {} : { aside })}
    />
  );
}
