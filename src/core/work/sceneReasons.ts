import type { Reasons } from '../figures/registers';
import type { SCENE } from './sceneConstants';

/** Why the constants of `SCENE` are what they are. */
export const SCENE_WHY: Reasons<typeof SCENE> = {
  frameSerial: { reasoning: 'Input, scene walk, culling and hand-over to the driver on the main thread: some 2 ms on a 4.5 GHz core.' },
  drawSerial: { reasoning: 'Checking and submitting one draw call: some 3,500 clocks with today’s drivers.' },
  thingSerial: { reasoning: 'The share of a moving thing’s step that must stay on the main thread.' },
  thingParallel: { reasoning: 'Motion, contact and animation of one thing, spread over worker threads.' },
  shadePlain: { reasoning: 'One light, one texture, drawn about twice over.' },
  shadeLit: { reasoning: 'Several lights with shadows, reflections from the screen, sky and water.' },
  shadeRich: { reasoning: 'Layered materials, volumes, soft shadows and temporal smoothing.' },
  shadeTraffic: { reasoning: 'Picture buffers written and read, and textures that miss the cache.' },
  triangleShare: { reasoning: 'Stated triangle rates are for big meshes and no materials; scenes reach a third.' },
  rayShare: { reasoning: 'Stated ray rates are for coherent rays; bounces scatter.' },
  trianglesPerTflop: { reasoning: 'Graphics inside processors state no triangle rate; it goes with their arithmetic.' },
  worst: { reasoning: 'The slowest hundredth of frames: loading, a turn to the dense side, the system’s own work.' },
  frames: { reasoning: 'Colour, depth, motion and their copies of the frames in flight.' },
  pictureBytes: { reasoning: 'Colour at 8 bytes, depth, normals and motion beside it.' },
  meshBytes: { reasoning: 'Half a vertex of some 60 bytes, indices, and a tree for rays; meshes out of sight are three times what is seen.' },
};
