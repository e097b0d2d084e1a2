import type { Register } from '../figures/registers';

/** Constants that tie open measuring tools to the model. */
export const EVIDENCE = {
  mipsPerGwork: {
    value: 990,
    spread: 1.25,
    unit: 'MIPS a Gwork/s',
    source: 'measured',
    rows: ['cpu.7z.t2'],
    reasoning: '4,963 MIPS in all on two threads of 2.5 GHz; large caches and fast memory raise it.',
  },
  streamOneThread: {
    value: 9.5,
    spread: 1.3,
    unit: 'GB/s a thread',
    source: 'measured',
    rows: ['mem.stream.t1', 'machine.peak.t1'],
    judged: 11,
    reasoning: 'One core keeps some ten to twenty cache lines in flight; larger cores keep more.',
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
    spread: 1.15,
    unit: '×',
    source: 'judgement',
    reasoning:
      'The least that other files, pictures and sizes of one kind of work differ: cost by the pixel grows with pixels to the power 0.8 to 1.1.',
  },
  ofContent: {
    value: 0.8,
    spread: 1.2,
    unit: 'share of ln',
    source: 'judgement',
    reasoning:
      'How much of a constant’s doubt is of other files, pictures and programs, and not of the machine: most constants come of few programs.',
  },
  ownNoise: {
    value: 0.163,
    spread: 1.3,
    unit: 'ln',
    source: 'measured',
    rows: ['*'],
    reasoning:
      'Runs of a shared machine lie some 16 % apart, one in ten twice that and more; a stated range counts instead.',
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
