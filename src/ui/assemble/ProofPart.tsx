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
import type { MachineEdit } from '@/core/model/edits';
import { acceptanceOf, type AcceptanceTest } from '@/core/prove/acceptance';
import { diagnose } from '@/core/prove/diagnose';
import { asPromised, keptApart, learnable, withLearnt } from '@/core/prove/learning';
import { matched } from '@/core/prove/matching';
import { readShown, type Shown } from '@/core/prove/readers';
import { judged, type Judged } from '@/core/prove/readings';
import { typedNumber } from '@/core/units/typed';
import { listed } from '@/core/words/format';
import { mistakeWords, passesWords, proofWords, testGroup, testTitle, verdictWords } from '@/core/words/prove';
import { useBrief, useDraft } from '../seat/moment';
import { useSeat } from '../seat/useSeat';
import { useWorker } from '../seat/worker';
import { identity } from '../shared/identity';
import { Answer } from '../shared/Answer';
import { Entry } from '../shared/Entry';
import { FilesButton } from '../shared/FilesButton';
import { fileText } from '../shared/fileText';
import { Press } from '../shared/Press';
import { barePlan } from './barePlan';
import type { PartProps } from './parts';
import { Causes, OffList, TestPane, Verdict } from './ProofPanes';
import { usePromised } from './usePromised';

type Single = Extract<MachineEdit, { kind: 'several' }>['edits'][number];
const NOTHING: Readonly<Record<string, never>> = {};
const READING = typedNumber({ min: -1000, max: 1e12 });
const ROOM = typedNumber({ min: -20, max: 60, unit: '°C' });

/** Every promise of the machine as a test: how it is measured, what passes, what was read, and what falls short and why. */
export function ProofPart({ who }: PartProps) {
  const assessment = usePromised();
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
  const machine = useMemo(() => barePlan(asPromised(draft)), [draft]);
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
  const typedRoom = room.trim() === '' ? undefined : ROOM.safeParse(room);
  const roomC = typedRoom?.data;
  const { today, parts } = assessment.facts;
  const list = draft.evidence ?? [];

  const readingOf = (value: number, at: number | undefined, source?: string) => ({
    value,
    on: today,
    ...(at === undefined ? {} : { roomC: at }),
    ...(who === undefined ? {} : { by: who }),
    ...(source === undefined ? {} : { source }),
  });
  const type = (test: AcceptanceTest, text: string) => {
    const title = testTitle(test, assessment);
    const edit = { kind: 'proven', test: test.id } as const;
    if (text.trim() === '') return editDraft(edit, `Not read: ${title}`);
    const typed = READING.safeParse(text);
    if (!typed.success) return setMessage({ good: false, text: `${title}: ${typed.error.issues[0]?.message ?? ''}` });
    setMessage(undefined);
    editDraft({ ...edit, reading: readingOf(typed.data, roomC) }, `Read: ${title}`);
  };
  const take = async (files: readonly File[]) => {
    const shownAll: Shown[] = [];
    const said: string[] = [];
    const names: string[] = [];
    // the parser of tables is fetched when there is a file
    const { cutTable } = await import('../weigh/cutTable');
    for (const file of files) {
      const given = await fileText(file);
      const answer = given.ok ? readShown(given.text, cutTable) : given;
      if (answer.ok) {
        names.push(file.name);
        shownAll.push(...answer.shown);
      }
      said.push(...(answer.ok ? answer.notes : [answer.message]).map((note) => `${file.name}: ${note}`));
    }
    const { readings, others, left } = matched(shownAll, tests, assessment);
    const source = listed(names).slice(0, 120);
    const read = Object.entries(readings);
    const edits: Single[] = read.map(([test, { value, roomC: at = roomC }]) => ({
      kind: 'proven',
      test,
      reading: readingOf(value, at, source),
    }));
    if (others.length > 0) {
      edits.push({ kind: 'evidence', evidence: keptApart(list, others, source, parts) });
      said.push(`${others.length} further results are kept apart until the machine is seen to be sound.`);
    }
    if (edits.length > 0) editDraft({ kind: 'several', edits }, `Read: ${read.length} figures of ${source}`);
    if (left.length > 0) said.push(`Of no test here: ${listed([...new Set(left)])}.`);
    const taken = `${read.length} ${read.length === 1 ? 'reading' : 'readings'} taken.`;
    setMessage({ good: names.length === files.length, text: [taken, ...said].join(' ') });
  };
  const learn = learnable(read, list, parts);
  return (
    <>
      <section className="pane" aria-label="Proof">
        <Answer>{proofWords(tests, read, likeliest && mistakeWords(likeliest, assessment).title)}</Answer>
        <Box className="row wrap small unprinted" sx={{ gap: '10px', mt: '6px' }}>
          <FilesButton label="Files of readings" onGive={take}>
            Read result files
          </FilesButton>
          <label>
            Room{' '}
            <Entry
              aria-label="Room temperature, °C"
              inputMode="decimal"
              width={72}
              value={room}
              placeholder={String(brief.roomC)}
              aria-invalid={typedRoom?.success === false}
              onChange={(event) => setRoom(event.target.value)}
            />{' '}
            °C
            {typedRoom?.success === false && <span className="short"> ▲ {typedRoom.error.issues[0]?.message}</span>}
          </label>
          {learn.length > 0 && !wrong && (
            <Button
              size="small"
              onClick={() =>
                editDraft(
                  { kind: 'evidence', evidence: withLearnt(list, learn) },
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
      <TableCell sx={{ py: 0 }}>{read && <Verdict read={read} says={verdictWords(read)} />}</TableCell>
    </TableRow>
  );
}
