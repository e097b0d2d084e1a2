import type { Better } from './common';
import { figureMeta, PART_KINDS, partSchemas, type Part } from './index';
import { NOT_FIGURES } from './fields';

/** Fields that say which part it is, not what it is like; what a rule reads of them it reads by identity. */
const IDENTITY: ReadonlySet<string> = new Set([
  ...NOT_FIGURES,
  'warrantyMonths',
  'massG',
  'listPrices',
  'dieKind',
  'testedBoards',
  'testedMemory',
]);

/**
 * All figures of a part as one text: parts with equal texts are the same thing to every prediction and most rules. Some
 * may be left out.
 */
export const figuresText = (part: Part, without: readonly string[] = []): string =>
  JSON.stringify(Object.entries(part).filter(([field]) => !IDENTITY.has(field) && !without.includes(field)));

interface Rank {
  readonly kind: number;
  /** Figures with a declared direction, better ones lower; what is unknown comes last. */
  readonly figures: readonly number[];
  readonly text: string;
  readonly name: string;
}

const ranks = new WeakMap<Part, Rank>();
const directed = new Map<string, readonly (readonly [string, 1 | -1])[]>();

function directedFields(kind: Part['kind']): readonly (readonly [string, 1 | -1])[] {
  let fields = directed.get(kind);
  if (!fields) {
    const names = Object.keys(partSchemas[kind].shape);
    const of = (wanted: Better) => names.filter((field) => figureMeta(kind, field).better === wanted);
    // what a part can do stands before what it takes up
    fields = [...of('higher').map((field) => [field, -1] as const), ...of('lower').map((field) => [field, 1] as const)];
    directed.set(kind, fields);
  }
  return fields;
}

function rankOf(part: Part): Rank {
  let rank = ranks.get(part);
  if (!rank) {
    const record = part as unknown as Readonly<Record<string, unknown>>;
    rank = {
      kind: PART_KINDS.indexOf(part.kind),
      figures: directedFields(part.kind).map(([field, sign]) => {
        const value = record[field];
        return typeof value === 'number' ? sign * value : Infinity;
      }),
      text: figuresText(part),
      name: `${part.maker} ${part.name} ${part.partNumber ?? ''}`,
    };
    ranks.set(part, rank);
  }
  return rank;
}

export const compareText = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/**
 * Order of parts by what they are: kind, figures with the better first, then maker and name. Ids never decide, so that a
 * machine means the same however its parts are called.
 */
export function compareParts(a: Part, b: Part): number {
  if (a === b) return 0;
  const [one, two] = [rankOf(a), rankOf(b)];
  if (one.kind !== two.kind) return one.kind - two.kind;
  for (let i = 0; i < one.figures.length; i++) {
    const [x, y] = [one.figures[i] ?? Infinity, two.figures[i] ?? Infinity];
    if (x !== y) return x < y ? -1 : 1;
  }
  return compareText(one.text, two.text) || compareText(one.name, two.name);
}
