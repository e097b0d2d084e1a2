import type { Register } from '../figures/registers';

/** Constants of live streaming and capture; clocks are of the reference core. */
export const LIVE = {
  unpack: { value: 3.54, spread: 1.4, unit: 'clocks/px', source: 'measured', rows: ['live.unpack.t1'], judged: 3, reasoning: 'Packed 10-bit words to planes with vector code, with the hand-over of the frame.' },
  layerProcessor: { value: 4.58, spread: 1.3, unit: 'clocks/px', source: 'measured', rows: ['live.title.1.t1', 'live.comp.1.t2'], judged: 3.5, reasoning: 'A full-size title with transparency laid over, less the hand-over of the frame.' },
  scaledInput: { value: 11.1, spread: 1.3, unit: 'clocks/px', source: 'measured', rows: ['live.comp.2.t1', 'live.comp.6.t1', 'live.comp.1.t2'], reasoning: 'An input that is scaled and laid over costs by its own pixels, not by those that it covers.' },
  keyProcessor: { value: 177, spread: 1.6, unit: 'clocks/px', source: 'measured', rows: ['live.key.1.t1', 'live.title.1.t1'], judged: 14, reasoning: 'Colour distance, soft edge and spill by one open program; others may be leaner.' },
  layerFlop: { value: 60, spread: 1.5, unit: 'FLOP/px', source: 'judgement', reasoning: 'Bicubic fetch and blend of one layer.' },
  keyFlop: { value: 220, spread: 1.5, unit: 'FLOP/px', source: 'judgement', reasoning: 'Colour distance, soft edge and spill over a small window.' },
  layerTraffic: { value: 20, spread: 1.3, unit: 'B/px', source: 'judgement', reasoning: 'Read of one layer and read and write of the picture under it, at 8 bytes a pixel and less.' },
  inputSerial: { value: 0.0025, spread: 1.5, unit: 'Gwork/frame', source: 'judgement', reasoning: 'Taking one input frame over: interrupt, time stamp, queue, sound.' },
  frameSerial: { value: 0.0052, spread: 1.5, unit: 'Gwork/frame', source: 'measured', rows: ['live.comp.1.t2'], judged: 0.006, reasoning: 'One input handed through as the programme: 2.06 ms of a thread.' },
  muxSerial: { value: 0.0012, spread: 1.5, unit: 'Gwork/frame', source: 'judgement', reasoning: 'Packets, encryption and sending of one stream.' },
  scaleDown: { value: 16.2, spread: 1.3, unit: 'clocks/px', source: 'measured', rows: ['live.scale.720.t1', 'live.scale.480.t1', 'live.comp.1.t2'], judged: 4, reasoning: 'Bicubic scaling of the programme, by the pixels that come out.' },
  composeSerial: { value: 0.38, spread: 1.4, unit: 'share', source: 'measured', rows: ['live.comp.2.t1', 'live.comp.2.t2'], reasoning: 'Layers wait for those under them: two threads composed 1.45 times as fast as one.' },
  framesHeld: { value: 12, spread: 1.3, unit: 'frames', source: 'judgement', reasoning: 'Capture ring, delay against the slowest input, and the encoder’s look-ahead.' },
  worst: { value: 1.35, spread: 1.1, unit: '× mean', source: 'judgement', reasoning: 'Cuts, confetti and water cost encoders a third more than the mean; a live stream must not drop a frame then.' },
} as const satisfies Register;
