import type { Register } from '../figures/registers';

/** Constants of motion graphics and stills; clocks are of the reference core. */
export const MOTION = {
  layerClocks: { value: 9, spread: 1.5, unit: 'clocks/px', source: 'judgement', reasoning: 'Fetch, transform and blend of one layer with vector code.' },
  effectClocks: { value: 28, spread: 1.7, unit: 'clocks/px', source: 'judgement', reasoning: 'A blur, glow or colour effect over the layer.' },
  layerFlop: { value: 90, spread: 1.5, unit: 'FLOP/px', source: 'judgement', reasoning: 'The same on a card.' },
  effectFlop: { value: 420, spread: 1.7, unit: 'FLOP/px', source: 'judgement', reasoning: 'The same on a card.' },
  effectTraffic: { value: 24, spread: 1.4, unit: 'B/px', source: 'judgement', reasoning: 'A layer read and written at half precision, and its neighbours.' },
  scriptSerial: { value: 0.003, spread: 1.8, unit: 'Gwork/layer and frame', source: 'judgement', reasoning: 'A script asks other layers and earlier frames, on one thread.' },
  frameSerial: { value: 0.02, spread: 1.6, unit: 'Gwork/frame', source: 'judgement', reasoning: 'Order of layers, their keys and the hand-over.' },
  serialShare: { value: 0.1, spread: 1.4, unit: 'share', source: 'judgement', reasoning: 'Layers wait for those under them.' },
  framesAtWork: { value: 8, spread: 1.4, unit: 'frames', source: 'judgement', reasoning: 'Layers and their steps between, of the frames that are computed.' },
  develop: { value: 900, spread: 1.5, unit: 'clocks/px', source: 'judgement', reasoning: 'Unpacking, interpolating colours, lens and tone of a raw still.' },
  stepClocks: { value: 14, spread: 1.5, unit: 'clocks/px', source: 'judgement', reasoning: 'A correction step, as in moving pictures.' },
  stepFlop: { value: 160, spread: 1.5, unit: 'FLOP/px', source: 'judgement', reasoning: 'The same on a card.' },
  developFlop: { value: 2_600, spread: 1.5, unit: 'FLOP/px', source: 'judgement', reasoning: 'The same on a card.' },
  lightNr: { value: 6_000, spread: 1.5, unit: 'FLOP/px', source: 'judgement', reasoning: 'Windows of like pixels.' },
  strongNr: { value: 260_000, spread: 1.7, unit: 'FLOP/px', source: 'judgement', reasoning: 'A learnt filter of some fifty layers at full size.' },
  nrOnCores: { value: 0.12, spread: 1.5, unit: 'clocks/FLOP', source: 'judgement', reasoning: 'Vector code near its peak.' },
  write: { value: 110, spread: 1.4, unit: 'clocks/px', source: 'judgement', reasoning: 'Compressing the finished still.' },
  stillBytes: { value: 60, spread: 1.3, unit: 'B/px', source: 'judgement', reasoning: 'A still in several steps at half and single precision.' },
  stillsAtOnce: { value: 4, spread: 1.4, unit: 'stills', source: 'judgement', reasoning: 'One is read, one developed, one written, one spare.' },
  stillSerial: { value: 0.06, spread: 1.4, unit: 'share', source: 'judgement', reasoning: 'Opening, data about the picture, writing.' },
  writtenShare: { value: 0.25, spread: 1.5, unit: '× raw file', source: 'judgement', reasoning: 'A finished still is about a quarter of its raw file.' },
  overlap: { value: 0.7, spread: 1.2, unit: 'share', source: 'judgement', reasoning: 'Several frames or stills are in work at once.' },
} as const satisfies Register;
