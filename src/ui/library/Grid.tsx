'use client';

import InputBase from '@mui/material/InputBase';
import { Press } from '../shared/Press';
import { currencySchema, minorOfShown } from '@/core/units/money';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef, type KeyboardEvent } from 'react';
import { type Column, PRICE } from '@/core/library/columns';
import { convert } from '@/core/units/convert';
import { coinsOnly, number } from '@/core/words/format';
import type { LibraryRow } from '@/server/contract';
import type { Question } from './question';
import type { Pages } from './usePages';

const ROW_PX = 28;

/** How a cell reads; unknown is a sign of its own and never a number. */
export function cellWords(
  value: number | string | null | undefined,
  column: Column,
  lengthUnit: 'mm' | 'inch',
): string {
  if (value === null || value === undefined) return '?';
  if (typeof value === 'string') return value;
  if (column.key === PRICE) {
    const currency = currencySchema.safeParse(column.unit);
    return currency.success ? coinsOnly(minorOfShown(value, currency.data), currency.data) : number(value, 6);
  }
  if (column.unit === 'mm' && lengthUnit === 'inch') return number(convert(value, 'mm', 'inch') ?? value, 4);
  return number(value, 4);
}

export const unitWords = (unit: string | undefined, lengthUnit: 'mm' | 'inch'): string | undefined =>
  unit === 'mm' && lengthUnit === 'inch' ? 'in' : unit;

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

interface GridProps {
  readonly question: Question;
  readonly columns: readonly Column[];
  readonly pages: Pages;
  readonly active: number;
  readonly lengthUnit: 'mm' | 'inch';
  readonly onActive: (index: number) => void;
  readonly onOpen: () => void;
  readonly onRow: (index: number, id: string) => void;
  readonly onQuestion: (question: Question) => void;
}

/** All parts that the question finds: arrows move, Enter opens the sheet, headings sort, the line under them filters. */
export function Grid({ question, columns, pages, active, lengthUnit, onActive, onOpen, onRow, onQuestion }: GridProps) {
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

  const widths = columns.map(widthOf);
  const width = widths.reduce((sum, px) => sum + px, 0);
  // texts take what room is left, numbers stay where they are read best
  const template = columns
    .map((column, i) => (column.holds === 'text' ? `minmax(${widths[i] ?? 0}px, 1fr)` : `${widths[i] ?? 0}px`))
    .join(' ');

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
    if (to !== undefined) {
      event.preventDefault();
      move(to);
    } else if (event.key === 'Enter') {
      event.preventDefault();
      onOpen();
    }
  };

  return (
    <div ref={scroller} className="grid-scroll">
      <div
        style={{ width, minWidth: '100%' }}
        role="grid"
        aria-label="Parts"
        aria-rowcount={total + 1}
        aria-colcount={columns.length}
        tabIndex={0}
        aria-activedescendant={total > 0 ? `row-${active}` : undefined}
        onKeyDown={(event) => event.target === event.currentTarget && keys(event)}
        className="grid"
      >
        <div className="grid-head" role="row" aria-rowindex={1} style={{ gridTemplateColumns: template }}>
          {columns.map((column) => (
            <Heading
              key={column.key}
              column={column}
              question={question}
              lengthUnit={lengthUnit}
              onQuestion={onQuestion}
            />
          ))}
        </div>
        <div style={{ height: virtual.getTotalSize(), position: 'relative' }}>
          {shown.map((item) => (
            <Row
              key={item.key}
              index={item.index}
              top={item.start}
              template={template}
              row={pages.rowAt(item.index)}
              columns={columns}
              lengthUnit={lengthUnit}
              active={
                question.part === undefined ? item.index === active : pages.rowAt(item.index)?.id === question.part
              }
              onRow={onRow}
            />
          ))}
        </div>
      </div>
    </div>
  );
}

function Heading({
  column,
  question,
  lengthUnit,
  onQuestion,
}: {
  column: Column;
  question: Question;
  lengthUnit: 'mm' | 'inch';
  onQuestion: (question: Question) => void;
}) {
  const sorted = question.sort?.key === column.key ? question.sort : undefined;
  const unit = unitWords(column.unit, lengthUnit);
  // first click shows the better end, the second the other, the third the library's own order
  const betterFirst = column.better === 'higher';
  const next = !sorted
    ? { key: column.key, descending: betterFirst }
    : sorted.descending === betterFirst
      ? { key: column.key, descending: !betterFirst }
      : undefined;
  const filter = question.filters[column.key] ?? '';
  return (
    <div
      role="columnheader"
      aria-sort={sorted ? (sorted.descending ? 'descending' : 'ascending') : 'none'}
      className={column.holds === 'number' ? 'num' : undefined}
    >
      <Press
        className="grid-sort"
        onClick={() => onQuestion({ ...question, sort: next })}
        title={`${column.label}${unit ? `, ${unit}` : ''}`}
      >
        <span>
          {column.label}
          {unit && <span className="quiet"> {unit}</span>}
          <span aria-hidden="true">{sorted ? (sorted.descending ? ' ↓' : ' ↑') : ''}</span>
        </span>
      </Press>
      <InputBase
        className="grid-filter"
        value={filter}
        inputProps={{ 'aria-label': `Filter ${column.label}` }}
        placeholder={column.holds === 'number' ? '≥ …' : '…'}
        onChange={(event) => {
          const { [column.key]: _before, ...others } = question.filters;
          onQuestion({
            ...question,
            filters: event.target.value === '' ? others : { ...others, [column.key]: event.target.value },
          });
        }}
      />
    </div>
  );
}

interface RowProps {
  readonly index: number;
  readonly top: number;
  readonly template: string;
  readonly row: LibraryRow | undefined;
  readonly columns: readonly Column[];
  readonly lengthUnit: 'mm' | 'inch';
  readonly active: boolean;
  readonly onRow: (index: number, id: string) => void;
}

function Row({ index, top, template, row, columns, lengthUnit, active, onRow }: RowProps) {
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
      {columns.map((column) => {
        const value = row?.cells[column.key];
        return (
          <span
            key={column.key}
            role="gridcell"
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
