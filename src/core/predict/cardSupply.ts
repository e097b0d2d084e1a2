import { given, least, product, sum } from '../figures/derive';
import type { AnyFitted, FittedParts } from '../model/fitted';
import type { PartOf } from '../parts';
import type { Cards } from '../work/stage';
import type { LinkOf } from './linkSupply';
import { own, type Supplied } from './supplied';

/** What cards state of their own work, by resource. */
export const CARD_RATES = {
  'gpu.fp32': { field: 'fp32Tflops', label: 'FP32 rate', unit: 'FLOP/s', factor: 1e12 },
  'gpu.matrix': { field: 'matrixTflops', label: 'half-precision matrix rate', unit: 'FLOP/s', factor: 1e12 },
  'gpu.fp64': { field: 'fp64Tflops', label: 'FP64 rate', unit: 'FLOP/s', factor: 1e12 },
  'gpu.traffic': { field: 'memoryGBs', label: 'graphics memory rate', unit: 'B/s', factor: 1e9 },
} as const;
export type CardResource = keyof typeof CARD_RATES;
export const isCardResource = (key: string): key is CardResource => key in CARD_RATES;

/** A card's own rate of a resource, or the figure that it lacks. */
export const cardRate = (
  fitted: AnyFitted & { readonly part: PartOf<'graphics'> },
  resource: CardResource,
): Supplied => {
  const { field, label, unit, factor } = CARD_RATES[resource];
  return own(fitted, field, fitted.part[field], label, unit, factor);
};

/** Arithmetic or memory rate of up to `max` cards, further ones at `gain`; nothing with less than two cards. */
export function cardsTogether(
  parts: FittedParts,
  linkOf: LinkOf,
  resource: CardResource,
  { max, gain, exchanges = false }: Cards,
): Supplied | undefined {
  const cards = parts.ofKind('graphics').slice(0, max);
  if (cards.length < 2) return undefined;
  const links = cards.map((fitted) => linkOf(fitted));
  const rates = cards.map((fitted) => cardRate(fitted, resource));
  const missing = [...rates, ...links].flatMap((each) => each.missing);
  const terms = rates.flatMap(({ rate }, i) => {
    const [first, here] = [links[0]?.rate?.value, links[i]?.rate?.value];
    if (!rate || first === undefined || here === undefined) return [];
    if (i === 0) return [rate];
    // a further card on a narrower link gets its frames later
    const arrives = exchanges ? gain : gain * Math.min(1, here / first);
    return [product('a further card', rate.unit, [rate, given('share that arrives', arrives, '×', 'profile', '')])];
  });
  const complete = terms.length === cards.length;
  return {
    rate: complete ? sum('cards together', terms[0]?.unit ?? '', terms) : undefined,
    missing,
    items: cards.map(({ item }) => item.id),
  };
}

/** What each card sends to the others goes at the rate of the narrowest link. */
export function exchange(parts: FittedParts, linkOf: LinkOf): Supplied {
  const cards = parts.ofKind('graphics');
  const links = cards.map((fitted) => linkOf(fitted));
  const [first, ...rest] = links.flatMap(({ rate }) => rate ?? []);
  return {
    rate:
      first && rest.length + 1 === links.length
        ? least('narrowest link of the cards', 'B/s', [first, ...rest])
        : undefined,
    missing: links.flatMap(({ missing }) => missing),
    items: cards.map(({ item }) => item.id),
  };
}
