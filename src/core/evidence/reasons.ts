import type { Reasons } from '../figures/registers';
import type { EVIDENCE } from './constants';

/** Why the constants of `EVIDENCE` are what they are. */
export const EVIDENCE_WHY: Reasons<typeof EVIDENCE> = {
  mipsPerGwork: {
    rows: ['cpu.7z.t2'],
    reasoning: '4,963 MIPS in all on two threads of 2.5 GHz; large caches and fast memory raise it.',
  },
  streamOneThread: {
    rows: ['mem.stream.t1', 'machine.peak.t1'],
    judged: 11,
    reasoning: 'One core keeps some ten to twenty cache lines in flight; larger cores keep more.',
  },
  driveShare: { reasoning: 'Stated drive rates are reached on an empty drive with deep queues.' },
  threadGain: {
    reasoning: 'Shared caches, clocks and neighbours leave more or less of a second thread than the cores promise.',
  },
  transfer: {
    reasoning:
      'The least that other files, pictures and sizes of one kind of work differ: cost by the pixel grows with pixels to the power 0.8 to 1.1.',
  },
  ofContent: {
    reasoning:
      'How much of a constant’s doubt is of other files, pictures and programs, and not of the machine: most constants come of few programs.',
  },
  ownNoise: {
    rows: ['*'],
    reasoning:
      'Runs of a shared machine lie some 16 % apart, one in ten twice that and more; a stated range counts instead.',
  },
  samePart: { reasoning: 'The same part in another machine: other cooling, other neighbours, other firmware.' },
  sameFamily: { reasoning: 'Work per clock is a family’s, caches and the clocks that are held are not.' },
};
