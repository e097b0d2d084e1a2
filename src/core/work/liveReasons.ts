import type { Reasons } from '../figures/registers';
import type { LIVE } from './liveConstants';

/** Why the constants of `LIVE` are what they are. */
export const LIVE_WHY: Reasons<typeof LIVE> = {
  unpack: { rows: ['live.unpack.t1'], judged: 3, reasoning: 'Packed 10-bit words to planes with vector code, with the hand-over of the frame.' },
  layerProcessor: { rows: ['live.title.1.t1', 'live.comp.1.t2'], judged: 3.5, reasoning: 'A full-size title with transparency laid over, less the hand-over of the frame.' },
  scaledInput: { rows: ['live.comp.2.t1', 'live.comp.6.t1', 'live.comp.1.t2'], reasoning: 'An input that is scaled and laid over costs by its own pixels, not by those that it covers.' },
  keyProcessor: { rows: ['live.key.1.t1', 'live.title.1.t1'], judged: 14, reasoning: 'Colour distance, soft edge and spill by one open program; others may be leaner.' },
  layerFlop: { reasoning: 'Bicubic fetch and blend of one layer.' },
  keyFlop: { reasoning: 'Colour distance, soft edge and spill over a small window.' },
  layerTraffic: { reasoning: 'Read of one layer and read and write of the picture under it, at 8 bytes a pixel and less.' },
  inputSerial: { reasoning: 'Taking one input frame over: interrupt, time stamp, queue, sound.' },
  frameSerial: { rows: ['live.comp.1.t2'], judged: 0.006, reasoning: 'One input handed through as the programme: 2.06 ms of a thread.' },
  muxSerial: { reasoning: 'Packets, encryption and sending of one stream.' },
  scaleDown: { rows: ['live.scale.720.t1', 'live.scale.480.t1', 'live.comp.1.t2'], judged: 4, reasoning: 'Bicubic scaling of the programme, by the pixels that come out.' },
  composeSerial: { rows: ['live.comp.2.t1', 'live.comp.2.t2'], reasoning: 'Layers wait for those under them: two threads composed 1.45 times as fast as one.' },
  framesHeld: { reasoning: 'Capture ring, delay against the slowest input, and the encoder’s look-ahead.' },
  worst: { reasoning: 'Cuts, confetti and water cost encoders a third more than the mean; a live stream must not drop a frame then.' },
};
