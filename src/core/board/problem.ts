import type { Board } from './compile';
import type { Device } from './fit';
import type { Flow } from './flows';

/** What is to be placed, and on what. */
export interface PlacementProblem {
  readonly board: Board;
  readonly devices: readonly Device[];
  readonly pins: ReadonlyMap<string, string>;
  /** Expansion slots the case has; undefined when unknown (then it does not restrict). */
  readonly caseRows: number | undefined;
  /** Real-time flows of each sitting. */
  readonly sittings: readonly (readonly Flow[])[];
}

/** One way of setting the ports that a board lets one choose between. */
export interface Mode {
  readonly names: readonly { readonly port: string; readonly name: string }[];
  /** Lanes each of the board's slots has. */
  readonly lanes: ReadonlyMap<string, number>;
}
