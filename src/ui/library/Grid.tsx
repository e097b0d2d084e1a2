'use client';

import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import {
  columnResizingFeature,
  columnSizingFeature,
  createColumnHelper,
  tableFeatures,
  useTable,
} from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useMemo, useRef, type KeyboardEvent } from 'react';
import { MOST_BESIDE } from '@/core/library/beside';
import { type Column, PRICE } from '@/core/library/columns';
import type { LibraryRow } from '@/server/contract';
import { cellWords } from './cells';
import { Heading } from './Heading';
import type { Question } from './question';
import type { Pages } from './usePages';
import { TICK, TICK_PX, placesOfStaying, widthOfStaying, type Staying } from './staying';
import { useBeyond } from './useBeyond';
import { LEAST_PX, MOST_PX, useWidths } from './useWidths';

const ROW_PX = 28;

/** Wide enough for its longest word and for half of its label: headings take two lines. */
const widthOf = (column: Column): number => {
  if (column.key === 'name') return 230;
  if (column.key === 'gist') return 400;
  if (column.key === 'maker' || column.key === 'kind') return 104;
  if (column.key === PRICE) return 92;
  const label = `${column.label} ${column.unit ?? ''}`;
  const longest = Math.max(...label.split(' ').map((word) => word.length));
  const wanted = 24 + Math.max(longest, Math.ceil(label.length / 2) + 1) * 6.8;
  return Math.round(Math.max(column.holds === 'number' ? 84 : 96, Math.min(150, wanted)));
};

const features = tableFeatures({ columnSizingFeature, columnResizingFeature });
/** A place of the grid; its row may still be on its way. */
interface GridRow {
  readonly index: number;
  readonly row: LibraryRow | undefined;
}
const helper = createColumnHelper<typeof features, GridRow>();

interface GridProps {
  readonly question: Question;
  readonly columns: readonly Column[];
  readonly pages: Pages;
  readonly active: number;
  readonly lengthUnit: 'mm' | 'inch';
  readonly onActive: (index: number) => void;
  readonly onOpen: () => void;
  readonly onRow: (index: number, id: string) => void;
  readonly onBeside: (row: LibraryRow) => void;
  readonly onQuestion: (question: Question) => void;
}

/** All parts that the question finds: arrows move, Enter opens the sheet, headings sort, the line under them filters. */
export function Grid(props: GridProps) {
  const { question, columns, pages, active, lengthUnit, onActive, onOpen, onRow, onBeside, onQuestion } = props;
  const scroller = useRef<HTMLDivElement>(null);
  const total = pages.head?.total ?? 0;
  const virtual = useVirtualizer({
    count: total,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_PX,
    overscan: 12,
    scrollMargin: 0,
  });
  const shown = virtual.getVirtualItems();
  const [first, last] = [shown[0]?.index ?? 0, shown.at(-1)?.index ?? 0];
  const { want } = pages;
  useEffect(() => want(first, last), [want, first, last]);

  const [widths, setWidths] = useWidths();
  // the table holds what is seen: the rest has not been fetched
  const table = useTable({
    features,
    columns: useMemo(
      () =>
        helper.columns(
          columns.map((column) =>
            helper.accessor(({ row }) => row?.cells[column.key], {
              id: column.key,
              size: widthOf(column),
              minSize: LEAST_PX,
              maxSize: MOST_PX,
            }),
          ),
        ),
      [columns],
    ),
    data: shown.map(({ index }): GridRow => ({ index, row: pages.rowAt(index) })),
    state: { columnSizing: widths },
    onColumnSizingChange: setWidths,
    columnResizeMode: 'onChange',
  });
  const headers = table.getHeaderGroups()[0]?.headers ?? [];
  const columnOf = (id: string) => columns.find(({ key }) => key === id);
  const width = TICK_PX + headers.reduce((sum, header) => sum + header.getSize(), 0);
  // texts take what room is left, numbers stay where they are read best, and what was set stays as it was set
  const template = [
    `${TICK_PX}px`,
    ...headers.map((header) => {
      const px = header.getSize();
      return columnOf(header.column.id)?.holds === 'text' && widths[header.column.id] === undefined
        ? `minmax(${px}px, 1fr)`
        : `${px}px`;
    }),
  ].join(' ');

  const beyond = useBeyond(scroller);
  const stays = placesOfStaying(
    headers.map((header) => ({ key: header.column.id, px: header.getSize() })),
    beyond,
  );

  const move = (to: number) => {
    const next = Math.max(0, Math.min(total - 1, to));
    onActive(next);
    virtual.scrollToIndex(next);
  };
  const keys = (event: KeyboardEvent) => {
    const page = Math.max(1, Math.floor((scroller.current?.clientHeight ?? 300) / ROW_PX) - 3);
    const steps: Record<string, number> = {
      ArrowDown: active + 1,
      ArrowUp: active - 1,
      PageDown: active + page,
      PageUp: active - page,
      Home: 0,
      End: total - 1,
    };
    const to = steps[event.key];
    const here = pages.rowAt(active);
    if (to !== undefined) move(to);
    else if (event.key === 'Enter') onOpen();
    else if (event.key === ' ' && here) onBeside(here);
    else return;
    event.preventDefault();
  };

  const rows = table.getRowModel().rows;
  const besides = question.beside;
  return (
    <Box sx={{ position: 'relative', minHeight: 0, minWidth: 0 }}>
      <div ref={scroller} className="grid-scroll" style={{ scrollPaddingInlineStart: widthOfStaying(stays) }}>
        <div
          style={{ width, minWidth: '100%' }}
          role="grid"
          aria-label="Parts"
          aria-rowcount={total + 1}
          aria-colcount={columns.length + 1}
          tabIndex={0}
          aria-activedescendant={total > 0 ? `row-${active}` : undefined}
          onKeyDown={(event) => event.target === event.currentTarget && keys(event)}
          className="grid"
        >
          <div className="grid-head" role="row" aria-rowindex={1} style={{ gridTemplateColumns: template }}>
            <div role="columnheader" style={stays.get(TICK)?.style}>
              <span className="sr-only">side by side</span>
            </div>
            {headers.map((header) => {
              const column = columnOf(header.column.id);
              return (
                column && (
                  <Heading
                    key={header.id}
                    column={column}
                    question={question}
                    lengthUnit={lengthUnit}
                    widthPx={header.getSize()}
                    stays={stays.get(column.key)?.style}
                    onDrag={header.getResizeHandler()}
                    onWidth={(px) => setWidths((before) => ({ ...before, [column.key]: px }))}
                    onQuestion={onQuestion}
                  />
                )
              );
            })}
          </div>
          <div style={{ height: virtual.getTotalSize(), position: 'relative' }}>
            {rows.map(({ original: { index, row } }, i) => (
              <Row
                key={index}
                index={index}
                top={shown[i]?.start ?? index * ROW_PX}
                template={template}
                row={row}
                columns={columns}
                stays={stays}
                lengthUnit={lengthUnit}
                active={question.part === undefined ? index === active : row?.id === question.part}
                beside={row !== undefined && besides.includes(row.id)}
                full={besides.length >= MOST_BESIDE}
                onRow={onRow}
                onBeside={onBeside}
              />
            ))}
          </div>
        </div>
      </div>
      {beyond.right && <Box aria-hidden sx={{ ...MORE, right: beyond.barPx }} />}
    </Box>
  );
}

/** The edge beyond which more columns lie. */
const MORE = {
  position: 'absolute',
  insetBlock: 0,
  width: 20,
  pointerEvents: 'none',
  zIndex: 3,
  background: 'linear-gradient(to left, var(--shade), transparent)',
} as const;

interface RowProps {
  readonly index: number;
  readonly top: number;
  readonly template: string;
  readonly row: LibraryRow | undefined;
  readonly columns: readonly Column[];
  readonly stays: ReadonlyMap<string, Staying>;
  readonly lengthUnit: 'mm' | 'inch';
  readonly active: boolean;
  readonly beside: boolean;
  /** Whether as many as can be stand side by side. */
  readonly full: boolean;
  readonly onRow: (index: number, id: string) => void;
  readonly onBeside: (row: LibraryRow) => void;
}

function Row({
  index,
  top,
  template,
  row,
  columns,
  stays,
  lengthUnit,
  active,
  beside,
  full,
  onRow,
  onBeside,
}: RowProps) {
  return (
    <div
      id={`row-${index}`}
      role="row"
      aria-rowindex={index + 2}
      aria-selected={active}
      className="grid-row"
      style={{ gridTemplateColumns: template, height: ROW_PX, transform: `translateY(${top}px)` }}
      onClick={() => row && onRow(index, row.id)}
    >
      <span role="gridcell" style={stays.get(TICK)?.style} onClick={(event) => event.stopPropagation()}>
        {row && (
          <Checkbox
            checked={beside}
            disabled={full && !beside}
            onChange={() => onBeside(row)}
            slotProps={{ input: { 'aria-label': `${row.maker} ${row.name} side by side`, tabIndex: -1 } }}
            sx={{ ml: -1.5 }}
          />
        )}
      </span>
      {columns.map((column) => {
        const value = row?.cells[column.key];
        return (
          <span
            key={column.key}
            role="gridcell"
            style={stays.get(column.key)?.style}
            className={`cut${column.holds === 'number' ? ' num' : ''}${row && value === null ? ' unproven' : ''}`}
          >
            {row ? cellWords(value, column, lengthUnit) : ''}
            {row && column.key === 'name' && row.state !== 'on sale' && <span className="caution"> {row.state}</span>}
          </span>
        );
      })}
    </div>
  );
}
