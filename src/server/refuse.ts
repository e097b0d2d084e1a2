import { troubleLine, troubleOf } from './trouble';
import { z } from 'zod';
import { problemsOf, type Problem } from '@/core/formats/problems';

/** What was asked cannot be done; where it is wrong, and what would mend it. */
export interface Refused {
  readonly state: 'refused';
  readonly problems: readonly Problem[];
}

/** A change that was made. */
export interface Done {
  readonly state: 'done';
}
export const DONE: Done = { state: 'done' };

const refusedFor = (problems: readonly Problem[]): Refused => ({ state: 'refused', problems });

/** What cannot go on for a reason that its user can mend: thrown anywhere below `answering`, which makes it an answer. */
export class Refusal extends Error {
  constructor(readonly problems: readonly Problem[]) {
    super(problems.map(({ path, message }) => `${path} ${message}`).join('; '));
  }
}

/** @throws Refusal always */
export function refuse(path: string, message: string): never {
  throw new Refusal([{ path, message }]);
}

/** What came in, as the schema reads it. @throws Refusal with the schema's problems */
export function read<T>(schema: z.ZodType<T>, input: unknown): T {
  const parsed = schema.safeParse(input);
  if (!parsed.success) throw new Refusal(problemsOf(parsed.error));
  return parsed.data;
}

/** Runs `work`; a refusal or a schema's problems are its answer, anything else is our own mistake and is thrown on. */
export async function answering<T>(work: () => Promise<T>): Promise<T | Refused> {
  try {
    return await work();
  } catch (error) {
    if (error instanceof Refusal) return refusedFor(error.problems);
    if (error instanceof z.ZodError) return refusedFor(problemsOf(error));
    const trouble = troubleOf(error);
    if (trouble) return refusedFor([{ path: 'database', message: troubleLine(trouble) }]);
    throw error;
  }
}
