import type { Connector } from '../parts/common';
import type { Pace } from './constants';

/** What is done in a step; words are made elsewhere. */
export type StepCode =
  | 'prepare-case'
  | 'processor'
  | 'module'
  | 'board-drive'
  | 'cooler-kit'
  | 'radiator'
  | 'case-fan'
  | 'supply'
  | 'cage-drive'
  | 'board-in'
  | 'power-cable'
  | 'front-cable'
  | 'fan-cable'
  | 'data-cable'
  | 'cooler'
  | 'card'
  | 'card-power'
  | 'drive-power'
  | 'accessory'
  | 'close';

/**
 * A place that hands must reach: a socket, a slot, a header. What lies over it is mounted after all that goes there.
 */
export type PlaceId = string;

/** Why one step comes before another. */
export type Why =
  /** It is mounted on, or plugged into, what the other brings. */
  | { readonly code: 'carries' }
  /** The later one lies over this place. */
  | { readonly code: 'covers'; readonly place: PlaceId };

export interface Before {
  readonly step: string;
  readonly why: Why;
}

export interface Cable {
  readonly connector: Connector | 'fan' | 'pump' | 'light' | 'usb' | 'audio' | 'switch' | 'data';
  /** Of several of a kind, which; from 1. */
  readonly number: number;
  readonly of: number;
  /** Of a fan: the board's header that it hangs on, from 1, and what hangs on it in all, A where all currents are known. */
  readonly header?: number;
  readonly headerA?: number | undefined;
}

/** A step before it has its place in the order. */
export interface Step {
  readonly id: string;
  readonly code: StepCode;
  /** Items of the machine that it mounts; a cable mounts none. */
  readonly mounts: readonly string[];
  /** What it is about: the item that a cable feeds. */
  readonly about: string | undefined;
  /** Slot, side or header, as the board and the case name them. */
  readonly place: string | undefined;
  readonly cable: Cable | undefined;
  /** Steps whose parts must be there. */
  readonly on: readonly string[];
  /** Places that it needs free, and places that it lies over from then on. */
  readonly needs: readonly PlaceId[];
  readonly covers: readonly PlaceId[];
  /** It cannot be undone without loss: seals, paste, films. */
  readonly lasting: boolean;
  readonly pace: Pace;
}

/** A step in its place. */
export interface Planned extends Step {
  readonly before: readonly Before[];
  readonly minutes: number;
}

/** What cannot be planned, and why: figures or parts that are not there. */
export interface Gap {
  readonly code: 'no-board' | 'no-case' | 'no-place' | 'no-header' | 'unstated';
  readonly item: string | undefined;
  readonly field: string | undefined;
}

export interface Plan {
  readonly steps: readonly Planned[];
  readonly minutes: number;
  readonly gaps: readonly Gap[];
  /** Steps that had to come although something before them is open: they lie over each other's places. */
  readonly knots: readonly string[];
}
