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

/**
 * Bounds of a task's number as its schema says them, so that a field refuses what the schema would.
 * @throws RangeError when the kind has no such number
 */
export function boundsOf(kind: TaskKind, field: string): Bounds {
  const schema = taskKinds.find((option) => option.shape.kind.value === kind);
  const found: unknown = schema && Object.entries(schema.shape).find(([name]) => name === field)?.[1];
  const number: unknown = found instanceof z.ZodOptional ? found.unwrap() : found;
  if (!(number instanceof z.ZodNumber)) throw new RangeError(`a task of kind "${kind}" has no number "${field}"`);
  const min = number.minValue ?? 0;
  return {
    min: min === 0 && !number.safeParse(0).success ? ABOVE_ZERO : min,
    max: number.maxValue ?? undefined,
    whole: number.isInt,
    optional: found instanceof z.ZodOptional,
  };
}
