import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { contextOf, subjectOf, type Context } from '../assess';
import { finish } from '../assess/trials';
import type { Brief } from '../model/brief';
import { compileCatalogue } from '../model/catalogue';
import { editMachine } from '../model/edits';
import type { Machine } from '../model/machine';
import { levelRank } from '../rules/rule';
import { seedsTo } from '../tests/seeds';
import { smallMarket } from '../tests/smallMarkets';
import { briefOf, dataOf, machineOf, partLike, swapped, type Change } from '../tests/world';
import { LOWEST_FIRST } from '../units/band';
import { shelfWords, sparesWords } from '../words/team';
import { plainQuestion } from './exact/question';
import { tryAll } from './exact/tryAll';
import { leastCover, sparesTrials, SPARED, type Covering, type Shelf } from './spares';

interface Seat {
  readonly brief: Brief;
  readonly machine: Machine;
}
const contextWith = (change: Change): Context => contextOf(compileCatalogue(dataOf(change)), '2026-05-18');
const spares = (seats: readonly Seat[], context: Context): Shelf[] =>
  finish(sparesTrials(seats.map((seat) => ({ ...seat, context }))));
const shelf = (kind: Shelf['kind'], shelves: readonly Shelf[]): Shelf => {
  const found = shelves.find((each) => each.kind === kind);
  if (!found) throw new Error(`no shelf of ${kind}`);
  return found;
};

/** Two supplies, of which the larger can stand in for the smaller; of the smaller a card wants more than it has. */
const TWO: Change = {
  addParts: [
    {
      ...partLike('psu'),
      id: 'psu-500',
      name: 'Test 500',
      ratedW: 500,
      connectors: { 'board-24': 1, 'processor-8': 1, sata: 4 },
    },
  ],
};
const seat = (items?: Change['items']): Seat => ({
  brief: briefOf(TWO),
  machine: machineOf(items ? { ...TWO, items } : TWO),
});
/** Without a card, on the small supply. */
const plain = seat((items) => swapped('psu-1', 'psu-500')(items.filter(({ id }) => id !== 'card-1')));

describe('spares for several machines', () => {
  test('the supply with the card’s plug stands in for the one without, and not the other way round', () => {
    const found = shelf('supply', spares([seat(), plain], contextWith(TWO)));
    expect(found.spares.map(({ part }) => part.id)).toEqual(['psu']);
    expect(found.spares[0]?.standsFor).toEqual([
      { machine: 0, item: 'psu-1' },
      { machine: 1, item: 'psu-1' },
    ]);
    // 100.00 and 7.5 % tax each
    expect([found.costMinor, found.eachMinor, found.pieces, found.eachCount]).toEqual([107_50, 215_00, 2, 2]);
  });

  test('what is no longer sold is kept by another that does; where none does it is said', () => {
    const gone = (part: string): Change => ({
      ...TWO,
      offers: (offers) => offers.filter((offer) => offer.part !== part),
    });
    const small = shelf('supply', spares([seat(), plain], contextWith(gone('psu-500'))));
    expect([small.spares.map(({ part }) => part.id), small.without, small.eachMinor]).toEqual([['psu'], [], undefined]);
    const large = shelf('supply', spares([seat(), plain], contextWith(gone('psu'))));
    expect(large.spares.map(({ part }) => part.id)).toEqual(['psu-500']);
    expect(large.without).toEqual([{ machine: 0, item: 'psu-1' }]);
    const words = shelfWords(large, (machine) => ['Bridge', 'Bench'][machine] ?? '');
    expect(words).toMatchObject({ kind: 'power supply', lacks: 'nothing on sale stands in at Bridge' });
    expect(words.spares).toEqual([{ name: 'Gatewick Test 500', seats: ['Bench'], priceMinor: 107_50 }]);
  });

  test('are told with what each keeping its own would come to', () => {
    const shelves = spares([seat(), plain], contextWith(TWO));
    const kinds = shelves.map(({ kind }) => kind);
    expect(kinds).toEqual(SPARED.filter((kind) => kinds.includes(kind)));
    expect(sparesWords(shelves.slice(0, 1), 'USD')).toBe(
      '1 spare for 107.50 USD stands in for 2 pieces at all desks. One of each different part would be 2 for 215.00 USD.',
    );
  });

  test('of one machine each part is its own spare', () => {
    for (const { spares: kept, pieces, without } of spares([seat()], contextWith(TWO))) {
      expect(without).toEqual([]);
      expect(kept.length).toBeLessThanOrEqual(pieces);
    }
  });

  test('equal the cheapest of all sets, each pair judged from scratch, on 30 small markets', () => {
    let [compared, shared] = [0, 0];
    for (let seed = 1; seed <= seedsTo(30); seed++) {
      const { brief, context } = smallMarket(seed);
      let all: readonly { readonly machine: Machine }[];
      try {
        all = tryAll(plainQuestion(brief), context, 400).found;
      } catch {
        continue;
      }
      // the cheapest, one between and the dearest: they have the most different parts
      const machines = [...new Set([0, all.length >> 1, all.length - 1])].flatMap((at) => all[at]?.machine ?? []);
      if (machines.length < 2) continue;
      const seats = machines.map((machine) => ({ brief, machine }));
      for (const found of spares(seats, context)) {
        compared++;
        if (found.spares.length < found.eachCount) shared++;
        expect(found.costMinor, `seed ${seed} ${found.kind}`).toBe(cheapestSet(found, seats, context));
      }
    }
    expect(compared).toBeGreaterThan(20);
    expect(shared).toBeGreaterThan(3);
  });
});

/** The least that any set of the machines’ own parts costs which does for every piece that can be done for. */
function cheapestSet({ kind }: Shelf, seats: readonly Seat[], context: Context): number {
  const subject = subjectOf(seats[0]?.brief as Brief, context);
  const before = seats.map(({ machine }) => subject.assess(machine));
  const pieces = before.flatMap(({ facts }, at) => facts.parts.ofKind(kind).map((fitted) => ({ at, ...fitted })));
  const parts = [...new Set(pieces.map(({ part }) => part.id))];
  const price = (id: string): number => {
    const offers = context.catalogue.offers(id as never, before[0]?.region.id ?? '');
    return offers.length === 0
      ? Infinity
      : (before.flatMap(({ facts }) => facts.price.items).find((item) => item.part === id)?.landed?.landedMinor ??
          Infinity);
  };
  const does = (id: string, { at, item, part }: (typeof pieces)[number]): boolean => {
    if (id === part.id) return true;
    const [seat, was] = [seats[at], before[at]];
    if (!seat || !was) return false;
    const is = subject.assess(editMachine(seat.machine, { kind: 'swap', item: item.id, part: id as never, label: id }));
    const worst = new Map<string, number>();
    for (const { key, level } of was.findings) worst.set(key, Math.min(worst.get(key) ?? 99, levelRank(level)));
    const brings = is.findings.some(
      ({ key, level, code }) =>
        code !== 'task-result' &&
        (level === 'blocks' || level === 'unproven') &&
        levelRank(level) < (worst.get(key) ?? 99),
    );
    return (
      !brings &&
      is.tasks.every(({ task, verdict }) => {
        const old = was.tasks.find((each) => each.task === task);
        return old === undefined || LOWEST_FIRST[verdict] >= LOWEST_FIRST[old.verdict];
      })
    );
  };
  const sold = parts.filter((id) => price(id) < Infinity);
  const doable = pieces.filter((piece) => sold.some((id) => does(id, piece)));
  let least = Infinity;
  for (let set = 0; set < 2 ** sold.length; set++) {
    const chosen = sold.filter((_, i) => set & (1 << i));
    if (doable.every((piece) => chosen.some((id) => does(id, piece))))
      least = Math.min(
        least,
        chosen.reduce((sum, id) => sum + price(id), 0),
      );
  }
  return least;
}

describe('the least cover', () => {
  const covering = fc.record({
    cost: fc.integer({ min: 1, max: 20 }),
    covers: fc.uniqueArray(fc.constantFrom('a', 'b', 'c', 'd', 'e'), { maxLength: 5 }).map((all) => new Set(all)),
  });
  const cost = (options: readonly Covering[], chosen: readonly number[]): number =>
    chosen.reduce((sum, at) => sum + (options[at]?.cost ?? 0), 0);

  test('costs what the cheapest of all sets costs, and has no more pieces than that needs', () => {
    fc.assert(
      fc.property(fc.array(covering, { maxLength: 7 }), (options) => {
        const all = new Set(options.flatMap(({ covers }) => [...covers]));
        const covers = (chosen: readonly number[]): boolean =>
          [...all].every((need) => chosen.some((at) => options[at]?.covers.has(need)));
        const sets = Array.from({ length: 2 ** options.length }, (_, set) =>
          options.map((_option, i) => i).filter((i) => set & (1 << i)),
        ).filter(covers);
        const least = Math.min(...sets.map((set) => cost(options, set)));
        const chosen = leastCover(options);
        expect(covers(chosen)).toBe(true);
        expect(cost(options, chosen)).toBe(least);
        expect(chosen.length).toBe(
          Math.min(...sets.filter((set) => cost(options, set) === least).map((set) => set.length)),
        );
      }),
      { numRuns: 300 },
    );
  });

  test('of nothing is nothing', () => {
    expect(leastCover([])).toEqual([]);
    expect(leastCover([{ cost: 3, covers: new Set() }])).toEqual([]);
  });
});
