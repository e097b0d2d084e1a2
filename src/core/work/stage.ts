import type { MissingFigure } from '../figures/missing';
import type { Derivation } from '../figures/derive';
import type { Flow } from '../board/flows';
import type { DriveRole, Resource } from '../figures/resources';
import type { Codec } from '../parts/common';
import type { EngineAt } from './engines';

export interface Demand {
  readonly stage: string;
  readonly resource: Resource;
  readonly amount: Derivation;
  /** Kind of work that measurements of one machine can calibrate, such as "encode hevc medium". */
  readonly work?: string;
}

/** What is held as long as the task runs, in bytes. */
export interface Holding {
  readonly what: 'memory' | 'graphics memory' | `space:${DriveRole}`;
  readonly bytes: Derivation;
  /** Without room for it the task does not run, instead of running slowly. */
  readonly mustFit?: boolean;
}

/** Why a task does not run at all on this machine, as data. */
export type Impossible =
  | { readonly code: 'no-encoder'; readonly codec: Codec; readonly chroma: string; readonly bitDepth: number }
  | {
      readonly code: 'encoder-too-small';
      readonly width: number;
      readonly height: number;
      readonly maxWidth: number;
      readonly maxHeight: number;
    }
  | { readonly code: 'application-encodes-in-software'; readonly application: string }
  | { readonly code: 'no-graphics' }
  | { readonly code: 'no-compute-stack'; readonly application: string; readonly wants: readonly string[] }
  | { readonly code: 'part-missing'; readonly kind: string }
  | {
      readonly code: 'does-not-fit';
      readonly what: 'memory' | 'graphics memory';
      readonly needsBytes: number;
      readonly hasBytes: number;
    }
  | { readonly code: 'too-few-inputs'; readonly wanted: number; readonly has: number; readonly on: 'card' | 'mixer' }
  | { readonly code: 'input-too-slow'; readonly wantsBitPerS: number; readonly hasBitPerS: number }
  | { readonly code: 'too-many-sessions'; readonly where: string; readonly wanted: number; readonly limit: number }
  | { readonly code: 'uplink-too-slow'; readonly wantsMbitPerS: number; readonly hasMbitPerS: number };

/** A figure of a task beyond what the trade's model was held against; the prediction's band widens. */
export interface Outside {
  readonly label: string;
  readonly value: number;
  readonly unit: string;
  readonly from: number;
  readonly to: number;
}

/** Streams that a task keeps open on one engine. */
export interface Sessions {
  readonly at: EngineAt;
  readonly count: number;
}

/**
 * Cards that a task's graphics stages can use, and the share of each further one that arrives. Frames come over a
 * card's link, so a narrower one brings less; who exchanges results instead (`gpu.exchange`) counts the link there.
 */
export interface Cards {
  readonly max: number;
  readonly gain: number;
  readonly exchanges?: boolean;
}

export interface ExpandedBase {
  readonly task: string;
  readonly demands: readonly Demand[];
  readonly holdings: readonly Holding[];
  readonly threadCap: number;
  readonly impossible: readonly Impossible[];
  readonly missing: readonly MissingFigure[];
  /** Flows beyond those that the demands imply, between named devices. */
  readonly flows: readonly Flow[];
  readonly sessions?: readonly Sessions[];
  readonly cards?: Cards;
  readonly outside?: readonly Outside[];
}

/** Fixed rate; below it, frames drop. */
export interface RealTime extends ExpandedBase {
  readonly mode: 'real-time';
  readonly unit: string;
  readonly targetPerS: Derivation;
  /** Keeps a reserve of cores and graphics free of elastic work. */
  readonly foreground: boolean;
  /** Demand of the worst moments ÷ the mean, and whether the target must be kept in them too. */
  readonly worst?: { readonly factor: Derivation; readonly decides: boolean };
}

/** Runs as fast as what is left lets it; a run has `units` units and should take no longer than `targetS`. */
export interface Elastic extends ExpandedBase {
  readonly mode: 'elastic';
  readonly unit: string;
  readonly units: Derivation;
  readonly targetS: number | undefined;
  /** Share of the stages' times that hide behind the slowest one. */
  readonly overlap: Derivation;
}

export type Expanded = RealTime | Elastic;
