import { LINKS } from '../board/links';
import { fromConstant, least, product } from '../figures/derive';
import type { FittedParts } from '../model/fitted';
import { cardsUnsaid } from '../model/unsaid';
import { networksOf, type Network } from '../work/networks';
import type { LinkOf } from './linkSupply';
import { own, type Supplied } from './supplied';

const BYTES_PER_GBIT = 1e9 / 8;

/**
 * Bytes/s that a network carries either way, whatever its slot does: the same on a card as on the board. 2.5 Gb/s are
 * 312.5 MB/s, of which 0.94 are 293.75 MB/s.
 */
export function networkRate({ holder, gbitPerS }: Network): Supplied {
  const stated = own(holder, 'networkGbitPerS', gbitPerS, 'stated rate', 'B/s', BYTES_PER_GBIT);
  return {
    ...stated,
    rate:
      stated.rate && product('network', 'B/s', [stated.rate, fromConstant('share left after headers', LINKS.network)]),
  };
}

/** What the machine's fastest network carries; a card's, no more than its slot does. */
export function networkOf(parts: FittedParts, linkOf: LinkOf): Supplied | undefined {
  const [fastest] = networksOf(parts);
  if (!fastest) {
    const missing = cardsUnsaid(parts);
    return missing.length > 0 ? { rate: undefined, missing, items: missing.map(({ item }) => item) } : undefined;
  }
  const rated = networkRate(fastest);
  if (fastest.holder.part.kind === 'board') return rated;
  const link = linkOf(fastest.holder);
  return {
    rate: rated.rate && link.rate && least('network', 'B/s', [rated.rate, link.rate]),
    missing: [...rated.missing, ...link.missing],
    items: rated.items,
  };
}
