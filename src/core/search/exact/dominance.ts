import { figureMeta, partSchemas, type Part } from '../../parts';
import { ASKS_FOR_MORE, FASTER_AND_HOTTER } from '../../parts/directions';
import { NOT_FIGURES } from '../../parts/fields';
import type { Good } from './option';

/** Says nothing of what a part does or how it fits. */
export const BESIDE: ReadonlySet<string> = new Set([
  ...NOT_FIGURES,
  'warrantyMonths',
  'massG',
  'listPrices',
  'dieKind',
]);

interface Columns {
  /** What has to be equal. */
  readonly same: string;
  /** Figures with a direction, better ones larger; undefined where not stated. */
  readonly directed: readonly (number | undefined)[];
}

const known = new WeakMap<Part, Columns>();
const directions = new Map<Part['kind'], ReadonlyMap<string, 1 | -1>>();

function directionsOf(kind: Part['kind']): ReadonlyMap<string, 1 | -1> {
  let found = directions.get(kind);
  if (!found) {
    const pairs = Object.keys(partSchemas[kind].shape).flatMap((field): [string, 1 | -1][] => {
      const { better } = figureMeta(kind, field);
      // what asks for something else at the same time has to be equal
      if (BESIDE.has(field) || ASKS_FOR_MORE.has(field) || FASTER_AND_HOTTER.has(field)) return [];
      return better === 'higher' ? [[field, 1]] : better === 'lower' ? [[field, -1]] : [];
    });
    directions.set(kind, (found = new Map(pairs)));
  }
  return found;
}

function columnsOf(part: Part): Columns {
  let columns = known.get(part);
  if (!columns) {
    const fields = directionsOf(part.kind);
    const record = part as unknown as Readonly<Record<string, unknown>>;
    const same = Object.entries(record).filter(
      ([field, value]) => !BESIDE.has(field) && !(fields.has(field) && typeof value === 'number'),
    );
    columns = {
      same: JSON.stringify(same),
      directed: [...fields].map(([field, sign]) => {
        const value = record[field];
        return typeof value === 'number' ? sign * value : undefined;
      }),
    };
    known.set(part, columns);
  }
  return columns;
}

const noWorse = (a: readonly (number | undefined)[], b: readonly (number | undefined)[]): boolean =>
  a.every((value, i) => {
    const other = b[i];
    return value === undefined ? other === undefined : other !== undefined && value >= other;
  });

/**
 * Goods without those that another one makes needless: alike in all that has no direction, no worse in any figure that
 * has one, and so much cheaper that no basket is cheaper with the other (`undercuts`). A better figure turns no pass into
 * a fault and makes no task slower (`betterFigures.test.ts`, `shapes.test.ts`), so whatever machine has the other is no
 * worse with this one in its place. Parts that measurements speak of may do more or less than their figures say: they
 * stay, and stand in for none.
 */
export function undominated(
  goods: readonly Good[],
  undercuts: (part: Part, other: Part) => boolean,
  isSpokenOf: (part: Part) => boolean = () => false,
): Good[] {
  const groups = new Map<string, Good[]>();
  for (const good of goods) {
    const { same } = columnsOf(good.part);
    const group = groups.get(same);
    if (group) group.push(good);
    else groups.set(same, [good]);
  }
  return [...groups.values()].flatMap((group) => {
    const left: Good[] = [];
    // what is dearer cannot undercut, so each is only held against the cheaper ones that stay
    for (const good of group.sort((a, b) => a.leastMinor - b.leastMinor)) {
      const { directed } = columnsOf(good.part);
      const needless =
        !isSpokenOf(good.part) &&
        left.some(
          (other) =>
            noWorse(columnsOf(other.part).directed, directed) &&
            undercuts(other.part, good.part) &&
            !isSpokenOf(other.part),
        );
      if (!needless) left.push(good);
    }
    return left;
  });
}
