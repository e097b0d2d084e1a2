import type { Catalogue } from '../model/catalogue';
import type { FittedParts } from '../model/fitted';
import { basketOfMachine, type Basket } from './basket';
import type { MachinePrice } from './landed';
import type { Region } from '../model/offers';
import type { BuyPolicy } from './policy';

/** Baskets by the price of the machine they are of: they end with it. */
const known = new WeakMap<MachinePrice, Basket>();

/** Most places a page's basket looks at before it is content with what it has; a usual machine takes some hundreds. */
const PAGE_NODES = 20_000;

/** How a priced machine is bought best; worked out once for each price. */
export function pageBasket(
  price: MachinePrice,
  parts: FittedParts,
  catalogue: Catalogue,
  region: Region,
  policy: BuyPolicy,
): Basket {
  let basket = known.get(price);
  if (!basket) known.set(price, (basket = basketOfMachine(parts, catalogue, region, policy, PAGE_NODES)));
  return basket;
}
