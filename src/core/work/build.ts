import { fromConstant, given, least, product, quotient, sum, type Derivation } from '../figures/derive';
import { GIB } from '../units/quantity';
import { BUILD } from './buildConstants';
import { briefOf, defined, Demands, within } from './demands';
import { profileOf, type MachineFacts } from './machineFacts';
import type { BuildWork, GuestsWork } from '../model/tasks/making';
import type { Elastic, RealTime } from './stage';
import { outsideOf, type Trade } from './trade';
import { DONE_WITHIN } from './commonFigures';

const k = (label: string, name: keyof typeof BUILD): Derivation => fromConstant(label, BUILD[name]);

/** Jobs that run at once: the processor's threads, as far as the program goes; all of them where they are unknown. */
function jobsOf(threadCap: number, { processor }: MachineFacts): number {
  const groups = processor?.part.coreGroups;
  const threads = groups?.reduce((all, group) => all + group.count * group.threadsPerCore, 0) ?? threadCap;
  return Math.min(threadCap, threads);
}

const FILE_BYTES = { light: 'lightBytes', usual: 'usualBytes', heavy: 'heavyBytes' } as const;

/** Processor work of so many files, in Gwork. */
export const compileWork = (files: Derivation, weight: BuildWork['weight']): Derivation =>
  product('compile', 'Gwork', [files, k(`a file, ${weight}`, weight)]);

/**
 * Share of a build that stays on one thread: its plan, and what the last long file keeps the others waiting; no more than
 * all of it.
 * @example of 22 files: 0.004 + 1.47 ÷ 22 = 7.1 %
 */
export const compileSerial = (files: Derivation): Derivation =>
  least('serial share', 'share', [
    sum('plan and last long file', 'share', [
      k('plan', 'unitSerial'),
      quotient('last long file', 'share', [k('waited for', 'lastFile'), files]),
    ]),
    defined('all of it', 1, 'share'),
  ]);

/** A build: a unit is one whole. Files on all cores, then linking on one; each job takes memory. */
export function expandBuild(task: BuildWork, facts: MachineFacts): Elastic {
  const application = profileOf('build', task, facts);
  const out = new Demands(application);
  const brief = briefOf(task);
  const units = brief('files', task.units);
  const work = compileWork(units, task.weight);
  out.processor('compile', work, compileSerial(units), `compile ${task.weight}`);
  out.need(
    'compile',
    'memory.traffic',
    product('trees and tables', 'B', [work, k('a clock', 'traffic'), defined('clocks a Gwork', 1e9)]),
  );
  if (task.linkS > 0)
    out.serial('link', product('link', 'Gwork', [brief('linking', task.linkS, 's'), k('reference core', 'linkClock')]));
  const bytes = product('sources and objects', 'B', [units, k('a file', FILE_BYTES[task.weight])]);
  out.need('read', 'read:active', bytes);
  out.need('write', 'write:active', product('objects', 'B', [bytes, k('objects', 'objectShare')]));
  out.hold(
    'memory',
    product('jobs at once', 'B', [
      given('jobs', jobsOf(application.threadCap, facts), '', 'part', 'threads of the processor'),
      brief('a job', task.memoryPerJobGiB * GIB, 'B'),
    ]),
  );
  out.hold('space:active', product('sources, objects and their histories', 'B', [bytes, k('kept', 'treeTimes')]));
  out.program(application, false);
  return {
    mode: 'elastic',
    task: task.id,
    unit: 'build',
    units: defined('builds', 1),
    targetS: within(task.targetMin, 60),
    threadCap: application.threadCap,
    overlap: k('side by side', 'overlap'),
    flows: [],
    outside: outsideOf(build.figures, task),
    ...out.collected(),
  };
}

/** Guests: a unit is a second of all of them. Their memory must lie in the machine's. */
export function expandGuests(task: GuestsWork, facts: MachineFacts): RealTime {
  const application = profileOf('build', task, facts);
  const out = new Demands(application);
  const brief = briefOf(task);
  const guests = brief('guests', task.guests);
  const work = product('busy threads', 'Gwork', [
    guests,
    brief('threads of a guest', task.threads),
    brief('busy', task.busyPercent / 100, 'share'),
    k('a busy thread', 'guestWork'),
    k('as a guest', 'guestCost'),
  ]);
  out.need('guests', 'cpu.parallel', work);
  out.need(
    'guests',
    'memory.traffic',
    product('their traffic', 'B', [work, k('a clock', 'guestTraffic'), defined('clocks a Gwork', 1e9)]),
  );
  if (task.mbPerS > 0) {
    out.need(
      'their drives',
      'read:active',
      product('read', 'B', [guests, brief('a guest', task.mbPerS * 1e6, 'B'), k('of it read', 'guestReads')]),
    );
    out.need(
      'their drives',
      'write:active',
      product('written', 'B', [
        guests,
        brief('a guest', task.mbPerS * 1e6, 'B'),
        defined('the rest written', 1 - BUILD.guestReads.value, 'share'),
      ]),
    );
  }
  out.fit('memory', product('memory of the guests', 'B', [guests, brief('a guest', task.memoryGiB * GIB, 'B')]));
  out.fit(
    'memory',
    product('around the guests', 'B', [guests, k('a guest', 'guestMiB'), defined('bytes a MiB', 2 ** 20, 'B')]),
  );
  if (task.diskGB > 0)
    out.hold('space:active', product('disks of the guests', 'B', [guests, brief('a guest', task.diskGB * 1e9, 'B')]));
  return {
    mode: 'real-time',
    task: task.id,
    foreground: task.foreground ?? false,
    unit: 'second',
    targetPerS: defined('as it happens', 1, '/s'),
    threadCap: Math.max(1, task.guests * task.threads),
    flows: [],
    outside: outsideOf(guestMachines.figures, task),
    ...out.collected(),
  };
}

export const build: Trade<'build'> = {
  kind: 'build',
  name: 'Build software',
  explains: 'compile on all cores, then link',
  start: (id) => ({
    kind: 'build',
    id,
    name: 'Build from scratch',
    importance: 3,
    runsPerWeek: 30,
    units: 1800,
    weight: 'usual',
    linkS: 20,
    memoryPerJobGiB: 1.2,
    targetMin: 5,
  }),
  figures: {
    units: { label: 'Files compiled', explains: 'Side by side on all threads.', valid: [1, 200_000] },
    weight: { label: 'Weight of a file', explains: 'Generated code takes ten times what plain files do.' },
    linkS: {
      label: 'Linking',
      unit: 's',
      explains: 'On one core at the end: more cores do not help.',
      valid: [0, 1800],
    },
    memoryPerJobGiB: { label: 'Memory of a job', unit: 'GB', explains: 'Each thread runs one.', valid: [0.05, 8] },
    targetMin: DONE_WITHIN,
  },
  constants: BUILD,
  sizes: {
    of: 'files compiled',
    list: (task) =>
      [50, 100, 200, 400, 800, 1200, 1800, 2500, 4000, 6000, 10_000, 20_000, 40_000].map((units) => ({
        label: `${units}`,
        task: { ...task, units },
      })),
  },
  grow: {
    what: 'sources',
    by: (task, times) => ({ ...task, units: Math.ceil(task.units * times), linkS: task.linkS * times }),
  },
  expand: expandBuild,
  weaknesses: ['Builds of what changed only, and tests that follow, are not modelled: give their files.'],
};

export const guestMachines: Trade<'guests'> = {
  kind: 'guests',
  name: 'Run guests',
  explains: 'virtual machines and containers beside the other work',
  start: (id) => ({
    kind: 'guests',
    id,
    name: 'Test machines',
    importance: 3,
    guests: 4,
    memoryGiB: 8,
    threads: 4,
    busyPercent: 25,
    diskGB: 80,
    mbPerS: 10,
  }),
  figures: {
    guests: { label: 'Guests', explains: 'All run at once.', valid: [1, 200] },
    memoryGiB: {
      label: 'Memory of a guest',
      unit: 'GB',
      explains: 'Must lie in the machine’s memory, all of it.',
      valid: [0.1, 512],
    },
    threads: { label: 'Threads of a guest', explains: 'As it sees them.', valid: [1, 64] },
    busyPercent: { label: 'Busy', unit: '%', explains: 'Mean over the hours it matters.' },
    diskGB: { label: 'Disk of a guest', unit: 'GB', explains: 'Space on the active drive.' },
    mbPerS: { label: 'Reads and writes', unit: 'MB/s', explains: 'Of each guest, in the mean.' },
  },
  constants: BUILD,
  sizes: {
    of: 'guests',
    list: (task) =>
      [1, 2, 3, 4, 6, 8, 12, 16, 24, 32, 48, 64].map((guests) => ({ label: `${guests}`, task: { ...task, guests } })),
  },
  grow: {
    what: 'guests',
    by: (task, times) => ({ ...task, guests: Math.ceil(task.guests * times) }),
  },
  expand: expandGuests,
  weaknesses: [
    'Memory that guests share or give back is not counted on.',
    'A guest with a card of its own is not modelled.',
  ],
};
