import { fromConstant, product, sum, type Derivation } from '../figures/derive';
import { achievedFlop, achievedTraffic, briefOf, c, defined, Demands, gwork, ownCost, within } from './demands';
import { keepFiles } from './kept';
import { profileOf, type MachineFacts } from './machineFacts';
import type { MotionWork, StillsWork } from '../model/tasks/making';
import { MOTION } from './motionConstants';
import type { Elastic } from './stage';
import { outsideOf, type Trade } from './trade';
import { DONE_WITHIN } from './commonFigures';

const k = (label: string, name: keyof typeof MOTION): Derivation => fromConstant(label, MOTION[name]);

/** Motion graphics: a unit is a frame of the preview that is computed ahead of the playhead and kept in memory. */
export function expandMotion(task: MotionWork, facts: MachineFacts): Elastic {
  const application = profileOf('motion', task, facts);
  const out = new Demands(application);
  const brief = briefOf(task);
  const px = product('pixels', 'px', [brief('width', task.width, 'px'), brief('height', task.height, 'px')]);
  const layers = brief('layers', task.layers);
  const effects = product('effects', '', [layers, brief('effects a layer', task.effectsPerLayer)]);
  const frame = product('a frame', 'B', [px, defined('channels', 4), brief('bytes a channel', task.bitDepth / 8, 'B')]);
  out.serial('order', k('a frame', 'frameSerial'));
  if (task.scripted > 0)
    out.serial(
      'scripts',
      product('scripts', 'Gwork', [brief('layers with scripts', task.scripted), k('a layer', 'scriptSerial')]),
    );
  if (application.effects === 'graphics') {
    if (!facts.hasGraphics) out.impossible.push({ code: 'no-graphics' });
    else {
      const more = ownCost(application, 'graphics');
      out.stacks(application, facts);
      out.need('layers', 'gpu.fp32', achievedFlop('layers', [px, layers, k('a layer', 'layerFlop'), ...more]));
      if (task.effectsPerLayer > 0) {
        out.need('effects', 'gpu.fp32', achievedFlop('effects', [px, effects, k('an effect', 'effectFlop'), ...more]));
        out.need('effects', 'gpu.traffic', achievedTraffic('effects', [px, effects, k('an effect', 'effectTraffic')]));
      }
      out.need('layers', 'gpu.in', product('layers sent', 'B', [frame, layers]));
      out.need('keep', 'gpu.out', frame);
      out.hold('graphics memory', product('frames at work', 'B', [frame, k('at once', 'framesAtWork')]));
    }
  } else {
    out.processor(
      'layers',
      gwork('layers on the cores', [px, layers, k('a layer', 'layerClocks')]),
      k('serial share', 'serialShare'),
    );
    if (task.effectsPerLayer > 0)
      out.processor(
        'effects',
        gwork('effects on the cores', [px, effects, k('an effect', 'effectClocks')]),
        k('serial share', 'serialShare'),
      );
  }
  out.need(
    'layers',
    'memory.traffic',
    product('layers read, frames written', 'B', [
      frame,
      brief('layers and the frame', task.layers + 1),
      defined('read and written', 2),
    ]),
  );
  const frames = product('frames ahead', 'frames', [
    brief('seconds ahead', task.aheadS, 's'),
    brief('frame rate', task.fps, 'frames/s'),
  ]);
  out.hold('memory', product('frames kept ready', 'B', [frame, frames]));
  out.hold('memory', product('frames at work', 'B', [frame, k('at once', 'framesAtWork')]));
  out.program(application, application.effects === 'graphics');
  return {
    mode: 'elastic',
    task: task.id,
    unit: 'frame',
    units: frames,
    targetS: within(task.targetMin, 60),
    threadCap: application.threadCap,
    overlap: k('side by side', 'overlap'),
    cards: out.team(application, facts),
    flows: [],
    outside: outsideOf(motion.figures, task),
    ...out.collected(),
  };
}

const NR = { light: 'lightNr', strong: 'strongNr' } as const;

/** Processor work of developing so many pixels of a raw still, in Gwork. */
export const developWork = (px: Derivation): Derivation => gwork('develop', [px, k('a pixel', 'develop')]);

/** Processor work of so many correction steps over a still, in Gwork. */
export const correctWork = (px: Derivation, steps: Derivation): Derivation =>
  gwork('correction on the processor', [px, steps, k('a step', 'stepClocks')]);

/** Processor work of a noise filter of so many FLOP a pixel, in Gwork. */
export const quietWork = (px: Derivation, flop: Derivation): Derivation =>
  gwork('noise reduction on the processor', [px, flop, k('a FLOP', 'nrOnCores')]);

/** FLOP a pixel of a light noise filter. */
export const lightFilter = (): Derivation => k('noise reduction, light', 'lightNr');

/** Processor work of compressing a finished still, in Gwork. */
export const writeWork = (px: Derivation, lossless: boolean): Derivation =>
  gwork('compress', [px, k('a pixel', lossless ? 'writeLossless' : 'write')]);

const written = (lossless: boolean) => (lossless ? 'writtenLossless' : 'writtenShare');

/** Stills: a unit is a raw picture, developed, corrected and written. */
export function expandStills(task: StillsWork, facts: MachineFacts): Elastic {
  const application = profileOf('stills', task, facts);
  const out = new Demands(application);
  const brief = briefOf(task);
  const px = brief('pixels', task.mpx * 1e6, 'px');
  const steps = brief('correction steps', task.steps);
  const nr =
    task.noiseReduction === 'off' ? undefined : k(`noise reduction, ${task.noiseReduction}`, NR[task.noiseReduction]);
  const file = brief('a file', task.mbPerImage * 1e6, 'B');
  const serial = k('serial share', 'stillSerial');
  out.need('read', 'read:active', file);
  if (application.effects === 'graphics' && facts.hasGraphics) {
    const more = ownCost(application, 'graphics');
    out.stacks(application, facts);
    out.need('develop', 'gpu.fp32', achievedFlop('develop', [px, k('a pixel', 'developFlop'), ...more]));
    if (task.steps > 0)
      out.need('correct', 'gpu.fp32', achievedFlop('steps', [px, steps, k('a step', 'stepFlop'), ...more]));
    if (nr) out.need('reduce noise', 'gpu.fp32', achievedFlop('noise reduction', [px, nr, ...more]));
    out.need('develop', 'gpu.in', product('sent', 'B', [px, c('a pixel over the link', 'uploadBytes')]));
    out.hold('graphics memory', product('stills at work', 'B', [px, k('a pixel', 'stillBytes')]));
  } else {
    out.processor('develop', developWork(px), serial, 'develop');
    if (task.steps > 0) out.processor('correct', correctWork(px, steps), serial, 'correct still');
    if (nr) out.processor('reduce noise', quietWork(px, nr), serial, 'reduce noise');
  }
  const lossless = task.lossless ?? false;
  out.processor('write', writeWork(px, lossless), serial, lossless ? 'write lossless' : 'write still');
  out.need('write', 'write:active', product('written', 'B', [file, k('of the raw file', written(lossless))]));
  out.hold(
    'memory',
    product('stills at work', 'B', [px, k('a pixel', 'stillBytes'), k('several at once', 'stillsAtOnce')]),
  );
  keepFiles(
    out,
    task,
    sum('raw files and what is made of them', 'B', [
      product('raw files', 'B', [file, brief('stills', task.images)]),
      product('written', 'B', [file, brief('stills', task.images), k('of the raw file', written(lossless))]),
    ]),
  );
  out.program(application, application.effects === 'graphics' && facts.hasGraphics);
  return {
    mode: 'elastic',
    task: task.id,
    unit: 'still',
    units: brief('stills', task.images),
    targetS: within(task.targetMin, 60),
    threadCap: application.threadCap,
    overlap: k('side by side', 'overlap'),
    cards: out.team(application, facts),
    flows: [],
    outside: outsideOf(stills.figures, task),
    ...out.collected(),
  };
}

export const motion: Trade<'motion'> = {
  kind: 'motion',
  name: 'Animate layers',
  explains: 'motion graphics: layers, effects and scripts, computed ahead of the playhead',
  start: (id) => ({
    kind: 'motion',
    id,
    name: 'Preview of the titles',
    importance: 3,
    runsPerWeek: 40,
    width: 3840,
    height: 2160,
    fps: 25,
    bitDepth: 16,
    layers: 20,
    effectsPerLayer: 2,
    scripted: 12,
    aheadS: 12,
    targetMin: 1,
  }),
  figures: {
    layers: {
      label: 'Layers',
      explains: 'Each is fetched, moved and blended over the whole picture.',
      valid: [1, 300],
    },
    effectsPerLayer: { label: 'Effects a layer', explains: 'Blurs and glows: one pass each.', valid: [0, 12] },
    scripted: { label: 'Layers with scripts', explains: 'Run on one thread: more cores do not help.', valid: [0, 300] },
    bitDepth: { label: 'Bits a channel', explains: 'Memory for the frames kept ready grows with it.' },
    fps: { label: 'Frame rate', unit: 'fps', explains: 'Frames that a second of preview has.', valid: [12, 121] },
    aheadS: {
      label: 'Kept ready',
      unit: 's',
      explains: 'Must lie in memory: a UHD frame of 16 bits takes 66 MB.',
      valid: [1, 600],
    },
    targetMin: { label: 'Ready within', unit: 'min', explains: 'What one waits for a preview.' },
  },
  constants: MOTION,
  sizes: {
    of: 'layers, scripts with them',
    list: (task) =>
      [1, 2, 4, 8, 12, 20, 30, 45, 60, 90, 130, 200].map((layers) => ({
        label: `${layers}`,
        task: { ...task, layers, scripted: Math.round((task.scripted * layers) / task.layers) },
      })),
  },
  grow: {
    what: 'layers',
    by: (task, times) => ({
      ...task,
      layers: Math.ceil(task.layers * times),
      scripted: Math.ceil(task.scripted * times),
    }),
  },
  expand: expandMotion,
  weaknesses: ['Layers of three-dimensional scenes are not modelled; give them as a render.'],
};

export const stills: Trade<'stills'> = {
  kind: 'stills',
  name: 'Develop stills',
  explains: 'raw photographs developed, corrected and written',
  start: (id) => ({
    kind: 'stills',
    id,
    name: 'Develop the day’s stills',
    importance: 3,
    runsPerWeek: 5,
    images: 400,
    mpx: 45,
    mbPerImage: 50,
    steps: 12,
    noiseReduction: 'light',
    targetMin: 15,
  }),
  figures: {
    images: { label: 'Stills', explains: 'One run.', valid: [1, 50_000] },
    mpx: { label: 'Size of a still', unit: 'Mpx', explains: 'Everything costs by the pixel.', valid: [6, 160] },
    mbPerImage: { label: 'Raw file', unit: 'MB', explains: 'Read once.' },
    steps: { label: 'Correction steps', explains: 'Passes over the picture.', valid: [0, 60] },
    lossless: {
      label: 'Written without loss',
      explains: 'Sixteen bits without loss take thirty times the work of compressing, and far more room.',
    },
    noiseReduction: {
      label: 'Noise reduction',
      explains: 'Strong is a learnt filter: a hundred times the rest, and at home on a card.',
    },
    targetMin: DONE_WITHIN,
  },
  constants: MOTION,
  sizes: {
    of: 'Mpx',
    list: (task) =>
      [6, 12, 20, 24, 33, 45, 61, 80, 100, 150].map((mpx) => ({
        label: `${mpx} Mpx`,
        task: { ...task, mpx, mbPerImage: (task.mbPerImage * mpx) / task.mpx },
      })),
  },
  grow: {
    what: 'images',
    by: (task, times) => ({ ...task, images: Math.ceil(task.images * times) }),
  },
  expand: expandStills,
  weaknesses: ['Browsing and culling are not modelled; the desk base stands for them.'],
};
