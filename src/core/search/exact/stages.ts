import { freshSubject, type Context, type Subject } from '../../assess';
import { factsForTrades } from '../../assess/stages';
import { DRIVE_ROLES, resourceKey, type DriveRole } from '../../figures/resources';
import { VIEWS } from '../../assess/view';
import type { Catalogue } from '../../model/catalogue';
import type { Brief } from '../../model/brief';
import { fitParts } from '../../model/fitted';
import type { Machine } from '../../model/machine';
import type { FlowEnd, Task } from '../../model/tasks';
import type { PartKind } from '../../parts';
import { bareOf } from '../../sizing/bare';
import { expand } from '../../work';
import { isAwaited, keepingDrives } from '../../work/flowEnds';
import type { SittingResult, TaskResult } from '../../predict/results';
import { atBest, closely, leastOfRuns, type AtBest, type Progress } from './atBest';
import { atMost } from '../../heat/state';
import { askedOfDrives, type End, type Question } from './question';
import { mostAt } from './rank';
import type { Option } from './option';
import type { Reading, Readings } from './readings';
import type { Space } from './position';
import { absentKinds, bareMachine, positionsOf, type Making } from './space';

/** A bound on what the tasks can do, from the options of some positions. */
export interface Stage {
  readonly of: readonly number[];
  /** What it reads of an option: options that are alike in that bound the tasks alike. */
  readonly reads: Reading;
  /** What of the work it is about; empty where that is all. */
  readonly about: string;
  /** Can be asked of the drives of one group of roles, with those of the others endless. */
  readonly partly: boolean;
  /** Takes envelopes for options: nothing that it reads of them is left out there. */
  readonly enveloped: boolean;
  readonly progress: (options: readonly Option[], least?: ReadonlyMap<string, number>) => Progress;
  /** The same without the slack of clocks that are settled to a tolerance only, at twice the effort. */
  readonly closely?: (options: readonly Option[]) => Progress;
}

const WIRED: readonly PartKind[] = VIEWS.wired;

/** Kinds of task that name streams between devices. */
const STREAMING: ReadonlySet<string> = new Set(['ingest', 'custom', 'live']);

const CARDS: readonly PartKind[] = ['expansion', 'mixer'];
const ENGINES: readonly PartKind[] = ['processor', 'graphics'];
const takesNone = ({ kind }: Task): boolean => kind !== 'live';
/**
 * Kinds whose parts are chosen when the tasks are looked at with all others endless, in the order of choosing. Which of
 * them are worth a look was measured: each refuses on some seat what costs more than to ask.
 */
const AT_BEST: readonly (readonly PartKind[])[] = [
  CARDS,
  ENGINES,
  ['processor', 'graphics', 'cooler'],
  ['processor', 'graphics', 'cooler', 'case', 'fan'],
  ['processor', 'graphics', 'memory'],
  // beside the cards that want slots of the same board
  ['processor', 'graphics', 'board', ...CARDS],
  ['processor', 'graphics', 'memory', 'board', ...CARDS],
  ['drive', ...CARDS],
  ['processor', 'graphics', 'memory', 'drive'],
];
/** What streams run between, before drives are chosen and with them. */
const JOINED: readonly (readonly PartKind[])[] = [
  ['processor', 'board', ...CARDS],
  ['processor', 'board', ...CARDS, 'drive'],
];
/** What houses and cools parts: beside it more of them is read than an envelope tells. */
const HOUSES: readonly PartKind[] = ['board', 'cooler', 'case', 'supply', 'fan'];
/** The same by the whole chain of an assessment: with links and streams, then with what cools them. */
const IN_FULL: readonly (readonly PartKind[])[] = [WIRED, [...WIRED, 'cooler'], [...WIRED, 'cooler', 'case', 'fan']];

/**
 * Bounds on the tasks' progress, the earlier the looser. Those in full are the assessment's own predictions of a machine
 * that still lacks what would house it: parts of further kinds only warm it.
 */
export function stagesFor(
  space: Space,
  question: Question,
  context: Context,
  subject: Subject,
  readings: Readings,
  /** Has the parts of envelopes too. */
  catalogue: Catalogue,
  made: Making,
): Stage[] {
  const { brief } = question;
  const bare = bareMachine(question);
  const best = atBest(brief, context, bare, question.at);
  const absent = absentKinds(space);
  const of = (kinds: ReadonlySet<PartKind>) => positionsOf(space, kinds);
  /** Roles that drives are still to come for. */
  function awaitedIn({ items }: Machine): ReadonlySet<DriveRole> {
    const there = new Set(items.flatMap(({ roles = [] }) => roles));
    return new Set(space.roles.filter((role) => !there.has(role)));
  }
  const streamed = brief.tasks.filter(({ kind }) => STREAMING.has(kind));
  /** Subjects of the streams alone, by the roles whose drives are still to come. */
  const some = new Map<string, Subject>();
  /** What judges the streams of a machine: a drive that is still to come holds none of them back. */
  function streaming(machine: Machine): Subject {
    const awaited = awaitedIn(machine);
    if (awaited.size === 0) return subject;
    const parts = fitParts(machine, catalogue);
    const drives = keepingDrives(parts);
    const endless = DRIVE_ROLES.filter((role) => isAwaited({ drives, awaited }, role));
    const key = endless.join();
    let known = some.get(key);
    if (!known) {
      const tasks = streamed.map((task) => throughMemory(task, new Set(endless)));
      some.set(key, (known = freshSubject(briefOfTasks(brief, tasks), context)));
    }
    return known;
  }
  /**
   * The share of their rates that named streams get on a board with only the devices that they join: fewer devices and
   * streams leave them no less.
   */
  function streams(list: readonly PartKind[]): Stage {
    const kinds: ReadonlySet<PartKind> = new Set(list);
    return {
      of: streamed.length > 0 ? of(kinds) : [],
      reads: readings.streams,
      about: '',
      partly: kinds.has('drive'),
      enveloped: false,
      progress: (options) => {
        const shares = new Map<string, number>();
        const machine = made(options, kinds);
        for (const { tasks } of streaming(machine).coldOf(machine))
          for (const { task, mode, uses } of tasks)
            for (const { stage, ratio } of uses)
              // what is not known of a stream bounds nothing
              if (mode === 'real-time' && stage === 'flow' && ratio !== undefined)
                shares.set(task, Math.min(shares.get(task) ?? Infinity, ratio));
        return shares;
      },
    };
  }
  const leastOf = leastOfRuns();
  /** Heat that is still to come shifts the weights of a run's doubts, so its low end is only a bound once it is there. */
  const endOf = ({ mode }: TaskResult, kinds: ReadonlySet<PartKind>): End =>
    mode === 'elastic' && !kinds.has('cooler') ? 'likely' : question.at;
  const distinct = (stages: readonly Stage[]): Stage[] =>
    stages.filter(
      (stage, i) => stage.of.length > 0 && !stages.slice(i + 1).some(({ of: same }) => same.join() === stage.of.join()),
    );
  // what takes the pictures in decides what is left to processor and graphics: they are looked at together
  const taking = space.positions.some(({ name }) => name === 'inputs');
  /** The work at best with parts of some kinds chosen. */
  function look(list: readonly PartKind[], best: AtBest, about = ''): Stage {
    const kinds: ReadonlySet<PartKind> = new Set(list);
    // what no position fills is known not to be there
    const chosen: ReadonlySet<PartKind> = new Set([...kinds, ...absent]);
    return {
      of: of(kinds),
      reads: kinds.has('cooler') ? readings.warm : kinds.has('board') ? readings.seated : readings.rates,
      about,
      partly: kinds.has('drive'),
      enveloped: !HOUSES.some((kind) => kinds.has(kind)),
      progress: (options, least) => {
        const machine = made(options, kinds);
        return best(fitParts(machine, catalogue), { kinds: chosen, awaited: awaitedIn(machine) }, least);
      },
    };
  }
  const atEase = () => atBest(briefOfTasks(brief, brief.tasks.filter(takesNone)), context, bare, question.at);
  return distinct([
    // work that takes none in is bounded without looking at what does: sharing with the rest leaves it no more
    ...(taking ? [look(ENGINES, atEase(), 'what takes no pictures in')] : []),
    ...AT_BEST.map((kinds) => look(taking && kinds.includes('processor') ? [...kinds, ...CARDS] : kinds, best)),
    ...JOINED.map(streams),
    ...IN_FULL.map((list): Stage => {
      const kinds: ReadonlySet<PartKind> = new Set(list);
      const boundsOf = ({ tasks }: SittingResult): Progress =>
        new Map(tasks.map((result) => [result.task, mostAt(result, endOf(result, kinds))]));
      return {
        of: of(kinds),
        reads: readings.warm,
        about: '',
        partly: false,
        enveloped: false,
        progress: (options, least) => {
          const sittings = subject.sittingsOf(made(options, kinds));
          return leastOf(sittings.length, least, (at) => {
            const settled = sittings[at]?.();
            return settled ? closely(settled, least, boundsOf) : new Map();
          });
        },
        // whole machines are told apart by this: before the last of what cools them it is not worth it
        ...(kinds.has('fan')
          ? {
              closely: (options) => {
                const sittings = subject.sittingsOf(made(options, kinds));
                return leastOf(sittings.length, undefined, (at) => {
                  const settled = sittings[at]?.();
                  return settled ? boundsOf(atMost(settled, true)) : new Map();
                });
              },
            }
          : {}),
      };
    }),
  ]);
}

/** Roles of drives that the tasks' demands read or write; streams may end at any. */
export function drivesReadBy({ brief }: Question, context: Context): readonly DriveRole[] {
  if (brief.tasks.some(({ kind }) => STREAMING.has(kind))) return DRIVE_ROLES;
  const facts = factsForTrades(bareOf(brief, context).facts.parts, undefined, context.catalogue);
  const roles = new Set<DriveRole>();
  for (const task of brief.tasks)
    for (const { resource } of expand(task, facts).demands) {
      const key = resourceKey(resource);
      if (key.of === 'drive') roles.add(key.role);
    }
  return [...roles];
}

/** What drives of some roles let the tasks do when all else is endless. */
export function drivesAlone(question: Question, context: Context): (option: Option) => Progress {
  const bare = bareMachine(question);
  const best = atBest(askedOfDrives(question.brief), context, bare, question.at);
  const kinds: ReadonlySet<PartKind> = new Set(['drive']);
  return ({ items }) => {
    const there = new Set(items.flatMap(({ roles = [] }) => roles));
    const awaited = new Set(DRIVE_ROLES.filter((role) => !there.has(role)));
    return best(fitParts({ ...bare, items: [...items] }, context.catalogue), { kinds, awaited }, question.least.tasks);
  };
}

/** A brief that asks for some of its tasks only. */
function briefOfTasks(brief: Brief, tasks: readonly Task[]): Brief {
  const ids = new Set(tasks.map(({ id }) => id));
  return {
    ...brief,
    tasks: [...tasks],
    sittings: brief.sittings.flatMap((sitting) => {
      const own = sitting.tasks.filter((id) => ids.has(id));
      return own.length > 0 ? [{ ...sitting, tasks: own }] : [];
    }),
  };
}

/**
 * A task whose streams end at memory instead of at drives of some roles, where no link and no device bounds them, and that
 * reads and writes nothing on those drives: what stands in for them is not kept busy by it.
 */
function throughMemory(task: Task, roles: ReadonlySet<string>): Task {
  const end = (name: FlowEnd): FlowEnd => (roles.has(name) ? 'memory' : name);
  if (task.kind === 'ingest')
    return {
      ...task,
      from: end(task.from),
      to: end(task.to),
      ...(task.copyTo === undefined ? {} : { copyTo: end(task.copyTo) }),
    };
  if (task.kind === 'live') return roles.has('active') ? { ...task, record: 'off' } : task;
  if (task.kind !== 'custom') return task;
  const others = (bytes: Partial<Record<DriveRole, number>> = {}) =>
    Object.fromEntries(Object.entries(bytes).filter(([role]) => !roles.has(role)));
  return {
    ...task,
    readGB: others(task.readGB),
    writeGB: others(task.writeGB),
    ...(task.flows ? { flows: task.flows.map((flow) => ({ ...flow, from: end(flow.from), to: end(flow.to) })) } : {}),
  };
}
