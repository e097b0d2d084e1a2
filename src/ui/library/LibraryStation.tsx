'use client';

import { Entry, EntryChoice } from '../shared/Entry';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ButtonGroup from '@mui/material/ButtonGroup';
import { TextButton } from '../shared/TextButton';
import { useRouter, useSearchParams } from 'next/navigation';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { columnsOf, usualColumns, type Column } from '@/core/library/columns';
import { PART_KINDS, type PartKind } from '@/core/parts';
import type { Settings } from '@/core/model/settings';
import { listed } from '@/core/words/format';
import { kindName } from '@/core/words/names';
import { stepLibrary } from '@/server/actions';
import type { LibraryPage, StepRow } from '@/server/contract';
import { DeskBar } from '../shared/DeskBar';
import { HiddenHeading } from '../shared/HiddenHeading';
import { StepButton } from '../shared/StepButton';
import { useNotices } from '../shared/Notices';
import { Columns } from './Columns';
import { Grid } from './Grid';
import { NewPart, type NewPartStart } from './NewPart';
import { addressOf, besideOrNot, questionFrom, type Question } from './question';
import { Sheet } from './sheet/Sheet';
import { BesideView } from './BesideView';
import { MOST_BESIDE } from '@/core/library/beside';
import { usePages } from './usePages';
import { GiveFile } from '../import/GiveFile';
import { ExportMenu } from './ExportMenu';
import { Term } from '../shared/Term';

const SHOWN_MEANINGS = 3;

/** How a bound without a figure's name was understood, so that nobody takes it for another. */
function ReadAs({ page, kind }: { page: LibraryPage; kind: PartKind | undefined }) {
  const meanings = Object.entries(page.readAs).filter(([name]) => kind === undefined || name === kind);
  if (meanings.length === 0) return null;
  return (
    <span className="unproven">
      bounds read as{' '}
      {meanings
        .slice(0, SHOWN_MEANINGS)
        .map(([name, labels]) => `${labels.join(' and ')}${kind === undefined ? ` (${kindName(name)})` : ''}`)
        .join(', ')}
      {meanings.length > SHOWN_MEANINGS ? ` and so on in ${meanings.length - SHOWN_MEANINGS} more kinds` : ''}
    </span>
  );
}

/** Columns of a kind; of all kinds at once, those that every kind has. */
const columnsFor = (kind: PartKind | undefined, currency: string): readonly Column[] => {
  if (kind) return columnsOf(kind, currency);
  const first = columnsOf(PART_KINDS[0] ?? 'processor', currency);
  return first.filter((column) =>
    PART_KINDS.every((name) => columnsOf(name, currency).some((other) => other.key === column.key)),
  );
};

/** All parts: typed questions with units, filters above columns, sheets beside the grid. */
export function LibraryStation({
  steps,
  settings,
  currency,
  revision,
}: {
  steps: readonly StepRow[];
  settings: Settings;
  currency: string;
  revision: number;
}) {
  const router = useRouter();
  const query = useSearchParams().toString();
  const [question, setQuestion] = useState<Question>(() => questionFrom(new URLSearchParams(query)));
  const [active, setActive] = useState(0);
  const [start, setStart] = useState<NewPartStart>();
  const tell = useNotices();
  const search = useRef<HTMLInputElement>(null);
  const pages = usePages(question, revision);
  const all = useMemo(() => columnsFor(question.kind, currency), [question.kind, currency]);
  const columns = useMemo(
    () => question.columns.flatMap((key) => all.find((column) => column.key === key) ?? []),
    [question.columns, all],
  );

  // addresses that this page wrote itself: the router tells of them late, and another one comes from a link
  const written = useRef(new Set([query]));
  const write = (next: Question) => {
    setQuestion(next);
    const address = addressOf(next);
    written.current.add(new URL(address, window.location.href).searchParams.toString());
    window.history.replaceState(null, '', address);
  };
  const ask = (next: Question) => {
    write(next);
    setActive(0);
  };
  const show = (part: string | undefined) => write({ ...question, part });
  useEffect(() => {
    if (written.current.has(query)) return;
    written.current = new Set([query]);
    setQuestion(questionFrom(new URLSearchParams(query)));
    setActive(0);
  }, [query]);
  // asked anew once the router has taken up the address: an answer for the address before is of another page to it, and then
  // it loads the whole window anew, and all that is typed is lost
  const due = useRef(false);
  const [, setTurn] = useState(0);
  const changed = () => {
    due.current = true;
    setTurn((turn) => turn + 1);
  };
  useEffect(() => {
    if (!due.current || query !== new URLSearchParams(window.location.search).toString()) return;
    due.current = false;
    router.refresh();
  });
  const setBeside = (row: { readonly id: string; readonly kind: PartKind }) => {
    const next = besideOrNot(question, row);
    if (next === 'full') return tell(`At most ${MOST_BESIDE} parts stand side by side.`);
    write(next);
    if (question.besideKind !== undefined && question.besideKind !== row.kind)
      tell(`Only parts of one kind stand side by side; it begins anew with ${kindName(row.kind)}.`);
  };
  // with a sheet open, the arrows leaf through sheets
  const activeId = pages.rowAt(active)?.id;
  const { part } = question;
  const follow = part !== undefined && activeId !== undefined && activeId !== part ? activeId : undefined;
  const moved = useRef(false);
  useEffect(() => {
    if (!follow || !moved.current) return;
    const timer = setTimeout(() => show(follow), 90);
    return () => clearTimeout(timer);
    // `show` is made anew each time; only the row matters
    // oxlint-disable-next-line react-hooks/exhaustive-deps
  }, [follow]);

  const undoable = steps.find((step) => !step.undone);
  const redoable = [...steps].reverse().find((step) => step.undone);
  const step = async (direction: 'undo' | 'redo') => {
    const result = await stepLibrary(direction);
    tell(
      result.state === 'done'
        ? `${direction === 'undo' ? 'Taken back' : 'Brought again'}: ${result.label}`
        : result.state === 'held'
          ? `Not ${direction === 'undo' ? 'taken back' : 'brought again'}: ${heldBy(result.by)} on what "${result.label}" changes. Take it out there first.`
          : `Nothing to ${direction}.`,
    );
    changed();
  };
  useHotkeys('/', () => search.current?.focus(), { preventDefault: true, useKey: true });
  useHotkeys('n', () => setStart({ as: 'new', kind: question.kind ?? 'drive' }), { preventDefault: true });
  useHotkeys('escape', () => show(undefined));
  useHotkeys('mod+z', () => void step('undo'), { preventDefault: true });
  useHotkeys(['mod+shift+z', 'mod+y'], () => void step('redo'), { preventDefault: true });

  const head = pages.head;
  const besideKind = question.besideShown ? question.besideKind : undefined;
  return (
    <Box className="frame" sx={{ gridTemplateRows: '40px auto minmax(0, 1fr) auto' }}>
      <DeskBar>
        <StepButton direction="undo" says={undoable && `Undo: ${undoable.label}`} onStep={() => void step('undo')} />
        <StepButton direction="redo" says={redoable && `Redo: ${redoable.label}`} onStep={() => void step('redo')} />
      </DeskBar>
      <search className="row" style={{ padding: '8px 14px', gap: 8, borderBottom: '1px solid var(--hair)' }}>
        <Entry
          ref={search}
          value={question.text}
          onChange={(event) => ask({ ...question, text: event.target.value })}
          onKeyDown={(event) => {
            if (event.key === 'ArrowDown' || event.key === 'Enter') {
              event.preventDefault();
              document.querySelector<HTMLElement>('[role=grid]')?.focus();
            }
          }}
          placeholder="A name, or a figure: ≥ 24 GB, < 300 mm, cores at least 12"
          aria-label="Find parts"
        />
        <Box component="label" className="small row" sx={{ gap: '6px' }}>
          <span className="quiet">Kind</span>
          <EntryChoice
            width={190}
            value={question.kind ?? ''}
            onChange={(event) => {
              const kind = PART_KINDS.find((name) => name === event.target.value);
              ask({ ...question, kind, filters: {}, sort: undefined, columns: usualColumns(kind) });
            }}
          >
            <option value="">all kinds</option>
            {PART_KINDS.map((kind) => (
              <option key={kind} value={kind}>
                {kindName(kind)} {head ? `(${head.ofKind[kind] ?? 0})` : ''}
              </option>
            ))}
          </EntryChoice>
        </Box>
        <Columns all={all} question={question} onQuestion={ask} />
        {question.beside.length > 0 && (
          <ButtonGroup>
            <Button
              variant={question.besideShown ? 'contained' : 'outlined'}
              disabled={question.beside.length < 2}
              onClick={() => write({ ...question, besideShown: !question.besideShown })}
            >
              Side by side ({question.beside.length})
            </Button>
            <Button onClick={() => write({ ...question, beside: [], besideKind: undefined, besideShown: false })}>
              None
            </Button>
          </ButtonGroup>
        )}
        <Box component="span" sx={{ marginLeft: 'auto' }} />
        <Button variant="outlined" onClick={() => setStart({ as: 'new', kind: question.kind ?? 'drive' })}>
          New part
        </Button>
        <GiveFile label="Import a file" />
        <ExportMenu kind={question.kind} />
      </search>
      <Box
        component="main"
        sx={{
          display: 'grid',
          gridTemplateColumns: part ? 'minmax(0, 1fr) minmax(320px, 380px)' : 'minmax(0, 1fr)',
          minHeight: 0,
        }}
      >
        {!part && !besideKind && <HiddenHeading>Library</HiddenHeading>}
        {besideKind ? (
          <BesideView
            ids={question.beside}
            kind={besideKind}
            version={revision}
            currency={currency}
            lengthUnit={settings.lengthUnit}
            onShow={show}
            onLeaveOut={setBeside}
            onBack={() => write({ ...question, besideShown: false })}
          />
        ) : (
          <Grid
            question={question}
            columns={columns}
            pages={pages}
            active={active}
            lengthUnit={settings.lengthUnit}
            onActive={(index) => {
              moved.current = true;
              setActive(index);
            }}
            onOpen={() => show(pages.rowAt(active)?.id)}
            onRow={(index, id) => {
              setActive(index);
              show(id);
            }}
            onBeside={setBeside}
            onQuestion={ask}
          />
        )}
        {part && (
          <aside
            aria-label="Sheet of the part"
            style={{ borderLeft: '1px solid var(--hair)', overflow: 'auto', minHeight: 0 }}
          >
            <Sheet
              id={part}
              version={revision}
              lengthUnit={settings.lengthUnit}
              beside={question.beside.includes(part)}
              onBeside={setBeside}
              onChanged={changed}
              onShow={(id) => {
                moved.current = false;
                show(id);
              }}
              onClose={() => show(undefined)}
              onStart={(as, from) => setStart({ as, from, kind: from.part.kind })}
            />
          </aside>
        )}
      </Box>
      <footer className="ledger" aria-label="What the grid shows">
        <span>
          {head ? (
            <>
              <b>{head.total.toLocaleString('en-US')}</b> of {head.all.toLocaleString('en-US')} parts
            </>
          ) : (
            'Looking …'
          )}
        </span>
        {head && <ReadAs page={head} kind={question.kind} />}
        {pages.waiting && head && <span className="quiet">looking …</span>}
        <span className="quiet roomy">
          Prices <Term word="landed" /> in {head?.regionName ?? 'the region'}: tax and shipping in, {currency}
        </span>
        {Object.keys(question.filters).length > 0 && (
          <TextButton onClick={() => ask({ ...question, filters: {} })}>
            Clear {Object.keys(question.filters).length} filter{Object.keys(question.filters).length > 1 ? 's' : ''}
          </TextButton>
        )}
        {pages.failed && (
          <span className="short" role="alert">
            {pages.failed}
          </span>
        )}
        <Box component="span" className="quiet roomy" sx={{ marginLeft: 'auto' }}>
          / find · ↑ ↓ move · Enter opens · Space side by side · n new part
        </Box>
      </footer>
      {start && (
        <NewPart
          start={start}
          onClose={() => setStart(undefined)}
          onMade={(id) => {
            setStart(undefined);
            moved.current = false;
            show(id);
            changed();
          }}
        />
      )}
    </Box>
  );
}

/** Who rests on something, a few by name. */
function heldBy(names: readonly string[]): string {
  if (names.length === 0) return 'something made since rests';
  const told = names.slice(0, 4);
  return `${listed(names.length > told.length ? [...told, `${names.length - told.length} more`] : told)} ${names.length === 1 ? 'rests' : 'rest'}`;
}
