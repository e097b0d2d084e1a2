import type { Assessment } from '../assess';
import type { Basket } from '../money/basket';
import { pageBasket } from '../money/pageBasket';
import { spentOf, type Spent } from '../money/spent';

/** A machine's basket, with what the brief wants beside it and the machine still lacks. */
export type WholeBasket = Basket & Pick<Spent, 'lacking'>;

/** How an assessed machine is bought best; a lower bound as long as something wanted is lacking. */
export function basketFor({ facts }: Pick<Assessment, 'facts'>): WholeBasket {
  const basket = pageBasket(facts.price, facts.parts, facts.catalogue, facts.region, facts.policy);
  return { ...basket, ...spentOf(basket, facts) };
}
