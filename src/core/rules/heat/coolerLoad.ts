import { unknown, type Rule } from '../rule';
import { loadCheck } from './load';

export const coolerLoad: Rule = {
  id: 'cooler-load',
  holds: 'the cooler holds the processor below its limit for hours, with the cards under load too',
  compares:
    "the processor's temperature at the power it keeps up, in the air that case, room and cards leave it, with its limit",
  reads: ['cooler', 'processor', 'heat'],
  levels: ['blocks', 'unproven', 'caution'],
  source: 'steady-state heat conduction and energy balance of the case air',
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
