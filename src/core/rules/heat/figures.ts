import type { MissingFigure } from '../../figures/missing';
import type { Held } from '../../heat/settle';

/** What the comparisons of heat and noise find. */
export type HeatFigures =
  | {
      readonly code: 'cooler-load' | 'card-load';
      readonly cooler: string;
      readonly part: string;
      /** Graphics cards that are under load with it. */
      readonly cards: number;
      readonly watts: number;
      readonly fullW: number;
      readonly tempC: number;
      readonly limitC: number;
      /** Share of the full clock that is kept, and GHz where they are known. */
      readonly clock: number;
      readonly ghz: number | undefined;
      readonly heldBy: Held | undefined;
      readonly shutsDown: boolean;
      /** The sitting in which it is slowest, when one of the brief's slows it too. */
      readonly sitting: string | undefined;
    }
  | {
      /** Figures are unknown, and between their bounds lies the limit. */
      readonly code: 'heat-unknown';
      readonly about: 'processor' | 'card' | 'case air';
      readonly part: string;
      readonly best: number;
      readonly worst: number;
      readonly limit: number;
      readonly missing: readonly MissingFigure[];
    }
  | {
      readonly code: 'case-air';
      readonly riseK: number;
      readonly limitK: number;
      readonly heatW: number;
      readonly flowM3h: number;
      readonly sitting: string | undefined;
    }
  | {
      readonly code: 'noise';
      readonly dbA: number;
      readonly limitDbA: number;
      readonly sitting: string | undefined;
      readonly loudest: string | undefined;
    };
