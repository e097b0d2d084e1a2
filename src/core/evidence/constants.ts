import { register } from '../figures/registers';

/** Constants that tie open measuring tools to the model. */
export const EVIDENCE = register('evidence', {
  mipsPerGwork: {
    value: 990,
    spread: 1.25,
    unit: 'MIPS a Gwork/s',
    source: 'measured',
  },
  streamOneThread: {
    value: 9.5,
    spread: 1.3,
    unit: 'GB/s a thread',
    source: 'measured',
  },
  driveShare: {
    value: 1,
    spread: 1.15,
    unit: '×',
    source: 'judgement',
  },
  threadGain: {
    value: 1,
    spread: 1.25,
    unit: '×',
    source: 'judgement',
  },
  transfer: {
    value: 1.15,
    spread: 1.15,
    unit: '×',
    source: 'judgement',
  },
  ofContent: {
    value: 0.8,
    spread: 1.2,
    unit: 'share of ln',
    source: 'judgement',
  },
  ownNoise: {
    value: 0.163,
    spread: 1.3,
    unit: 'ln',
    source: 'measured',
  },
  samePart: {
    value: 0.1,
    spread: 1.5,
    unit: 'ln',
    source: 'judgement',
  },
  sameFamily: {
    value: 0.2,
    spread: 1.5,
    unit: 'ln',
    source: 'judgement',
  },
});
