import type { Register } from '../figures/registers';

/** Constants of live streaming and capture; clocks are of the reference core. */
export const LIVE = {
  unpack: { value: 3, spread: 1.4, unit: 'clocks/px', source: 'judgement', reasoning: 'Packed 10-bit words to planes with vector code, bound by memory: a plain copy takes two clocks, the shifts half as much again.' },
  layerProcessor: { value: 3.5, spread: 1.5, unit: 'clocks/px', source: 'judgement', reasoning: 'Scale and blend of one layer with vector code.' },
  keyProcessor: { value: 14, spread: 1.5, unit: 'clocks/px', source: 'judgement', reasoning: 'Colour distance, soft edge and spill of a keyed input, about one correction step.' },
  layerFlop: { value: 60, spread: 1.5, unit: 'FLOP/px', source: 'judgement', reasoning: 'Bicubic fetch and blend of one layer.' },
  keyFlop: { value: 220, spread: 1.5, unit: 'FLOP/px', source: 'judgement', reasoning: 'Colour distance, soft edge and spill over a small window.' },
  layerTraffic: { value: 20, spread: 1.3, unit: 'B/px', source: 'judgement', reasoning: 'Read of one layer and read and write of the picture under it, at 8 bytes a pixel and less.' },
  inputSerial: { value: 0.0025, spread: 1.5, unit: 'Gwork/frame', source: 'judgement', reasoning: 'Taking one input frame over: interrupt, time stamp, queue, sound.' },
  frameSerial: { value: 0.006, spread: 1.5, unit: 'Gwork/frame', source: 'judgement', reasoning: 'Scene walk, sound mix and hand-over of a programme frame.' },
  muxSerial: { value: 0.0012, spread: 1.5, unit: 'Gwork/frame', source: 'judgement', reasoning: 'Packets, encryption and sending of one stream.' },
  scaleDown: { value: 4, spread: 1.4, unit: 'clocks/px', source: 'judgement', reasoning: 'Polyphase scaling of the programme to a smaller stream.' },
  framesHeld: { value: 12, spread: 1.3, unit: 'frames', source: 'judgement', reasoning: 'Capture ring, delay against the slowest input, and the encoder’s look-ahead.' },
  worst: { value: 1.35, spread: 1.1, unit: '× mean', source: 'judgement', reasoning: 'Cuts, confetti and water cost encoders a third more than the mean; a live stream must not drop a frame then.' },
} as const satisfies Register;
