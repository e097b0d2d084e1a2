import { register } from '../figures/registers';

/** What an upgrade's economics rest on beside the settings. */
export const UPGRADE = register('upgrade', {
  askedAndGot: {
    value: 0.85,
    spread: 1.2,
    unit: 'share of the asked price',
    source: 'judgement',
  },
  declining: {
    value: 1,
    spread: 1.35,
    unit: 'share of the value by declining balance',
    source: 'judgement',
  },
  worn: {
    value: 0.75,
    spread: 1.2,
    unit: 'share of what a good one brings',
    source: 'judgement',
  },
});
