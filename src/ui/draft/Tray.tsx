'use client';

import { Entry } from '../shared/Entry';
import Box from '@mui/material/Box';
import { TextButton } from '../shared/TextButton';
import Button from '@mui/material/Button';
import { useEffect, useMemo, useRef, useState } from 'react';
import { fullName } from '@/core/model/fitted';
import type { Part } from '@/core/parts';
import { failing } from '@/core/rules/rule';
import { differencesOf } from '@/core/parts/lookalikes';
import { withPart } from '@/core/search/candidates';
import { findingWords } from '@/core/words/findings';
import { keyFigures } from '@/core/words/partFigures';
import { coins, coinsChange, number } from '@/core/words/format';
import { kindName } from '@/core/words/names';
import type { CandidateRow } from '@/workers/api';
import { valueWords } from '../library/Sheet';
import { Beam } from '../shared/Beam';
import { LevelSign } from '../shared/Level';
import { TurnsAt } from '../shared/TurnsAt';
import { useDraft, useSeat } from '../seat/store';
import { identity, useWorker } from '../seat/worker';
import { ItemActions } from './ItemActions';

const matches = (part: Part, text: string): boolean => {
  const haystack = `${fullName(part)} ${keyFigures(part)}`.toLowerCase();
  return text
    .toLowerCase()
    .split(/\s+/)
    .every((word) => haystack.includes(word));
};

/** Candidates for the chosen position, ranked by what they do to this brief; arrow keys look, Enter takes. */
export function Tray() {
  const position = useSeat((state) => state.position);
  const draft = useDraft();
  const brief = useSeat((state) => state.bundle.brief.body);
  const currency = useSeat((state) => state.context.catalogue.region(brief.region)?.currency ?? 'USD');
  const know = useSeat((state) => state.know);
  const look = useSeat((state) => state.look);
  const choose = useSeat((state) => state.choose);
  const editDraft = useSeat((state) => state.editDraft);
  const [text, setText] = useState('');
  const [active, setActive] = useState<string>();
  const [why, setWhy] = useState(false);
  const list = useRef<HTMLDivElement>(null);
  const answer = useWorker(
    position ? `tray ${identity(draft)} ${identity(brief)} ${JSON.stringify(position)}` : undefined,
    async (api) => (position ? api.candidates(draft, brief, position) : []),
  );
  const rows = useMemo(() => (answer.state === 'ready' ? answer.value : []), [answer]);
  useEffect(() => {
    if (rows.length > 0)
      know(
        rows.map((row) => row.part),
        rows.flatMap((row) => row.offers),
      );
  }, [rows, know]);
  useEffect(() => {
    list.current?.focus();
  }, [position]);
  if (!position) return null;

  const shown = rows.filter((row) => text.trim() === '' || matches(row.part, text));
  const fit = shown.filter((row) => row.fits);
  const misfit = shown.filter((row) => !row.fits);
  const ordered = [...fit, ...misfit];
  const current = ordered.find((row) => row.part.id === active);
  const present = rows.find((row) => row.current)?.part;

  const lookAt = (row: CandidateRow | undefined) => {
    setActive(row?.part.id);
    look(row && !row.current ? withPart(draft, position, row.part) : undefined);
    if (row) document.getElementById(`candidate-${row.part.id}`)?.scrollIntoView({ block: 'nearest' });
  };
  const take = (row: CandidateRow | undefined) => {
    if (!row || row.current) return;
    const name = fullName(row.part);
    const label =
      row.edit.kind === 'swap'
        ? `${name} for ${draft.items.find((item) => item.id === position.item)?.label ?? kindName(position.kind)}`
        : `Add ${name}`;
    const { edit } = row;
    editDraft(
      edit.kind === 'add' && position.pin !== undefined
        ? { kind: 'several', edits: [edit, { kind: 'pin', item: edit.item.id, slot: position.pin }] }
        : edit,
      label,
    );
    setActive(undefined);
    choose(undefined);
  };
  const move = (by: number) => {
    const index = ordered.findIndex((row) => row.part.id === active);
    lookAt(
      ordered[index < 0 ? (by > 0 ? 0 : ordered.length - 1) : Math.min(ordered.length - 1, Math.max(0, index + by))],
    );
  };
  const item = position.item === undefined ? undefined : draft.items.find((entry) => entry.id === position.item);

  return (
    <Box
      sx={{ display: 'flex', flexDirection: 'column', height: '100%', minHeight: 0 }}
      onKeyDown={(event) => {
        if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
          event.preventDefault();
          move(event.key === 'ArrowDown' ? 1 : -1);
        } else if (event.key === 'Enter' && (event.target as HTMLElement).tagName !== 'BUTTON') {
          event.preventDefault();
          take(current);
        } else if (event.key === 'Escape') choose(undefined);
      }}
    >
      <Box className="panehead" sx={{ marginBottom: '4px' }}>
        <Box component="h2" sx={{ textTransform: 'capitalize' }}>
          {position.also ? 'Cards of any kind' : kindName(position.kind)}
        </Box>
        <span className="small quiet">
          {rows.length > 0
            ? `${rows.filter((row) => row.fits).length} fit · ${rows.filter((row) => !row.fits).length} don't`
            : ''}{' '}
          <TextButton onClick={() => choose(undefined)}>Close</TextButton>
        </span>
      </Box>
      {item && <ItemActions itemId={item.id} />}
      <Entry
        value={text}
        onChange={(event) => setText(event.target.value)}
        placeholder="Type a name or a figure"
        aria-label="Narrow the candidates"
      />
      <Box
        ref={list}
        role="listbox"
        aria-label={`Candidates for the ${kindName(position.kind)}`}
        tabIndex={0}
        aria-activedescendant={active ? `candidate-${active}` : undefined}
        sx={{
          overflow: 'auto',
          flex: '1 1 auto',
          minHeight: 0,
          margin: '6px -14px 0',
          borderTop: '1px solid var(--hair)',
        }}
      >
        {answer.state === 'waiting' && (
          <p className="pane quiet">Trying every {kindName(position.kind)} in the catalogue on this brief …</p>
        )}
        {answer.state === 'failed' && (
          <p className="pane short">The candidates could not be tried: {answer.message}.</p>
        )}
        {answer.state === 'ready' && ordered.length === 0 && (
          <p className="pane quiet">
            {rows.length === 0
              ? `The catalogue has no ${kindName(position.kind)}.`
              : 'Nothing here of that name or figure.'}
          </p>
        )}
        {fit.map((row) => (
          <CandidateItem
            key={row.part.id}
            row={row}
            active={row.part.id === active}
            present={present}
            mixed={position.also !== undefined}
            onLook={() => lookAt(row)}
            onTake={() => take(row)}
          />
        ))}
        {misfit.length > 0 && (
          <Box component="p" className="small quiet" sx={{ padding: '8px 14px 4px', background: 'var(--sunk)' }}>
            Does not fit, and why
          </Box>
        )}
        {misfit.map((row) => (
          <CandidateItem
            key={row.part.id}
            row={row}
            active={row.part.id === active}
            present={present}
            mixed={position.also !== undefined}
            onLook={() => lookAt(row)}
            onTake={() => take(row)}
          />
        ))}
      </Box>
      <Box sx={{ borderTop: '1px solid var(--hair)', padding: '6px 0 8px' }}>
        <p className="quiet small">Prices: landed, {currency}, tax and shipping in.</p>
        <Box className="row" sx={{ marginTop: '4px' }}>
          <Button variant="contained" disabled={!current || current.current} onClick={() => take(current)}>
            Take it
          </Button>
          <Button onClick={() => setWhy(!why)} aria-expanded={why}>
            Why this order
          </Button>
          <span className="quiet small">↑ ↓ look, Enter takes</span>
        </Box>
        {why && (
          <Box component="p" className="small" sx={{ marginTop: '4px' }}>
            First what is no dearer and no worse. Then findings mended minus brought, worst level first; then how many
            tasks meet their target; then speed gained a coin added. Parts that bring something that blocks stand below
            the line.
          </Box>
        )}
      </Box>
    </Box>
  );
}

const SHOWN_DIFFERENCES = 4;

/** An edition of the part that is there now: what differs is said where it is chosen (J13). */
function Alike({ present, part }: { present: Part; part: Part }) {
  const root = (one: Part) => one.variantOf ?? one.id;
  if (root(present) !== root(part)) return null;
  const differences = differencesOf(present, part);
  const more = differences.length - SHOWN_DIFFERENCES;
  const said = differences.slice(0, SHOWN_DIFFERENCES).map(({ field, here, there }) => {
    const [now, then] = [valueWords(field, here), valueWords(field, there)];
    // structures may differ in what their words leave out
    return now === then ? `${field.label} not the same` : `${field.label} ${then} instead of ${now}`;
  });
  return (
    <Box component="span" className={`small ${differences.length > 0 ? 'caution' : 'quiet'}`} sx={{ display: 'block' }}>
      {differences.length === 0
        ? 'an edition of what is there; no figure differs'
        : `◆ an edition of what is there: ${said.join(', ')}${more > 0 ? ` and ${more} more` : ''}`}
    </Box>
  );
}

const SHOWN_TASKS = 3;

function CandidateItem({
  row,
  active,
  present,
  onLook,
  onTake,
  mixed,
}: {
  row: CandidateRow;
  active: boolean;
  /** The part in the position now. */
  present: Part | undefined;
  /** The list holds parts of several kinds, so each says which it is. */
  mixed: boolean;
  onLook: () => void;
  onTake: () => void;
}) {
  const { effect, part } = row;
  const names = useSeat((state) => state.bundle.brief.body.tasks);
  const currency = useSeat(
    (state) => state.context.catalogue.region(state.bundle.brief.body.region)?.currency ?? 'USD',
  );
  const changed = effect.tasks.filter(
    (task) =>
      task.before !== task.after ||
      Math.abs(Math.log((task.ratio?.likely ?? 1) / (task.ratioBefore?.likely ?? 1))) > 0.01,
  );
  const mended = effect.mended.filter((finding) => finding.level !== 'note');
  const looked = useSeat((state) => state.preview);
  const open = effect.brought.find((finding) => finding.level === 'unproven' && 'missing' in finding);
  const blocking = effect.brought.filter(({ level }) => failing(level));
  const others = effect.brought.filter(({ level }) => !failing(level) && level !== 'note');
  const price = row.current
    ? 'in the draft'
    : row.landedMinor === undefined
      ? 'no offer'
      : effect.priceMinor === undefined
        ? coins(row.landedMinor, currency)
        : coinsChange(effect.priceMinor, currency);
  return (
    <Box
      id={`candidate-${part.id}`}
      role="option"
      aria-selected={active}
      className={`tray-item${row.fits ? '' : ' misfit'}`}
      sx={{ padding: '7px 14px 7px 11px', cursor: 'pointer' }}
      onClick={onLook}
      onDoubleClick={onTake}
    >
      <span className="spread">
        <b className="cut">{fullName(part)}</b>
        <Box
          component="span"
          className={`num${row.current ? ' quiet' : ''}`}
          sx={{ fontWeight: row.current ? 400 : 650 }}
        >
          {price}
        </Box>
      </span>
      <Box component="span" className="quiet small" sx={{ display: 'block' }}>
        {mixed ? `${part.kind === 'expansion' ? (part.purpose ?? 'expansion card') : kindName(part.kind)} · ` : ''}
        {keyFigures(part)}
      </Box>
      {present && !row.current && <Alike present={present} part={part} />}
      {!row.current && changed.length > 0 && row.fits && (
        <Box
          component="span"
          sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', columnGap: '12px', rowGap: '2px', marginTop: '3px' }}
        >
          {changed.slice(0, SHOWN_TASKS + (changed.length === SHOWN_TASKS + 1 ? 1 : 0)).map((task) => (
            <Box component="span" key={task.task} sx={{ minWidth: 0 }}>
              <Box component="span" className="small cut quiet" sx={{ display: 'block' }}>
                {names.find((entry) => entry.id === task.task)?.name}
              </Box>
              <Beam
                axis={{ kind: 'ratio' }}
                band={task.ratio}
                verdict={task.after}
                sentence={`${names.find((entry) => entry.id === task.task)?.name ?? ''}: ${task.ratio ? `${number(task.ratio.likely, 2)} times the target` : 'unproven'}`}
                compact
              />
            </Box>
          ))}
          {changed.length > SHOWN_TASKS + 1 && (
            <span className="small quiet">and {changed.length - SHOWN_TASKS} more tasks change</span>
          )}
        </Box>
      )}
      {!row.current && mended.length > 0 && (
        <Box component="span" className="small carries" sx={{ display: 'block', marginTop: '2px' }}>
          mends:{' '}
          {mended
            .map((finding) => findingWords(finding).says)
            .slice(0, 2)
            .join(' ')}
        </Box>
      )}
      {[...blocking, ...others].slice(0, 2).map((finding, i) => (
        <Box component="span" key={i} className={`small ${finding.level}`} sx={{ display: 'block', marginTop: '2px' }}>
          <LevelSign level={finding.level} /> {findingWords(finding).says}
        </Box>
      ))}
      {active && looked && open && <TurnsAt machine={looked} finding={open} />}
    </Box>
  );
}
