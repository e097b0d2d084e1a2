'use client';

import type { NumberRange } from '@/core/units/typed';
import { Num } from '../shared/phrases';
import { Value } from '../shared/Value';

interface FigureProps extends Pick<NumberRange, 'min' | 'max' | 'unit' | 'whole'> {
  readonly label: string;
  readonly value: number | undefined;
  /** What stands there without a value; such a figure may be none. */
  readonly none?: string;
  /** How it reads, where not as the figure with its unit. */
  readonly said?: string;
  /** Without it the figure is only said. */
  readonly onChange: ((value: number | undefined) => void) | undefined;
}

/** A figure in a sentence that is changed in place, or only said where it stays. */
export function Figure({ label, value, none, said, onChange, ...range }: FigureProps) {
  const text = value === undefined ? (none ?? 'none') : (said ?? `${value} ${range.unit ?? ''}`.trim());
  if (!onChange) return <b>{text}</b>;
  return (
    <Num
      label={label}
      value={value}
      optional={none !== undefined}
      onChange={(next) => (next !== undefined || none !== undefined) && onChange(next)}
      {...range}
    >
      {text}
    </Num>
  );
}

interface OneOfProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: Readonly<Record<T, string>>;
  readonly onChange: ((value: T) => void) | undefined;
}

/** One of several in a sentence, changed in place or only said. */
export function OneOf<T extends string>({ label, value, options, onChange }: OneOfProps<T>) {
  if (!onChange) return <b>{options[value]}</b>;
  return (
    <Value
      label={label}
      editor={{
        kind: 'choice',
        value,
        options: (Object.keys(options) as T[]).map((id) => ({ value: id, label: options[id] })),
        onChange: (next) => onChange(next as T),
      }}
    >
      {options[value]}
    </Value>
  );
}

interface WordsProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: ((value: string) => void) | undefined;
}

/** A few words in a sentence, changed in place or only said. */
export function Words({ label, value, onChange }: WordsProps) {
  if (!onChange) return <b>{value}</b>;
  return (
    <Value label={label} editor={{ kind: 'text', value, onChange }}>
      {value}
    </Value>
  );
}
