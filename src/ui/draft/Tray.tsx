'use client';

import { Entry } from '../shared/Entry';
import Box from '@mui/material/Box';
import { TextButton } from '../shared/TextButton';
import Button from '@mui/material/Button';
import { useEffect, useMemo, useRef, useState } from 'react';
import { fullName } from '@/core/model/fitted';
import type { Part, PartKind } from '@/core/parts';
import { withPart } from '@/core/search/candidates';
import { decidingHeads, decidingTexts, keyFigures } from '@/core/words/partFigures';
import { kindName } from '@/core/words/names';
import type { CandidateRow } from '@/workers/api';
import { useBrief, useDraft } from '../seat/moment';
import { useSeat } from '../seat/useSeat';
import { identity, useWorker } from '../seat/worker';
import { CandidateItem, Columns, type TrayColumn } from './CandidateItem';
import { ItemActions } from './ItemActions';
import { trayLines, type TrayLine } from './trayList';
import { Term } from '../shared/Term';

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
  const brief = useBrief();
  const currency = useSeat((state) => state.context.catalogue.region(brief.region)?.currency ?? 'USD');
  const know = useSeat((state) => state.know);
  const look = useSeat((state) => state.look);
  const choose = useSeat((state) => state.choose);
  const editDraft = useSeat((state) => state.editDraft);
  const [text, setText] = useState('');
  const [active, setActive] = useState<string>();
  const [why, setWhy] = useState(false);
  const [opened, setOpened] = useState<ReadonlySet<string>>(new Set());
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
  // a list of several kinds has no columns in common
  const kind = position?.also === undefined ? position?.kind : undefined;
  const columns = useMemo(() => (kind ? differing(kind, rows) : undefined), [kind, rows]);
  if (!position) return null;

  const narrowed = text.trim() !== '';
  const shown = narrowed ? rows.filter((row) => matches(row.part, text)) : rows;
  const lines = trayLines(shown, opened, narrowed);
  const currentLine = lines.find((line) => line.id === active);
  const current = currentLine?.kind === 'part' ? currentLine.row : undefined;
  const present = rows.find((row) => row.current)?.part;

  const lookAt = (line: TrayLine<CandidateRow> | undefined) => {
    setActive(line?.id);
    look(line?.kind === 'part' && !line.row.current ? withPart(draft, position, line.row.part) : undefined);
    if (line) document.getElementById(line.id)?.scrollIntoView({ block: 'nearest' });
  };
  const openOrClose = (id: string) =>
    setOpened((before) => new Set(before.has(id) ? [...before].filter((other) => other !== id) : [...before, id]));
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
    const index = lines.findIndex((line) => line.id === active);
    lookAt(lines[index < 0 ? (by > 0 ? 0 : lines.length - 1) : Math.min(lines.length - 1, Math.max(0, index + by))]);
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
          if (currentLine?.kind === 'fold') openOrClose(currentLine.id);
          else take(current);
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
        aria-activedescendant={currentLine?.id}
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
        {answer.state === 'ready' && lines.length === 0 && (
          <p className="pane quiet">
            {rows.length === 0
              ? `The catalogue has no ${kindName(position.kind)}.`
              : 'Nothing here of that name or figure.'}
          </p>
        )}
        {columns && columns.length > 0 && lines.length > 0 && (
          <Box
            role="presentation"
            sx={{
              position: 'sticky',
              top: 0,
              zIndex: 1,
              padding: '3px 14px 2px 11px',
              background: 'var(--paper)',
              borderBottom: '1px solid var(--hair)',
            }}
          >
            <Columns columns={columns} texts={columns.map(({ head }) => head)} />
          </Box>
        )}
        {lines.map((line) =>
          line.kind === 'part' ? (
            <CandidateItem
              key={line.id}
              row={line.row}
              active={line.id === active}
              present={present}
              columns={columns}
              under={line.under}
              onLook={() => lookAt(line)}
              onTake={() => take(line.row)}
            />
          ) : (
            <Box
              key={line.id}
              id={line.id}
              role="option"
              aria-selected={line.id === active}
              className="tray-item small quiet"
              sx={{ padding: '5px 14px 5px 11px', cursor: 'pointer' }}
              onClick={() => {
                lookAt(line);
                openOrClose(line.id);
              }}
            >
              {line.open ? '−' : '+'} {line.says}
            </Box>
          ),
        )}
      </Box>
      <Box sx={{ borderTop: '1px solid var(--hair)', padding: '6px 0 8px' }}>
        <p className="quiet small">
          Prices: <Term word="landed" />, {currency}, tax and shipping in.
        </p>
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

/** The deciding figures in which those that fit differ: what all have alike decides nothing. */
function differing(kind: PartKind, rows: readonly CandidateRow[]): TrayColumn[] {
  const fit = rows.filter((row) => row.fits);
  const texts = (fit.length > 0 ? fit : rows).map(({ part }) => decidingTexts(part));
  return decidingHeads(kind).flatMap((head, at) => {
    const column = texts.map((row) => row[at] ?? '');
    if (new Set(column).size < 2) return [];
    return [{ at, head, width: Math.max(head.length, ...column.map((text) => text.length)) }];
  });
}
