import type { Flow } from '../board/flows';
import type { Band, Verdict } from '../units/band';
import type { MissingFigure } from '../figures/missing';
import type { Impossible, Outside } from '../work/stage';
import type { Derivation } from '../figures/derive';
import type { Narrowest } from './streams';

/** How much one resource has to do for a task, and how much of it the whole sitting uses. */
export interface Use {
  readonly resource: string;
  readonly stage: string;
  /** Supply ÷ demand for this task alone on what the others leave; unknown supply is undefined. */
  readonly ratio: number | undefined;
  /** Share of the resource that the sitting keeps busy. */
  readonly busy: number | undefined;
  readonly demand: Derivation;
  readonly supply: Derivation | undefined;
}

export interface TaskResult {
  readonly task: string;
  readonly sitting: string;
  readonly mode: 'real-time' | 'elastic';
  readonly unit: string;
  /** Units in a run; undefined for real-time work. */
  readonly unitsARun: number | undefined;
  /** Real-time: units/s wanted. Elastic: seconds allowed for a run, undefined without a target. */
  readonly target: number | undefined;
  /** Real-time: units/s. Elastic: seconds a run. Undefined when unproven or impossible. */
  readonly gets: Band | undefined;
  /** Ratio to target, above 1 is more than needed; for a task without a target undefined. */
  readonly ratio: Band | undefined;
  /** Upper bound from the figures that are known, when others are missing. */
  readonly atMost: number | undefined;
  readonly verdict: Verdict;
  readonly binds: string | undefined;
  readonly uses: readonly Use[];
  readonly dropped: number | undefined;
  /** Units/s in the worst moments, where the trade tells them from the mean. */
  readonly worst: Band | undefined;
  /** Figures beyond the range the model was held against. */
  readonly outside: readonly Outside[];
  readonly impossible: readonly Impossible[];
  readonly missing: readonly MissingFigure[];
  /** Seconds of each stage a unit, elastic only. */
  readonly stages: readonly { readonly stage: string; readonly seconds: number; readonly binds: string }[];
}

/** What the tasks of a sitting hold at once: memory, graphics memory, or space on the drives of a role by itself. */
export interface HoldResult {
  readonly what: string;
  readonly needs: Derivation;
  /** What each task holds of it. */
  readonly by: readonly { readonly task: string; readonly bytes: Derivation }[];
  readonly has: Derivation | undefined;
  readonly ratio: Band | undefined;
  readonly missing: readonly MissingFigure[];
}

/** A stream that a task names, with what it gets in bytes/s (undefined when a figure on its way is unknown). */
export interface StreamResult {
  readonly task: string;
  readonly flow: Flow;
  readonly realTime: boolean;
  readonly bytesPerS: number | undefined;
  readonly narrowest: Narrowest | undefined;
}

export interface SittingResult {
  readonly sitting: string;
  readonly tasks: readonly TaskResult[];
  readonly holds: readonly HoldResult[];
  /** Busy share by resource, 0 … 1, for power and the map. */
  readonly busy: ReadonlyMap<string, number>;
  readonly linkLoads: ReadonlyMap<string, number>;
  /** The streams that tasks name. */
  readonly flows: readonly StreamResult[];
}
