import { register } from '../figures/registers';

/** Constants of live streaming and capture; clocks are of the reference core. */
export const LIVE = register('live', {
  unpack: { value: 3.54, spread: 1.4, unit: 'clocks/px', source: 'measured' },
  layerProcessor: { value: 4.58, spread: 1.3, unit: 'clocks/px', source: 'measured' },
  scaledInput: { value: 11.1, spread: 1.3, unit: 'clocks/px', source: 'measured' },
  keyProcessor: { value: 177, spread: 1.6, unit: 'clocks/px', source: 'measured' },
  layerFlop: { value: 60, spread: 1.5, unit: 'FLOP/px', source: 'judgement' },
  keyFlop: { value: 220, spread: 1.5, unit: 'FLOP/px', source: 'judgement' },
  layerTraffic: { value: 20, spread: 1.3, unit: 'B/px', source: 'judgement' },
  inputSerial: { value: 0.0025, spread: 1.5, unit: 'Gwork/frame', source: 'judgement' },
  frameSerial: { value: 0.0052, spread: 1.5, unit: 'Gwork/frame', source: 'measured' },
  muxSerial: { value: 0.0012, spread: 1.5, unit: 'Gwork/frame', source: 'judgement' },
  scaleDown: { value: 16.2, spread: 1.3, unit: 'clocks/px', source: 'measured' },
  composeSerial: { value: 0.38, spread: 1.4, unit: 'share', source: 'measured' },
  framesHeld: { value: 12, spread: 1.3, unit: 'frames', source: 'judgement' },
  worst: { value: 1.35, spread: 1.1, unit: '× mean', source: 'judgement' },
});
