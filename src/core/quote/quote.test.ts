import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { insideCsv, quoteCsv } from '../formats/paper/csv';
import { quotePage } from '../formats/paper/html';
import { PART_KINDS } from '../parts';
import { contextOf } from '../assess';
import { compileCatalogue } from '../model/catalogue';
import { briefOf, dataOf, machineOf, plus, without, type Change } from '../tests/world';
import { quoteBlocks } from '../formats/paper/blocks';
import { notPricedWords } from '../words/quote';
import type { CostLine } from './costs';
import { priced, type Priced } from './priced';
import { unpricedIn } from './document';
import { insideOf } from './kept';
import { quoteOf, type Quoted, type Subject } from './quote';
import { quoteTermsSchema, type QuoteTerms } from './terms';

const terms = (change: Record<string, unknown> = {}): QuoteTerms =>
  quoteTermsSchema.parse({ from: { name: 'Quillstone Workshop', address: ['1 Quay Road'] }, ...change });
const line = (what: CostLine['what'], name: string, costMinor: number | undefined, taxRate = 0.075): CostLine => ({
  what,
  machine: what === 'part' ? 0 : undefined,
  name,
  count: 1,
  part: what === 'part' ? name : undefined,
  kind: what === 'part' ? 'drive' : undefined,
  costMinor,
  taxRate,
});
const SEVEN = [
  line('part', 'processor', 300_00),
  line('part', 'board', 180_00),
  line('part', 'memory', 120_00),
  line('part', 'card', 500_00),
  line('part', 'drive', 90_00),
  line('labour', 'assembly', 120_00, 0.05),
  line('shipping', 'sending', 25_00),
];
const OUT = { pricesIncludeTax: false };
const IN = { pricesIncludeTax: true };
const sound = (made: ReturnType<typeof priced>): Priced => {
  if ('code' in made) throw new Error(made.code);
  return made;
};

describe('a quote of seven lines, by hand', () => {
  test('two tax rates, 3 % off, to a total of 1,500.00, of which 40 % at once', () => {
    const made = sound(
      priced(
        SEVEN,
        terms({
          margin: { by: 'total', totalMinor: 1_500_00 },
          discount: { name: 'Returning client', percent: '3' },
          depositPercent: '40',
        }),
        OUT,
      ),
    );
    // parts come to 1,295.53, shared out by 300 : 180 : 120 : 500 : 90
    expect(made.lines.map(({ amountMinor }) => amountMinor)).toEqual([
      326_61, 195_96, 130_64, 544_34, 97_98, 120_00, 25_00,
    ]);
    // 3 % of 1,415.53; sending is not made cheaper
    expect(made.discountMinor).toBe(42_47);
    expect(made.lines.map(({ discountMinor }) => discountMinor)).toEqual([9_80, 5_88, 3_92, 16_33, 2_94, 3_60, 0]);
    // 1,281.66 at 7.5 % and 116.40 at 5 %
    expect(made.byRate).toEqual([
      { taxRate: 0.075, netMinor: 1_281_66, taxMinor: 96_12 },
      { taxRate: 0.05, netMinor: 116_40, taxMinor: 5_82 },
    ]);
    expect([made.netMinor, made.taxMinor, made.totalMinor]).toEqual([1_398_06, 101_94, 1_500_00]);
    expect([made.depositMinor, made.restMinor]).toEqual([600_00, 900_00]);
    expect([made.costMinor, made.marginMinor, made.missedMinor]).toEqual([1_335_00, 63_06, 0]);
  });

  test('where prices are with tax, lines are made gross and tax is taken out: 1,759.34 with 305.34 in it', () => {
    const made = sound(
      priced(
        SEVEN.map((entry) => ({ ...entry, taxRate: 0.21 })),
        terms({ margin: { by: 'percent', percent: '10' } }),
        IN,
      ),
    );
    expect(made.lines.map(({ grossMinor }) => grossMinor)).toEqual([
      399_30, 239_58, 159_72, 665_50, 119_79, 145_20, 30_25,
    ]);
    expect([made.netMinor, made.taxMinor, made.totalMinor]).toEqual([1_454_00, 305_34, 1_759_34]);
  });

  test('the same in the other region: tax inside, 10 % on parts, 3 % off, 40 % at once', () => {
    const made = sound(
      priced(
        SEVEN.map((entry) => ({ ...entry, taxRate: entry.what === 'labour' ? 0.06 : 0.21 })),
        terms({
          margin: { by: 'percent', percent: '10' },
          discount: { name: 'Returning client', percent: '3' },
          depositPercent: '40',
        }),
        IN,
      ),
    );
    // gross lines 399.30, 239.58, 159.72, 665.50, 119.79, 127.20 (120.00 at 6 %) and 30.25; 3 % of all but the last: 51.33
    expect(made.lines.map(({ discountMinor }) => discountMinor)).toEqual([11_98, 7_19, 4_79, 19_96, 3_59, 3_82, 0]);
    expect(made.lines.map(({ grossMinor }) => grossMinor)).toEqual([
      387_32, 232_39, 154_93, 645_54, 116_20, 123_38, 30_25,
    ]);
    // 1,566.63 at 21 % hold 271.89, 123.38 at 6 % hold 6.98
    expect(made.byRate.map(({ taxMinor }) => taxMinor)).toEqual([271_89, 6_98]);
    expect(made.lines.map(({ taxMinor }) => taxMinor)).toEqual([67_22, 40_33, 26_89, 112_03, 20_17, 6_98, 5_25]);
    expect([made.totalMinor, made.depositMinor, made.restMinor]).toEqual([1_690_01, 676_00, 1_014_01]);
  });

  test('margin by kind and by part: each has its own, the others the usual', () => {
    const by = (margin: unknown) => sound(priced(SEVEN, terms({ margin }), OUT)).lines.map(({ netMinor }) => netMinor);
    expect(by({ by: 'kind', percent: '0', kinds: { drive: '20' } }).slice(0, 2)).toEqual([360_00, 216_00]);
    expect(by({ by: 'part', percent: '10', parts: { board: '50' } })).toEqual([
      330_00, 270_00, 132_00, 550_00, 99_00, 120_00, 25_00,
    ]);
  });

  test('in a currency without decimals and in one with three, every unit is there', () => {
    const yen = sound(priced([line('part', 'a', 33_333, 0.1), line('part', 'b', 10_001, 0.1)], terms(), OUT));
    expect([yen.netMinor, yen.taxMinor, yen.totalMinor]).toEqual([43_334, 4_333, 47_667]);
    expect(insideCsv(insideOf(yen, { machines: [] }), 'JPY')).toContain(',a,1,33333,33333,0\n');
    const dinar = sound(
      priced([line('part', 'a', 12_345, 0.05)], terms({ margin: { by: 'percent', percent: '10' } }), OUT),
    );
    // 12.345 and a tenth: 13.580 after rounding half up, 0.679 tax
    expect([dinar.netMinor, dinar.taxMinor]).toEqual([13_580, 679]);
    expect(insideCsv(insideOf(dinar, { machines: [] }), 'KWD')).toContain(',a,1,12.345,13.580,1.235\n');
  });
});

describe('whatever is quoted', () => {
  const percentText = fc.integer({ min: 0, max: 9990 }).map((tenths) => String(tenths / 10));
  const lines = fc.array(
    fc.record({
      what: fc.constantFrom('part' as const, 'part' as const, 'labour' as const, 'shipping' as const),
      name: fc.constantFrom('a', 'b', 'c'),
      cost: fc.integer({ min: 0, max: 5_000_00 }),
      taxRate: fc.constantFrom(0, 0.05, 0.075, 0.21),
    }),
    { minLength: 1, maxLength: 30 },
  );
  const discount = fc.option(
    fc.oneof(
      fc.integer({ min: 0, max: 1000 }).map((tenths) => ({ name: 'Off', percent: String(tenths / 10) })),
      fc.integer({ min: 1, max: 1_000_00 }).map((amountMinor) => ({ name: 'Off', amountMinor })),
    ),
    { nil: undefined },
  );

  test('totals are the sums of their lines in every column, and a total that is asked for is not exceeded', () => {
    fc.assert(
      fc.property(
        lines,
        discount,
        fc.oneof(
          percentText.map((percent) => ({ by: 'percent' as const, percent })),
          fc.integer({ min: 1, max: 90_000_00 }).map((totalMinor) => ({ by: 'total' as const, totalMinor })),
        ),
        percentText.filter((percent) => Number(percent) <= 100),
        fc.boolean(),
        (given, off, margin, depositPercent, pricesIncludeTax) => {
          const made = priced(
            given.map(({ what, name, cost, taxRate }) => line(what, name, cost, taxRate)),
            { margin, depositPercent, ...(off ? { discount: off } : {}) },
            { pricesIncludeTax },
          );
          if ('code' in made) {
            expect(notPricedWords(made, 'USD').length).toBeGreaterThan(10);
            return;
          }
          const sum = (column: 'netMinor' | 'taxMinor' | 'grossMinor' | 'amountMinor' | 'discountMinor') =>
            made.lines.reduce((all, entry) => all + entry[column], 0);
          expect(sum('netMinor')).toBe(made.netMinor);
          expect(sum('taxMinor')).toBe(made.taxMinor);
          expect(sum('grossMinor')).toBe(made.totalMinor);
          expect(sum('amountMinor')).toBe(made.amountMinor);
          expect(sum('discountMinor')).toBe(made.discountMinor);
          for (const entry of made.lines) expect(entry.netMinor + entry.taxMinor).toBe(entry.grossMinor);
          expect(made.depositMinor + made.restMinor).toBe(made.totalMinor);
          if (margin.by === 'total') {
            expect(made.totalMinor).toBeLessThanOrEqual(margin.totalMinor);
            // with parts in it, and no discount that eats them, tax misses it by no more than it rounds
            if (given.some(({ what, cost }) => what === 'part' && cost > 0) && !off)
              expect(made.missedMinor).toBeLessThanOrEqual(pricesIncludeTax ? 0 : 4);
          }
        },
      ),
      { numRuns: 400 },
    );
  });

  test('a thousand lines come to a total that was asked for', () => {
    const many = Array.from({ length: 1000 }, (_, i) => line('part', `part ${i}`, 1_00 + i));
    const made = sound(priced(many, terms({ margin: { by: 'total', totalMinor: 9_999_99 } }), IN));
    expect(made.totalMinor).toBe(9_999_99);
    expect(made.lines.reduce((sum, { grossMinor }) => sum + grossMinor, 0)).toBe(9_999_99);
  });

  test('what cannot be is refused in a sentence with its mend', () => {
    const words = (made: ReturnType<typeof priced>) => ('code' in made ? notPricedWords(made, 'USD') : 'made');
    expect(words(priced([line('part', 'a', undefined)], terms(), OUT))).toMatch(/^has nothing to sell/);
    expect(words(priced(SEVEN, terms({ margin: { by: 'total', totalMinor: 100_00 } }), OUT))).toBe(
      'cannot come to 100.00 USD: without any part it comes to 152.88 USD; ask for more, or leave work or sending out',
    );
    expect(words(priced(SEVEN, terms({ discount: { name: 'Off', amountMinor: 9_000_00 } }), OUT))).toBe(
      'has a discount of 9,000.00 USD on 1,310.00 USD; take less off',
    );
    const all = terms({ margin: { by: 'total', totalMinor: 500_00 }, discount: { name: 'Off', percent: '100' } });
    expect(words(priced(SEVEN, all, OUT))).toMatch(/^cannot come to 500\.00 USD: the discount takes whatever/);
    const labour = (given: object) =>
      quoteTermsSchema.safeParse({ from: { name: 'Q' }, labour: [{ name: 'Work', ...given }] });
    expect(labour({ hours: 2 }).success).toBe(false);
    expect(labour({ hours: 2, hourMinor: 40_00, flatMinor: 1_00 }).success).toBe(false);
    expect(labour({ hours: 2, hourMinor: 40_00 }).success).toBe(true);
  });
});

/** A machine of the tiny world as it is offered. */
const subject = (change: Change = {}, given: Partial<Subject> = {}): Subject => ({
  id: 'machine',
  brief: briefOf(change),
  machine: machineOf(change),
  others: [],
  context: contextOf(compileCatalogue(dataOf(change)), '2026-05-18'),
  ...given,
});
const made = (subjects: readonly Subject[], given: QuoteTerms): Quoted => {
  const found = quoteOf('Test machine', subjects, given);
  if ('code' in found) throw new Error(found.code);
  return found;
};

describe('a quote of a machine', () => {
  const quoted = (change: Change = {}, given: Record<string, unknown> = {}): Quoted =>
    made([subject(change)], terms({ labour: [{ name: 'Assembly', hours: 2, hourMinor: 45_00 }], ...given }));

  test('is what the basket costs before tax, the margin on it, and work', () => {
    const { quote, inside } = quoted({}, { margin: { by: 'percent', percent: '20' }, depositPercent: '40' });
    // nine parts of 100.00 and a fifth, two hours at 45.00, 7.5 % on all of it
    expect(quote.netMinor).toBe(9 * 120_00 + 90_00);
    expect(quote.taxMinor).toBe(87_75);
    expect(quote.totalMinor).toBe(1_257_75);
    expect(quote.depositMinor).toBe(503_10);
    expect(inside.marginMinor).toBe(9 * 20_00);
    expect(quote.validUntil).toBe('2026-06-01');
    expect(quote.machines[0]?.work.map(({ task }) => task)).toEqual(['Play', 'Desk']);
  });

  test('equal parts are one line, and what is owned is not sold again', () => {
    const two = quoted({
      items: (items) => [
        ...items.map((item) => (item['id'] === 'case-1' ? { ...item, owned: true } : item)),
        { id: 'ssd-2', part: 'ssd', roles: ['archive'] },
      ],
    });
    expect(two.quote.lines.find(({ name }) => name.includes('Test 1 TB'))).toMatchObject({
      count: 2,
      netMinor: 200_00,
    });
    expect(two.quote.lines).toHaveLength(machineOf().items.length);
  });

  test('a part without a price is named, and in no total', () => {
    const { quote } = quoted({ offers: (offers) => offers.filter(({ part }) => part !== 'card') });
    expect(unpricedIn(quote)).toEqual(['Palisar Test 12']);
    expect(quote.netMinor).toBe(8 * 100_00 + 90_00);
    const said = JSON.stringify(quoteBlocks(quote));
    expect(said).toContain('Total of what has a price');
    expect(said).toContain('Palisar Test 12 (no price)');
    expect(quoteCsv(quote)).toContain(',,Palisar Test 12,,,no price');
  });

  test('at one price no part has a price of its own, and the total is the same', () => {
    const [lines, one] = [quoted(), quoted({}, { show: 'one price' })];
    expect(one.quote.lines).toHaveLength(1);
    expect(one.quote.totalMinor).toBe(lines.quote.totalMinor);
    expect(one.quote.lines[0]?.grossMinor).toBe(one.quote.totalMinor);
    expect(quotePage(one.quote)).not.toContain('<td><bdi>Palisar');
    expect(quotePage(lines.quote)).toContain('<td><bdi>Palisar');
  });

  test('others stand beside it at the same terms; one that cannot be priced is left out', () => {
    const cheap = machineOf({ machine: { id: 'cheap', name: 'Without a disk' }, items: without('disk-1') });
    const open = machineOf({ machine: { id: 'open', name: 'Open' }, items: plus({ id: 'x', part: 'nowhere' }) });
    const { quote, others } = made(
      [subject({}, { others: [cheap, open], present: machineOf({ machine: { id: 'old', present: true } }) })],
      terms({ margin: { by: 'total', totalMinor: 1_161_00 } }),
    );
    // 1,080.00 on 900.00: a fifth on cost, which is what the other one is priced by
    expect(quote.netMinor).toBe(1_080_00);
    expect(quote.alternatives).toEqual([
      { id: 'cheap', name: 'Without a disk', totalMinor: 1_032_00, differenceMinor: -129_00 },
    ]);
    expect(others.map(({ facts }) => facts.machine.name)).toEqual(['Without a disk', 'Open']);
    expect(quote.machines[0]?.work.every(({ now }) => now !== undefined)).toBe(true);
    expect(quote.machines[0]?.against.map(({ what }) => what)).toEqual(['present']);
  });

  test('nothing of what it costs the workshop stands in what goes out', () => {
    const { quote } = quoted({}, { margin: { by: 'percent', percent: '37' } });
    expect([JSON.stringify(quote), quoteCsv(quote)].join('\n')).not.toMatch(/cost|margin|100\.00|10000\b/i);
    const page = quotePage(quote)
      .replace(/<style>.*<\/style>/s, '')
      .replace(/<script>.*<\/script>/s, '');
    expect(page).not.toMatch(/cost|margin|\b100\.00/i);
  });

  test('names in any script and with markup in them are text, and no spreadsheet runs them', () => {
    const markup = quoteTermsSchema.safeParse({ from: { name: '<b>Quay</b>' } });
    expect(markup.error?.issues[0]?.message).toMatch(/holds markup/);
    const { quote } = quoted(
      {},
      {
        client: { name: 'מעבדת הים', address: ['海洋調查', 'Rope & "Tide"'] },
        labour: [{ name: '=HYPERLINK("x")', flatMinor: 10_00 }],
      },
    );
    const html = quotePage(quote);
    expect(html).toContain('Rope &amp; &quot;Tide&quot;');
    expect(html).toContain('<bdi>מעבדת הים</bdi>');
    expect(html).toContain('海洋調查');
    expect(quoteCsv(quote)).toContain(`"'=HYPERLINK(""x"")"`);
  });

  test('every kind of part can have a margin of its own', () => {
    const kinds = Object.fromEntries(PART_KINDS.map((kind) => [kind, '10']));
    expect(quoted({}, { margin: { by: 'kind', percent: '0', kinds } }).quote.netMinor).toBe(9 * 110_00 + 90_00);
  });
});
