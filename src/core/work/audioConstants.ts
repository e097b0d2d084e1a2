import type { Register } from '../figures/registers';

/** Constants of audio; clocks are of the reference core, a sample is one of one channel. */
export const AUDIO = {
  trackSample: { value: 60, spread: 1.5, unit: 'clocks/sample', source: 'judgement', reasoning: 'Fetching, gain, panning and mixing of a stereo track.' },
  effectSample: { value: 220, spread: 1.6, unit: 'clocks/sample', source: 'judgement', reasoning: 'An equaliser or compressor takes some 50, a room of convolution 1,000.' },
  instrumentSample: { value: 1_300, spread: 1.6, unit: 'clocks/sample', source: 'judgement', reasoning: 'A played synthetic or sampled instrument with several voices sounding.' },
  bufferSerial: { value: 0.00018, spread: 1.6, unit: 'Gwork/buffer', source: 'judgement', reasoning: 'Interrupt, waking of threads and hand-over of one buffer, some 40 µs on a 4.5 GHz core.' },
  deadline: { value: 1.45, spread: 1.15, unit: '× mean', source: 'judgement', reasoning: 'Notes start together and the system takes its turns: above some 70 % of a buffer’s time it crackles.' },
  sampleBytes: { value: 6, spread: 1.1, unit: 'B/sample', source: 'standard', reasoning: 'Two channels of 24 bits.' },
  voiceHeld: { value: 0.0004, spread: 1.4, unit: 'GiB/voice', source: 'judgement', reasoning: 'The beginning of each sample is kept in memory until the drive delivers the rest.' },
} as const satisfies Register;
