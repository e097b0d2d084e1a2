import type { Part, PartKind, PartOf } from '../parts';
import { fieldsOf, valueAt } from '../parts/fields';
import { kitGiB } from '../parts/memory';

/** A figure that a machine loses when one part takes another's place. */
export interface Loss {
  readonly label: string;
  readonly unit: string | undefined;
  readonly from: number | boolean;
  /** Undefined when the new part does not state it: it is not known to be kept. */
  readonly to: number | boolean | undefined;
}

/** Says nothing of what the machine can do. */
const BESIDE = new Set(['warrantyMonths', 'massG', 'unlocked']);

/** What there is room for: a step that loses some of it is no step up, however fast it is. */
export function capacityOf(part: Part): number | undefined {
  switch (part.kind) {
    case 'drive':
      return part.capacityGB;
    case 'memory':
      return kitGiB(part);
    case 'graphics':
      return part.memoryGiB;
    default:
      return 0;
  }
}

/** Whether a part has less room than the one it replaces, or does not say that it has as much. */
export function losesRoom(before: Part, after: Part): boolean {
  const [had, has] = [capacityOf(before), capacityOf(after)];
  return had !== undefined && (has === undefined || has < had);
}

/**
 * Speeds, capacities and abilities that the replaced part has and the new one has less of, by the direction that each
 * figure declares. What is lower is better (size, draw, noise) is told by the rules that it matters to.
 */
export function lossesOf(before: Part, after: Part): Loss[] {
  if (before.kind !== after.kind) return [];
  const losses: Loss[] = [];
  // modules and their size are told as what they make together
  if (before.kind === 'memory' && after.kind === 'memory') {
    const [from, to] = [kitGiB(before), kitGiB(after)];
    if (from !== undefined && (to === undefined || to < from)) losses.push({ label: 'capacity', unit: 'GB', from, to });
  }
  for (const { path, label, unit, better } of fieldsOf(before.kind)) {
    if (BESIDE.has(path) || path.startsWith('evidence') || (before.kind === 'memory' && TOLD_TOGETHER.has(path)))
      continue;
    const [from, to] = [valueAt(before, path), valueAt(after, path)];
    if (typeof from === 'number' && better === 'higher') {
      if (to === undefined || (typeof to === 'number' && to < from)) losses.push({ label, unit, from, to });
    } else if (from === true && to !== true)
      losses.push({ label, unit: undefined, from, to: to as boolean | undefined });
  }
  return losses;
}

const TOLD_TOGETHER: ReadonlySet<string> = new Set<keyof PartOf<'memory'>>(['modules', 'moduleGiB']);

/** Kinds of which a machine may get one more. */
export const ADDABLE = ['graphics', 'memory', 'drive', 'expansion'] as const satisfies readonly PartKind[];
