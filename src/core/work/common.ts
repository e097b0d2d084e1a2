import { register } from '../figures/registers';

/** Constants that more than one trade uses. */
export const COMMON = register('shared', {
  secondThreadGain: {
    value: 1.25,
    spread: 1.1,
    unit: '× one thread',
    source: 'judgement',
  },
  memoryAchieved: {
    value: 0.75,
    spread: 1.12,
    unit: 'share of peak',
    source: 'judgement',
  },
  spillCost: {
    value: 8,
    spread: 1.8,
    unit: '× slower per missing share',
    source: 'judgement',
  },
  floorMargin: {
    value: 1.25,
    spread: 1.2,
    unit: '× recommended',
    source: 'judgement',
  },
  foregroundCores: {
    value: 2,
    spread: 1,
    unit: 'cores',
    source: 'judgement',
  },
  foregroundGraphics: {
    value: 0.15,
    spread: 1,
    unit: 'share',
    source: 'judgement',
  },
  heldClock: {
    value: 1,
    spread: 1.06,
    unit: '×',
    source: 'judgement',
  },
});
