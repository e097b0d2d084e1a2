import { fromConstant, given, powered, product, quotient, sum, type Derivation } from '../figures/derive';
import { GIB } from '../units/quantity';
import { achievedFlop, briefOf, defined, Demands, gwork, ownCost, within } from './demands';
import { keepFiles } from './kept';
import { profileOf, type MachineFacts } from './machineFacts';
import type { RenderWork, SurveyWork } from '../model/tasks/making';
import { RENDER, SURVEY } from './renderConstants';
import { needRays } from './shaders';
import type { Elastic } from './stage';
import { outsideOf, type Trade } from './trade';

const r = (label: string, name: keyof typeof RENDER): Derivation => fromConstant(label, RENDER[name]);
const k = (label: string, name: keyof typeof SURVEY): Derivation => fromConstant(label, SURVEY[name]);

/** Meetings of a frame's paths with the scene: pixels × samples × (1 + bounces). */
const meetingsOf = (task: RenderWork): Derivation => {
  const brief = briefOf(task);
  return product('meetings of a frame', '', [
    brief('width', task.width, 'px'),
    brief('height', task.height, 'px'),
    brief('samples a pixel', task.samples),
    brief('meetings of a path', 1 + task.bounces),
  ]);
};

/** Rays of a frame: at each meeting one along the path and one to a light. */
export const raysOf = (task: RenderWork): Derivation =>
  product('rays of a frame', '', [meetingsOf(task), r('rays a meeting', 'raysPerSegment')]);

/**
 * Processor work of so many rays through a scene of so many million triangles: by a power of the triangles.
 * @example a million rays through a million triangles: 1.65 Gwork; through ten million 10^0.122 = 1.32 times that
 */
export const tracedWork = (rays: Derivation, mTriangles: number, name: string): Derivation =>
  gwork('rays on the cores', [
    rays,
    r('a ray', 'tracedOnCores'),
    powered(given('million triangles', mTriangles, '', 'brief', name), r('a tree grows', 'raysByTriangles')),
  ]);

/** Processor work of the tree over so many triangles, in Gwork. */
export const treeWork = (triangles: Derivation): Derivation =>
  gwork('tree of boxes', [triangles, r('a triangle', 'treeClocks')]);

/** Path tracing: a unit is a frame. On the card, whose memory should hold the scene, or on all cores. */
export function expandRender(task: RenderWork, facts: MachineFacts): Elastic {
  const application = profileOf('render', task, facts);
  const out = new Demands(application);
  const brief = briefOf(task);
  const rays = raysOf(task);
  const triangles = product('triangles', '', [brief('million triangles', task.mTriangles), defined('a million', 1e6)]);
  const px = product('pixels', 'px', [brief('width', task.width, 'px'), brief('height', task.height, 'px')]);
  const scene = sum('scene', 'B', [
    product('meshes and tree', 'B', [triangles, r('a triangle', 'triangleBytes')]),
    brief('textures', task.texturesGiB * GIB, 'B'),
    product('pictures', 'B', [px, r('a pixel', 'pictureBytes')]),
  ]);
  const onCard = application.effects === 'graphics';
  out.processor('prepare', treeWork(triangles), r('serial share', 'sceneSerial'), 'tree');
  if (onCard) {
    out.stacks(application, facts);
    const more = ownCost(application, 'graphics');
    needRays(out, 'trace', product('rays', '', [rays, ...more]), facts);
    out.need('trace', 'gpu.fp32', achievedFlop('shading', [meetingsOf(task), r('a meeting', 'shade'), ...more]));
    out.need('send', 'gpu.in', product('meshes sent', 'B', [triangles, r('a triangle', 'triangleBytes')]));
    out.hold('graphics memory', scene);
    out.hold('memory', product('scene as it was made', 'B', [scene, r('beside the card’s', 'hostScene')]));
  } else {
    out.processor('trace', tracedWork(rays, task.mTriangles, task.name), r('serial share', 'sceneSerial'), 'rays');
    out.hold(
      'memory',
      sum('scene and its origin', 'B', [
        scene,
        product('scene as it was made', 'B', [scene, r('beside it', 'hostScene')]),
      ]),
    );
  }
  keepFiles(
    out,
    task,
    product('frames written', 'B', [brief('frames', task.frames), px, r('a pixel of a frame’s file', 'frameFile')]),
  );
  out.program(application, onCard);
  return {
    mode: 'elastic',
    task: task.id,
    unit: 'frame',
    units: brief('frames', task.frames),
    targetS: within(task.targetH, 3600),
    threadCap: application.threadCap,
    overlap: r('side by side', 'overlap'),
    cards: out.team(application, facts),
    flows: [],
    outside: outsideOf(render.figures, task),
    ...out.collected(),
  };
}

const DEPTH = { full: 1, half: 1 / 4, quarter: 1 / 16 } as const;

/** Processor work of finding and describing features in so many pixels, in Gwork. */
export const detectWork = (px: Derivation, doubled: boolean): Derivation =>
  gwork('features on the cores', [px, k('a pixel', 'detect'), ...(doubled ? [k('at twice the side', 'doubled')] : [])]);

/** Processor work of comparing so many pairs of images by so many features each, in Gwork. */
export const matchWork = (pairs: Derivation, features: Derivation): Derivation =>
  gwork('pairs on the cores', [pairs, features, k('a feature', 'matchOnCores')]);

/** What the level of adjusting was taken at. */
const ADJUSTED = { features: 1500, images: 20 } as const;

/** Images that are adjusted together. */
const blockOf = (images: number): number => Math.min(images, SURVEY.adjustBlock.value);

/**
 * Processor work of adjusting an image of a set: grows with its features and with the images that are adjusted together.
 * @example 20 images of 1,500 features: 0.81 Gwork each; of 8,000 features (8000 ÷ 1500)^1.15 = 6.86 times that
 */
export const adjustWork = (images: number, features: Derivation, name: string): Derivation =>
  product('adjusted', 'Gwork', [
    k('an image', 'adjust'),
    powered(
      quotient('features against the measured', '×', [features, defined('measured at', ADJUSTED.features)]),
      k('by features', 'adjustByFeatures'),
    ),
    powered(
      given('images of a block against the measured', blockOf(images) / ADJUSTED.images, '×', 'brief', name),
      k('by images', 'adjustByImages'),
    ),
  ]);

/**
 * Share of adjusting that stays on one thread: within a block each image waits for those before it, blocks do not wait.
 * @example adjustSerial(5000, 'a set').value // 0.062: ten blocks
 */
export const adjustSerial = (images: number, name: string): Derivation =>
  product('serial share', 'share', [
    k('within a block', 'adjustSerial'),
    given('a block’s part', blockOf(images) / images, 'share', 'brief', name),
  ]);

/** Cells of the surface over so many points. */
const cellsOf = (points: Derivation): Derivation => product('cells', '', [points, k('a point', 'cellsAPoint')]);

/** Processor work of meshing so many points with so many cells, in Gwork. */
export const meshWork = (points: Derivation, cells: Derivation): Derivation =>
  sum('mesh', 'Gwork', [
    gwork('points', [points, k('a point', 'meshClocks')]),
    gwork('cells', [cells, k('a cell', 'meshCell')]),
  ]);

/** Photogrammetry: a unit is an image with its share of matching, depth and meshing. */
export function expandSurvey(task: SurveyWork, facts: MachineFacts): Elastic {
  const application = profileOf('survey', task, facts);
  const out = new Demands(application);
  const brief = briefOf(task);
  const px = brief('pixels of an image', task.mpx * 1e6, 'px');
  const features = k('features', 'features');
  // each pair is compared once
  const neighbours = given('neighbours compared once', task.neighbours / 2, '', 'brief', task.name);
  const depthPx = product('pixels of depth', 'px', [px, brief('depth at', DEPTH[task.depth], 'share')]);
  const onCard = application.effects === 'graphics' && facts.hasGraphics;
  const more = ownCost(application, 'graphics');
  if (application.effects === 'graphics' && !facts.hasGraphics) out.impossible.push({ code: 'no-graphics' });
  if (onCard) out.stacks(application, facts);
  out.need(
    'read',
    'read:active',
    product('files, twice', 'B', [brief('a file', task.mbPerImage * 1e6, 'B'), defined('to find and to see depth', 2)]),
  );
  out.processor(
    'decode',
    gwork('stills decoded', [px, defined('twice', 2), k('a pixel', 'decode')]),
    k('serial share', 'imagesSerial'),
  );
  if (onCard) {
    out.need(
      'find features',
      'gpu.fp32',
      achievedFlop('features', [
        px,
        k('a pixel', 'detectFlop'),
        ...(task.doubled ? [k('at twice the side', 'doubled')] : []),
        ...more,
      ]),
    );
    out.need(
      'match',
      'gpu.fp32',
      achievedFlop('pairs', [neighbours, features, features, k('a pair', 'matchFlop'), ...more]),
    );
    out.need('depth', 'gpu.fp32', achievedFlop('depth', [depthPx, k('a pixel', 'depthFlop'), ...more]));
    out.hold(
      'graphics memory',
      product('images at work', 'B', [px, k('images at once', 'seenAtOnce'), k('a pixel', 'depthBytes')]),
    );
  } else {
    out.processor(
      'find features',
      detectWork(px, task.doubled ?? false),
      k('serial share', 'imagesSerial'),
      'features',
    );
    out.processor('match', matchWork(neighbours, features), k('serial share', 'imagesSerial'), 'match');
    out.processor(
      'depth',
      gwork('depth on the cores', [depthPx, k('a pixel', 'depthOnCores')]),
      k('serial share', 'imagesSerial'),
    );
  }
  out.processor('align', adjustWork(task.images, features, task.name), adjustSerial(task.images, task.name), 'adjust');
  const points = product('points of an image', '', [depthPx, k('points a pixel of depth', 'pointShare')]);
  out.processor('mesh', meshWork(points, cellsOf(points)), k('serial share', 'meshSerial'), 'mesh');
  out.hold(
    'memory',
    product('features of all images', 'B', [brief('images', task.images), features, k('a feature', 'featureBytes')]),
  );
  const block = brief('points of a block', task.blockMPoints * 1e6);
  out.hold(
    'memory',
    sum('block that is meshed', 'B', [
      product('points', 'B', [block, k('a point', 'pointBytes')]),
      product('cells', 'B', [cellsOf(block), k('a cell', 'cellBytes')]),
    ]),
  );
  keepFiles(
    out,
    task,
    product('stills', 'B', [brief('images', task.images), brief('a file', task.mbPerImage * 1e6, 'B')]),
  );
  out.need(
    'write',
    'write:scratch',
    product('depth and points', 'B', [depthPx, k('a pixel of depth', 'depthWritten')]),
  );
  out.program(application, onCard);
  return {
    mode: 'elastic',
    task: task.id,
    unit: 'image',
    units: brief('images', task.images),
    targetS: within(task.targetH, 3600),
    threadCap: application.threadCap,
    overlap: k('side by side', 'overlap'),
    cards: out.team(application, facts),
    flows: [],
    outside: outsideOf(survey.figures, task),
    ...out.collected(),
  };
}

export const render: Trade<'render'> = {
  kind: 'render',
  name: 'Render pictures',
  explains: 'path tracing of stills and fly-throughs, on cards or cores',
  start: (id) => ({
    kind: 'render',
    id,
    name: 'Render a fly-through',
    importance: 3,
    runsPerWeek: 1,
    width: 1920,
    height: 1080,
    samples: 256,
    bounces: 4,
    mTriangles: 20,
    texturesGiB: 3,
    frames: 500,
    targetH: 10,
  }),
  figures: {
    samples: {
      label: 'Samples a pixel',
      explains: 'Twice as many take twice as long and halve the noise’s square.',
      valid: [1, 8192],
    },
    bounces: { label: 'Bounces', explains: 'Each is one more ray along the path and one to a light.', valid: [0, 24] },
    mTriangles: {
      label: 'Triangles',
      unit: 'million',
      explains: 'Must lie in memory, with a tree of boxes over them.',
      valid: [0.01, 800],
    },
    texturesGiB: { label: 'Textures', unit: 'GB', explains: 'Must lie in memory too.', valid: [0, 96] },
    frames: {
      label: 'Frames',
      explains: 'One after the other; several cards take tiles or frames.',
      valid: [1, 100_000],
    },
    targetH: { label: 'Done within', unit: 'h', explains: 'Overnight is 10 to 14 hours.' },
  },
  constants: RENDER,
  sizes: {
    of: 'samples a pixel',
    list: (task) =>
      [16, 32, 64, 96, 128, 192, 256, 384, 512, 768, 1024, 2048, 4096].map((samples) => ({
        label: `${samples}`,
        task: { ...task, samples },
      })),
  },
  grow: {
    what: 'scenes',
    by: (task, times) => ({ ...task, mTriangles: task.mTriangles * times, texturesGiB: task.texturesGiB * times }),
  },
  expand: expandRender,
  weaknesses: [
    'Hair, smoke and deep glass cost several times the usual meeting.',
    'Removing noise afterwards is not modelled: give the samples that are left.',
  ],
};

export const survey: Trade<'survey'> = {
  kind: 'survey',
  name: 'Stills into a model',
  explains: 'photogrammetry: matching, depth, points and a mesh',
  start: (id) => ({
    kind: 'survey',
    id,
    name: 'Build the mosaic',
    importance: 4,
    runsPerWeek: 2,
    images: 2000,
    mpx: 24,
    mbPerImage: 12,
    neighbours: 30,
    depth: 'half',
    blockMPoints: 60,
    targetH: 6,
  }),
  figures: {
    images: {
      label: 'Images',
      explains: 'All stages go with them; their features stay in memory.',
      valid: [20, 100_000],
    },
    mpx: { label: 'Size of an image', unit: 'Mpx', explains: 'Features and depth cost by the pixel.', valid: [2, 160] },
    mbPerImage: { label: 'File of an image', unit: 'MB', explains: 'Read twice.' },
    neighbours: {
      label: 'Images compared with',
      explains: 'Each pair of features in each pair of images.',
      valid: [4, 400],
    },
    doubled: {
      label: 'Features found at',
      explains: 'At twice the side small features are found too, for four times the work.',
    },
    depth: { label: 'Depth at', explains: 'Half the side is a quarter of the work.' },
    blockMPoints: {
      label: 'Points meshed at a time',
      unit: 'million',
      explains: 'Must lie in memory together.',
      valid: [1, 2000],
    },
    targetH: { label: 'Done within', unit: 'h', explains: 'Overnight is 10 to 14 hours.' },
  },
  constants: SURVEY,
  sizes: {
    of: 'images',
    list: (task) =>
      [250, 500, 1000, 2000, 4000, 6000, 8000, 12_000, 16_000, 24_000, 40_000, 80_000].map((images) => ({
        label: `${images}`,
        task: { ...task, images },
      })),
  },
  grow: {
    what: 'images',
    by: (task, times) => ({ ...task, images: Math.ceil(task.images * times) }),
  },
  expand: expandSurvey,
  weaknesses: [
    'Adjustment goes with the images; of one block of many thousands it grows faster.',
    'Textures laid over the mesh are not modelled.',
  ],
};
