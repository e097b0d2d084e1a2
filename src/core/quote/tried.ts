import { quickly, subjectOf, type Assessment, type Context } from '../assess';
import type { Brief } from '../model/brief';
import type { Machine } from '../model/machine';
import type { Part, PartKind } from '../parts';
import type { Finding } from '../rules/rule';

/** A machine of a quote with what it is judged by. */
export interface Offered {
  readonly id: string;
  readonly brief: Brief;
  readonly context: Context;
  readonly assessment: Assessment;
}

/** What-ifs are judged without the search for their best basket; what they cost is asked of those that are told. */
export const judge = ({ brief, context }: Offered, machine: Machine): Assessment =>
  subjectOf(brief, quickly(context)).assess(machine);

/** What stands against a machine that stood against none of some others. */
export function brings(after: Assessment, before: readonly Assessment[]): Finding[] {
  const loud = ({ findings }: Assessment): Finding[] =>
    findings.filter(({ level }) => level === 'blocks' || level === 'stops');
  const known = new Set(before.flatMap((each) => loud(each).map(({ key }) => key)));
  return loud(after).filter(({ key }) => !known.has(key));
}

/** The cheapest parts of a kind that are sold as new and are wanted, with their least price as the region quotes it. */
export function cheapestOf(
  { assessment }: Offered,
  kind: PartKind,
  wanted: (part: Part) => boolean,
  most: number,
): { readonly part: Part; readonly leastMinor: number }[] {
  const { catalogue, region } = assessment.facts;
  return catalogue
    .ofKind(kind)
    .flatMap((part) => {
      const prices = catalogue
        .offers(part.id, region.id)
        .filter(({ stock, condition }) => stock !== 0 && condition === 'new')
        .map(({ priceMinor }) => priceMinor);
      return prices.length > 0 && wanted(part) ? [{ part: part as Part, leastMinor: Math.min(...prices) }] : [];
    })
    .sort((a, b) => a.leastMinor - b.leastMinor || (a.part.id < b.part.id ? -1 : 1))
    .slice(0, most);
}
