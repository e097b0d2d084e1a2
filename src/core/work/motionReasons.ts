import type { Reasons } from '../figures/registers';
import type { MOTION } from './motionConstants';

/** Why the constants of `MOTION` are what they are. */
export const MOTION_WHY: Reasons<typeof MOTION> = {
  layerClocks: { reasoning: 'Fetch, transform and blend of one layer with vector code.' },
  effectClocks: { reasoning: 'A blur, glow or colour effect over the layer.' },
  layerFlop: { reasoning: 'The same on a card.' },
  effectFlop: { reasoning: 'The same on a card.' },
  effectTraffic: { reasoning: 'A layer read and written at half precision, and its neighbours.' },
  scriptSerial: { reasoning: 'A script asks other layers and earlier frames, on one thread.' },
  frameSerial: { reasoning: 'Order of layers, their keys and the hand-over.' },
  serialShare: { reasoning: 'Layers wait for those under them.' },
  framesAtWork: { reasoning: 'Layers and their steps between, of the frames that are computed.' },
  develop: { rows: ['stills.develop_ahd.24.t1'], judged: 900, reasoning: 'Unpacking and interpolating colours by an open library with an edge-aware filter; lens and tone come on top in programs.' },
  stepClocks: { rows: ['stills.curve.24.t1', 'stills.matrix.24.t1'], judged: 14, reasoning: 'A curve (25) and a colour matrix (78) over 16-bit pictures, each a pass of its own; blurs and sharpening take 250 to 370.' },
  stepFlop: { reasoning: 'The same on a card.' },
  developFlop: { reasoning: 'The same on a card.' },
  lightNr: { reasoning: 'Windows of like pixels.' },
  strongNr: { reasoning: 'A learnt filter of some fifty layers at full size.' },
  nrOnCores: { rows: ['stills.develop_ahd_denoise.24.t1', 'stills.develop_ahd_denoise.45.t1', 'stills.develop_ahd.24.t1'], judged: 0.12, reasoning: 'What a light filter of wavelets adds to developing, over the FLOP of such a filter.' },
  write: { rows: ['stills.write_jpeg.24.t1'], judged: 110, reasoning: 'Compressing the finished still with loss, 8 bit.' },
  writeLossless: { rows: ['stills.write_tiff.24.t1'], reasoning: 'Compressing the finished still without loss, 16 bit.' },
  stillBytes: { reasoning: 'A still in several steps at half and single precision.' },
  stillsAtOnce: { reasoning: 'One is read, one developed, one written, one spare.' },
  stillSerial: { reasoning: 'Opening, data about the picture, writing.' },
  developSerial: { rows: ['stills.develop_ahd.24.t2'], reasoning: 'Within one still unpacking stays on one thread; programs develop several at once.' },
  writtenShare: { reasoning: 'A finished still is about a quarter of its raw file.' },
  writtenLossless: { reasoning: 'Three channels of 16 bits against one of 12 to 14, both packed without loss.' },
  overlap: { reasoning: 'Several frames or stills are in work at once.' },
};
