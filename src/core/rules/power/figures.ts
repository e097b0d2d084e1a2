import type { Policy } from '../../model/settings';

/** What the comparisons of power find. */
export type PowerFigures =
  | {
      readonly code: 'card-power';
      readonly card: string;
      readonly drawW: number;
      readonly slotW: number;
      readonly inputsW: number;
    }
  | {
      /** A second input of the board that stays unfed under a processor that fewer carry. */
      readonly code: 'spare-input';
      readonly board: string;
      readonly processor: string;
      readonly inputs: number;
      readonly fed: number;
      readonly drawW: number;
      readonly carryW: number;
    }
  | {
      readonly code: 'supply-policy';
      readonly policy: Policy;
      readonly supply: string;
      readonly asksW: number;
      readonly ratedW: number;
      readonly standard: string | undefined;
    }
  | {
      readonly code: 'mains';
      readonly wallW: number;
      readonly allowedW: number;
      readonly volts: number;
      readonly amperes: number | undefined;
    }
  | { readonly code: 'supply-peak'; readonly supply: string; readonly peakW: number; readonly ratedW: number }
  | {
      readonly code: 'supply-sustained';
      readonly supply: string;
      readonly sustainedW: number;
      readonly allowedW: number;
    }
  | {
      readonly code: 'connectors';
      readonly connector: string;
      readonly needs: number;
      readonly has: number;
      readonly supply: string;
      readonly forWhat: string;
    };
