import { quickly, subjectOf } from '../assess';
import { editMachine } from '../model/edits';
import { fullName } from '../model/fitted';
import type { Part } from '../parts';
import { LOWEST_FIRST } from '../units/band';
import { editFor } from '../search/candidates';
import type { Offered } from './options';

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
export function substitutesOf({ assessment, brief, context }: Offered, itemId: string): Substitute[] {
  const { machine, parts, catalogue, region } = assessment.facts;
  const fitted = parts.all.find(({ item }) => item.id === itemId);
  if (!fitted) return [];
  const { kind } = fitted.part;
  const subject = subjectOf(brief, quickly(context));
  const loud = (each: typeof assessment): Set<string> =>
    new Set(each.findings.flatMap(({ level, key }) => (level === 'blocks' || level === 'stops' ? [key] : [])));
  const before = loud(assessment);
  return catalogue
    .ofKind(kind)
    .flatMap((part) => {
      const prices = catalogue
        .offers(part.id, region.id)
        .filter(({ stock, condition }) => stock !== 0 && condition === 'new')
        .map(({ priceMinor }) => priceMinor);
      return part.id === fitted.part.id || prices.length === 0
        ? []
        : [{ part: part as Part, leastMinor: Math.min(...prices) }];
    })
    .sort((a, b) => a.leastMinor - b.leastMinor || (a.part.id < b.part.id ? -1 : 1))
    .filter(({ part }) => like(part, fitted.part))
    .slice(0, TRIED)
    .filter(({ part }) => {
      const after = subject.assess(editMachine(machine, editFor(machine, { kind, item: itemId }, part)));
      return (
        [...loud(after)].every((key) => before.has(key)) &&
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
