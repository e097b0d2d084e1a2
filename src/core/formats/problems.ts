import type { z } from 'zod';

/** One thing wrong with a file, with its place: `parts[3].lengthMm`. */
export interface Problem {
  readonly path: string;
  readonly message: string;
}

export type Parsed<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problems: readonly Problem[] };

/** Longest text a file may have, in characters: far above any catalogue of this release. */
export const MAX_TEXT = 40_000_000;
/** Problems listed at once; more would not be read. */
export const MAX_PROBLEMS = 200;

/** `["parts", 3, "lengthMm"]` as people write it. */
export const pathText = (path: readonly PropertyKey[]): string =>
  path.reduce<string>(
    (text, step) =>
      typeof step === 'number' ? `${text}[${step}]` : text === '' ? String(step) : `${text}.${String(step)}`,
    '',
  ) || 'file';

/** What a type is called in a sentence. */
const wanted = (type: string): string => {
  switch (type) {
    case 'int':
      return 'a whole number';
    case 'string':
      return 'a text';
    case 'boolean':
      return 'true or false';
    default:
      return /^[aeiou]/.test(type) ? `an ${type}` : `a ${type}`;
  }
};

function sentence(issue: z.core.$ZodIssue): string {
  switch (issue.code) {
    case 'invalid_type':
      // a missing value comes without its input, and says so in the library's own message only
      return issue.message.includes('undefined')
        ? `is missing; it must be ${wanted(issue.expected)}`
        : `must be ${wanted(issue.expected)}`;
    case 'too_small':
      return issue.origin === 'number' || issue.origin === 'int'
        ? `must be ${issue.inclusive ? 'at least' : 'above'} ${issue.minimum}`
        : issue.origin === 'array'
          ? `needs at least ${issue.minimum} entry`
          : issue.message;
    case 'too_big':
      return issue.origin === 'number' || issue.origin === 'int'
        ? `must be ${issue.inclusive ? 'at most' : 'below'} ${issue.maximum}`
        : issue.message;
    case 'unrecognized_keys':
      return `has the unknown field${issue.keys.length > 1 ? 's' : ''} ${issue.keys.map((key) => `"${key}"`).join(', ')}; check the spelling or leave it out`;
    case 'invalid_value':
      return issue.values.length === 1
        ? `must be ${JSON.stringify(issue.values[0])}`
        : `must be one of ${issue.values.map((value) => JSON.stringify(value)).join(', ')}`;
    case 'invalid_union':
      return issue.discriminator
        ? `"${issue.discriminator}" is missing or not one this release knows`
        : 'is of none of the kinds allowed here';
    default:
      return issue.message;
  }
}

/** Zod's issues as one sentence each. Messages that our schemas wrote themselves are kept. */
export function problemsOf(error: z.ZodError): Problem[] {
  return error.issues.slice(0, MAX_PROBLEMS).map((issue) => {
    const own =
      issue.message.startsWith('Invalid') || issue.message.startsWith('Too') || issue.message.startsWith('Unrecognized')
        ? sentence(issue)
        : issue.message;
    return { path: pathText(issue.path), message: own };
  });
}

/** Levels of brackets in brackets; nothing that is read here has a quarter of them. */
export const DEEPEST = 100;

/** Levels of brackets in brackets that a JSON text has; strings are passed over. */
export function depthOf(text: string): number {
  let [depth, deepest, quoted] = [0, 0, false];
  for (let i = 0; i < text.length; i++)
    switch (text.charCodeAt(i)) {
      case 0x5c:
        if (quoted) i++;
        break;
      case 0x22:
        quoted = !quoted;
        break;
      case 0x7b:
      case 0x5b:
        if (!quoted && ++depth > deepest) deepest = depth;
        break;
      case 0x7d:
      case 0x5d:
        if (!quoted) depth--;
        break;
    }
  return deepest;
}

/** The value of a JSON text that came from outside; one that is nested deeper than anybody can walk it is refused. */
export function readJson(text: string): Parsed<unknown> {
  const refused = (message: string) => ({ ok: false as const, problems: [{ path: 'file', message }] });
  const depth = depthOf(text);
  if (depth > DEEPEST) return refused(`is nested ${depth} levels deep; up to ${DEEPEST} are read`);
  try {
    return { ok: true, value: JSON.parse(text) as unknown };
  } catch (error) {
    return refused(`is not JSON: ${error instanceof SyntaxError ? error.message : String(error)}`);
  }
}

/**
 * Text to JSON to schema, with every problem named instead of the first exception. `asNow` brings what a former release
 * wrote into today's form.
 */
export function parseText<T>(
  text: string,
  schema: z.ZodType<T>,
  asNow: (value: unknown) => unknown = (value) => value,
): Parsed<T> {
  if (text.length > MAX_TEXT)
    return {
      ok: false,
      problems: [
        {
          path: 'file',
          message: `has ${Math.round(text.length / 1e6)} million characters; files of up to ${MAX_TEXT / 1e6} million are read`,
        },
      ],
    };
  const json = readJson(text);
  return json.ok ? parseJson(asNow(json.value), schema) : json;
}

export function parseJson<T>(json: unknown, schema: z.ZodType<T>): Parsed<T> {
  const result = schema.safeParse(json);
  return result.success ? { ok: true, value: result.data } : { ok: false, problems: problemsOf(result.error) };
}
