import { fromConstant, given, product, sum, type Derivation } from '../figures/derive';
import { GIB } from '../units/quantity';
import { achievedFlop, achievedTraffic, briefOf, Demands, ownCost } from './demands';
import { profileOf, type MachineFacts } from './machineFacts';
import { SCENE } from './sceneConstants';
import { needRays, needTriangles } from './shaders';
import type { RealTime } from './stage';
import type { SceneWork } from '../model/tasks';
import { outsideOf, type Trade } from './trade';

const k = (label: string, name: keyof typeof SCENE): Derivation => fromConstant(label, SCENE[name]);

const SHADE = { plain: 'shadePlain', lit: 'shadeLit', rich: 'shadeRich' } as const;

/**
 * Interactive 3-D: a unit is a frame. Processor time (main thread by draws and things, workers by things) and graphics
 * time (pixels by shading, triangles, rays) run side by side, so the slower of the two makes the frame.
 */
export function expandScene(task: SceneWork, facts: MachineFacts): RealTime {
  const application = profileOf('scene', task, facts);
  const out = new Demands(application);
  const brief = briefOf(task);
  const px = product('pixels of all displays', 'px', [
    brief('displays', task.displays, ''),
    brief('width', task.width, 'px'),
    brief('height', task.height, 'px'),
  ]);
  const things = brief('moving things', task.movingThings, '');
  out.serial(
    'prepare frame',
    sum('main thread', 'Gwork', [
      k('a frame', 'frameSerial'),
      product('draws', 'Gwork', [brief('draw calls', task.drawCalls, ''), k('a draw', 'drawSerial')]),
      product('things', 'Gwork', [things, k('a thing on the main thread', 'thingSerial')]),
    ]),
  );
  if (task.movingThings > 0)
    out.need(
      'move things',
      'cpu.parallel',
      product('things on workers', 'Gwork', [things, k('a thing', 'thingParallel'), ...ownCost(application, 'cores')]),
    );
  if (!facts.hasGraphics) out.impossible.push({ code: 'no-graphics' });
  else {
    const more = ownCost(application, 'graphics');
    out.stacks(application, facts);
    out.need(
      'draw',
      'gpu.fp32',
      achievedFlop('shading', [px, k(`${task.shading} shading`, SHADE[task.shading]), ...more]),
    );
    out.need('draw', 'gpu.traffic', achievedTraffic('pictures and textures', [px, k('a pixel', 'shadeTraffic')]));
    const mesh = product('triangles in view', '', [
      brief('million triangles', task.mTriangles, 'M'),
      given('a million', 1e6, '', 'standard', 'definition'),
      ...more,
    ]);
    needTriangles(out, 'draw', mesh, facts);
    if (task.raysPerPx > 0)
      needRays(out, 'trace', product('rays', '', [px, brief('rays a pixel', task.raysPerPx, ''), ...more]), facts);
    out.hold(
      'graphics memory',
      sum('scene on the card', 'B', [
        brief('textures', task.texturesGiB * GIB, 'B'),
        product('meshes', 'B', [
          mesh,
          given('seen and out of sight', 4, '×', 'standard', 'one seen, three out of sight'),
          k('a triangle', 'meshBytes'),
        ]),
        product('pictures', 'B', [px, k('a pixel', 'pictureBytes'), k('pictures', 'frames')]),
      ]),
    );
  }
  out.hold('memory', brief('scene kept for loading', task.texturesGiB * 0.5 * GIB, 'B'));
  out.program(application, facts.hasGraphics);
  const worst = k('the worst hundredth of frames', 'worst');
  return {
    mode: 'real-time',
    task: task.id,
    foreground: task.foreground ?? false,
    unit: 'frame',
    targetPerS: given('rate to keep', task.fps, 'frames/s', 'brief', task.name),
    threadCap: application.threadCap,
    worst: { factor: worst, decides: task.judgedBy === 'worst' },
    cards: out.team(application, facts),
    flows: [],
    outside: outsideOf(scene.figures, {
      megapixels: px.value / 1e6,
      fps: task.fps,
      mTriangles: task.mTriangles,
      drawCalls: task.drawCalls,
      raysPerPx: task.raysPerPx,
      movingThings: task.movingThings,
      texturesGiB: task.texturesGiB,
    }),
    ...out.collected(),
  };
}

export const scene: Trade<'scene'> = {
  kind: 'scene',
  name: 'Walk through 3-D, in real time',
  explains: 'simulator, walk-through, engine preview or headset at the display’s rate',
  start: (id) => ({
    kind: 'scene',
    id,
    name: 'Walk through a scene',
    importance: 4,
    foreground: true,
    displays: 1,
    width: 2560,
    height: 1440,
    fps: 60,
    judgedBy: 'worst',
    shading: 'lit',
    mTriangles: 6,
    drawCalls: 3000,
    raysPerPx: 0,
    movingThings: 300,
    texturesGiB: 3,
  }),
  figures: {
    displays: { label: 'Displays', explains: 'Side by side they are one picture.' },
    megapixels: {
      label: 'All displays together',
      unit: 'Mpx',
      explains: 'Shading and rays cost by the pixel.',
      valid: [0.9, 34],
    },
    fps: {
      label: 'Rate to keep',
      unit: 'fps',
      explains: 'The display’s refresh: what comes later is shown twice.',
      valid: [24, 241],
    },
    mTriangles: {
      label: 'Triangles in view',
      unit: 'M',
      explains: 'What the card must set up a frame, whatever their size.',
      valid: [0.05, 60],
    },
    drawCalls: {
      label: 'Draw calls',
      explains: 'Each is submitted by the main thread: the usual limit of one core.',
      valid: [50, 30_000],
    },
    raysPerPx: {
      label: 'Rays a pixel',
      explains: 'Reflections and shadows that are traced; needs a card that traces.',
      valid: [0, 8],
    },
    movingThings: {
      label: 'Moving things',
      explains: 'Ships, people, waves’ patches: stepped every frame, most on worker threads.',
      valid: [0, 30_000],
    },
    texturesGiB: {
      label: 'Textures',
      unit: 'GB',
      explains: 'Must lie in graphics memory, or frames wait for the link.',
      valid: [0, 40],
    },
    shading: { label: 'Shading', explains: 'How much is computed for a pixel.' },
    judgedBy: {
      label: 'Counts as kept',
      explains: 'The usual frame, or the worst hundredth: that is what people notice.',
    },
  },
  constants: SCENE,
  sizes: {
    of: 'scene: triangles, draws and moving things together',
    list: (task) =>
      [0.1, 0.2, 0.3, 0.5, 0.7, 0.85, 1, 1.2, 1.5, 2, 3, 5, 8].map((by) => ({
        label: `${by} ×`,
        task: {
          ...task,
          mTriangles: task.mTriangles * by,
          drawCalls: Math.max(1, Math.round(task.drawCalls * by)),
          movingThings: Math.round(task.movingThings * by),
        },
      })),
  },
  grow: {
    what: 'scenes',
    by: (task, times) => ({
      ...task,
      mTriangles: task.mTriangles * times,
      drawCalls: Math.ceil(task.drawCalls * times),
      movingThings: Math.ceil(task.movingThings * times),
    }),
  },
  expand: expandScene,
  weaknesses: [
    'The worst hundredth is a factor on the usual frame; hitches of loading from a drive are not modelled.',
    'Smaller pictures that are enlarged by the card are to be given as the smaller size.',
    'Several displays are one picture; a card a display is not modelled.',
  ],
};
