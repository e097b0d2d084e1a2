import { z } from 'zod';
import { taskKinds, type TaskKind } from '../model/tasks';

/** What a number of a task may be. */
export interface Bounds {
  readonly min: number;
  readonly max: number | undefined;
  readonly whole: boolean;
  readonly optional: boolean;
}

/** The least step that a field takes where nothing itself is no value. */
const ABOVE_ZERO = 0.001;

const plain = (schema: unknown): unknown => (schema instanceof z.ZodOptional ? schema.unwrap() : schema);
const fieldOf = (schema: unknown, field: string): unknown =>
  schema instanceof z.ZodObject ? Object.entries(schema.shape).find(([name]) => name === field)?.[1] : undefined;

/**
 * Bounds of a number as the schema of its task says them, so that a field refuses what the schema would; with `list` of
 * a number of that list's entries.
 * @example boundsOf('edit-play', 'streams', 'sources').max // 64
 * @throws RangeError when the kind has no such number
 */
export function boundsOf(kind: TaskKind, field: string, list?: string): Bounds {
  const task = taskKinds.find((option) => option.shape.kind.value === kind);
  const entries = list === undefined ? undefined : plain(fieldOf(task, list));
  const found = fieldOf(entries instanceof z.ZodArray ? entries.element : task, field);
  const number = plain(found);
  if (!(number instanceof z.ZodNumber)) throw new RangeError(`a task of kind "${kind}" has no number "${field}"`);
  const min = number.minValue ?? 0;
  return {
    min: min === 0 && !number.safeParse(0).success ? ABOVE_ZERO : min,
    max: number.maxValue ?? undefined,
    whole: number.isInt,
    optional: found instanceof z.ZodOptional,
  };
}
