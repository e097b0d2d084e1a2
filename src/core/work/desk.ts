import { fromConstant, given, product, sum } from '../predict/derive';
import { GIB } from '../units/quantity';
import type { Register } from './constants';
import type { Demand, Holding, RealTime } from './stage';
import type { CustomWork, DeskWork } from './tasks';
import type { Elastic, Expanded } from './stage';
import type { Flow } from '../board/flows';
import type { Fitted, FittedParts } from '../fitted';
import type { MachineFacts } from './machineFacts';

export const DESK = {
  systemGiB: {
    value: 4,
    spread: 1.2,
    unit: 'GiB',
    source: 'judgement',
    reasoning: 'Operating system, its services and file cache that should not be squeezed.',
  },
  tabGiB: {
    value: 0.12,
    spread: 1.5,
    unit: 'GiB/tab',
    source: 'judgement',
    reasoning: 'An ordinary page; heavy ones take several times that.',
  },
  conferenceGiB: {
    value: 1.5,
    spread: 1.3,
    unit: 'GiB',
    source: 'judgement',
    reasoning: 'A meeting with a grid of faces.',
  },
  serialWork: {
    value: 1.2,
    spread: 1.4,
    unit: 'Gwork/s',
    source: 'judgement',
    reasoning: 'One busy thread for pointer, windows and a page that is being used.',
  },
  tabWork: {
    value: 0.03,
    spread: 1.5,
    unit: 'Gwork/s a tab',
    source: 'judgement',
    reasoning: 'Background pages are throttled.',
  },
  conferenceWork: {
    value: 4,
    spread: 1.4,
    unit: 'Gwork/s',
    source: 'judgement',
    reasoning: 'Decoding faces, encoding one camera and cleaning the sound.',
  },
} as const satisfies Register;

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
    unit: 'second of desk work',
    targetPerS: given('as it happens', 1, '/s', 'standard', 'definition'),
    threadCap: 64,
    demands,
    holdings,
    impossible: [],
    missing: [],
    flows: [],
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
  const impossible: { code: 'part-missing'; kind: string }[] = [];
  (task.flows ?? []).forEach((flow, i) => {
    const from = flowEnd(flow.from, facts);
    const to = flowEnd(flow.to, facts);
    for (const [end, found] of [
      [flow.from, from],
      [flow.to, to],
    ] as const)
      if (found.length === 0) impossible.push({ code: 'part-missing', kind: end });
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
  const graphicsNeeded = demands.some((demand) => demand.resource.startsWith('gpu.'));
  const base = {
    task: task.id,
    unit: task.unit,
    demands,
    holdings,
    threadCap: task.threadCap ?? 1024,
    impossible: [...impossible, ...(graphicsNeeded && !facts.hasGraphics ? [{ code: 'no-graphics' as const }] : [])],
    missing: [],
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
    targetS: task.targetMin === undefined ? undefined : task.targetMin * 60,
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

/** Items or integrated function a flow's end stands for on this machine: all drives of a role, one of anything else. */
function flowEnd(end: string, { parts }: MachineFacts): string[] {
  const cardFor = (purpose: string) => parts.ofKind('expansion').find((card) => card.part.purpose === purpose)?.item.id;
  const one = (id: string | undefined) => (id === undefined ? [] : [id]);
  if (end === 'memory') return ['memory'];
  if (end === 'graphics') return one(parts.one('graphics')?.item.id);
  if (end === 'capture') return one(cardFor('capture'));
  if (end === 'network' || end === 'second network') {
    const ends = [
      ...networkCards(parts).map(({ item }) => item.id),
      ...(parts.one('board')?.part.topology?.integrated ?? [])
        .filter((item) => item.kind === 'network')
        .map((item) => item.id),
    ];
    return one(ends[end === 'network' ? 0 : 1]);
  }
  const drives = parts.ofKind('drive').filter((drive) => drive.item.roles?.some((role) => role === end));
  return drives.length > 0 ? drives.map(({ item }) => item.id) : one(driveFor({ parts }, end)?.item.id);
}

/** Network cards of a machine, the fastest first; one of unknown rate comes last. */
export const networkCards = (parts: FittedParts): Fitted<'expansion'>[] =>
  parts
    .ofKind('expansion')
    .filter(({ part }) => part.purpose === 'network')
    .sort((a, b) => (b.part.networkGbitPerS ?? 0) - (a.part.networkGbitPerS ?? 0));

/** The drive that serves a role: its own, else the active one, else the system drive. */
export function driveFor(facts: Pick<MachineFacts, 'parts'>, role: string) {
  const drives = facts.parts.ofKind('drive');
  for (const wanted of [role, 'active', 'system']) {
    const found = drives.find((drive) => drive.item.roles?.some((has) => has === wanted));
    if (found) return found;
  }
  return drives[0];
}
