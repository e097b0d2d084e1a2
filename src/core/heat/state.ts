import { isOf } from '../figures/resources';
import type { Brief } from '../model/brief';
import type { FittedParts } from '../model/fitted';
import type { Tuning } from '../model/machine';
import { drawsOf, sittingDraw, type SittingDraw } from '../power/draw';
import type { Mains } from '../power/efficiency';
import { lazy } from '../units/lazy';
import { mostOf } from '../units/most';
import type { SittingResult, TaskResult } from '../predict/results';
import { ARITHMETIC, type Clocks } from '../predict/clocks';
import type { MissingFigure } from '../figures/missing';
import { heatLoad } from './load';
import { noiseOf, type Noise } from './noise';
import { settle, type Drawn, type Settled } from './settle';
import { heatSetup, type HeatSetup, type HotPart } from './setup';
import { steady, type FixedSpeeds, type Steady } from './steady';

/** A machine where draw, heat, clocks and fans agree. `worst` differs from `best` where figures are only bounded. */
export interface HeatAt {
  readonly best: Settled<unknown>;
  readonly worst: Settled<unknown>;
}

export interface SittingHeat extends HeatAt {
  readonly best: Settled<SittingResult>;
  readonly sitting: string;
  readonly noise: Noise;
}

export interface HeatState {
  readonly setup: HeatSetup;
  readonly sittings: readonly SittingHeat[];
  /** With processor and cards at the most they may draw, whatever the brief asks: the joint load. */
  readonly atLimit: HeatAt & { readonly noise: Noise; readonly watts: number };
}

/** What is drawn with these busy shares at these clocks, ready for the heat model. */
export function drawnAt<R>(
  parts: FittedParts,
  setup: HeatSetup,
  mains: Mains,
  busy: ReadonlyMap<string, number>,
  clocks: Clocks,
  result: R,
): Drawn<R> & { readonly byItem: ReadonlyMap<string, number> } {
  const byItem = sittingDraw(drawsOf(parts), busy, clocks);
  return { result, byItem, load: heatLoad(parts, setup, mains, byItem) };
}

const ALL_BUSY: ReadonlyMap<string, number> = new Map(
  ['cpu.parallel', 'gpu.fp32', 'memory.traffic'].map((key) => [key, 1]),
);

/** W of each item with processor and cards at the most they may draw at these clocks. */
export const limitDraw = (parts: FittedParts, clocks: Clocks): ReadonlyMap<string, number> =>
  sittingDraw(drawsOf(parts), ALL_BUSY, clocks);

/** What runs a sitting at given clocks. */
export type Run = (clocks: Clocks) => SittingResult;

/** One sitting settled: its heat, its result at the clocks that heat and power leave, and what is drawn then. */
export interface SettledSitting {
  readonly heat: SittingHeat;
  readonly result: SittingResult;
  readonly drawn: SittingDraw;
}

export interface HeatAnswer {
  readonly heat: HeatState;
  readonly results: readonly SittingResult[];
  readonly drawn: readonly SittingDraw[];
  /** Each sitting by itself, in the order of the runs: whoever asks for one does not settle the others. */
  readonly sittings: readonly (() => SettledSitting)[];
}

/**
 * Settles sittings: what one draws at some clocks decides the heat, and the heat the clocks. A figure that is only
 * bounded is tried at both ends; where the clock depends on it, the tasks that need that clock are not proven. Sittings
 * and the joint load are each settled when they are first asked for.
 */
export function heatOf(
  tuning: Tuning | undefined,
  parts: FittedParts,
  brief: Brief,
  mains: Mains,
  runs: readonly Run[],
): HeatAnswer {
  const setup = heatSetup(parts, { tuning }, brief);
  const bothEnds = <R>(drawn: (clocks: Clocks) => Drawn<R>) => {
    const best = settle(setup, drawn, 'best');
    return { best, worst: setup.missing.length === 0 ? best : settle(setup, drawn, 'worst') };
  };
  const sittings = runs.map((run) =>
    lazy((): SettledSitting => {
      const first = new Map<string, ReturnType<typeof evaluate>>();
      const evaluate = (clocks: Clocks) => {
        const result = run(clocks);
        return drawnAt(parts, setup, mains, result.busy, clocks, result);
      };
      // both ends begin with the same run at full clocks
      const remembered = (clocks: Clocks) => {
        const key = `${clocks.processor} ${clocks.graphics}`;
        let known = first.get(key);
        if (!known) first.set(key, (known = evaluate(clocks)));
        return known;
      };
      const { best, worst } = bothEnds(remembered);
      const { byItem, load } = remembered(best.clocks);
      const { sitting } = best.result;
      return {
        heat: heard({ sitting, best, worst }, () => noiseOf(parts, setup, worst.state, load.totalW)),
        result: blinded(doubted(best, worst, setup), setup),
        drawn: { sitting, byItem },
      };
    }),
  );
  const all = lazy(() => sittings.map((sitting) => sitting()));
  const heats = lazy(() => all().map(({ heat }) => heat));
  const results = lazy(() => all().map(({ result }) => result));
  const draws = lazy(() => all().map(({ drawn }) => drawn));
  const atLimit = lazy(() => {
    const drawn = (clocks: Clocks) => drawnAt(parts, setup, mains, ALL_BUSY, clocks, undefined);
    const { best, worst } = bothEnds(drawn);
    const watts = drawn(best.clocks).load.totalW;
    return heard({ best, worst, watts }, () => noiseOf(parts, setup, worst.state, watts));
  });
  return {
    heat: {
      setup,
      get sittings() {
        return heats();
      },
      get atLimit() {
        return atLimit();
      },
    },
    get results() {
      return results();
    },
    get drawn() {
      return draws();
    },
    sittings,
  };
}

/**
 * What a sitting can at most do, for all that its clocks are settled only to a tolerance: each task that is known at
 * the ceiling of its clocks. Looked at closely it takes longer and is less.
 */
export function atMost({ heat, result }: SettledSitting, closely: boolean): SittingResult {
  const ceiling = heat.best.ceiling(closely);
  if (ceiling === heat.best.result) return result;
  return {
    ...result,
    tasks: result.tasks.map((task) => (task.gets && ceiling.tasks.find((same) => same.task === task.task)) ?? task),
  };
}

/** Noise is asked for by few of the thousands of machines that a search tries, so it is worked out when it is. */
function heard<T extends object>(state: T, work: () => Noise): T & { readonly noise: Noise } {
  const noise = lazy(work);
  return {
    ...state,
    get noise() {
      return noise();
    },
  };
}

/** Tasks whose clock depends on a figure that is only bounded are not proven by the better end. */
function doubted(best: Settled<SittingResult>, worst: Settled<SittingResult>, setup: HeatSetup): SittingResult {
  const slower = {
    processor: worst.clocks.processor < best.clocks.processor - CLOCK_DOUBT,
    graphics: worst.clocks.graphics < best.clocks.graphics - CLOCK_DOUBT,
  };
  if (!slower.processor && !slower.graphics) return best.result;
  const concerns = (task: TaskResult) =>
    task.uses.some(({ resource }) =>
      (['processor', 'graphics'] as const).some((kind) => slower[kind] && runsOn(kind, resource)),
    );
  const worse = new Map(worst.result.tasks.map((task) => [task.task, task]));
  return {
    ...best.result,
    tasks: best.result.tasks.map((task) => {
      const low = worse.get(task.task);
      // a task that carries either way, or falls short either way, is proven
      if (!concerns(task) || low === undefined) return task;
      if (low.verdict === task.verdict) return spanning(task, low);
      return unproven(task, setup.missing);
    }),
  };
}

/** A task that needs the clock of a part whose power is unknown is at most what its full clock gives. */
function blinded(result: SittingResult, { blind }: HeatSetup): SittingResult {
  if (blind.length === 0) return result;
  return {
    ...result,
    tasks: result.tasks.map((task) => {
      const figures = blind.filter(({ kind }) => task.uses.some(({ resource }) => runsOn(kind, resource)));
      return figures.length === 0
        ? task
        : unproven(
            task,
            figures.map(({ figure }) => figure),
          );
    }),
  };
}

/** Falls short even at full clock, or is not known to hold. */
const unproven = (task: TaskResult, missing: readonly MissingFigure[]): TaskResult => ({
  ...task,
  verdict: task.verdict === 'short' ? 'short' : 'unproven',
  gets: undefined,
  ratio: undefined,
  atMost: task.mode === 'real-time' ? (task.gets?.high ?? task.atMost) : undefined,
  missing: [...task.missing, ...missing],
});

const runsOn = (kind: HotPart['kind'], resource: string): boolean =>
  kind === 'processor' ? isOf(resource, 'processor') : ARITHMETIC.has(resource);

/** A task's result at the better end, its band widened to what the worse one gives. */
function spanning(task: TaskResult, low: TaskResult): TaskResult {
  const { ratio, gets } = task;
  return {
    ...task,
    ratio: ratio && low.ratio ? { ...ratio, low: Math.min(ratio.low, low.ratio.low) } : ratio,
    gets:
      gets && low.gets
        ? task.mode === 'real-time'
          ? { ...gets, low: Math.min(gets.low, low.gets.low) }
          : { ...gets, high: Math.max(gets.high, low.gets.high) }
        : gets,
  };
}

/** A difference between the ends that is not rounding. */
const CLOCK_DOUBT = 0.005;

/** A machine's fans and temperatures at given draws, and how it sounds. */
export interface HeatNow {
  readonly state: Steady;
  readonly noise: Noise;
  readonly watts: number;
}

/** The machine with nothing to do: what it draws and how it sounds then. */
export const atRest = (parts: FittedParts, setup: HeatSetup, mains: Mains): HeatNow =>
  withFans(parts, setup, new Map(drawsOf(parts).parts.map((draw) => [draw.item, draw.idleW])), mains, {});

/** Given draws, W by item, with fan speeds set by hand where they are. */
export function withFans(
  parts: FittedParts,
  setup: HeatSetup,
  byItem: ReadonlyMap<string, number>,
  mains: Mains,
  fixed: FixedSpeeds,
): HeatNow {
  const load = heatLoad(parts, setup, mains, byItem);
  const state = steady(setup, load, 'worst', fixed);
  return heard({ state, watts: load.totalW }, () => noiseOf(parts, setup, state, load.totalW));
}

/** The sitting whose case air is warmest; undefined when the brief has none. */
export const warmestOf = <S extends HeatAt>(sittings: readonly S[]): S | undefined =>
  mostOf(sittings, ({ worst }) => worst.state.outletC);

/** The loudest sitting. */
export const loudestOf = <S extends HeatAt & { readonly noise: Noise }>(sittings: readonly S[]): S | undefined =>
  mostOf(sittings, ({ noise }) => noise.dbA);

/** Where a part of the heat model gets warmest: at best and at worst of what is known, °C; each station names it so. */
export function warmestFor<S extends HeatAt>(sittings: readonly S[], part: number) {
  const heat = mostOf(sittings, ({ worst }) => worst.state.parts[part]?.tempC ?? -Infinity);
  const [best, worst] = [heat?.best.state.parts[part], heat?.worst.state.parts[part]];
  return heat && best && worst ? { heat, best, worst } : undefined;
}
