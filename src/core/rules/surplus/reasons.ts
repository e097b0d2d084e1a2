import type { Reasons } from '../../figures/registers';
import type { SURPLUS } from './growth';

/** Why the constants of `SURPLUS` are what they are. */
export const SURPLUS_WHY: Reasons<typeof SURPLUS> = {
  growthPerYear: { reasoning: 'footage, scenes and programs grow; a tenth a year doubles in about seven years' },
  capacityMargin: { reasoning: 'memory and drives come in doublings: less than half again as much is not to be had' },
  supplyMargin: {
    reasoning: 'the next two sizes up are choice, beyond that the supply idles where its efficiency is worst',
  },
  quietTraffic: {
    reasoning: 'below a third of the memory bandwidth queueing adds little, so a higher rate is not felt',
  },
};
