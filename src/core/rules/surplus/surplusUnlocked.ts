import { cheapestOffer } from '../../money/landed';
import { idsOf, nameOf, type Said, type Rule } from '../rule';

/** A processor whose clocks may be raised costs more; where they stay as they were, that buys nothing. */
export const surplusUnlocked: Rule = {
  id: 'surplus-unlocked',
  reads: ['processor', 'price'],
  byIdentity: true,
  levels: ['note'],
  saves: (_said, from, to) => from.kind === 'processor' && to.kind === 'processor' && to.unlocked !== true,
  check: ({ parts, machine, catalogue, region, policy, price }) => {
    if ((machine.tuning?.clock ?? 1) > 1) return [];
    return parts.ofKind('processor').flatMap((processor): Said[] => {
      const { item, part } = processor;
      if (part.unlocked !== true || item.owned) return [];
      const mine = price.items.find((entry) => entry.item === item.id)?.landed?.landedMinor;
      if (mine === undefined) return [];
      let best: { name: string; minor: number } | undefined;
      for (const other of catalogue.lockedLikes(part)) {
        const minor = cheapestOffer(catalogue, other, region, policy)?.landed.landedMinor;
        if (minor !== undefined && minor < (best?.minor ?? mine))
          best = { name: `${other.maker} ${other.name}`, minor };
      }
      if (!best) return [];
      return [
        {
          level: 'note',
          code: 'surplus-unlocked',
          items: idsOf(processor),
          processor: nameOf(processor),
          other: best.name,
          premiumMinor: mine - best.minor,
          currency: price.currency,
        },
      ];
    });
  },
};
