import type { Register } from '../figures/registers';

/** What an upgrade's economics rest on beside the settings. */
export const UPGRADE = {
  askedAndGot: {
    value: 0.85,
    spread: 1.2,
    unit: 'share of the asked price',
    source: 'judgement',
    reasoning: 'What dealers and private sellers ask for a used part is haggled over; a dealer also has to live.',
  },
  declining: {
    value: 1,
    spread: 1.35,
    unit: 'share of the value by declining balance',
    source: 'judgement',
    reasoning: 'Parts of one age keep their worth differently: cards and boards of a sought-after kind far better.',
  },
  worn: {
    value: 0.75,
    spread: 1.2,
    unit: 'share of what a good one brings',
    source: 'judgement',
    reasoning: 'Scratches, a loud bearing or a missing box are haggled over; a part that fails is not sold at all.',
  },
} satisfies Register;
