import type { Policy } from '../../model/settings';

/** What the comparisons of power find, beyond those of `rule.ts`. */
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
    };
