import { describe, expect, test } from 'vitest';
import { contextOf } from '../assess';
import { compileCatalogue } from '../model/catalogue';
import { finish } from '../assess/trials';
import { GROSS } from '../tests/shops';
import { briefOf, dataOf, machineOf, SHOP } from '../tests/world';
import { asGood, elsewhereTrials } from './elsewhere';

const CARD = dataOf().parts.find((part) => part.id === 'card') as unknown as Record<string, unknown>;
const variant = (id: string, more: Record<string, unknown>) => ({ ...CARD, id, name: id, ...more });
const change = {
  addParts: [
    variant('weak', { fp32Tflops: 10 }),
    variant('like', { fp32Tflops: 21, boardPowerW: 190 }),
    variant('dear', { fp32Tflops: 30 }),
  ],
};
const data = dataOf(change);
const part = (id: string) => data.parts.find((entry) => entry.id === id)!;

/** There everything but the card is sold, at 121.00 with tax; of the other cards the weak one is cheapest, then the like one. */
const THERE = { weak: 50_00, like: 110_00, dear: 150_00 } as Readonly<Record<string, number>>;
const offers = [
  ...data.offers,
  ...data.offers.flatMap((offer) =>
    offer.part === 'card'
      ? []
      : [{ ...offer, id: `${offer.id}.there`, region: 'there', priceMinor: THERE[offer.part] ?? 121_00 }],
  ),
];
const context = contextOf(
  compileCatalogue({ ...data, regions: [...data.regions, GROSS], sellers: [SHOP], offers }),
  '2026-05-18',
);

describe('the same work in another region', () => {
  const result = finish(elsewhereTrials(machineOf(), briefOf({ brief: { budgetMinor: 100 } }), 'there', context));
  test('what is not sold there gives way to the cheapest that is at least as good, and what differs is listed', () => {
    expect(result.substitutes.map(({ from, to }) => [from, to])).toEqual([['Palisar Test 12', 'Palisar like']]);
    expect(result.substitutes[0]?.differs).toEqual([
      { label: 'board power', unit: 'W', from: 200, to: 190 },
      { label: 'FP32 rate', unit: 'TFLOP/s', from: 20, to: 21 },
    ]);
    expect(result.machine.items.find((item) => item.id === 'card-1')?.part).toBe('like');
  });
  test('is bought in that region’s currency with its tax', () => {
    // eight parts at 121.00 and a card at 110.00, 21 % in the price
    expect(result.basket.total.landedMinor).toBe(8 * 121_00 + 110_00);
    expect(result.region.currency).toBe('EUR');
    expect(result.basket.lowerBound).toBe(false);
  });
  test('nothing as good leaves the place open, and the total a lower bound', () => {
    const few = contextOf(
      compileCatalogue({
        ...data,
        regions: [...data.regions, GROSS],
        sellers: [SHOP],
        offers: offers.filter((offer) => !(offer.region === 'there' && ['like', 'dear'].includes(offer.part))),
      }),
      '2026-05-18',
    );
    const open = finish(elsewhereTrials(machineOf(), briefOf(), 'there', few));
    expect([open.substitutes[0]?.to, open.basket.lowerBound]).toEqual([undefined, true]);
  });
});

test('as good means every speed and capacity; what the other does not state does not pass', () => {
  expect([asGood(part('card'), part('like')), asGood(part('card'), part('weak'))]).toEqual([true, false]);
  const silent = { ...part('like'), memoryGBs: undefined } as unknown as Parameters<typeof asGood>[1];
  expect(asGood(part('card'), silent)).toBe(false);
});
