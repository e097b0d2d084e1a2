import { fromConstant, given, powered, product, quotient, sum, type Derivation } from '../figures/derive';

import { CAD } from './cadConstants';
import { coreArithmetic } from './coreArithmetic';
import { achievedFlop, briefOf, defined, Demands, gwork, ownCost, within, type CoreArithmetic } from './demands';
import { profileOf, type MachineFacts } from './machineFacts';
import type { CadStep, CadView, SolveWork } from '../model/tasks/making';
import { needTriangles } from './shaders';
import type { Elastic, RealTime } from './stage';
import { outsideOf, type Figure, type Trade } from './trade';
import { DONE_WITHIN } from './commonFigures';

const k = (label: string, name: keyof typeof CAD): Derivation => fromConstant(label, CAD[name]);

const assemblyBytes = (components: Derivation): Derivation =>
  product('assembly', 'B', [components, k('a component', 'componentMiB'), defined('bytes a MiB', 2 ** 20, 'B')]);

/** Turning an assembly: a unit is a frame. One thread walks the tree, the card draws; a second card does not help. */
export function expandCadView(task: CadView, facts: MachineFacts): RealTime {
  const application = profileOf('cad', task, facts);
  const out = new Demands(application);
  const brief = briefOf(task);
  const components = brief('components', task.components);
  const edges = task.edges ? [k('with edges', 'edgesMore')] : [];
  out.serial(
    'walk the tree',
    sum('main thread', 'Gwork', [
      k('a frame', 'viewSerial'),
      product('components', 'Gwork', [components, k('a component', 'componentSerial'), ...edges]),
    ]),
  );
  const px = product('pixels', 'px', [brief('width', task.width, 'px'), brief('height', task.height, 'px')]);
  const triangles = product('triangles', '', [brief('million triangles', task.mTriangles), defined('a million', 1e6)]);
  if (!facts.hasGraphics) out.impossible.push({ code: 'no-graphics' });
  else {
    out.stacks(application, facts);
    const more = ownCost(application, 'graphics');
    out.need('draw', 'gpu.fp32', achievedFlop('shading', [px, k('a pixel', 'shade'), ...more]));
    needTriangles(out, 'draw', product('triangles drawn', '', [triangles, ...edges, ...more]), facts);
    out.hold('graphics memory', product('meshes', 'B', [triangles, k('a triangle', 'meshBytes')]));
  }
  out.hold('memory', assemblyBytes(components));
  out.program(application, facts.hasGraphics);
  return {
    mode: 'real-time',
    task: task.id,
    foreground: task.foreground ?? false,
    unit: 'frame',
    targetPerS: brief('rate to keep', task.fps, 'frames/s'),
    threadCap: application.threadCap,
    flows: [],
    outside: outsideOf(cadView.figures, task),
    ...out.collected(),
  };
}

/** A step that one waits for: a unit is a feature, a component or a view. */
export function expandCadStep(task: CadStep, facts: MachineFacts): Elastic {
  const application = profileOf('cad', task, facts);
  const out = new Demands(application);
  const brief = briefOf(task);
  const components = brief('components', task.components);
  const run = {
    rebuild: { unit: 'feature', units: brief('features', task.features) },
    open: { unit: 'component', units: components },
    drawing: { unit: 'view', units: brief('views', task.views) },
  }[task.step];
  switch (task.step) {
    case 'rebuild':
      out.processor('rebuild', k('a feature', 'rebuildFeature'), k('features wait for each other', 'rebuildSerial'));
      break;
    case 'open':
      out.need('read', 'read:active', brief('a component', task.mbPerComponent * 1e6, 'B'));
      out.processor('unpack', k('a component', 'openComponent'), k('put together', 'openSerial'));
      break;
    case 'drawing':
      out.processor(
        'hidden lines',
        product('hidden lines of a view', 'Gwork', [components, k('a component', 'viewComponent')]),
        k('dimensions and sheet', 'drawingSerial'),
      );
      break;
  }
  out.hold('memory', assemblyBytes(components));
  out.hold('space:active', product('files', 'B', [components, brief('a component', task.mbPerComponent * 1e6, 'B')]));
  out.program(application, false);
  return {
    mode: 'elastic',
    task: task.id,
    ...run,
    targetS: task.targetS,
    threadCap: application.threadCap,
    // features and views are one stage: nothing runs beside it
    overlap: task.step === 'open' ? k('read ahead', 'overlap') : defined('nothing beside it', 0, 'share'),
    flows: [],
    outside: outsideOf(cadStep.figures, task),
    ...out.collected(),
  };
}

const FACTOR = {
  solid: { entries: 'solidFactor', flop: 'solidWork', order: 'orderSolid' },
  scalar: { entries: 'scalarFactor', flop: 'scalarWork', order: 'orderScalar' },
  shell: { entries: 'shellFactor', flop: 'shellWork', order: 'orderShell' },
} as const;

type Mesh = Pick<SolveWork, 'mesh' | 'unknownsK' | 'name'>;

/** Entries of the factor: n^(4/3) of 3-D meshes, n·log2 n of surfaces (George 1973). */
export function factorEntries({ mesh, unknownsK, name }: Mesh): Derivation {
  const n = unknownsK * 1e3;
  return product('entries of the factor', '', [
    mesh === 'shell'
      ? given('unknowns × log2', n * Math.log2(n), '', 'brief', name)
      : given('unknowns to the power 4/3', n ** (4 / 3), '', 'brief', name),
    k('nested dissection', FACTOR[mesh].entries),
  ]);
}

/** FLOP of one factorisation: n² of 3-D meshes, n^(3/2) of surfaces. */
export function factorFlop({ mesh, unknownsK, name }: Mesh): Derivation {
  const n = unknownsK * 1e3;
  return product('FLOP of a factorisation', 'FLOP', [
    mesh === 'shell'
      ? given('unknowns to the power 3/2', n ** 1.5, '', 'brief', name)
      : given('unknowns squared', n ** 2, '', 'brief', name),
    k('nested dissection', FACTOR[mesh].flop),
  ]);
}

/** Cores that share the arithmetic of a front, of so many threads; one where they are unknown. */
export const coresAtWork = (threads: number, { processor }: Pick<MachineFacts, 'processor'>): number =>
  Math.min(threads, processor?.part.coreGroups?.reduce((all, { count }) => all + count, 0) ?? 1);

/**
 * Share of the peak that a factorisation reaches on so many cores: small fronts are not worth their way. With r FLOP an
 * entry of the factor it is r ÷ (r + h), h growing with the cores (Hockney and Jesshope 1981, half-performance length).
 * @example peakReached({ mesh: 'solid', unknownsK: 600, name: 'Plate' }, 1).value // 0.665946
 */
export function peakReached(task: Mesh, cores: number): Derivation {
  const arithmetic = quotient('FLOP an entry', 'FLOP', [factorFlop(task), factorEntries(task)]);
  const half = product('half of the peak at', 'FLOP', [
    k('on one core', 'halfSpeed'),
    powered(given('cores', cores, '', 'part', 'the processor'), k('by cores', 'halfByThreads')),
  ]);
  return quotient('share of peak reached', 'share', [
    arithmetic,
    sum('with that of half the peak', 'FLOP', [arithmetic, half]),
  ]);
}

/** Processor work of one factorisation on so many cores. */
export const factoriseWork = (task: Mesh, cores: number, facts: Pick<MachineFacts, 'processor'>): CoreArithmetic =>
  coreArithmetic('factorise', factorFlop(task), 'fp64PerClock', peakReached(task, cores), facts);

/** Processor work of ordering so many unknowns, in Gwork: one thread, once a run. */
export const orderWork = (unknowns: Derivation, mesh: SolveWork['mesh']): Derivation =>
  gwork('ordering', [unknowns, k('an unknown', FACTOR[mesh].order)]);

/** Processor work of putting a step’s equations together, in Gwork. */
export const assembleWork = (unknowns: Derivation): Derivation =>
  gwork('assemble', [unknowns, k('an unknown', 'assemble')]);

/**
 * Direct solution: a unit is a step with a factorisation. In double precision on the cores, or on a card where the
 * application does so. A factor that exceeds the memory goes out of core: to the scratch drive and back.
 */
export function expandSolve(task: SolveWork, facts: MachineFacts): Elastic {
  const application = profileOf('cad', task, facts);
  const out = new Demands(application);
  const brief = briefOf(task);
  const unknowns = brief('unknowns', task.unknownsK * 1e3);
  const bytes = product('factor', 'B', [factorEntries(task), defined('double precision', 8, 'B')]);
  const flop = factorFlop(task);
  const onCard = application.effects === 'graphics' && facts.mayHaveCard;
  out.processor('assemble', assembleWork(unknowns), k('serial share', 'solveSerial'), 'assemble');
  out.serial(
    'order',
    product('ordering, once a run', 'Gwork', [
      orderWork(unknowns, task.mesh),
      defined('a step’s part', 1 / task.steps),
    ]),
    `order ${task.mesh}`,
  );
  if (onCard) {
    out.stacks(application, facts);
    out.need(
      'factorise',
      'gpu.fp64',
      quotient('factorise, in peak FLOP', 'FLOP', [flop, k('share of peak reached', 'achievedCard')]),
    );
    out.need('factorise', 'gpu.out', bytes);
  } else {
    const work = factoriseWork(task, coresAtWork(application.threadCap, facts), facts);
    out.arithmetic('factorise', work, k('serial share', 'solveSerial'), 'factorise');
  }
  out.need('factorise', 'memory.traffic', product('factor passed through', 'B', [bytes, k('passes', 'factorPasses')]));
  const held = product('factor and what lies beside it', 'B', [bytes, k('at the peak', 'memoryMore')]);
  const outOfCore = facts.memoryBytes !== undefined && held.value > facts.memoryBytes * 0.8;
  if (outOfCore) {
    out.need('out of core', 'write:scratch', bytes);
    out.need('out of core', 'read:scratch', product('factor read back', 'B', [bytes, k('passes', 'readBack')]));
    out.hold('memory', product('window of the factor', 'B', [bytes, k('in memory', 'inCore')]));
    out.hold('space:scratch', bytes);
  } else out.hold('memory', held);
  out.program(application, false);
  return {
    mode: 'elastic',
    task: task.id,
    unit: 'step',
    units: brief('steps', task.steps),
    targetS: within(task.targetMin, 60),
    threadCap: application.threadCap,
    overlap: k('side by side', 'overlap'),
    cards: out.team(application, facts),
    flows: [],
    outside: outsideOf(solve.figures, task),
    ...out.collected(),
  };
}

const ASSEMBLY: Readonly<Record<string, Figure>> = {
  components: {
    label: 'Components',
    explains: 'Each is walked, submitted, held in memory and unpacked when the assembly is opened.',
    valid: [1, 60_000],
  },
  mTriangles: {
    label: 'Triangles',
    unit: 'million',
    explains: 'What the card draws, whatever their size.',
    valid: [0.1, 300],
  },
  edges: { label: 'Edges', explains: 'Are drawn in a pass of their own.' },
  fps: {
    label: 'Rate to keep',
    unit: 'fps',
    explains: 'Thirty a second feel smooth under the hand.',
    valid: [10, 121],
  },
};

export const cadView: Trade<'cad-view'> = {
  kind: 'cad-view',
  name: 'Turn an assembly',
  explains: 'CAD under the hand, without a stutter',
  start: (id) => ({
    kind: 'cad-view',
    id,
    name: 'Turn the assembly',
    importance: 4,
    foreground: true,
    components: 3500,
    mTriangles: 25,
    edges: true,
    width: 3840,
    height: 2160,
    fps: 30,
  }),
  figures: ASSEMBLY,
  constants: CAD,
  sizes: {
    of: 'components, triangles with them',
    list: (task) =>
      [500, 1000, 2000, 3500, 5000, 7500, 10_000, 15_000, 20_000, 30_000, 50_000, 80_000].map((components) => ({
        label: `${components}`,
        task: { ...task, components, mTriangles: (task.mTriangles * components) / task.components },
      })),
  },
  grow: {
    what: 'assemblies',
    by: (task, times) => ({
      ...task,
      components: Math.ceil(task.components * times),
      mTriangles: task.mTriangles * times,
    }),
  },
  expand: expandCadView,
  weaknesses: ['Simplified stand-ins of far components are not modelled: all that is there is drawn.'],
};

export const cadStep: Trade<'cad-step'> = {
  kind: 'cad-step',
  name: 'Rebuild, open, draw',
  explains: 'the steps of CAD that one waits for',
  start: (id) => ({
    kind: 'cad-step',
    id,
    name: 'Rebuild the model',
    importance: 4,
    runsPerWeek: 60,
    step: 'rebuild',
    components: 3500,
    features: 400,
    views: 8,
    mbPerComponent: 0.8,
    targetS: 10,
  }),
  figures: {
    ...ASSEMBLY,
    step: {
      label: 'What one waits for',
      explains: 'Rebuilding wants one fast core; drawings and opening use several.',
    },
    features: {
      label: 'Features',
      explains: 'Each needs the ones before it: more cores do not help.',
      valid: [1, 20_000],
    },
    views: { label: 'Views', explains: 'Hidden lines of every component in each.', valid: [1, 60] },
    mbPerComponent: { label: 'File of a component', unit: 'MB', explains: 'Read when the assembly is opened.' },
    targetS: { label: 'Done within', unit: 's', explains: 'Above ten seconds the hand leaves the work.' },
  },
  constants: CAD,
  sizes: {
    of: 'times the model',
    list: (task) =>
      [0.1, 0.2, 0.35, 0.5, 0.75, 1, 1.5, 2, 3, 5, 8, 12].map((by) => ({
        label: `${by} ×`,
        task: {
          ...task,
          components: Math.max(1, Math.round(task.components * by)),
          features: Math.max(1, Math.round(task.features * by)),
        },
      })),
  },
  grow: {
    what: 'assemblies',
    by: (task, times) => ({
      ...task,
      components: Math.ceil(task.components * times),
      features: Math.ceil(task.features * times),
    }),
  },
  expand: expandCadStep,
  weaknesses: [
    'All features cost alike; a model of blends costs several times one of holes.',
    'A server of files is taken as a local drive.',
  ],
};

export const solve: Trade<'solve'> = {
  kind: 'solve',
  name: 'Compute stresses',
  explains: 'finite elements by a direct solver, in memory or out of core',
  start: (id) => ({
    kind: 'solve',
    id,
    name: 'Stress of the plate',
    importance: 3,
    runsPerWeek: 10,
    mesh: 'solid',
    unknownsK: 600,
    steps: 5,
    targetMin: 15,
  }),
  figures: {
    mesh: {
      label: 'Mesh',
      explains: 'Solids fill the factor far more than shells; heat has one unknown a node instead of three.',
    },
    unknownsK: {
      label: 'Unknowns',
      unit: 'thousand',
      explains: 'Twice as many in a solid need 2.5 times the memory and four times the work.',
      valid: [1, 20_000],
    },
    steps: { label: 'Steps', explains: 'Each factorises anew.', valid: [1, 5000] },
    targetMin: DONE_WITHIN,
  },
  constants: CAD,
  sizes: {
    of: 'thousand unknowns',
    list: (task) =>
      [50, 100, 200, 300, 450, 600, 900, 1200, 1800, 2500, 4000, 6000, 10_000].map((unknownsK) => ({
        label: `${unknownsK}`,
        task: { ...task, unknownsK },
      })),
  },
  grow: {
    what: 'meshes',
    by: (task, times) => ({ ...task, unknownsK: task.unknownsK * times }),
  },
  expand: expandSolve,
  weaknesses: [
    'Iterative solvers, which need far less memory, are not modelled.',
    'The double-precision rate of a processor is that of its first kind of core.',
  ],
};
