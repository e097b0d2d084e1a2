import { register } from '../figures/registers';

/** Constants of interactive 3-D; clocks are of the reference core, pixels those of all displays together. */
export const SCENE = register('scenes', {
  frameSerial: { value: 0.008, spread: 1.5, unit: 'Gwork/frame', source: 'judgement' },
  drawSerial: { value: 0.0000035, spread: 1.6, unit: 'Gwork/draw', source: 'judgement' },
  thingSerial: { value: 0.0000008, spread: 1.6, unit: 'Gwork/thing', source: 'judgement' },
  thingParallel: { value: 0.000006, spread: 1.6, unit: 'Gwork/thing', source: 'judgement' },
  shadePlain: { value: 1_200, spread: 1.5, unit: 'FLOP/px', source: 'judgement' },
  shadeLit: { value: 6_500, spread: 1.5, unit: 'FLOP/px', source: 'judgement' },
  shadeRich: { value: 22_000, spread: 1.5, unit: 'FLOP/px', source: 'judgement' },
  shadeTraffic: { value: 110, spread: 1.4, unit: 'B/px', source: 'judgement' },
  triangleShare: { value: 0.3, spread: 1.5, unit: 'share of peak', source: 'judgement' },
  rayShare: { value: 0.4, spread: 1.5, unit: 'share of peak', source: 'judgement' },
  trianglesPerTflop: { value: 0.25, spread: 1.6, unit: 'Gtriangles/s a TFLOP/s', source: 'judgement' },
  worst: { value: 1.6, spread: 1.2, unit: '× usual frame', source: 'judgement' },
  frames: { value: 6, spread: 1.3, unit: 'pictures', source: 'judgement' },
  pictureBytes: { value: 24, spread: 1.2, unit: 'B/px', source: 'judgement' },
  meshBytes: { value: 60, spread: 1.3, unit: 'B/triangle', source: 'judgement' },
});
