'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import { useMemo, useState } from 'react';
import { noPicture, type Tree } from '@/core/assemble/noPicture';
import { startOf, type StartStep } from '@/core/assemble/start';
import type { Assessment } from '@/core/assess';
import { minutesWords } from '@/core/words/assemble';
import { wayBackWords } from '@/core/words/firmware';
import { askWords, benchWords, DARK, startSees, startTitle } from '@/core/words/start';
import { useSeat } from '../seat/useSeat';
import { Answer } from '../shared/Answer';
import { FactList } from './FactList';
import type { PartProps } from './parts';
import { StepList } from './StepList';

const HEADS: Readonly<Record<StartStep['part'], string>> = {
  bench: 'On the bench',
  firmware: 'Firmware',
  settings: 'Settings',
  system: 'System and drives',
};

/** The first start: what is done in which order, and the value that must be seen. */
export function StartPart({ assessment, mark }: PartProps) {
  const assembly = useSeat((state) => state.bundle.drafts.find(({ id }) => id === state.draftId)?.body.assembly);
  const plan = useMemo(() => startOf(assessment), [assessment]);
  const [chosen, setChosen] = useState<string>();
  const open = plan.steps.filter(({ id }) => assembly?.[id] === undefined);
  const shown = plan.steps.find(({ id }) => id === chosen) ?? open[0] ?? plan.steps[0];
  const left = open.reduce((sum, { minutes }) => sum + minutes, 0);
  return (
    <>
      <section className="pane" aria-label="First start">
        <Answer>
          {plan.steps.length === 0
            ? 'Nothing to start without a board'
            : open.length === 0
              ? `All ${plan.steps.length} steps of the first start are done`
              : `${plan.steps.length - open.length === 0 ? '' : `${plan.steps.length - open.length} of `}${plan.steps.length} steps, ${minutesWords(left)}${open.length < plan.steps.length ? ' left' : ''}: ${plan.bench.length > 0 ? 'on the bench first' : 'straight in the case'}`}
        </Answer>
        {plan.steps.length > 0 && <p className="quiet">{benchWords(plan)}</p>}
        <StepList
          steps={plan.steps.map((step, i) => ({
            id: step.id,
            title: startTitle(step, assessment),
            aside: startSees(step, assessment),
            head: plan.steps[i - 1]?.part === step.part ? undefined : HEADS[step.part],
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
        {shown && (
          <>
            <h2>{startTitle(shown, assessment)}</h2>
            <FactList
              rows={[
                ['To be seen', startSees(shown, assessment)],
                ['Hands on', minutesWords(shown.minutes)],
                ['Way back', shown.part === 'firmware' && plan.firmware ? wayBackWords(plan.firmware) : ''],
              ]}
            />
          </>
        )}
        {plan.steps.length > 0 && <NoPicture assessment={assessment} />}
      </Box>
    </>
  );
}

/** What to ask, one after the other, when the display stays dark. */
function NoPicture({ assessment }: { assessment: Assessment }) {
  const tree = useMemo(() => noPicture(assessment), [assessment]);
  const [answers, setAnswers] = useState<readonly ('yes' | 'no')[]>([]);
  let at: Tree = tree;
  const asked: { readonly question: string; readonly answer: 'yes' | 'no' }[] = [];
  for (const answer of answers) {
    if ('found' in at) break;
    asked.push({ question: askWords(at.ask, assessment), answer });
    at = at[answer];
  }
  return (
    <Box component="section" aria-label="No picture" sx={{ mt: 3 }}>
      <h2>No picture?</h2>
      {asked.map(({ question, answer }, i) => (
        <p key={question} className="small quiet">
          {i + 1}. {question} <b>{answer}</b>
        </p>
      ))}
      {'found' in at ? (
        at.found.map((cause) => (
          <p key={cause} role="status">
            {DARK[cause]}
          </p>
        ))
      ) : (
        <>
          <p>{askWords(at.ask, assessment)}</p>
          <Stack direction="row" sx={{ gap: 1 }}>
            {(['yes', 'no'] as const).map((answer) => (
              <Button key={answer} variant="outlined" size="small" onClick={() => setAnswers([...answers, answer])}>
                {answer === 'yes' ? 'Yes' : 'No'}
              </Button>
            ))}
          </Stack>
        </>
      )}
      {asked.length > 0 && (
        <Stack direction="row" sx={{ gap: 1, mt: 1 }}>
          <Button size="small" onClick={() => setAnswers(answers.slice(0, asked.length - 1))}>
            One back
          </Button>
          <Button size="small" onClick={() => setAnswers([])}>
            From the beginning
          </Button>
        </Stack>
      )}
    </Box>
  );
}
