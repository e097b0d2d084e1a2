'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { useMemo, useState } from 'react';
import type { Assessment } from '@/core/assess';
import { withPart } from '@/core/evidence/comparable';
import { withIds, type Found } from '@/core/evidence/readers';
import type { MachineEdit } from '@/core/model/edits';
import { UNITS, type Measurement } from '@/core/model/measurement';
import { acceptanceOf, type AcceptanceTest } from '@/core/prove/acceptance';
import { diagnose, type Diagnosis } from '@/core/prove/diagnose';
import { matched } from '@/core/prove/matching';
import { readShown, type Shown } from '@/core/prove/readers';
import { judged, type Judged } from '@/core/prove/readings';
import { minutesWords } from '@/core/words/assemble';
import { listed, number } from '@/core/words/format';
import {
  mistakeWords,
  passesWords,
  proofWords,
  shareWords,
  testCommand,
  testFigure,
  testGroup,
  testTitle,
  verdictWords,
} from '@/core/words/prove';
import { typedNumber } from '@/core/units/typed';
import { useBrief, useDraft } from '../seat/moment';
import { useSeat } from '../seat/useSeat';
import { identity, useWorker } from '../seat/worker';
import { Answer } from '../shared/Answer';
import { Entry } from '../shared/Entry';
import { fileText } from '../shared/fileText';
import { Press } from '../shared/Press';
import type { PartProps } from './parts';
import { barePlan } from './barePlan';

type Single = Extract<MachineEdit, { kind: 'several' }>['edits'][number];
const NOTHING: Readonly<Record<string, never>> = {};

/** Every promise of the machine as a test: how it is measured, what passes, what was read, and what falls short and why. */
export function ProofPart({ assessment, who }: PartProps) {
  const draft = useDraft();
  const brief = useBrief();
  const kept = useSeat((state) => state.bundle.drafts.find(({ id }) => id === state.draftId)?.body.proof) ?? NOTHING;
  const editDraft = useSeat((state) => state.editDraft);
  const [room, setRoom] = useState('');
  const [chosen, setChosen] = useState<string>();
  const [message, setMessage] = useState<{ readonly good: boolean; readonly text: string }>();
  const tests = useMemo(() => acceptanceOf(assessment), [assessment]);
  const read = useMemo(() => judged(tests, kept, brief.roomC), [tests, kept, brief.roomC]);
  const byTest = new Map(read.map((entry) => [entry.test.id, entry]));
  const machine = useMemo(() => barePlan(draft), [draft]);
  const wanted = read.length > 0;
  const causes = useWorker(wanted ? `causes ${identity(machine)} ${identity(brief)}` : undefined, (api) =>
    api.causes(machine, brief),
  );
  const diagnosis = useMemo(
    () => (causes.state === 'ready' && read.length > 0 ? diagnose(read, causes.value) : undefined),
    [causes, read],
  );
  const first = diagnosis?.explanations[0];
  const likeliest = first && first.mistake !== undefined && first.share > 0.5 ? first : undefined;
  const wrong = read.some(({ verdict }) => verdict === 'short') || first?.mistake !== undefined;
  const shown = tests.find(({ id }) => id === chosen) ?? tests.find(({ id }) => !byTest.has(id)) ?? tests[0];
  const roomC = room.trim() === '' || !Number.isFinite(Number(room)) ? undefined : Number(room);
  const { today, parts } = assessment.facts;

  const kept1 = (value: number, source?: string, at: number | undefined = roomC) => ({
    value,
    on: today,
    ...(at === undefined ? {} : { roomC: Math.max(-20, Math.min(60, at)) }),
    ...(who === undefined ? {} : { by: who }),
    ...(source === undefined ? {} : { source: source.slice(0, 120) }),
  });
  const type = (test: AcceptanceTest, text: string) => {
    const typed = typedNumber({ min: -1000, max: 1e12 }).safeParse(text);
    if (text.trim() !== '' && !typed.success) {
      setMessage({ good: false, text: `${testTitle(test, assessment)}: ${typed.error.issues[0]?.message ?? ''}` });
      return;
    }
    const value = typed.data ?? 0;
    editDraft(
      { kind: 'proven', test: test.id, ...(text.trim() === '' ? {} : { reading: kept1(value) }) },
      `Read: ${testTitle(test, assessment)}`,
    );
  };
  const take = async (files: FileList | null) => {
    const shownAll: Shown[] = [];
    const said: string[] = [];
    let good = true;
    const names: string[] = [];
    const { cutTable } = await import('../weigh/cutTable');
    for (const file of [...(files ?? [])]) {
      const given = await fileText(file);
      const answer = given.ok ? readShown(given.text, cutTable) : given;
      if (!answer.ok) {
        good = false;
        said.push(`${file.name}: ${answer.message}`);
        continue;
      }
      names.push(file.name);
      shownAll.push(...answer.shown);
      said.push(...answer.notes.map((note) => `${file.name}: ${note}`));
    }
    const found = matched(shownAll, tests, assessment);
    const source = listed(names).slice(0, 120);
    const edits: Single[] = Object.entries(found.readings).map(([test, reading]) => ({
      kind: 'proven',
      test,
      reading: kept1(reading.value, source, reading.roomC ?? roomC),
    }));
    const evidence = evidenceWith(draft.evidence ?? [], found.others, source, assessment);
    if (evidence) edits.push(evidence);
    if (edits.length > 0) editDraft({ kind: 'several', edits }, `Read: ${edits.length} figures of ${source}`);
    if (found.left.length > 0) said.push(`Of no test here: ${listed([...new Set(found.left)])}.`);
    if (found.others.length > 0)
      said.push(`${found.others.length} further results are kept apart until the machine is seen to be sound.`);
    const count = Object.keys(found.readings).length;
    setMessage({ good, text: [`${count} ${count === 1 ? 'reading' : 'readings'} taken.`, ...said].join(' ') });
  };
  const sources = new Set(Object.values(kept).flatMap(({ source }) => source ?? []));
  const learn = learnt(read, draft.evidence ?? [], sources);
  return (
    <>
      <section className="pane" aria-label="Proof">
        <Answer>{proofWords(tests, read, likeliest && mistakeWords(likeliest, assessment).title)}</Answer>
        <Box className="row wrap small unprinted" sx={{ gap: '10px', mt: '6px' }}>
          <Box component="label" className="chip" sx={{ cursor: 'pointer' }}>
            Read result files
            <input
              type="file"
              multiple
              aria-label="Files of readings"
              style={{ position: 'absolute', width: 1, height: 1, opacity: 0 }}
              onChange={(event) => {
                void take(event.target.files).finally(() => (event.target.value = ''));
              }}
            />
          </Box>
          <label>
            Room{' '}
            <Entry
              aria-label="Room temperature, °C"
              inputMode="decimal"
              width={72}
              value={room}
              placeholder={String(brief.roomC)}
              onChange={(event) => setRoom(event.target.value)}
            />{' '}
            °C
          </label>
          {learn.length > 0 && !wrong && (
            <Button
              size="small"
              onClick={() =>
                editDraft(
                  {
                    kind: 'evidence',
                    evidence: [
                      ...(draft.evidence ?? []).filter(({ id }) => !learn.some((each) => each.id === id)),
                      ...learn.map((each) => withPart(each, parts)),
                    ],
                  },
                  `Learnt from ${learn.length} readings`,
                )
              }
            >
              Let the predictions learn from {learn.length} {learn.length === 1 ? 'reading' : 'readings'}
            </Button>
          )}
        </Box>
        {message && (
          <p className={`small ${message.good ? 'quiet' : 'short'}`} role={message.good ? 'status' : 'alert'}>
            {message.text}
          </p>
        )}
        <Table size="small" aria-label="Acceptance tests" sx={{ mt: 1, maxWidth: 980 }}>
          <TableHead>
            <TableRow>
              <TableCell scope="col">Promise</TableCell>
              <TableCell scope="col">Passes with</TableCell>
              <TableCell scope="col">Read</TableCell>
              <TableCell scope="col">Comes to</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {tests.flatMap((test, i) => {
              const before = tests[i - 1];
              const group = testGroup(test);
              const head =
                before && testGroup(before) === group
                  ? []
                  : [
                      <TableRow key={group}>
                        <TableCell colSpan={4} component="th" scope="rowgroup" sx={{ fontWeight: 600, pt: 2 }}>
                          {group}
                        </TableCell>
                      </TableRow>,
                    ];
              return [
                ...head,
                <TestRow
                  key={test.id}
                  test={test}
                  read={byTest.get(test.id)}
                  shown={test === shown}
                  onShow={() => setChosen(test.id)}
                  onType={(text) => type(test, text)}
                  assessment={assessment}
                />,
              ];
            })}
          </TableBody>
        </Table>
      </section>
      <Box component="section" className="pane unprinted" aria-label="Test" tabIndex={0}>
        <OffList read={read} assessment={assessment} onShow={setChosen} />
        {wrong && diagnosis && <Causes diagnosis={diagnosis} tests={tests} assessment={assessment} />}
        {wrong && causes.state === 'waiting' && <p className="quiet small">Weighing what could be behind it …</p>}
        {shown && <TestPane test={shown} read={byTest.get(shown.id)} assessment={assessment} />}
      </Box>
    </>
  );
}

/** Results that answer no test but teach, beside those that are there. */
function evidenceWith(
  list: readonly Measurement[],
  others: readonly Found[],
  source: string,
  { facts }: Assessment,
): Single | undefined {
  if (others.length === 0) return undefined;
  // kept apart until it is seen that the machine is as it should be
  const found = withIds(others, source, list).map((each) => withPart({ ...each, use: 'check' }, facts.parts));
  // what waits of the same files was measured before something was mended
  const rest = list.filter((each) => each.use !== 'check' || each.source !== source);
  return { kind: 'evidence', evidence: [...rest, ...found].slice(-500) };
}

/**
 * Readings that passed and results that came with them, as what the predictions can learn from, without those that they
 * have learnt from.
 */
function learnt(read: readonly Judged[], list: readonly Measurement[], sources: ReadonlySet<string>): Measurement[] {
  const has = new Set(list.map(({ id }) => id));
  const waiting = list.filter(({ use, source }) => use === 'check' && sources.has(source));
  const passed = read.flatMap(({ test, reading, verdict }): Measurement[] => {
    const unit = UNITS.find((each) => each === test.unit);
    const id = `proof.${test.id.toLowerCase().replace(/[^a-z0-9.-]+/g, '-')}`.slice(0, 80);
    if (verdict !== 'passes' || !test.workload || !unit || !(reading.value > 0) || has.has(id)) return [];
    return [
      {
        id,
        workload: test.workload,
        value: reading.value,
        unit,
        tool: 'acceptance test',
        source: 'proof',
        use: 'calibrate',
      },
    ];
  });
  return [...passed, ...waiting.map((each) => ({ ...each, use: 'calibrate' as const }))];
}

const TONE = { passes: 'var(--carries)', short: 'var(--short)', implausible: 'var(--doubt)' } as const;
const SIGN = { passes: '●', short: '▲', implausible: '◆' } as const;

interface TestRowProps {
  readonly test: AcceptanceTest;
  readonly read: Judged | undefined;
  readonly shown: boolean;
  readonly onShow: () => void;
  readonly onType: (text: string) => void;
  readonly assessment: Assessment;
}

function TestRow({ test, read, shown, onShow, onType, assessment }: TestRowProps) {
  const { roomC } = assessment.facts.brief;
  const title = testTitle(test, assessment);
  const was = read ? String(Number(read.reading.value.toPrecision(5))) : '';
  return (
    <TableRow selected={shown} sx={{ breakInside: 'avoid' }}>
      <TableCell sx={{ py: 0 }}>
        <Press aria-current={shown ? 'true' : undefined} onClick={onShow}>
          {title}
        </Press>
      </TableCell>
      <TableCell sx={{ py: 0 }}>{passesWords(test, read?.reading.roomC ?? roomC, roomC)}</TableCell>
      <TableCell sx={{ py: '2px', whiteSpace: 'nowrap' }}>
        <Entry
          key={was}
          aria-label={`Read: ${title}`}
          inputMode="decimal"
          width={96}
          defaultValue={was}
          onFocus={onShow}
          onBlur={(event) => event.target.value !== was && onType(event.target.value)}
          onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
        />{' '}
        <span className="quiet small">{test.unit === 'lanes' || test.unit === 'generation' ? '' : test.unit}</span>
      </TableCell>
      <TableCell sx={{ py: 0 }}>
        {read && (
          <Box component="span" sx={{ color: TONE[read.verdict] }}>
            {SIGN[read.verdict]} {verdictWords(read)}
          </Box>
        )}
      </TableCell>
    </TableRow>
  );
}

/** What falls short or cannot be right, to be chosen. */
function OffList({
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
            <Box component="span" sx={{ color: TONE[entry.verdict] }}>
              {SIGN[entry.verdict]} {testTitle(entry.test, assessment)}: {testFigure(entry.test, entry.reading.value)}
            </Box>
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
function Causes({
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
function TestPane({
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
      <Box component="dl" sx={{ m: 0, '& dt': { color: 'var(--quiet)', mt: 1 }, '& dd': { m: 0 } }}>
        <dt>How</dt>
        <Box component="dd" className="mono" sx={{ overflowWrap: 'anywhere' }}>
          {testCommand(test, assessment)}
        </Box>
        <dt>Takes</dt>
        <dd>{minutesWords(test.minutes)}</dd>
        <dt>Expected</dt>
        <dd>{testFigure(test, test.likely)}</dd>
        <dt>Passes with</dt>
        <dd>{passesWords(test, read?.reading.roomC ?? roomC, roomC)}</dd>
        {read && (
          <>
            <dt>Read</dt>
            <dd>
              {testFigure(test, read.reading.value)}: {verdictWords(read)}
              {read.reading.roomC === undefined ? '' : `, in a room of ${number(read.reading.roomC, 3)} °C`}
            </dd>
          </>
        )}
      </Box>
    </>
  );
}
