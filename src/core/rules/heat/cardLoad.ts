import { unknown, type Rule } from '../rule';
import { loadCheck } from './load';

export const cardLoad: Rule = {
  id: 'card-load',
  holds: 'each graphics card stays below its limit for hours, in this case and room',
  compares: "the card's temperature at its board power, in the air that case and room leave it, with its limit",
  reads: ['graphics', 'heat'],
  levels: ['blocks', 'unproven', 'caution'],
  source: 'steady-state heat conduction and energy balance of the case air',
  mendedBy: ['air and limits', 'a fan'],
  check: (facts) =>
    facts.parts.ofKind('graphics').flatMap((card) => {
      const hot = facts.heat.setup.hot.find((part) => part.item === card.item.id);
      return hot ? loadCheck(facts, hot, card, card) : [unknown('card-cooling', [card, 'boardPowerW'])];
    }),
};
