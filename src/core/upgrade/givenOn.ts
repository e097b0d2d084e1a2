import { subjectOf, type Assessment, type Context } from '../assess';
import type { Trials } from '../assess/trials';
import type { Brief } from '../model/brief';
import type { Item, Machine } from '../model/machine';
import type { Part } from '../parts';
import { plainNumber } from '../units/money';
import { basketFor } from '../versus/basketFor';
import { does } from './does';

/** A seat as it is asked whether it could use something. */
export interface AskedSeat {
  readonly id: string;
  readonly name: string;
  readonly brief: Brief;
  readonly drafts: readonly Machine[];
}

/** A seat that could use a part which another has no use for any more. */
export interface CouldUse {
  /** The item that leaves. */
  readonly item: string;
  readonly seat: string;
  readonly seatName: string;
  readonly draft: string;
  /** What it would take the place of there. */
  readonly inPlaceOf: string;
  /** What that seat does not have to pay then, minor units of its region. */
  readonly savesMinor: number;
}

/**
 * Of the parts that leave a machine those that another seat could use in place of one that it would buy: nothing that
 * blocks, cautions or is left unproven may come with it, and no task may do less of what is asked. Each seat is asked with
 * its first draft that is to be bought. The most that is saved comes first.
 */
export function* couldUseTrials(
  leaving: readonly { readonly item: Item; readonly part: Part }[],
  seats: readonly AskedSeat[],
  context: Context,
): Trials<CouldUse[]> {
  const found: CouldUse[] = [];
  for (const { id, name, brief, drafts } of seats) {
    const draft = drafts.find(({ present, items }) => present !== true && items.length > 0);
    if (!draft) continue;
    const subject = subjectOf(brief, context);
    const before = subject.assess(draft);
    const price = basketFor(before);
    for (const { item, part } of leaving)
      for (const place of before.facts.parts.all) {
        if (place.part.kind !== part.kind || place.item.owned === true || place.part.id === part.id) continue;
        yield;
        const after = subject.assess({
          ...draft,
          items: draft.items.map((entry) =>
            entry.id === place.item.id ? { ...entry, part: part.id, owned: true } : entry,
          ),
        });
        if (!asGood(before, after)) continue;
        const then = basketFor(after);
        const savesMinor = Math.round(plainNumber(price.total.landedMinor) - plainNumber(then.total.landedMinor));
        if (savesMinor <= 0 || price.lowerBound || then.lowerBound) continue;
        found.push({
          item: item.id,
          seat: id,
          seatName: name,
          draft: draft.name,
          inPlaceOf: place.item.label ?? place.part.name,
          savesMinor,
        });
      }
  }
  return found.sort((a, b) => b.savesMinor - a.savesMinor);
}

function asGood(before: Assessment, after: Assessment): boolean {
  const known = new Set(before.findings.map(({ key }) => key));
  return (
    after.findings.every(({ key, level }) => level === 'note' || known.has(key)) &&
    before.tasks.every((result) => {
      const then = after.tasks.find(({ task }) => task === result.task);
      return does(result) !== true || does(then) === true;
    })
  );
}
