import type { Told } from '../told';

/** What each rule of this folder is about, for who reads of it; judging needs none of it. */
export const TOLD: Told = {
  'board-power': {
    holds: "the board's phases sustain the processor at full power, raised clocks and limits by hand counted",
    compares: "the processor's maximum package power, as it is set, with what the board sustains",
    source: 'definition',
  },
  'cooler-socket': {
    holds: 'the cooler mounts on this socket',
    compares: "the board's socket with the cooler's mounting kits",
    source: 'definition',
  },
  firmware: {
    holds: "the board's firmware knows the processor",
    compares: 'the firmware the board has against the least version this family needs, and the way to bring it there',
    source: 'definition',
  },
  'processor-family': {
    holds: 'the board supports the processor family',
    compares: "the processor's family with the board's list",
    source: 'definition',
  },
  socket: {
    holds: 'processor and board have the same socket',
    compares: "the processor's socket with the board's",
    source: 'definition',
  },
};
