'use client';

import type { ReactNode } from 'react';
import { boundsOf } from '@/core/work/bounds';
import type { Task, TaskKind, TaskOf } from '@/core/model/tasks';
import { TRADES } from '@/core/work/templates';
import type { Figure, Trade } from '@/core/work/trade';
import { number } from '@/core/words/format';
import { Num, Pick, type Change } from '../shared/phrases';

/** Fields that hold a value of a type. */
type FieldsOf<T, V> = { [F in keyof T]-?: Exclude<T[F], undefined> extends V ? F : never }[keyof T] & string;
type Plain = string | number | boolean;
/** Options in their order: what a field may hold, and how it is said. */
type Options<V> = readonly (readonly [value: Exclude<V, undefined> & Plain, label: string])[];

/** What a field is that was left out: one of its values, or nothing, which is said. */
type Unset<V> = { readonly is: Exclude<V, undefined> & Plain } | { readonly says: string };
const NONE = '';

/** Where the fields of something are told of. */
interface Told {
  readonly kind: TaskKind;
  /** The list of the task that it is an entry of. */
  readonly list?: string;
  /** What a field is called; left out, as its trade calls it. */
  readonly called?: Readonly<Record<string, string>>;
}

const figuresOf = (kind: TaskKind): Readonly<Record<string, Figure>> =>
  (TRADES[kind] as unknown as Trade<TaskKind>).figures;

/**
 * Phrases of figures: label, unit and explanation come from their trade, bounds from the schema, so that a sentence says
 * only how they are put.
 */
function phrases<T extends object>(of: T, change: Change<T>, { kind, list, called = {} }: Told) {
  const figures = figuresOf(kind);
  const figureOf = (field: string) => (list === undefined ? undefined : figures[`${list}.${field}`]) ?? figures[field];
  const patch = (field: string, value: unknown) => change({ [field]: value } as Partial<T>);
  const labelOf = (field: string) => called[field] ?? figureOf(field)?.label ?? field;
  return {
    /** A number; `words` says it together with what it counts, `none` that it is not given. */
    num: (
      field: FieldsOf<T, number>,
      words?: (said: string, value: number) => ReactNode,
      none: string = 'as it comes',
    ) => {
      const figure = figureOf(field);
      const value = of[field] as number | undefined;
      const { min, max, whole, optional } = boundsOf(kind, field, list);
      const said = value === undefined ? undefined : number(value, value < 1000 ? 4 : 9);
      return (
        <Num
          label={labelOf(field)}
          value={value}
          min={min}
          whole={whole}
          optional={optional}
          figure={figure}
          {...(max === undefined ? {} : { max })}
          {...(figure?.unit ? { unit: figure.unit } : {})}
          onChange={(next) => (next !== undefined || optional) && patch(field, next)}
        >
          {value === undefined || said === undefined
            ? none
            : words
              ? words(said, value)
              : `${said}${figure?.unit ? ` ${figure.unit}` : ''}`}
        </Num>
      );
    },
    /** One of several; a field that may be left out says what it then is, or how that is said. */
    pick: <F extends FieldsOf<T, Plain>>(field: F, options: Options<T[F]>, unset?: Unset<T[F]>) => (
      <Pick<Plain>
        label={labelOf(field)}
        value={(of[field] as Plain | undefined) ?? (unset && 'is' in unset ? unset.is : NONE)}
        options={unset && 'says' in unset ? [[NONE, unset.says], ...options] : options}
        figure={figureOf(field)}
        onChange={(value) => patch(field, value === NONE ? undefined : value)}
      />
    ),
  };
}

/** Phrases of a task's own figures. */
export const phrasesOf = <K extends TaskKind>(task: TaskOf<K>, change: Change<TaskOf<K>>) =>
  phrases<TaskOf<K>>(task, change, { kind: task.kind as TaskKind });

/** Phrases of an entry of one of a task's lists; where several stand in a sentence, `called` tells them apart. */
export const phrasesIn = <T extends object>(
  kind: TaskKind,
  list: string,
  entry: T,
  change: Change<T>,
  called: Readonly<Record<string, string>> = {},
) => phrases<T>(entry, change, { kind, list, called });

export type SentenceProps<K extends Task['kind']> = { task: TaskOf<K>; change: Change<TaskOf<K>> };

/** "1 stream", "3 streams". */
export const counted =
  (one: string, many = `${one}s`) =>
  (said: string, value: number) =>
    `${said} ${value === 1 ? one : many}`;

/** Options of depths: "10-bit". */
export const depths = <T extends number>(list: readonly T[]) => list.map((depth) => [depth, `${depth}-bit`] as const);

/** Where something is encoded. */
export const PATHS = [
  ['engine', 'encoding engine'],
  ['software', 'software'],
] as const;
