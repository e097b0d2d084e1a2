import { editMachine } from '../model/edits';
import { fullName } from '../model/fitted';
import type { Part } from '../parts';
import { LOWEST_FIRST } from '../units/band';
import { editFor } from '../search/candidates';
import { brings, cheapestOf, judge, type Offered } from './tried';

/** What may be bought in place of a part that nobody has: no conflict more, and no task further from its target. */
export interface Substitute {
  readonly name: string;
  readonly part: string;
  /** Its least price beside what it replaces cannot be told, as that one has none: before shipping, as the region quotes. */
  readonly leastMinor: number;
}

/** Parts that are tried in place of one, the cheapest first. */
const TRIED = 16;
const TOLD = 3;

/** Substitutes of an item that is not sold any more, the cheapest first. */
export function substitutesOf(offered: Offered, itemId: string): Substitute[] {
  const { assessment } = offered;
  const { machine, parts } = assessment.facts;
  const fitted = parts.all.find(({ item }) => item.id === itemId);
  if (!fitted) return [];
  const { kind } = fitted.part;
  return cheapestOf(offered, kind, (part) => part.id !== fitted.part.id && like(part, fitted.part), TRIED)
    .filter(({ part }) => {
      const after = judge(offered, editMachine(machine, editFor(machine, { kind, item: itemId }, part)));
      return (
        brings(after, [assessment]).length === 0 &&
        after.tasks.every((task) => {
          const now = assessment.tasks.find((each) => each.task === task.task);
          return !now || LOWEST_FIRST[task.verdict] >= LOWEST_FIRST[now.verdict];
        })
      );
    })
    .slice(0, TOLD)
    .map(({ part, leastMinor }) => ({ name: fullName(part), part: part.id, leastMinor }));
}

/** Parts that could go where another is: what is plainly of another platform is not tried. */
function like(part: Part, other: Part): boolean {
  if (part.kind === 'processor' && other.kind === 'processor') return part.socket === other.socket;
  if (part.kind === 'board' && other.kind === 'board')
    return part.socket === other.socket && part.memoryGeneration === other.memoryGeneration;
  if (part.kind === 'memory' && other.kind === 'memory')
    return part.generation === other.generation && part.moduleKind === other.moduleKind;
  if (part.kind === 'drive' && other.kind === 'drive')
    return part.interface === other.interface && (part.capacityGB ?? 0) >= (other.capacityGB ?? Infinity);
  return true;
}
