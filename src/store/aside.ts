import type { z } from 'zod';
import { problemsOf, type Problem } from '@/core/formats/problems';

/** Where a row lies that may turn out unreadable. */
export const ASIDE_PLACES = [
  'parts',
  'offers',
  'regions',
  'sellers',
  'applications',
  'rivals',
  'figures',
  'owned',
  'watches',
  'sources',
  'settings',
  'documents',
] as const;
export type AsidePlace = (typeof ASIDE_PLACES)[number];

/**
 * A row that cannot be read as what it is to be: written by another release, or damaged. It stays where it lies,
 * everything else works without it, and it is told where somebody can mend it.
 */
export interface SetAside {
  readonly place: AsidePlace;
  readonly id: string;
  readonly text: string;
  readonly problems: readonly Problem[];
}

/** Is told of each row that was set aside. */
export type OnAside = (row: SetAside) => void;
export const unheard: OnAside = () => {};

/** JSON by its schema, with every problem named instead of thrown. */
export function readJson<T>(text: string, schema: z.ZodType<T>): { value: T } | { problems: Problem[] } {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return { problems: [{ path: 'row', message: 'is not JSON' }] };
  }
  const parsed = schema.safeParse(json);
  return parsed.success ? { value: parsed.data } : { problems: problemsOf(parsed.error) };
}

/** A row as its schema reads it; what cannot be read is told and left out. */
export function readRow<T>(
  place: AsidePlace,
  { id, text }: { readonly id: string; readonly text: string },
  schema: z.ZodType<T>,
  aside: OnAside = unheard,
): T[] {
  const read = readJson(text, schema);
  if ('value' in read) return [read.value];
  aside({ place, id, text, problems: read.problems });
  return [];
}
