'use client';

import Box from '@mui/material/Box';
import type { Assessment } from '@/core/assess';
import type { AcceptanceTest } from '@/core/prove/acceptance';
import type { Diagnosis } from '@/core/prove/diagnose';
import type { Judged } from '@/core/prove/readings';
import { minutesWords } from '@/core/words/assemble';
import { listed, number } from '@/core/words/format';
import {
  mistakeWords,
  passesWords,
  shareWords,
  testCommand,
  testFigure,
  testTitle,
  verdictWords,
} from '@/core/words/prove';
import { Press } from '../shared/Press';
import { FactList } from './FactList';

const TONE = { passes: 'var(--carries)', short: 'var(--short)', implausible: 'var(--doubt)' } as const;
const SIGN = { passes: '●', short: '▲', implausible: '◆' } as const;

/** A verdict's colour and sign before what is said of it. */
export function Verdict({ read, says }: { read: Judged; says: string }) {
  return (
    <Box component="span" sx={{ color: TONE[read.verdict] }}>
      {SIGN[read.verdict]} {says}
    </Box>
  );
}

/** What falls short or cannot be right, to be chosen. */
export function OffList({
  read,
  assessment,
  onShow,
}: {
  read: readonly Judged[];
  assessment: Assessment;
  onShow: (id: string) => void;
}) {
  const off = read.filter(({ verdict }) => verdict !== 'passes');
  if (off.length === 0) return null;
  return (
    <Box component="section" aria-label="What is off" sx={{ mb: 2 }}>
      <h2>Off</h2>
      {off.map((entry) => (
        <div key={entry.test.id}>
          <Press onClick={() => onShow(entry.test.id)}>
            <Verdict
              read={entry}
              says={`${testTitle(entry.test, assessment)}: ${testFigure(entry.test, entry.reading.value)}`}
            />
            <Box component="span" className="quiet" sx={{ ml: 1 }}>
              expected {testFigure(entry.test, entry.test.likely)}
            </Box>
          </Press>
        </div>
      ))}
    </Box>
  );
}

/** What could be behind what falls short, the likeliest first. */
export function Causes({
  diagnosis,
  tests,
  assessment,
}: {
  diagnosis: Diagnosis;
  tests: readonly AcceptanceTest[];
  assessment: Assessment;
}) {
  const named = (ids: readonly string[]): string =>
    listed(
      ids.slice(0, 3).flatMap((id) => {
        const test = tests.find((each) => each.id === id);
        return test ? [testTitle(test, assessment)] : [];
      }),
    );
  const likely = diagnosis.explanations.filter(
    ({ mistake, share }, i) => mistake !== undefined && (share > 0.02 || i < 2),
  );
  return (
    <Box component="section" aria-label="Likeliest causes" sx={{ mb: 3 }}>
      <h2>Look at first</h2>
      <Box component="ol" sx={{ m: 0, pl: '18px' }}>
        {likely.slice(0, 3).map((each) => {
          const { title, look } = mistakeWords(each, assessment);
          return (
            <Box component="li" key={`${each.mistake ?? ''} ${each.item ?? ''}`} sx={{ mb: 1 }}>
              <b>{title}</b> <span className="quiet small">{shareWords(each.share)}</span>
              <div>{look}.</div>
              {each.because.length > 0 && <div className="quiet small">It would explain: {named(each.because)}.</div>}
            </Box>
          );
        })}
      </Box>
      {diagnosis.unexplained.length > 0 && (
        <p className="quiet small">Not explained by the first: {named(diagnosis.unexplained)}.</p>
      )}
    </Box>
  );
}

/** How one test is done, and what is expected of it. */
export function TestPane({
  test,
  read,
  assessment,
}: {
  test: AcceptanceTest;
  read: Judged | undefined;
  assessment: Assessment;
}) {
  const { roomC } = assessment.facts.brief;
  return (
    <>
      <h2>{testTitle(test, assessment)}</h2>
      <FactList
        rows={[
          [
            'How',
            <Box key="how" component="span" className="mono" sx={{ overflowWrap: 'anywhere' }}>
              {testCommand(test, assessment)}
            </Box>,
          ],
          ['Takes', minutesWords(test.minutes)],
          ['Expected', testFigure(test, test.likely)],
          ['Passes with', passesWords(test, read?.reading.roomC ?? roomC, roomC)],
          ['Read', read && readWords(read)],
        ]}
      />
    </>
  );
}

/** What was read, what it comes to, and in which room. */
const readWords = (read: Judged): string =>
  `${testFigure(read.test, read.reading.value)}: ${verdictWords(read)}${
    read.reading.roomC === undefined ? '' : `, in a room of ${number(read.reading.roomC, 3)} °C`
  }`;
