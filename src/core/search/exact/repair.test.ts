import { expect, test } from 'vitest';
import { finish } from '../../assess/trials';
import { draftFrom } from '../../tests/smallDrafts';
import { seedsTo } from '../../tests/seeds';
import { smallMarket } from '../../tests/smallMarkets';
import { workOf, type Question } from './question';
import { changedPositions, staying } from './near';
import { repairOf, type Repair } from './repair';
import { searchable } from './searchable';
import type { Space } from './position';
import { tryAll } from './tryAll';

/** Markets, and how many machines one may have to be tried plainly. */
const SEEDS = seedsTo(60);
/** A machine was refused for what a drive endures, which no longer mattered once a warm case made its runs slower. */
const ONCE_WRONG = [387];
const MOST = process.env['VANE_ALL'] === '1' ? 3000 : 130;

test('a draft is mended with the fewest changes and at the least cost, as every machine tried says; and only once', () => {
  const seen = { drafts: 0, sound: 0, one: 0, several: 0, cheaper: 0, never: 0, held: 0 };
  for (const seed of [...Array.from({ length: SEEDS }, (_, i) => i + 1), ...ONCE_WRONG]) {
    const { brief, context } = smallMarket(seed);
    const question = workOf(brief, context);
    const draft = draftFrom(question, context, seed);
    const { items } = draft;
    const held = staying(question, { items });
    let plain;
    let space: Space;
    try {
      const asked: Question = { ...question, from: draft, keep: held, changes: Infinity };
      space = searchable(asked, context).space;
      plain = tryAll(asked, context, MOST).found;
    } catch {
      continue;
    }
    const ways = plain
      .map(({ machine, priceMinor }) => ({
        changes: changedPositions(space, items, machine.items, context.catalogue).length,
        priceMinor,
      }))
      .sort((a, b) => a.changes - b.changes || a.priceMinor - b.priceMinor);
    const said = finish<Repair>(repairOf(question, draft, context));
    const name = `seed ${seed}`;
    seen.drafts++;
    if (held.length > 0) seen.held++;
    const fewest = said.fewest && {
      changes: said.fewest.changed.length,
      priceMinor: said.fewest.found.priceMinor,
    };
    expect(fewest, name).toEqual(ways[0]);
    expect(said.least?.found.priceMinor, name).toBe(plain[0]?.priceMinor);
    if (!said.fewest) {
      seen.never++;
      continue;
    }
    if (said.sound) seen.sound++;
    else if (said.fewest.changed.length === 1) seen.one++;
    else seen.several++;
    if ((said.least?.found.priceMinor ?? 0) < said.fewest.found.priceMinor) seen.cheaper++;
    // what stays, stays
    for (const { id } of held) expect(said.fewest.found.machine.items.some((item) => item.id === id)).toBe(true);
    // what is mended has nothing to mend
    const again = finish<Repair>(repairOf(question, said.fewest.found.machine, context));
    expect(again.sound?.priceMinor, name).toBe(said.fewest.found.priceMinor);
    expect(again.fewest?.changed).toEqual([]);
  }
  expect(seen.drafts).toBeGreaterThan(15);
  for (const what of ['one', 'several', 'cheaper', 'never', 'held'] as const)
    expect(seen[what], what).toBeGreaterThan(0);
});

test('a draft with nothing in it becomes the cheapest machine, one that may change nothing is not mended', () => {
  const { brief, context } = smallMarket(3);
  const question = workOf(brief, context);
  const found = tryAll(question, context, 20_000).found[0];
  const empty = finish<Repair>(repairOf(question, { id: 'draft', name: 'Draft', items: [] }, context));
  expect(empty.least?.found.priceMinor).toBe(found?.priceMinor);
  const wrong = (found?.machine.items ?? [])
    .filter(({ id }) => !id.startsWith('processor'))
    .map((item) => ({ ...item, paid: { landedMinor: 1, on: '2026-01-01' } }));
  // the place of the processor is open, all else was bought
  const bought = finish<Repair>(repairOf(question, { id: 'draft', name: 'Draft', items: wrong }, context));
  expect((bought.fewest?.changed ?? [{ name: 'processor' }]).map(({ name }) => name)).toEqual(['processor']);
});
