'use client';

import Box from '@mui/material/Box';
import InputBase from '@mui/material/InputBase';
import type { CSSProperties } from 'react';
import type { Column } from '@/core/library/columns';
import { Press } from '../shared/Press';
import { unitWords } from './cells';
import type { Question } from './question';
import { LEAST_PX, MOST_PX } from './useWidths';
import { Hint } from '../shared/Hint';

/** What an arrow key changes a width by, px. */
const STEP_PX = 12;

interface HeadingProps {
  readonly column: Column;
  readonly question: Question;
  readonly lengthUnit: 'mm' | 'inch';
  readonly widthPx: number;
  /** Where it stays when the others are scrolled sideways, if it does. */
  readonly stays: CSSProperties | undefined;
  /** Begins to set the width with the pointer. */
  readonly onDrag: (event: unknown) => void;
  readonly onWidth: (px: number) => void;
  readonly onQuestion: (question: Question) => void;
}

/** The head of a column: sorts, filters, and gives it its width. */
export function Heading({ column, question, lengthUnit, widthPx, stays, onDrag, onWidth, onQuestion }: HeadingProps) {
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
      style={stays}
    >
      <Hint says={`${column.label}${unit ? `, ${unit}` : ''}`}>
        <Press className="grid-sort" onClick={() => onQuestion({ ...question, sort: next })}>
          <span>
            {column.label}
            {unit && <span className="quiet"> {unit}</span>}
            <span aria-hidden="true">{sorted ? (sorted.descending ? ' ↓' : ' ↑') : ''}</span>
          </span>
        </Press>
      </Hint>
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
      <Box
        role="separator"
        aria-orientation="vertical"
        aria-label={`Width of ${column.label}`}
        aria-valuenow={Math.round(widthPx)}
        aria-valuemin={LEAST_PX}
        aria-valuemax={MOST_PX}
        tabIndex={0}
        onMouseDown={onDrag}
        onTouchStart={onDrag}
        onKeyDown={(event) => {
          const by = event.key === 'ArrowRight' ? STEP_PX : event.key === 'ArrowLeft' ? -STEP_PX : 0;
          if (by === 0) return;
          event.preventDefault();
          onWidth(Math.min(MOST_PX, Math.max(LEAST_PX, widthPx + by)));
        }}
        sx={EDGE}
      />
    </div>
  );
}

/** A line between two heads that can be taken hold of. */
const EDGE = {
  position: 'absolute',
  insetBlock: 4,
  right: -3,
  width: 7,
  cursor: 'col-resize',
  touchAction: 'none',
  zIndex: 1,
  '&::after': { content: '""', position: 'absolute', insetBlock: 0, left: 3, width: '1px', background: 'var(--hair)' },
  '&:hover::after, &:focus-visible::after': { background: 'var(--carries)', width: '2px' },
} as const;
