import type { Reasons } from '../figures/registers';
import type { AUDIO } from './audioConstants';

/** Why the constants of `AUDIO` are what they are. */
export const AUDIO_WHY: Reasons<typeof AUDIO> = {
  trackSample: { reasoning: 'Fetching, gain, panning and mixing of a stereo track.' },
  effectSample: { reasoning: 'An equaliser or compressor takes some 50, a room of convolution 1,000.' },
  instrumentSample: { reasoning: 'A played synthetic or sampled instrument with several voices sounding.' },
  bufferSerial: { reasoning: 'Interrupt, waking of threads and hand-over of one buffer, some 40 µs on a 4.5 GHz core.' },
  deadline: { reasoning: 'Notes start together and the system takes its turns: above some 70 % of a buffer’s time it crackles.' },
  sampleBytes: { reasoning: 'Two channels of 24 bits.' },
  voiceHeld: { reasoning: 'The beginning of each sample is kept in memory until the drive delivers the rest.' },
};
