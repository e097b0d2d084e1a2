import { unknown, type Rule } from '../rule';
import { loadCheck } from './load';

export const coolerLoad: Rule = {
  id: 'cooler-load',
  reads: ['cooler', 'processor', 'heat'],
  levels: ['blocks', 'unproven', 'caution'],
  mendedBy: ['air and limits', 'a fan'],
  check: (facts) => {
    const { parts, heat } = facts;
    const processor = parts.one('processor');
    const cooler = parts.one('cooler') ?? (processor?.part.coolerIncluded ? processor : undefined);
    if (!processor || !cooler) return [];
    const hot = heat.setup.hot.find((part) => part.item === processor.item.id);
    if (!hot) return [unknown('processor-cooling', [processor, 'maxPowerW'])];
    return loadCheck(facts, hot, processor, cooler);
  },
};
