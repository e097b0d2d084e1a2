import type { Register } from '../figures/registers';

/** Constants that more than one trade uses. */
export const COMMON = {
  secondThreadGain: {
    value: 1.25,
    spread: 1.1,
    unit: '× one thread',
    source: 'judgement',
    reasoning: 'Two threads on one core share its units; throughput codes commonly gain a fifth to a third.',
  },
  memoryAchieved: {
    value: 0.75,
    spread: 1.12,
    unit: 'share of peak',
    source: 'judgement',
    reasoning:
      'Streaming codes reach about three quarters of peak memory bandwidth; refresh and turn-round take the rest.',
  },
  linkAchieved: {
    value: 0.85,
    spread: 1.08,
    unit: 'share of coded rate',
    source: 'standard',
    reasoning: 'Packet headers at 256-byte payloads and flow control cost some 10 to 20 % of the coded rate.',
  },
  spillCost: {
    value: 8,
    spread: 1.8,
    unit: '× slower per missing share',
    source: 'judgement',
    reasoning:
      'Pages that do not fit come back from the system drive, one to two orders slower than memory but touched less often.',
  },
  floorMargin: {
    value: 1.25,
    spread: 1.2,
    unit: '× recommended',
    source: 'judgement',
    reasoning: 'What makers recommend was true when it was printed; files grow before a machine is replaced.',
  },
  foregroundCores: {
    value: 2,
    spread: 1,
    unit: 'cores',
    source: 'judgement',
    reasoning: 'A foreground task keeps two cores free of exports so that the pointer and the playhead answer at once.',
  },
  foregroundGraphics: {
    value: 0.15,
    spread: 1,
    unit: 'share',
    source: 'judgement',
    reasoning: 'Drawing the interface and a preview frame must not wait behind an export.',
  },
  heldClock: {
    value: 1,
    spread: 1.06,
    unit: '×',
    source: 'judgement',
    reasoning: 'Temperatures are off by some kelvin, and a clock that heat holds follows the power by its cube root.',
  },
} as const satisfies Register;
