import type { Reasons } from '../figures/registers';
import type { CABLES, MINUTES } from './constants';

/** Why the constants of `MINUTES` are what they are. */
export const MINUTES_WHY: Reasons<typeof MINUTES> = {
  case: { reasoning: 'Side panels off, box of screws sorted, standoffs counted and set.' },
  processor: { reasoning: 'Lever, marks, lever; most of it is looking twice.' },
  module: { reasoning: 'Notch, both ends, the click of the latch.' },
  drive: { reasoning: 'Cover off, film off, screw or clasp; a cage drive takes four screws.' },
  kit: { reasoning: 'Plate behind the board, pillars and bars for this socket.' },
  cooler: { reasoning: 'Paste, the block on evenly, screws across in turns, fans clipped on.' },
  board: { reasoning: 'Ports through the rear opening, all screws begun before any is tight.' },
  supply: { reasoning: 'Fan towards its intake, four screws, the cables that are needed.' },
  fan: { reasoning: 'Four screws and the way of the cable.' },
  cable: { reasoning: 'From behind the board to its header, and tied where it lies.' },
  card: { reasoning: 'Brackets out, latch, seat, screws.' },
  look: { reasoning: 'To read a line of a screen and write it down.' },
  setting: { reasoning: 'To find a page of the setup, change it and keep it.' },
  benchLay: { reasoning: 'Board on its box, four parts and three plugs.' },
  firstStart: { reasoning: 'New memory is trained for minutes before anything shows.' },
  flash: { reasoning: 'Loading, a stick, eight minutes of blinking, one start.' },
  install: { reasoning: 'A system from a stick, with its first questions.' },
  drivers: { reasoning: 'Board, card and network, one start after each.' },
  backup: { reasoning: 'A schedule, and one file brought back to see that it can be.' },
  close: { reasoning: 'Looking over all plugs once, panels on.' },
};

/** Why the constants of `CABLES` are what they are. */
export const CABLES_WHY: Reasons<typeof CABLES> = {
  bend: { reasoning: 'A plug stands off what it is plugged into before its cable can turn; one at each end.' },
  way: { reasoning: 'Cables cut corners, and are led around what is in their way: both by some tenth.' },
  behind: { reasoning: 'The bundle of the board’s own cable, flattened; with less room the panel does not close.' },
};
