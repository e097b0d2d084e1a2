'use client';

import type { ReactNode } from 'react';
import { boundsOf } from '@/core/work/bounds';
import type { Task, TaskKind, TaskOf } from '@/core/model/tasks';
import { TRADES } from '@/core/work/templates';
import type { Trade } from '@/core/work/trade';
import { number } from '@/core/words/format';
import { Num, Pick, type Change } from '../shared/phrases';

/** Fields of a task that hold a value of a type. */
type FieldsOf<T, V> = { [F in keyof T]-?: Exclude<T[F], undefined> extends V ? F : never }[keyof T] & string;

/**
 * Phrases of a task's figures: label, unit and explanation come from its trade, bounds from its schema, so that a
 * sentence says only how they are put.
 */
export function phrasesOf<K extends TaskKind>(task: TaskOf<K>, change: Change<TaskOf<K>>) {
  const { figures } = TRADES[task.kind as TaskKind] as unknown as Trade<TaskKind>;
  const patch = (field: string, value: unknown) => change({ [field]: value } as unknown as Partial<TaskOf<K>>);
  return {
    /** A number; `words` says it together with what it counts. */
    num: (field: FieldsOf<TaskOf<K>, number>, words?: (said: string, value: number) => ReactNode) => {
      const figure = figures[field];
      const value = task[field] as number | undefined;
      const { min, max, whole, optional } = boundsOf(task.kind, field);
      const said = value === undefined ? undefined : number(value, value < 1000 ? 4 : 9);
      return (
        <Num
          label={figure?.label ?? field}
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
            ? 'as it comes'
            : words
              ? words(said, value)
              : `${said}${figure?.unit ? ` ${figure.unit}` : ''}`}
        </Num>
      );
    },
    /** One of several. */
    pick: <F extends FieldsOf<TaskOf<K>, string | number | boolean>>(
      field: F,
      options: readonly (readonly [value: TaskOf<K>[F] & (string | number | boolean), label: string])[],
    ) => (
      <Pick
        label={figures[field]?.label ?? field}
        value={task[field] as TaskOf<K>[F] & (string | number | boolean)}
        options={options}
        figure={figures[field]}
        onChange={(value) => patch(field, value)}
      />
    ),
  };
}

export type SentenceProps<K extends Task['kind']> = { task: TaskOf<K>; change: Change<TaskOf<K>> };
