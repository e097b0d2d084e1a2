import { fieldsOf, valueAt, type Field } from './fields';
import type { Part } from './index';
import { folded } from '../units/text';

/** A figure in which a lookalike differs. */
export interface Difference {
  readonly field: Field;
  readonly here: unknown;
  readonly there: unknown;
}

/** A part that is easily taken for another (J13), with what differs; no differences means names and number only. */
export interface Lookalike {
  readonly part: Part;
  readonly differences: readonly Difference[];
  /** Why it is called one: stated by the maker, or nearly the same name. */
  readonly because: 'variant' | 'name';
}

const NAMES = new Set([
  'listPrices',
  'massG',
  'id',
  'name',
  'partNumber',
  'gtin',
  'variantOf',
  'source',
  'announced',
  'onSale',
  'withdrawn',
  'evidence',
]);
const WORDS_APART = 1;

/** Figures that differ, one side unknown counting as a difference: it is not known to be the same. */
export function differencesOf(here: Part, there: Part): readonly Difference[] {
  if (here.kind !== there.kind) return [];
  return fieldsOf(here.kind)
    .filter((field) => !NAMES.has(field.path) && !field.path.includes('.'))
    .map((field) => ({ field, here: valueAt(here, field.path), there: valueAt(there, field.path) }))
    .filter(({ here: a, there: b }) => JSON.stringify(a) !== JSON.stringify(b));
}

const wordsOf = (part: Part): readonly string[] =>
  folded(part.name)
    .split(/[^\p{L}\p{N}.]+/u)
    .filter(Boolean);

/** Whether two names of one maker differ by one word added, left out or exchanged that is no plain size or count. */
function namesAlike(a: readonly string[], b: readonly string[]): boolean {
  const onlyA = a.filter((word) => !b.includes(word));
  const onlyB = b.filter((word) => !a.includes(word));
  if (onlyA.length > WORDS_APART || onlyB.length > WORDS_APART || a.length - onlyA.length < 2) return false;
  // "Tern 8" and "Tern 12" are models, not lookalikes; "Slate 2x32 5600" and "Slate 2x32 5600 grey" are
  return [...onlyA, ...onlyB].every((word) => !/^\d/.test(word));
}

/** The part that editions (colours, marks) are editions of; a part of its own is its own. */
export const rootOf = ({ id, variantOf }: Part): string => variantOf ?? id;

/** Lookalikes of a part: its stated variants and siblings, and parts of its maker and kind with nearly its name. */
export function lookalikesOf(part: Part, ofKind: readonly Part[]): readonly Lookalike[] {
  const root = rootOf(part);
  const words = wordsOf(part);
  return ofKind.flatMap((other): Lookalike[] => {
    if (other.id === part.id || other.kind !== part.kind) return [];
    const variant = other.id === root || other.variantOf === root || other.variantOf === part.id;
    if (!variant && (other.maker !== part.maker || !namesAlike(words, wordsOf(other)))) return [];
    return [{ part: other, differences: differencesOf(part, other), because: variant ? 'variant' : 'name' }];
  });
}
