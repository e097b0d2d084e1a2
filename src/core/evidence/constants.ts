import type { Register } from '../figures/registers';

/** Constants that tie open measuring tools to the model. */
export const EVIDENCE = {
  mipsPerGwork: {
    value: 990,
    spread: 1.25,
    unit: 'MIPS a Gwork/s',
    source: 'measured',
    reasoning: '4,963 MIPS in all on two threads of 2.5 GHz; large caches and fast memory raise it.',
  },
  streamOneThread: {
    value: 11,
    spread: 1.3,
    unit: 'GB/s a thread',
    source: 'judgement',
    reasoning: 'One core keeps some ten to twenty cache lines in flight; measured 8.9 on a small virtual machine.',
  },
  driveShare: {
    value: 1,
    spread: 1.15,
    unit: '×',
    source: 'judgement',
    reasoning: 'Stated drive rates are reached on an empty drive with deep queues.',
  },
  threadGain: {
    value: 1,
    spread: 1.25,
    unit: '×',
    source: 'judgement',
    reasoning: 'Shared caches, clocks and neighbours leave more or less of a second thread than the cores promise.',
  },
  transfer: {
    value: 1.15,
    spread: 1.1,
    unit: '×',
    source: 'measured',
    reasoning:
      'Cost by the pixel grows with pixels to the power 0.8 to 1.1 between HD and half of it: some 15 % a step.',
  },
  ownNoise: {
    value: 0.15,
    spread: 1.3,
    unit: 'ln',
    source: 'measured',
    reasoning: 'Medians of two or more runs on a shared machine differ by some 15 %; a stated range counts instead.',
  },
  samePart: {
    value: 0.1,
    spread: 1.5,
    unit: 'ln',
    source: 'judgement',
    reasoning: 'The same part in another machine: other cooling, other neighbours, other firmware.',
  },
  sameFamily: {
    value: 0.2,
    spread: 1.5,
    unit: 'ln',
    source: 'judgement',
    reasoning: 'Work per clock is a family’s, caches and the clocks that are held are not.',
  },
} as const satisfies Register;
