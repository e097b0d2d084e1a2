import type { Assessment } from '../assess';
import { basketOfMachine, type Basket } from './basket';
import type { MachinePrice } from './landed';

const known = new WeakMap<MachinePrice, Basket>();

/** Most places a page's basket looks at before it is content with what it has; a usual machine takes some hundreds. */
const PAGE_NODES = 20_000;

/** How an assessed machine is bought best; worked out once for each price. */
export function basketFor({ facts }: Assessment): Basket {
  let basket = known.get(facts.price);
  if (!basket)
    known.set(
      facts.price,
      (basket = basketOfMachine(facts.parts, facts.catalogue, facts.region, facts.policy, PAGE_NODES)),
    );
  return basket;
}
