import type { Reasons } from '../figures/registers';
import type { COMMON } from './common';

/** Why the constants of `COMMON` are what they are. */
export const COMMON_WHY: Reasons<typeof COMMON> = {
  secondThreadGain: { reasoning: 'Two threads on one core share its units; throughput codes commonly gain a fifth to a third.' },
  memoryAchieved: { reasoning: 'Streaming codes reach about three quarters of peak memory bandwidth; refresh and turn-round take the rest.' },
  spillCost: { reasoning: 'Pages that do not fit come back from the system drive, one to two orders slower than memory but touched less often.' },
  floorMargin: { reasoning: 'What makers recommend was true when it was printed; files grow before a machine is replaced.' },
  foregroundCores: { reasoning: 'A foreground task keeps two cores free of exports so that the pointer and the playhead answer at once.' },
  foregroundGraphics: { reasoning: 'Drawing the interface and a preview frame must not wait behind an export.' },
  heldClock: { reasoning: 'Temperatures are off by some kelvin, and a clock that heat holds follows the power by its cube root.' },
};
