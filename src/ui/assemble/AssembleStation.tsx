'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useMemo, useState, type KeyboardEvent } from 'react';
import { planOf } from '@/core/assemble/plan';
import { progressOf } from '@/core/assemble/progress';
import type { Planned } from '@/core/assemble/steps';
import type { Assessment } from '@/core/assess';
import { CRAFT, gapWords, minutesWords, stepTitle, whyWords } from '@/core/words/assemble';
import { listed } from '@/core/words/format';
import { useDraftAssessment } from '../seat/moment';
import { useSeat } from '../seat/useSeat';
import { Answer } from '../shared/Answer';
import { keepText, keptText } from '../shared/browserKeeps';
import { DraftChips } from '../shared/DraftChips';
import { Press } from '../shared/Press';
import { TextButton } from '../shared/TextButton';

const WHO = 'vane who builds';

/** How this machine is put together: its steps in an order in which nothing comes off again, and how far it is. */
export function AssembleStation() {
  const assessment = useDraftAssessment();
  // what is ticked shows at once; only the plan waits for its judgement
  const assembly = useSeat((state) => state.bundle.drafts.find(({ id }) => id === state.draftId)?.body.assembly);
  const editDraft = useSeat((state) => state.editDraft);
  const plan = useMemo(() => planOf(assessment), [assessment]);
  const progress = useMemo(() => progressOf(plan, assembly ? { assembly } : {}), [plan, assembly]);
  const [who, setWho] = useState(() => keptText(WHO) ?? '');
  const [chosen, setChosen] = useState<string>();
  const { today } = assessment.facts;
  const titleOf = (id: string): string => {
    const step = plan.steps.find((each) => each.id === id);
    return step ? stepTitle(step, assessment) : id;
  };
  const next = progress.ready[0];
  const shown = plan.steps.find(({ id }) => id === chosen) ?? next ?? plan.steps[0];
  const mark = (step: Planned, on: boolean) => {
    const by = who.trim();
    const title = stepTitle(step, assessment);
    editDraft(
      {
        kind: 'assembled',
        step: step.id,
        ...(on ? { done: { on: today, ...(by === '' ? {} : { by: by.slice(0, 60) }) } } : {}),
      },
      on ? `Done: ${title}` : `Not done: ${title}`,
    );
    if (on) setChosen(undefined);
  };
  const walk = (event: KeyboardEvent) => {
    const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    const at = shown ? plan.steps.indexOf(shown) : -1;
    const other = by === undefined ? undefined : plan.steps[at + by];
    if (!other) return;
    event.preventDefault();
    setChosen(other.id);
    document.getElementById(`step ${other.id}`)?.focus();
  };
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', height: '100%', minHeight: 0 }}>
      <Box className="row wrap unprinted" sx={{ padding: '6px 14px', borderBottom: '1px solid var(--hair)' }}>
        <DraftChips />
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
        <Button onClick={() => window.print()} disabled={plan.steps.length === 0}>
          Print the list
        </Button>
      </Box>
      <Box className="columns" sx={{ gridTemplateColumns: 'minmax(0, 1fr) minmax(320px, 420px)', flex: '1 1 auto' }}>
        <section className="pane" aria-label="Plan">
          <Answer>{answerOf(plan.steps.length, progress.done.length, progress.minutesLeft, next, assessment)}</Answer>
          {plan.gaps.map((gap) => (
            <p key={JSON.stringify(gap)} className="unproven small">
              ○ {gapWords(gap, assessment)}
            </p>
          ))}
          {plan.knots.length > 0 && (
            <p className="caution small">
              ◆ {listed(plan.knots.map(titleOf))}: some steps lie over each other’s places, and something comes off
              again.
            </p>
          )}
          {progress.off.length > 0 && (
            <p className="caution small">
              ◆ Done before, and no longer in the plan: {listed(progress.off)}. It comes off again.{' '}
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
          <Box
            component="ol"
            aria-label="Steps"
            onKeyDown={walk}
            sx={{ p: 0, m: 0, mt: 1, listStyle: 'none', maxWidth: 980 }}
          >
            {plan.steps.map((step, i) => {
              const done = assembly?.[step.id];
              const early = progress.early.find((each) => each.step === step);
              return (
                <Stack
                  component="li"
                  key={step.id}
                  direction="row"
                  sx={{
                    alignItems: 'center',
                    gap: 1,
                    borderBottom: '1px solid var(--hair)',
                    boxShadow: step === shown ? 'inset 3px 0 0 var(--carries)' : undefined,
                    breakInside: 'avoid',
                  }}
                >
                  <Checkbox
                    size="small"
                    checked={done !== undefined}
                    onChange={(_, on) => mark(step, on)}
                    slotProps={{ input: { 'aria-label': `Done: ${stepTitle(step, assessment)}` } }}
                  />
                  <Press
                    id={`step ${step.id}`}
                    aria-current={step === shown ? 'step' : undefined}
                    onClick={() => setChosen(step.id)}
                    sx={{ flexGrow: 1, color: done ? 'var(--quiet)' : undefined }}
                  >
                    {i + 1}. {stepTitle(step, assessment)}
                  </Press>
                  <span className="quiet small">
                    {early && <span className="caution">◆ before its turn </span>}
                    {done ? `${done.on}${done.by === undefined ? '' : `, ${done.by}`}` : `${step.minutes} min`}
                  </span>
                </Stack>
              );
            })}
          </Box>
        </section>
        <section className="pane unprinted" aria-label="Step">
          {shown && <StepPane step={shown} steps={plan.steps} assessment={assessment} />}
        </section>
      </Box>
    </Box>
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
function StepPane({ step, steps, assessment }: { step: Planned; steps: readonly Planned[]; assessment: Assessment }) {
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
      <Box component="dl" sx={{ m: 0, '& dt': { color: 'var(--quiet)', mt: 1 }, '& dd': { m: 0 } }}>
        <dt>With</dt>
        <dd>{craft.with}</dd>
        <dt>The usual mistake</dt>
        <dd>{craft.mistake}</dd>
        <dt>It is right when</dt>
        <dd>{craft.right}</dd>
        {step.cable?.headerA !== undefined && (
          <>
            <dt>On this header</dt>
            <dd>{step.cable.headerA.toFixed(2)} A in all</dd>
          </>
        )}
        {step.lasting && (
          <>
            <dt>Cannot be undone without loss</dt>
            <dd>paste and film are new each time</dd>
          </>
        )}
      </Box>
      {before.length > 0 && (
        <>
          <Box component="h3" sx={{ mt: 2 }}>
            Why not earlier
          </Box>
          <Box component="ul" sx={LIST}>
            {before.map(({ step: id, why }) => (
              <li key={id}>{whyWords(why, titleOf(id))}</li>
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
