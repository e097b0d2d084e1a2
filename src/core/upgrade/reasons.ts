import type { Reasons } from '../figures/registers';
import type { UPGRADE } from './constants';

/** Why the constants of `UPGRADE` are what they are. */
export const UPGRADE_WHY: Reasons<typeof UPGRADE> = {
  askedAndGot: {
    reasoning: 'What dealers and private sellers ask for a used part is haggled over; a dealer also has to live.',
  },
  declining: {
    reasoning: 'Parts of one age keep their worth differently: cards and boards of a sought-after kind far better.',
  },
  worn: {
    reasoning: 'Scratches, a loud bearing or a missing box are haggled over; a part that fails is not sold at all.',
  },
};
