'use client';

import { Entry } from '../shared/Entry';
import Box from '@mui/material/Box';
import { TextButton } from '../shared/TextButton';
import Button from '@mui/material/Button';
import { useEffect, useMemo, useState, type KeyboardEvent } from 'react';
import type { PartKind } from '@/core/parts';
import { withPart, type Position } from '@/core/search/candidates';
import type { CandidateLine } from '@/core/words/candidateLine';
import { decidingHeads } from '@/core/words/partFigures';
import { kindName } from '@/core/words/names';
import type { CandidateRow } from '@/workers/api';
import { useDraft } from '../seat/moment';
import { useCurrency, useSeat } from '../seat/useSeat';
import { ItemActions } from './ItemActions';
import { trayLines, type TrayLine } from './trayList';
import { TrayLines, type TrayColumn } from './TrayLines';
import { useCandidates, useExplained, type Place } from './useCandidates';
import { Term } from '../shared/Term';

const matches = ({ name, figures }: CandidateLine, text: string): boolean => {
  const haystack = `${name} ${figures}`.toLowerCase();
  return text
    .toLowerCase()
    .split(/\s+/)
    .every((word) => haystack.includes(word));
};

/** Candidates for the chosen position, ranked by what they do to this brief; arrow keys look, Enter takes. */
export function Tray() {
  const position = useSeat((state) => state.position);
  // another position is another tray: nothing of the one before stays chosen or opened
  return position && <TrayFor key={JSON.stringify(position)} position={position} />;
}

function TrayFor({ position }: { position: Position }) {
  const currency = useCurrency();
  const choose = useSeat((state) => state.choose);
  const look = useSeat((state) => state.look);
  const [text, setText] = useState('');
  const [active, setActive] = useState<string>();
  const [why, setWhy] = useState(false);
  const [opened, setOpened] = useState<ReadonlySet<string>>(new Set());
  const { answer, rows, place } = useCandidates(position);
  // a list of several kinds has no columns in common
  const kind = position.also === undefined ? position.kind : undefined;
  const columns = useMemo(() => (kind ? differing(kind, rows) : undefined), [kind, rows]);

  const narrowed = text.trim() !== '';
  const lines = useMemo(
    () => trayLines(narrowed ? rows.filter((row) => matches(row, text)) : rows, opened, narrowed),
    [rows, text, narrowed, opened],
  );
  const activeLine = lines.find((line) => line.id === active);
  const chosen = activeLine?.kind === 'part' && !activeLine.row.current ? activeLine.row : undefined;
  const { take, failed } = useLookAndTake(place, chosen?.part);

  const lookAt = (line: TrayLine | undefined) => {
    setActive(line?.id);
    if (line?.kind !== 'part' || line.row.current) look(undefined);
  };
  const openOrClose = (id: string) =>
    setOpened((before) => new Set(before.has(id) ? [...before].filter((other) => other !== id) : [...before, id]));
  const move = (by: number) => {
    const index = lines.findIndex((line) => line.id === active);
    lookAt(lines[index < 0 ? (by > 0 ? 0 : lines.length - 1) : Math.min(lines.length - 1, Math.max(0, index + by))]);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const target = (event.target as HTMLElement).tagName;
    if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      event.preventDefault();
      move(event.key === 'ArrowDown' ? 1 : -1);
    } else if ((event.key === 'Home' || event.key === 'End') && target !== 'INPUT') {
      event.preventDefault();
      lookAt(lines.at(event.key === 'Home' ? 0 : -1));
    } else if (event.key === 'Enter' && target !== 'BUTTON') {
      event.preventDefault();
      if (activeLine?.kind === 'fold') openOrClose(activeLine.id);
      else if (chosen) take(chosen);
    } else if (event.key === 'Escape') choose(undefined);
  };

  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', height: '100%', minHeight: 0 }} onKeyDown={onKeyDown}>
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
      {position.item !== undefined && <ItemActions itemId={position.item} />}
      <Entry
        value={text}
        onChange={(event) => setText(event.target.value)}
        placeholder="Type a name or a figure"
        aria-label="Narrow the candidates"
      />
      <TrayLines
        lines={lines}
        place={place}
        columns={columns}
        active={active}
        label={`Candidates for the ${kindName(position.kind)}`}
        onLook={lookAt}
        onFold={openOrClose}
        onTake={take}
      >
        {answer.state === 'waiting' && (
          <p className="pane quiet">Trying every {kindName(position.kind)} in the catalogue on this brief …</p>
        )}
        {answer.state === 'failed' && (
          <p className="pane short">The candidates could not be tried: {answer.message}.</p>
        )}
        {answer.state === 'ready' && lines.length === 0 && (
          <p className="pane quiet">
            {rows.length === 0
              ? `The catalogue has no ${kindName(position.kind)}.`
              : 'Nothing here of that name or figure.'}
          </p>
        )}
      </TrayLines>
      <Box sx={{ borderTop: '1px solid var(--hair)', padding: '6px 0 8px' }}>
        {failed !== undefined && (
          <p className="small short" role="alert">
            What it does could not be worked out: {failed}.
          </p>
        )}
        <p className="quiet small">
          Prices: <Term word="landed" />, {currency}, tax and shipping in.
        </p>
        <Box className="row" sx={{ marginTop: '4px' }}>
          <Button variant="contained" disabled={!chosen} onClick={() => chosen && take(chosen)}>
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

/**
 * Shows the machine with the candidate that is looked at, and takes one: both as soon as it is known what it does, for
 * until then the page does not know the part.
 */
function useLookAndTake(place: Place | undefined, looked: string | undefined) {
  const draft = useDraft();
  const know = useSeat((state) => state.know);
  const look = useSeat((state) => state.look);
  const choose = useSeat((state) => state.choose);
  const editDraft = useSeat((state) => state.editDraft);
  const [taken, setTaken] = useState<string>();
  const answer = useExplained(place, taken ?? looked);
  const sheet = answer.state === 'ready' ? answer.value : undefined;
  useEffect(() => {
    const row = sheet?.find(({ part }) => part.id === (taken ?? looked));
    if (!place || !sheet || !row) return;
    know({
      parts: sheet.flatMap(({ goods }) => goods.parts),
      offers: sheet.flatMap(({ goods }) => goods.offers),
    });
    if (taken === undefined) return look(withPart(draft, place.position, row.part));
    editDraft(...editOf(row, place, draft.items.find((item) => item.id === place.position.item)?.label));
    choose(undefined);
  }, [place, sheet, taken, looked, draft, know, look, choose, editDraft]);
  return {
    take: (row: CandidateLine) => {
      if (!row.current) setTaken(row.part);
    },
    failed: answer.state === 'failed' ? answer.message : undefined,
  };
}

/** The edit that takes a candidate, and what it is called. */
function editOf({ edit }: CandidateRow, { position }: Place, present: string | undefined) {
  const name = edit.kind === 'swap' ? edit.label : edit.kind === 'add' ? edit.item.label : undefined;
  const label =
    edit.kind === 'swap'
      ? `${name} for ${present ?? kindName(position.kind)}`
      : `Add ${name ?? kindName(position.kind)}`;
  const pinned =
    edit.kind === 'add' && position.pin !== undefined
      ? {
          kind: 'several' as const,
          edits: [edit, { kind: 'pin' as const, item: edit.item.id, slot: position.pin }],
        }
      : edit;
  return [pinned, label] as const;
}

/** The deciding figures in which those that fit differ: what all have alike decides nothing. */
function differing(kind: PartKind, rows: readonly CandidateLine[]): TrayColumn[] {
  const fit = rows.filter((row) => row.fits);
  const texts = (fit.length > 0 ? fit : rows).map((row) => row.texts);
  return decidingHeads(kind).flatMap((head, at) => {
    const column = texts.map((row) => row[at] ?? '');
    if (new Set(column).size < 2) return [];
    return [{ at, head, width: column.reduce((most, text) => Math.max(most, text.length), head.length) }];
  });
}
