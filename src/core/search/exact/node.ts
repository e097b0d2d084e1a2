import type { FoundMachine } from './judge';
import type { Option } from './option';

/** New; its sibling is made; cheap probes are done; the tasks are bounded; all is asked of the first options. */
export type Looked = 'new' | 'followed' | 'probed' | 'bounded' | 'settled';

/** What is known of all partial machines that nothing asked of them can tell apart, whatever their prices. */
export interface Alike {
  /** For each open position the first option that may still stand. */
  readonly first: number[];
  /** The most that each task of the brief can do below them, by all that bounds what they have chosen. */
  reach: readonly number[];
  /** Their own choices were asked about; `reach` is lowered by all that bounds them. */
  carries?: boolean;
  /** Groups of drives that were asked beside them, and whether they do. */
  groups?: Map<Option, boolean>;
  /** With one more position chosen, by what tells options of it apart. */
  next?: Map<string | number, Alike>;
}

/** A partial machine: an option for each of the first positions. */
export interface Node {
  readonly parent: Node | undefined;
  readonly depth: number;
  /** Option of the last chosen position, by its index there. */
  readonly index: number;
  readonly options: readonly Option[];
  readonly pricedMinor: number;
  /** Positions that were filled otherwise than they are held, a bit each and how many. */
  readonly changedAt: number;
  readonly changed: number;
  /** Positions, a bit each, that cannot stay as they are held. */
  lost: number;
  readonly alike: Alike;
  /** Nothing below this node costs less. */
  key: number;
  /** What has been done with it, in this order. */
  looked: Looked;
  /** Siblings passed by and scans taken on the way here: few are tried first while nothing is found. */
  steps: number;
  /** Set when the whole machine is assessed: what is left is its place in the order of prices. */
  leaf?: FoundMachine;
}
