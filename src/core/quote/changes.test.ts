import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { contextOf } from '../assess';
import { compileCatalogue } from '../model/catalogue';
import { briefOf, dataOf, machineOf, partLike, plus, without, type Change } from '../tests/world';
import { quoteChanges } from './changes';
import { unpricedIn, type Quote } from './document';
import { quoteOf, type Subject } from './quote';
import { quoteTermsSchema } from './terms';

const subjectOf = (change: Change, id = 'machine', seat?: string): Subject => ({
  id,
  seat,
  brief: briefOf(change),
  machine: { ...machineOf(change), id },
  others: [],
  context: contextOf(compileCatalogue(dataOf(change)), '2026-05-18'),
});
const quoted = (subjects: readonly Subject[], given: Record<string, unknown> = {}): Quote => {
  const made = quoteOf('Test', subjects, quoteTermsSchema.parse({ from: { name: 'Q' }, ...given }));
  if ('code' in made) throw new Error(made.code);
  return made.quote;
};

describe('what changed between quotes', () => {
  const before = quoted([subjectOf({})]);

  test('nothing, where nothing did', () => {
    expect(quoteChanges(before, before)).toEqual({ lines: [], terms: [], differenceMinor: 0 });
  });

  test('line by line: a part gone, one more, one dearer; the lines add up to the difference', () => {
    const change: Change = {
      items: (items) => plus({ id: 'ssd-2', part: 'ssd', roles: ['backup'] })(without('disk-1')(items)),
      offers: (offers) => offers.map((offer) => (offer.part === 'card' ? { ...offer, priceMinor: 120_00 } : offer)),
    };
    const { lines, differenceMinor } = quoteChanges(before, quoted([subjectOf(change)]));
    expect(lines.map(({ name, before: a, after: b }) => [name, a?.count, a?.minor, b?.count, b?.minor])).toEqual([
      ['Palisar Test 12', 1, 107_50, 1, 129_00],
      ['Ketterlode Test 8 TB', 1, 107_50, undefined, undefined],
      ['Fenstore Test 1 TB', 1, 107_50, 2, 215_00],
    ]);
    expect(differenceMinor).toBe(21_50);
    expect(lines.reduce((sum, line) => sum + (line.after?.minor ?? 0) - (line.before?.minor ?? 0), 0)).toBe(
      differenceMinor,
    );
  });

  test('a tax rate that changed, and other terms', () => {
    const after = quoted([subjectOf({ region: { taxRate: 0.08 } })], { depositPercent: '40', validDays: 30 });
    const { terms } = quoteChanges(before, after);
    expect(terms).toContainEqual({ term: 'tax', before: '7.5 %', after: '8 %' });
    expect(terms).toContainEqual({ term: 'deposit', before: undefined, after: '40' });
    expect(terms).toContainEqual({ term: 'valid-until', before: '2026-06-01', after: '2026-06-17' });
  });
});

describe('a quote of several machines', () => {
  const two = [subjectOf({}, 'one', 'Bridge'), subjectOf({ items: without('disk-1') }, 'two', 'Bench')];

  test('has totals by seat and one work for all; together they are the total, in any mode', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('lines' as const, 'one price' as const),
        fc.integer({ min: 0, max: 400 }).map((tenths) => String(tenths / 10)),
        fc.option(fc.integer({ min: 1, max: 300_00 }), { nil: undefined }),
        (show, percent, amountMinor) => {
          const quote = quoted(two, {
            show,
            margin: { by: 'percent', percent },
            labour: [{ name: 'Assembly', flatMinor: 60_00, taxRate: 0.05 }],
            shippingMinor: 20_00,
            ...(amountMinor === undefined ? {} : { discount: { name: 'Off', amountMinor } }),
          });
          const all = quote.lines.filter(({ machine }) => machine === undefined);
          const seats = quote.machines.reduce((sum, machine) => sum + machine.totalMinor, 0);
          expect(seats + all.reduce((sum, line) => sum + line.grossMinor, 0)).toBe(quote.totalMinor);
          expect(quote.lines.reduce((sum, line) => sum + line.grossMinor, 0)).toBe(quote.totalMinor);
          expect(quote.lines.reduce((sum, line) => sum + line.netMinor, 0)).toBe(quote.netMinor);
        },
      ),
      { numRuns: 20 },
    );
  });

  test('names seats, and the same part of two seats is two lines', () => {
    const quote = quoted(two);
    expect(quote.machines.map(({ seat }) => seat)).toEqual(['Bridge', 'Bench']);
    expect(quote.lines.filter(({ part }) => part === 'card').map(({ machine }) => machine)).toEqual(['one', 'two']);
    const later = quoteChanges(quote, quoted([two[0] as Subject, subjectOf({}, 'two', 'Bench')]));
    expect(later.lines.map(({ seat, name }) => [seat, name])).toEqual([['Bench', 'Ketterlode Test 8 TB']]);
  });

  test('spares are bought with them and are no machine', () => {
    const spares = { ...machineOf(), id: 'spares', items: machineOf().items.filter(({ part }) => part === 'disk') };
    const made = quoteOf('Test', two, quoteTermsSchema.parse({ from: { name: 'Q' } }), spares);
    if ('code' in made) throw new Error(made.code);
    expect(made.quote.machines).toHaveLength(2);
    expect(made.quote.lines.filter(({ machine }) => machine === undefined).map(({ part }) => part)).toEqual(['disk']);
    expect(made.quote.totalMinor).toBe(quoted(two).totalMinor + 107_50);
    // one that nobody sells is in no total, and is said
    const gone = { ...spares, items: [{ id: 'x', part: 'unsold' as never }] };
    const change: Change = {
      addParts: [{ ...partLike('ssd'), id: 'unsold', name: 'Unsold' }],
      offers: (offers) => offers.filter(({ part }) => part !== 'unsold'),
    };
    const unsold = quoteOf(
      'Test',
      [subjectOf(change, 'one', 'Bridge'), subjectOf(change, 'two', 'Bench')],
      quoteTermsSchema.parse({ from: { name: 'Q' } }),
      gone,
    );
    if ('code' in unsold) throw new Error(unsold.code);
    expect(unpricedIn(unsold.quote)).toEqual(['Fenstore Unsold']);
  });
});
