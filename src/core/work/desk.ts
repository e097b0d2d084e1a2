import type { MissingFigure } from '../figures/missing';
import { isOf } from '../figures/resources';
import { fromConstant, given, product, sum } from '../figures/derive';
import { GIB } from '../units/quantity';
import { DESK } from './deskConstants';
import { within } from './demands';
import { flowEnd, withoutEnd } from './flowEnds';
import type { Demand, Elastic, Expanded, Holding, Impossible, RealTime } from './stage';
import { outsideOf, type Trade } from './trade';
import type { CustomWork, DeskWork } from '../model/tasks';
import type { Flow } from '../board/flows';
import type { MachineFacts } from './machineFacts';
import { LONGEST_RUN } from './commonFigures';

const c = (label: string, name: keyof typeof DESK) => fromConstant(label, DESK[name]);

/** Operating system, browser and conferencing: always there, small, adds up. A unit is a second of it. */
export function expandDesk(task: DeskWork): RealTime {
  const tabs = given('browser tabs', task.browserTabs, 'tabs', 'brief', task.name);
  const perGib = given('bytes a GiB', GIB, 'B/GiB', 'standard', 'definition');
  const memory = [
    c('operating system', 'systemGiB'),
    product('browser', 'GiB', [tabs, c('a tab', 'tabGiB')]),
    given('other programs', task.otherGiB, 'GiB', 'brief', task.name),
  ];
  const work = [
    c('pointer and windows', 'serialWork'),
    product('background pages', 'Gwork/s', [tabs, c('a tab', 'tabWork')]),
  ];
  if (task.conferencing) {
    memory.push(c('conference', 'conferenceGiB'));
    work.push(c('conference', 'conferenceWork'));
  }
  const demands: Demand[] = [
    { stage: 'desk', resource: 'cpu.serial', amount: c('pointer and windows', 'serialWork') },
    { stage: 'desk', resource: 'cpu.parallel', amount: sum('desk work', 'Gwork', work) },
  ];
  const holdings: Holding[] = [
    { what: 'memory', bytes: product('desk memory', 'B', [sum('desk memory', 'GiB', memory), perGib]) },
  ];
  return {
    mode: 'real-time',
    foreground: task.foreground ?? false,
    task: task.id,
    unit: 'second',
    targetPerS: given('as it happens', 1, '/s', 'standard', 'definition'),
    threadCap: 64,
    demands,
    holdings,
    impossible: [],
    missing: [],
    flows: [],
    outside: outsideOf(desk.figures, { browserTabs: task.browserTabs }),
  };
}

/** Raw demands, for work that no trade describes yet. */
export function expandCustom(task: CustomWork, facts: MachineFacts): Expanded {
  const where = task.name;
  const demands: Demand[] = [];
  const need = (resource: Demand['resource'], label: string, value: number | undefined, unit: string) => {
    if (value !== undefined && value > 0)
      demands.push({ stage: label, resource, amount: given(label, value, unit, 'brief', where) });
  };
  need('cpu.serial', 'serial work', task.serialGwork, 'Gwork');
  // serial work keeps a core busy too
  need('cpu.parallel', 'processor work', (task.parallelGwork ?? 0) + (task.serialGwork ?? 0), 'Gwork');
  need('memory.traffic', 'memory traffic', scaled(task.memoryTrafficGB, 1e9), 'B');
  need('gpu.fp32', 'graphics work', scaled(task.fp32Gflop, 1e9), 'FLOP');
  need('gpu.traffic', 'graphics memory traffic', scaled(task.graphicsTrafficGB, 1e9), 'B');
  need('network', 'network', scaled(task.networkGB, 1e9), 'B');
  for (const [role, gb] of Object.entries(task.readGB ?? {}))
    need(`read:${role as 'active'}`, `read from ${role}`, scaled(gb, 1e9), 'B');
  for (const [role, gb] of Object.entries(task.writeGB ?? {}))
    need(`write:${role as 'active'}`, `write to ${role}`, scaled(gb, 1e9), 'B');
  const holdings: Holding[] = [];
  if (task.memoryGiB)
    holdings.push({ what: 'memory', bytes: given('memory', task.memoryGiB * GIB, 'B', 'brief', where) });
  if (task.graphicsMemoryGiB)
    holdings.push({
      what: 'graphics memory',
      bytes: given('graphics memory', task.graphicsMemoryGiB * GIB, 'B', 'brief', where),
    });
  const flows: Flow[] = [];
  const impossible: Impossible[] = [];
  const missing: MissingFigure[] = [];
  (task.flows ?? []).forEach((flow, i) => {
    const from = flowEnd(flow.from, facts);
    const to = flowEnd(flow.to, facts);
    for (const [end, found] of [
      [flow.from, from],
      [flow.to, to],
    ] as const)
      if (found.length === 0) {
        const lacks = withoutEnd(end, facts);
        impossible.push(...lacks.impossible);
        missing.push(...lacks.missing);
      }
    // several drives of one role take a stream in equal parts
    const pairs = from.flatMap((a) => to.map((b) => [a, b] as const));
    pairs.forEach(([a, b], k) =>
      flows.push({
        id: pairs.length > 1 ? `${task.id}.${i}.${k}` : `${task.id}.${i}`,
        from: a,
        to: b,
        bytesPerS: (flow.gbytePerS * 1e9) / pairs.length,
      }),
    );
  });
  const graphicsNeeded = demands.some((demand) => isOf(demand.resource, 'graphics'));
  const base = {
    task: task.id,
    unit: task.unit,
    demands,
    holdings,
    threadCap: task.threadCap ?? 1024,
    impossible: [...impossible, ...(graphicsNeeded && !facts.hasGraphics ? [{ code: 'no-graphics' as const }] : [])],
    missing,
    flows,
  };
  if (task.mode === 'real-time')
    return {
      ...base,
      mode: 'real-time',
      foreground: task.foreground ?? false,
      targetPerS: given('rate', task.unitsPerS ?? 1, `${task.unit}/s`, 'brief', where),
    };
  const elastic: Elastic = {
    ...base,
    mode: 'elastic',
    units: given('units a run', task.unitsPerRun ?? 1, task.unit, 'brief', where),
    targetS: within(task.targetMin, 60),
    overlap: given(
      'stages that run side by side',
      1,
      'share',
      'standard',
      'raw demands are taken as one pipelined chain',
    ),
  };
  return elastic;
}

const scaled = (value: number | undefined, factor: number): number | undefined =>
  value === undefined ? undefined : value * factor;

export const desk: Trade<'desk'> = {
  kind: 'desk',
  name: 'Desk base',
  explains: 'system, browser, conferencing',
  start: (id) => ({
    kind: 'desk',
    id,
    name: 'Desk base',
    importance: 2,
    foreground: true,
    browserTabs: 20,
    conferencing: false,
    otherGiB: 1,
  }),
  figures: {
    browserTabs: { label: 'Browser tabs', explains: 'Memory, and a little work in the background.', valid: [0, 150] },
    conferencing: { label: 'Conferencing', explains: 'Decoding faces and encoding one camera takes a few cores.' },
    otherGiB: { label: 'Memory of other programs', unit: 'GB', explains: 'Whatever else stays open.' },
  },
  constants: DESK,
  expand: expandDesk,
  weaknesses: ['A heavy page can take ten times an ordinary one.'],
};

export const custom: Trade<'custom'> = {
  kind: 'custom',
  name: 'Custom',
  explains: 'raw demands, for work no trade here describes yet',
  start: (id) => ({
    kind: 'custom',
    id,
    name: 'Custom work',
    importance: 2,
    mode: 'real-time',
    unit: 'job',
    unitsPerS: 1,
    serialGwork: 1,
    memoryGiB: 2,
  }),
  figures: {
    serialGwork: {
      label: 'One-thread work',
      unit: 'Gwork',
      explains: '10⁹ clocks of the reference core, on one core.',
    },
    parallelGwork: { label: 'Work on all cores', unit: 'Gwork', explains: '10⁹ clocks of the reference core, spread.' },
    fp32Gflop: { label: 'Graphics work', unit: 'GFLOP', explains: 'As peak arithmetic of the card.' },
    memoryGiB: { label: 'Memory', unit: 'GB', explains: 'Held while it runs.' },
    graphicsMemoryGiB: { label: 'Graphics memory', unit: 'GB', explains: 'Held on the card while it runs.' },
    'flows.gbytePerS': { label: 'Rate of the stream', unit: 'GB/s', explains: 'Held on every link between its ends.' },
    'flows.from': { label: 'Stream from', explains: 'Where it begins.' },
    'flows.to': { label: 'Stream to', explains: 'Where it ends.' },
    mode: { label: 'Kind of work', explains: 'What runs in real time is served first; runs take what is left.' },
    unitsPerS: { label: 'Rate to keep', explains: 'Units that must be done each second.' },
    unitsPerRun: { label: 'Units a run', explains: 'A run is done when so many are.' },
    targetMin: LONGEST_RUN,
  },
  constants: {},
  expand: expandCustom,
  weaknesses: ['It is as good as the figures that are given.'],
};
