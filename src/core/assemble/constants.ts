import type { Register } from '../figures/registers';

/** Minutes of hands-on work a step takes somebody who has done it before. */
export const MINUTES = {
  case: {
    value: 6,
    spread: 1.5,
    unit: 'min',
    source: 'judgement',
    reasoning: 'Side panels off, box of screws sorted, standoffs counted and set.',
  },
  processor: {
    value: 3,
    spread: 1.4,
    unit: 'min',
    source: 'judgement',
    reasoning: 'Lever, marks, lever; most of it is looking twice.',
  },
  module: {
    value: 1,
    spread: 1.4,
    unit: 'min',
    source: 'judgement',
    reasoning: 'Notch, both ends, the click of the latch.',
  },
  drive: {
    value: 4,
    spread: 1.5,
    unit: 'min',
    source: 'judgement',
    reasoning: 'Cover off, film off, screw or clasp; a cage drive takes four screws.',
  },
  kit: {
    value: 6,
    spread: 1.6,
    unit: 'min',
    source: 'judgement',
    reasoning: 'Plate behind the board, pillars and bars for this socket.',
  },
  cooler: {
    value: 8,
    spread: 1.6,
    unit: 'min',
    source: 'judgement',
    reasoning: 'Paste, the block on evenly, screws across in turns, fans clipped on.',
  },
  board: {
    value: 6,
    spread: 1.5,
    unit: 'min',
    source: 'judgement',
    reasoning: 'Ports through the rear opening, all screws begun before any is tight.',
  },
  supply: {
    value: 5,
    spread: 1.4,
    unit: 'min',
    source: 'judgement',
    reasoning: 'Fan towards its intake, four screws, the cables that are needed.',
  },
  fan: { value: 4, spread: 1.4, unit: 'min', source: 'judgement', reasoning: 'Four screws and the way of the cable.' },
  cable: {
    value: 2,
    spread: 1.7,
    unit: 'min',
    source: 'judgement',
    reasoning: 'From behind the board to its header, and tied where it lies.',
  },
  card: { value: 4, spread: 1.5, unit: 'min', source: 'judgement', reasoning: 'Brackets out, latch, seat, screws.' },
  close: {
    value: 4,
    spread: 1.4,
    unit: 'min',
    source: 'judgement',
    reasoning: 'Looking over all plugs once, panels on.',
  },
} satisfies Register;
export type Pace = keyof typeof MINUTES;
