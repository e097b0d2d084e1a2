import type { Register } from '../figures/registers';

/** Constants of interactive 3-D; clocks are of the reference core, pixels those of all displays together. */
export const SCENE = {
  frameSerial: { value: 0.008, spread: 1.5, unit: 'Gwork/frame', source: 'judgement', reasoning: 'Input, scene walk, culling and hand-over to the driver on the main thread: some 2 ms on a 4.5 GHz core.' },
  drawSerial: { value: 0.0000035, spread: 1.6, unit: 'Gwork/draw', source: 'judgement', reasoning: 'Checking and submitting one draw call: some 3,500 clocks with today’s drivers.' },
  thingSerial: { value: 0.0000008, spread: 1.6, unit: 'Gwork/thing', source: 'judgement', reasoning: 'The share of a moving thing’s step that must stay on the main thread.' },
  thingParallel: { value: 0.000006, spread: 1.6, unit: 'Gwork/thing', source: 'judgement', reasoning: 'Motion, contact and animation of one thing, spread over worker threads.' },
  shadePlain: { value: 1_200, spread: 1.5, unit: 'FLOP/px', source: 'judgement', reasoning: 'One light, one texture, drawn about twice over.' },
  shadeLit: { value: 6_500, spread: 1.5, unit: 'FLOP/px', source: 'judgement', reasoning: 'Several lights with shadows, reflections from the screen, sky and water.' },
  shadeRich: { value: 22_000, spread: 1.5, unit: 'FLOP/px', source: 'judgement', reasoning: 'Layered materials, volumes, soft shadows and temporal smoothing.' },
  shadeTraffic: { value: 110, spread: 1.4, unit: 'B/px', source: 'judgement', reasoning: 'Picture buffers written and read, and textures that miss the cache.' },
  triangleShare: { value: 0.3, spread: 1.5, unit: 'share of peak', source: 'judgement', reasoning: 'Stated triangle rates are for big meshes and no materials; scenes reach a third.' },
  rayShare: { value: 0.4, spread: 1.5, unit: 'share of peak', source: 'judgement', reasoning: 'Stated ray rates are for coherent rays; bounces scatter.' },
  trianglesPerTflop: { value: 0.25, spread: 1.6, unit: 'Gtriangles/s a TFLOP/s', source: 'judgement', reasoning: 'Graphics inside processors state no triangle rate; it goes with their arithmetic.' },
  worst: { value: 1.6, spread: 1.2, unit: '× usual frame', source: 'judgement', reasoning: 'The slowest hundredth of frames: loading, a turn to the dense side, the system’s own work.' },
  frames: { value: 6, spread: 1.3, unit: 'pictures', source: 'judgement', reasoning: 'Colour, depth, motion and their copies of the frames in flight.' },
  pictureBytes: { value: 24, spread: 1.2, unit: 'B/px', source: 'judgement', reasoning: 'Colour at 8 bytes, depth, normals and motion beside it.' },
  meshBytes: { value: 60, spread: 1.3, unit: 'B/triangle', source: 'judgement', reasoning: 'Half a vertex of some 60 bytes, indices, and a tree for rays; meshes out of sight are three times what is seen.' },
} as const satisfies Register;
