'use client';

import Box from '@mui/material/Box';
import { useMemo, useState } from 'react';
import { arrivalsOf, beforeTheLast } from '@/core/assemble/arrivals';
import { cableWaysOf } from '@/core/assemble/cableWays';
import { sharedOut } from '@/core/assemble/crew';
import { detailsOf } from '@/core/assemble/details';
import { kitOf } from '@/core/assemble/kit';
import { startOf } from '@/core/assemble/start';
import { planOf } from '@/core/assemble/plan';
import { progressOf } from '@/core/assemble/progress';
import type { Plan, Planned } from '@/core/assemble/steps';
import type { Assessment } from '@/core/assess';
import {
  CRAFT,
  detailWords,
  earlyWords,
  gapWords,
  kitWords,
  minutesWords,
  stepTitle,
  whyLines,
} from '@/core/words/assemble';
import { listed } from '@/core/words/format';
import { useSeat } from '../seat/useSeat';
import { FactList } from './FactList';
import type { PartProps } from './parts';
import { PlaceView, type PlaceViewProps } from './PlaceView';
import { StepList } from './StepList';
import { Answer } from '../shared/Answer';
import { TextButton } from '../shared/TextButton';

/** How this machine is put together: its steps in an order in which nothing comes off again, and how far it is. */
export function PlanPart({ assessment, mark }: PartProps) {
  // what is ticked shows at once; only the plan waits for its judgement
  const assembly = useSeat((state) => state.bundle.drafts.find(({ id }) => id === state.draftId)?.body.assembly);
  const editDraft = useSeat((state) => state.editDraft);
  const plan = useMemo(() => planOf(assessment), [assessment]);
  const progress = useMemo(() => progressOf(plan, assembly ? { assembly } : {}), [plan, assembly]);
  const ways = useMemo(() => cableWaysOf(assessment, plan.steps), [assessment, plan]);
  const crew = useMemo(() => sharedOut(plan, 2), [plan]);
  const early = useMemo(() => beforeTheLast(plan, arrivalsOf(assessment)), [plan, assessment]);
  const [chosen, setChosen] = useState<string>();
  const titleOf = (id: string): string => {
    const step = plan.steps.find((each) => each.id === id);
    return step ? stepTitle(step, assessment) : id;
  };
  const short = plan.steps.flatMap(({ id }, i) => (ways.get(id)?.reach === 'short' ? [i + 1] : []));
  const next = progress.ready[0];
  const shown = plan.steps.find(({ id }) => id === chosen) ?? next ?? plan.steps[0];
  return (
    <>
      <section className="pane" aria-label="Plan">
        <Answer>{answerOf(plan.steps.length, progress.done.length, progress.minutesLeft, next, assessment)}</Answer>
        {plan.steps.length > 0 && (
          <p className="quiet">
            {early ? `${earlyWords(early, plan.steps.length, assessment)} ` : ''}
            Two people: {minutesWords(crew.minutes)}.
          </p>
        )}
        {plan.gaps.map((gap) => (
          <p key={JSON.stringify(gap)} className="unproven small">
            ○ {gapWords(gap, assessment)}
          </p>
        ))}
        {plan.knots.length > 0 && (
          <p className="caution small">
            ◆ {listed(plan.knots.map(titleOf))}: some steps lie over each other’s places, and something comes off again.
          </p>
        )}
        {short.length > 0 && (
          <p className="caution small">
            ◆ A cable is too short without an extension: {short.length === 1 ? 'step' : 'steps'}{' '}
            {listed(short.map(String))}.
          </p>
        )}
        {progress.off.length > 0 && (
          <p className="caution small">
            ◆ Done before, and no longer in the plan: {listed(progress.off.map((id) => assembly?.[id]?.what ?? id))}. It
            comes off again.{' '}
            <TextButton
              onClick={() =>
                editDraft(
                  { kind: 'several', edits: progress.off.map((step) => ({ kind: 'assembled', step })) },
                  'What came off',
                )
              }
            >
              it is off
            </TextButton>
          </p>
        )}
        <StepList
          steps={plan.steps.map((step) => ({
            id: step.id,
            title: stepTitle(step, assessment),
            aside: `${step.minutes} min`,
            caution: progress.early.some((each) => each.step === step) ? 'before its turn' : undefined,
          }))}
          done={assembly}
          shown={shown?.id}
          onShow={setChosen}
          onMark={(step, on) => {
            mark(step, on);
            if (on) setChosen(undefined);
          }}
        />
      </section>
      <Box component="section" className="pane unprinted" aria-label="Step" tabIndex={0}>
        {shown && <StepPane step={shown} steps={plan.steps} done={assembly} assessment={assessment} ways={ways} />}
        <Ready plan={plan} assessment={assessment} ways={ways} />
      </Box>
    </>
  );
}

function answerOf(
  all: number,
  done: number,
  minutesLeft: number,
  next: Planned | undefined,
  assessment: Assessment,
): string {
  if (all === 0) return 'Nothing to put together yet';
  if (done === all) return `All ${all} steps are done`;
  const how = `${all} steps, ${minutesWords(minutesLeft)}${done > 0 ? ' left' : ''}`;
  return done === 0
    ? `${how}: begin with “${next ? stepTitle(next, assessment) : ''}”`
    : `${done} of ${how}${next ? `: next “${stepTitle(next, assessment)}”` : ''}`;
}

const LIST = { m: 0, pl: '16px', listStyle: 'disc' } as const;

/** One step: with what, the usual mistake, how one sees that it is right, and why it stands where it does. */
function StepPane({ step, steps, done, assessment, ways }: PlaceViewProps) {
  const craft = CRAFT[step.code];
  const titleOf = (id: string): string => {
    const other = steps.find((each) => each.id === id);
    return other ? stepTitle(other, assessment) : id;
  };
  const before = step.code === 'close' ? [] : step.before;
  const after = steps.filter((other) => other.code !== 'close' && other.before.some(({ step: id }) => id === step.id));
  return (
    <>
      <h2>{stepTitle(step, assessment)}</h2>
      <PlaceView step={step} steps={steps} done={done} assessment={assessment} ways={ways} />
      <FactList
        rows={[
          ['With', craft.with],
          ['The usual mistake', craft.mistake],
          ['It is right when', craft.right],
          ['Here', detailsOf(step, assessment, ways).map(detailWords).join('; ')],
          ['Cannot be undone without loss', step.lasting ? 'paste and film are new each time' : ''],
        ]}
      />
      {before.length > 0 && (
        <>
          <Box component="h3" sx={{ mt: 2 }}>
            Why not earlier
          </Box>
          <Box component="ul" sx={LIST}>
            {whyLines(before, titleOf).map((line) => (
              <li key={line}>{line}</li>
            ))}
          </Box>
        </>
      )}
      {after.length > 0 && (
        <>
          <Box component="h3" sx={{ mt: 2 }}>
            What waits for it
          </Box>
          <Box component="ul" sx={LIST}>
            {after.map(({ id }) => (
              <li key={id}>{titleOf(id)}</li>
            ))}
          </Box>
        </>
      )}
    </>
  );
}

/** What lies ready before the first step, and what is kept after the last. */
function Ready({ plan, assessment, ways }: Pick<PlaceViewProps, 'assessment' | 'ways'> & { plan: Plan }) {
  const rows = useMemo(() => {
    const flashes = startOf(assessment).steps.some(({ part }) => part === 'firmware');
    return kitWords(kitOf(assessment, plan, ways, flashes));
  }, [plan, assessment, ways]);
  if (rows.length === 0) return null;
  return (
    <Box component="section" aria-label="Ready before" sx={{ mt: 3 }}>
      <h2>Ready before the first step</h2>
      <FactList rows={rows} />
    </Box>
  );
}
