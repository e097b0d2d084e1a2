import type { Reasons } from '../figures/registers';
import type { RENDER, SURVEY } from './renderConstants';

/** Why the constants of `RENDER` are what they are. */
export const RENDER_WHY: Reasons<typeof RENDER> = {
  raysPerSegment: { rows: ['rays.10k.t1.rays', 'rays.1000k.t1.rays', 'rays.4000k.t1.rays'], judged: 2, reasoning: 'A ray along the path and one to a light at each meeting.' },
  shade: { reasoning: 'Material, texture and a new direction; paths part ways, so most lanes of the card wait for others.' },
  tracedOnCores: { rows: ['rays.10k.t1.rays', 'rays.1000k.t1.rays', 'rays.4000k.t1.rays'], judged: 2600, reasoning: 'At a million triangles, with a lean tracer and plain noise materials: 340 of it is shading. Programs with node materials take more.' },
  raysByTriangles: { rows: ['rays.10k.t1.rays', 'rays.1000k.t1.rays', 'rays.4000k.t1.rays'], reasoning: 'A tree of ten times as many triangles is a third dearer to go through.' },
  sceneSerial: { reasoning: 'Handing out tiles and writing the picture.' },
  treeClocks: { rows: ['rays.100k.t1.tree', 'rays.1000k.t1.tree'], judged: 450, reasoning: 'Building the tree of boxes anew for each frame; the first time it is built.' },
  triangleBytes: { rows: ['rays.100k.t1.tree', 'rays.1000k.t1.tree'], judged: 140, reasoning: 'Tree and mesh while it is built; 88 afterwards.' },
  pictureBytes: { reasoning: 'Four channels in single precision for the picture, its normals, colours and the running sums.' },
  frameFile: { reasoning: 'Three channels in half precision without loss, and a second layer about as often as the coder saves a half.' },
  hostScene: { reasoning: 'The scene as it was made beside the one that is traced.' },
  overlap: { reasoning: 'The next frame is prepared while one is traced.' },
};

/** Why the constants of `SURVEY` are what they are. */
export const SURVEY_WHY: Reasons<typeof SURVEY> = {
  detect: { rows: ['survey.detect.library.t1.sift.2mpx', 'survey.detect.library.t2.sift.24mpx'], judged: 1600, reasoning: 'Blurs at several scales, extremes and their descriptions by one library. Programs that double the picture first take four to eight times that.' },
  detectSerial: { rows: ['survey.detect.library.t2.sift.24mpx'], reasoning: 'Within one picture two threads were busy 1.39 times one; programs that work on several pictures at once wait less.' },
  doubled: { reasoning: 'Twice the side is four times the pixels, and more features to describe in them (form: Lowe 2004).' },
  detectFlop: { reasoning: 'The same on a card.' },
  features: { reasoning: 'Where programs usually stop.' },
  featureBytes: { reasoning: 'A description of 128 bytes, place, size and tracks.' },
  matchFlop: { reasoning: 'A distance over 128 numbers, a multiplication and an addition each.' },
  matchOnCores: { rows: ['survey.match.library.t1.flann', 'survey.match.program.t1'], judged: 60000, reasoning: 'One neighbour: search in a tree 229,000, every pair of 9,600 features and the geometric check 400,000.' },
  imagesSerial: { reasoning: 'Images are worked on side by side.' },
  adjust: { rows: ['survey.adjust.lite.20.t1', 'survey.adjust.full.10.t2'], judged: 25, reasoning: 'At 20 images of 1,500 features: images are added bit by bit and all of it adjusted many times over.' },
  adjustByFeatures: { reasoning: 'Runs of 10 to 40 images lie between 1.0 and 1.3.' },
  adjustByImages: { reasoning: 'Runs of 10 to 40 images lie between 0.3 and 0.6.' },
  adjustBlock: { reasoning: 'Larger sets are adjusted in blocks, side by side, and joined.' },
  adjustSerial: { rows: ['survey.adjust.lite.20.t1', 'survey.adjust.lite.20.t2', 'survey.adjust.full.10.t2'], judged: 0.08, reasoning: 'Within one block each image waits for those before it: two threads gave 1.1 to 1.35 times one.' },
  depthFlop: { reasoning: 'Eight neighbours × eight guesses × ten rounds × windows of 121 px × twelve FLOP.' },
  depthOnCores: { reasoning: 'The same at four FLOP a clock.' },
  seenAtOnce: { reasoning: 'An image with the eight neighbours that it is compared with.' },
  pointShare: { reasoning: 'Depths of several images fall on one point.' },
  depthWritten: { reasoning: 'Depth, its sureness and a packed normal.' },
  pointBytes: { rows: ['survey.mesh.100k.t1', 'survey.mesh.400k_d8.t2'], judged: 380, reasoning: 'Octree, normals and the equation that is solved while meshing; with the next it solves both rows.' },
  cellBytes: { rows: ['survey.mesh.100k.t1', 'survey.mesh.400k_d8.t2'], reasoning: 'Cells of the surface, 4 to the power of the depth.' },
  meshClocks: { rows: ['survey.mesh.100k.t1', 'survey.mesh.400k_d8.t2'], judged: 60000, reasoning: 'An amount by point and one by cell solve both rows.' },
  meshCell: { rows: ['survey.mesh.100k.t1', 'survey.mesh.400k_d8.t2'], reasoning: 'Solution and surface by cell.' },
  cellsAPoint: { reasoning: 'A surface a level coarser than its points.' },
  meshSerial: { reasoning: 'Joining of blocks.' },
  decode: { rows: ['survey.decode.library.t1.jpeg'], judged: 45, reasoning: 'Decoding a still of good quality.' },
  depthBytes: { reasoning: 'An image, its neighbours and depth on the card.' },
  overlap: { reasoning: 'Stages follow each other; only reading runs beside them.' },
};
