import { unknown, type Rule } from '../rule';
import { loadCheck } from './load';

export const cardLoad: Rule = {
  id: 'card-load',
  reads: ['graphics', 'heat'],
  levels: ['blocks', 'unproven', 'caution'],
  mendedBy: ['air and limits', 'a fan'],
  check: (facts) =>
    facts.parts.ofKind('graphics').flatMap((card) => {
      const hot = facts.heat.setup.hot.find((part) => part.item === card.item.id);
      return hot ? loadCheck(facts, hot, card, card) : [unknown('card-cooling', [card, 'boardPowerW'])];
    }),
};
