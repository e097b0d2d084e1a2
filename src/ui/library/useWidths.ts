import type { ColumnSizingState } from '@tanstack/react-table';
import { useEffect, useState, type Dispatch, type SetStateAction } from 'react';
import { z } from 'zod';
import { keepText, keptText } from '../shared/browserKeeps';

const KEY = 'vane widths of the library';
/** Least and most of a column, px. */
export const [LEAST_PX, MOST_PX] = [56, 700];

const widthsSchema = z.record(z.string(), z.number().min(LEAST_PX).max(MOST_PX));

function stored(): ColumnSizingState {
  try {
    return widthsSchema.catch({}).parse(JSON.parse(keptText(KEY) ?? '{}'));
  } catch {
    return {};
  }
}

/** Widths of columns in px that somebody set, by the column's key, as this browser keeps them. */
export function useWidths(): readonly [ColumnSizingState, Dispatch<SetStateAction<ColumnSizingState>>] {
  // the server that drew the first heads knows no browser's widths
  const [widths, setWidths] = useState<ColumnSizingState>();
  useEffect(() => setWidths(stored()), []);
  useEffect(() => {
    if (widths) keepText(KEY, JSON.stringify(widths));
  }, [widths]);
  const change: Dispatch<SetStateAction<ColumnSizingState>> = (next) =>
    setWidths((before = {}) => (typeof next === 'function' ? next(before) : next));
  return [widths ?? NONE, change];
}

const NONE: ColumnSizingState = {};
