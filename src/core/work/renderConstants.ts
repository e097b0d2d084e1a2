import type { Register } from '../figures/registers';

/** Constants of path tracing and photogrammetry; clocks are of the reference core. */
export const RENDER = {
  raysPerSegment: { value: 2, spread: 1.2, unit: 'rays', source: 'judgement', reasoning: 'A ray along the path and one to a light at each meeting.' },
  shade: { value: 40_000, spread: 1.8, unit: 'FLOP/meeting', source: 'judgement', reasoning: 'Material, texture and a new direction; paths part ways, so most lanes of the card wait for others.' },
  tracedOnCores: { value: 2_600, spread: 1.6, unit: 'clocks/ray', source: 'judgement', reasoning: 'Through a tree of boxes of some million triangles with vector code, and its share of shading.' },
  sceneSerial: { value: 0.02, spread: 1.4, unit: 'share', source: 'judgement', reasoning: 'Handing out tiles and writing the picture.' },
  treeClocks: { value: 450, spread: 1.6, unit: 'clocks/triangle', source: 'judgement', reasoning: 'Building the tree of boxes anew for each frame.' },
  triangleBytes: { value: 140, spread: 1.4, unit: 'B/triangle', source: 'judgement', reasoning: 'Vertices, normals, texture places and the tree.' },
  pictureBytes: { value: 64, spread: 1.3, unit: 'B/px', source: 'judgement', reasoning: 'Four channels in single precision for the picture, its normals, colours and the running sums.' },
  frameFile: { value: 6, spread: 1.6, unit: 'B/px', source: 'judgement', reasoning: 'Three channels in half precision without loss, and a second layer about as often as the coder saves a half.' },
  hostScene: { value: 1.6, spread: 1.3, unit: '× on the card', source: 'judgement', reasoning: 'The scene as it was made beside the one that is traced.' },
  overlap: { value: 0.6, spread: 1.3, unit: 'share', source: 'judgement', reasoning: 'The next frame is prepared while one is traced.' },
} as const satisfies Register;

export const SURVEY = {
  detect: { value: 1_600, spread: 1.6, unit: 'clocks/px', source: 'judgement', reasoning: 'Blurs at several scales, extremes and their descriptions.' },
  detectFlop: { value: 6_000, spread: 1.6, unit: 'FLOP/px', source: 'judgement', reasoning: 'The same on a card.' },
  features: { value: 8_000, spread: 1.4, unit: 'features/image', source: 'judgement', reasoning: 'Where programs usually stop.' },
  featureBytes: { value: 170, spread: 1.2, unit: 'B/feature', source: 'judgement', reasoning: 'A description of 128 bytes, place, size and tracks.' },
  matchFlop: { value: 256, spread: 1.3, unit: 'FLOP/pair of features', source: 'standard', reasoning: 'A distance over 128 numbers, a multiplication and an addition each.' },
  matchOnCores: { value: 60_000, spread: 1.7, unit: 'clocks/feature', source: 'judgement', reasoning: 'Search in a tree of descriptions, for each feature and each neighbour: some hundred comparisons and their misses.' },
  imagesSerial: { value: 0.005, spread: 1.4, unit: 'share', source: 'judgement', reasoning: 'Images are worked on side by side.' },
  adjust: { value: 25, spread: 1.9, unit: 'Gwork/image', source: 'judgement', reasoning: 'Images are added bit by bit and all of it adjusted many times over.' },
  adjustSerial: { value: 0.08, spread: 1.4, unit: 'share', source: 'judgement', reasoning: 'The reduced system of cameras is solved by few threads.' },
  depthFlop: { value: 930_000, spread: 1.7, unit: 'FLOP/px of depth', source: 'judgement', reasoning: 'Eight neighbours × eight guesses × ten rounds × windows of 121 px × twelve FLOP.' },
  depthOnCores: { value: 232_000, spread: 1.7, unit: 'clocks/px of depth', source: 'judgement', reasoning: 'The same at four FLOP a clock.' },
  seenAtOnce: { value: 9, spread: 1.2, unit: 'images', source: 'judgement', reasoning: 'An image with the eight neighbours that it is compared with.' },
  pointShare: { value: 1 / 8, spread: 1.4, unit: 'points/px of depth', source: 'judgement', reasoning: 'Depths of several images fall on one point.' },
  depthWritten: { value: 8, spread: 1.2, unit: 'B/px of depth', source: 'judgement', reasoning: 'Depth, its sureness and a packed normal.' },
  pointBytes: { value: 380, spread: 1.4, unit: 'B/point', source: 'judgement', reasoning: 'Octree, normals and the equation that is solved while meshing.' },
  meshClocks: { value: 60_000, spread: 1.7, unit: 'clocks/point', source: 'judgement', reasoning: 'Octree, solution and surface.' },
  meshSerial: { value: 0.12, spread: 1.3, unit: 'share', source: 'judgement', reasoning: 'Joining of blocks.' },
  decode: { value: 45, spread: 1.4, unit: 'clocks/px', source: 'judgement', reasoning: 'Decoding a still.' },
  depthBytes: { value: 40, spread: 1.3, unit: 'B/px of an image', source: 'judgement', reasoning: 'An image, its neighbours and depth on the card.' },
  overlap: { value: 0.3, spread: 1.4, unit: 'share', source: 'judgement', reasoning: 'Stages follow each other; only reading runs beside them.' },
} as const satisfies Register;
