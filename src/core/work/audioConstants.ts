import { register } from '../figures/registers';

/** Constants of audio; clocks are of the reference core, a sample is one of one channel. */
export const AUDIO = register('sound', {
  trackSample: { value: 60, spread: 1.5, unit: 'clocks/sample', source: 'judgement' },
  effectSample: { value: 220, spread: 1.6, unit: 'clocks/sample', source: 'judgement' },
  instrumentSample: { value: 1_300, spread: 1.6, unit: 'clocks/sample', source: 'judgement' },
  bufferSerial: { value: 0.00018, spread: 1.6, unit: 'Gwork/buffer', source: 'judgement' },
  deadline: { value: 1.45, spread: 1.15, unit: '× mean', source: 'judgement' },
  sampleBytes: { value: 6, spread: 1.1, unit: 'B/sample', source: 'standard' },
  voiceHeld: { value: 0.0004, spread: 1.4, unit: 'GiB/voice', source: 'judgement' },
});
