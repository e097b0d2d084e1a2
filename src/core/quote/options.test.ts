import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { contextOf } from '../assess';
import { compileCatalogue } from '../model/catalogue';
import { quoteBlocks } from '../formats/paper/blocks';
import { briefOf, dataOf, machineOf, partLike, without, type Change } from '../tests/world';
import { notHadWords, optionOutWords } from '../words/quote';
import { chosenTotal, type NotHad, type Quote } from './document';
import { quoteOf, type Quoted } from './quote';
import { quoteTermsSchema, type QuoteOption } from './terms';

const OPTIONS: readonly QuoteOption[] = [
  { id: 'larger', name: 'A larger drive', item: 'ssd-1', part: 'ssd-2tb' },
  { id: 'second', name: 'A second drive', part: 'ssd-2tb' },
  { id: 'no-disk', name: 'Without the disk', item: 'disk-1' },
  { id: 'other-disk', name: 'Another disk', item: 'disk-1', part: 'ssd-2tb' },
];
/** The tiny world with a drive more, at 150.00 where everything else costs 100.00. */
const WORLD: Change = {
  addParts: [{ ...partLike('ssd'), id: 'ssd-2tb', name: 'Test 2 TB', capacityGB: 2000 }],
  offers: (offers) => offers.map((offer) => (offer.part === 'ssd-2tb' ? { ...offer, priceMinor: 150_00 } : offer)),
};

function quoted(options: readonly QuoteOption[], change: Change = WORLD, given: Record<string, unknown> = {}): Quoted {
  const made = quoteOf(
    'Test machine',
    [
      {
        id: 'machine',
        brief: briefOf(change),
        machine: machineOf(change),
        others: [],
        context: contextOf(compileCatalogue(dataOf(change)), '2026-05-18'),
      },
    ],
    quoteTermsSchema.parse({ from: { name: 'Quillstone Workshop' }, options, ...given }),
  );
  if ('code' in made) throw new Error(made.code);
  return made;
}
const reason = (quote: Quote, total: number | NotHad): string =>
  typeof total === 'number' ? 'had' : notHadWords(total, quote);

describe('options', () => {
  test('are differences at the same terms: 50.00 more at a fifth above cost and 7.5 % tax is 64.50', () => {
    const { quote } = quoted(OPTIONS, WORLD, { margin: { by: 'percent', percent: '20' } });
    const by = new Map(quote.options.map((option) => [option.id, option]));
    expect(by.get('larger')?.differenceMinor).toBe(64_50);
    expect(by.get('second')?.differenceMinor).toBe(193_50);
    expect(by.get('no-disk')?.differenceMinor).toBe(-129_00);
    expect(by.get('larger')?.totalMinor).toBe(quote.totalMinor + 64_50);
  });

  test('that change the same part cannot be had together; the others can', () => {
    const { quote } = quoted(OPTIONS);
    expect(quote.notAll).toContainEqual(['no-disk', 'other-disk']);
    expect(quote.notAll.flat()).not.toContain('larger');
  });

  test('that bring a conflict only together cannot be had together: the board has two slots for drives', () => {
    const two = [
      { id: 'one', name: 'One more', part: 'ssd' },
      { id: 'two', name: 'Another', part: 'ssd-2tb' },
    ];
    const { quote } = quoted(two);
    expect(quote.notAll).toEqual([['one', 'two']]);
    expect(reason(quote, chosenTotal(quote, { options: ['one', 'two'] }))).toBe(
      'One more and Another cannot be had together; leave one of them out',
    );
  });

  test('that are too much only all three together are told as three, and each two can be had', () => {
    // one slot for drives on the board is free, and one on a card of two slots
    const small: Change = {
      ...WORLD,
      items: without('disk-1'),
      boards: (topology) => ({
        ...topology,
        slots: [
          ...topology.slots,
          {
            id: 'm2-3',
            label: 'M.2 slot 3',
            on: 'hub',
            kind: 'm2',
            generation: 4,
            lanes: 4,
            lengthsMm: [80],
            atRow: 6,
          },
        ],
      }),
    };
    const three = ['one', 'two', 'three'].map((id) => ({ id, name: id, part: 'ssd' }));
    const { quote } = quoted(three, small);
    expect(quote.notAll).toEqual([['one', 'two', 'three']]);
    expect(typeof chosenTotal(quote, { options: ['one', 'three'] })).toBe('number');
    expect(reason(quote, chosenTotal(quote, { options: ['one', 'two', 'three'] }))).toBe(
      'one, two and three cannot be had together; leave one of them out',
    );
    expect(JSON.stringify(quoteBlocks(quote))).toContain('one (not with two and three together)');
  });

  test('that bring a conflict, have no price, or change what is not there, are left out and said', () => {
    const bad = [
      { id: 'gone', name: 'Gone', item: 'nothing', part: 'ssd' },
      { id: 'free', name: 'Unsold', item: 'ssd-1', part: 'unsold' },
      { id: 'no-board', name: 'No board', item: 'board-1' },
      ...OPTIONS.slice(0, 1),
    ];
    const made = quoted(bad, {
      ...WORLD,
      addParts: [...(WORLD.addParts ?? []), { ...partLike('ssd'), id: 'unsold', name: 'Unsold' }],
      offers: (offers) => offers.filter(({ part }) => part !== 'unsold'),
    });
    expect(made.quote.options.map(({ id }) => id)).toEqual(['larger']);
    expect(made.out.map(({ id, because }) => [id, because])).toEqual([
      ['gone', 'nothing-there'],
      ['free', 'no-price'],
      ['no-board', 'brings'],
    ]);
    for (const out of made.out) expect(optionOutWords(out)).toMatch(/is left out: .{12}/);
  });

  test('that need another are had only with it', () => {
    const { quote } = quoted([OPTIONS[0] as QuoteOption, { ...(OPTIONS[1] as QuoteOption), needs: ['larger'] }]);
    expect(reason(quote, chosenTotal(quote, { options: ['second'] }))).toBe(
      'A second drive can only be had with A larger drive; tick both or neither',
    );
    expect(reason(quote, chosenTotal(quote, { options: ['nobody'] }))).toBe('"nobody" is no choice of this quote');
    expect(typeof chosenTotal(quote, { options: ['larger', 'second'] })).toBe('number');
  });

  test('add up, whatever of them is ticked', () => {
    const { quote } = quoted(OPTIONS);
    fc.assert(
      fc.property(fc.subarray(quote.options.map(({ id }) => id)), (ids) => {
        const total = chosenTotal(quote, { options: ids });
        const clashes = quote.notAll.some((set) => set.every((id) => ids.includes(id)));
        expect(typeof total !== 'number').toBe(clashes);
        if (typeof total !== 'number') return;
        const differences = quote.options.filter(({ id }) => ids.includes(id)).map((option) => option.differenceMinor);
        expect(total).toBe(differences.reduce((sum, minor) => sum + minor, quote.totalMinor));
      }),
    );
  });

  test('are none of another machine in its place', () => {
    const change = { ...WORLD };
    const made = quoteOf(
      'Test machine',
      [
        {
          id: 'machine',
          brief: briefOf(change),
          machine: machineOf(change),
          others: [machineOf({ machine: { id: 'other', name: 'Other' } })],
          context: contextOf(compileCatalogue(dataOf(change)), '2026-05-18'),
        },
      ],
      quoteTermsSchema.parse({ from: { name: 'Q' }, options: OPTIONS.slice(0, 1) }),
    );
    if ('code' in made) throw new Error(made.code);
    expect(chosenTotal(made.quote, { options: [], alternative: 'other' })).toBe(made.quote.totalMinor);
    expect(reason(made.quote, chosenTotal(made.quote, { options: ['larger'], alternative: 'other' }))).toMatch(
      /^options change/,
    );
  });
});

describe('what nobody asked for', () => {
  test('is told with its difference where it can be had, and without where it cannot', () => {
    const told = (change: Change) => quoted([], change).quote.machines[0]?.notAsked ?? [];
    // board and processor could; no such memory is sold, and of that nothing is said
    expect(told(WORLD).find(({ what }) => what === 'error-correction')).toBeUndefined();
    const never = told({ ...WORLD, parts: { board: { errorCorrection: false } } });
    expect(never.find(({ what }) => what === 'error-correction')).toEqual({ what: 'error-correction' });
    const able = told({
      ...WORLD,
      addParts: [{ ...partLike('kit'), id: 'kit-ecc', name: 'Test ECC', errorCorrection: true }],
      offers: (offers) => offers.map((offer) => (offer.part === 'kit-ecc' ? { ...offer, priceMinor: 180_00 } : offer)),
    });
    // 80.00 more and 7.5 %
    expect(able.find(({ what }) => what === 'error-correction')).toEqual({
      what: 'error-correction',
      differenceMinor: 86_00,
      part: 'Sablerow Test ECC',
    });
    expect(told(WORLD).find(({ what }) => what === 'second-drive')?.differenceMinor).toBe(107_50);
    expect(
      told({ ...WORLD, brief: { mustHaves: { errorCorrection: true } } }).some(
        ({ what }) => what === 'error-correction',
      ),
    ).toBe(false);
  });
});
