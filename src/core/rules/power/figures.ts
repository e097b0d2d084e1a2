import type { Policy } from '../../power/policies';

/** What the comparisons of power find, beyond those of `rule.ts`. */
export type PowerFigures =
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
