import type { Unplaced } from '../../board/fit';

/** What the comparisons of slots and links find. */
export type SlotFigures =
  | {
      readonly code: 'stream';
      readonly task: string;
      readonly taskId: string;
      readonly sitting: string;
      /** The devices at its ends, by name, memory left out. */
      readonly devices: readonly string[];
      readonly needsGBs: number;
      readonly getsGBs: number;
      /** Where it is narrowest, and whether that is shared with others. */
      readonly at: string;
      readonly shared: boolean;
    }
  | { readonly code: 'streams-carried'; readonly count: number }
  | {
      readonly code: 'uplink';
      readonly hub: string;
      readonly devices: readonly string[];
      readonly peakGBs: number;
      readonly uplinkGBs: number;
    }
  | {
      readonly code: 'upright';
      readonly card: string;
      readonly chassis: string;
      readonly mount: boolean;
      readonly riser: boolean;
    }
  | {
      readonly code: 'drive-heatsink';
      readonly drive: string;
      readonly heightMm: number;
      readonly slot: string;
      readonly roomMm: number;
      /** The board's cover can be left off. */
      readonly coverComesOff: boolean;
    }
  | {
      readonly code: 'carrier';
      readonly card: string;
      readonly slot: string;
      readonly works: number;
      readonly has: number;
    }
  | {
      readonly code: 'root-links';
      readonly processor: string;
      readonly board: string;
      /** Slots at the processor that run at an older generation of its links. */
      readonly slower: readonly { readonly slot: string; readonly generation: number }[];
      /** Slots that get fewer lanes than they have. */
      readonly narrower: readonly { readonly slot: string; readonly lanes: number; readonly own: number }[];
      /** Slots that this processor family has no lanes for. */
      readonly off: readonly string[];
    }
  | { readonly code: 'device-place'; readonly device: string; readonly reason: Unplaced | 'placed' }
  | {
      readonly code: 'link';
      readonly device: string;
      readonly slot: string;
      readonly getsGBs: number;
      readonly ownGBs: number;
      /** What the device itself moves, where it says so. */
      readonly needsGBs: number | undefined;
    }
  | { readonly code: 'slot-off'; readonly slot: string; readonly by: string; readonly how: 'exclusion' | 'covered' };
