import type { Catalogue } from '../../model/catalogue';
import { figureMeta, partSchemas, type Part } from '../../parts';
import { BESIDE } from './dominance';
import { optionOf, type Option } from './option';
import type { Position } from './position';
import { HOUSING } from './unread';

/**
 * An envelope stands for several options of a position: as good as each of them in every figure that bounds on the work
 * read while all that houses a part is still to come. What does not do with it does with none of them, so a whole block
 * of a list is refused by one question.
 */
export interface Envelopes {
  /** Whether options of a position are held together. */
  readonly has: (position: number) => boolean;
  /** Envelopes that together stand for so many options from a place on; none beyond the end of the list. */
  readonly of: (position: number, index: number, size: number) => readonly Option[];
  /** The catalogue with the parts that envelopes are made of. */
  readonly catalogue: Catalogue;
}

/** Sizes of blocks that are asked about at once, the largest first; each begins at a multiple of its size. */
export const BLOCKS = [64, 16, 4] as const;

interface View {
  /** What has to be equal, and which figures are stated. */
  readonly same: string;
  readonly directed: ReadonlyMap<string, number>;
}

const views = new WeakMap<Part, View>();

function viewOf(part: Part): View {
  let view = views.get(part);
  if (!view) {
    const housing = new Set(HOUSING[part.kind]);
    const directed = new Map<string, number>();
    const same: unknown[] = [];
    for (const [field, value] of Object.entries(part)) {
      if (BESIDE.has(field) || housing.has(field) || value === undefined) continue;
      const { better } = field in partSchemas[part.kind].shape ? figureMeta(part.kind, field) : { better: 'none' };
      if (typeof value === 'number' && (better === 'higher' || better === 'lower')) directed.set(field, value);
      else same.push([field, value]);
    }
    views.set(part, (view = { same: JSON.stringify([same, [...directed.keys()].sort()]), directed }));
  }
  return view;
}

/** A part that is as good as each of several that are alike in all else. */
function bestOf(parts: readonly Part[], id: string): Part {
  const first = parts[0] as Part;
  const best: Record<string, unknown> = { ...first, id };
  for (const field of viewOf(first).directed.keys()) {
    const { better } = figureMeta(first.kind, field);
    const values = parts.map((part) => viewOf(part).directed.get(field) as number);
    best[field] = better === 'higher' ? Math.max(...values) : Math.min(...values);
  }
  return best as unknown as Part;
}

/** Envelopes of the options of those positions whose kinds have a view; `catalogue` is what parts are looked up in. */
export function envelopesOf(
  positions: readonly Position[],
  catalogue: Catalogue,
  /** Parts that were measured stand for themselves: what they do is not told by their figures. */
  isSpokenOf: (part: Part) => boolean = () => false,
): Envelopes {
  const made = new Map<string, Part>();
  const known = new Map<string, readonly Option[]>();
  const covering = (position: number, index: number, size: number): Option[] => {
    const { choices, name } = positions[position] as Position;
    const groups = new Map<string, Option[]>();
    for (let at = index; at < index + size; at++) {
      const option = choices.at(at);
      if (!option) break;
      const alike = option.parts.map((part) => (isSpokenOf(part) ? part.id : viewOf(part).same)).join('+');
      groups.set(alike, [...(groups.get(alike) ?? []), option]);
    }
    return [...groups].map(([, options], i) => {
      const first = options[0] as Option;
      if (options.length === 1 || first.parts.length === 0) return first;
      const best = bestOf(
        options.flatMap(({ parts }) => parts),
        `envelope ${name} ${index} ${size} ${i}`,
      );
      made.set(best.id, best);
      return optionOf(
        name,
        first.parts.map(() => ({ part: best, leastMinor: 0 })),
      );
    });
  };
  return {
    has: (position) => (positions[position]?.kinds ?? []).every((kind) => HOUSING[kind] !== undefined),
    of: (position, index, size) => {
      const key = `${position} ${index} ${size}`;
      let envelopes = known.get(key);
      if (!envelopes) known.set(key, (envelopes = covering(position, index, size)));
      return envelopes;
    },
    catalogue: { ...catalogue, part: (id) => made.get(id) ?? catalogue.part(id) },
  };
}
