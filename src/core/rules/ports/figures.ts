import type { LightPlug } from '../../parts/common';

/** What the comparisons of headers, ports and pictures find. */
export type PortFigures =
  | { readonly code: 'fan-headers'; readonly fans: number; readonly headers: number; readonly board: string }
  | {
      readonly code: 'header-current';
      readonly fansOnOne: number;
      readonly currentA: number;
      readonly limitA: number;
      readonly board: string;
    }
  | { readonly code: 'pump-header'; readonly cooler: string; readonly headers: number; readonly board: string }
  | {
      readonly code: 'light-headers';
      readonly needs: number;
      readonly has: number;
      readonly plug: LightPlug;
      /** There are headers of the other plug only. */
      readonly other: boolean;
    }
  | {
      readonly code: 'light-programs';
      readonly programs: readonly { readonly program: string; readonly parts: readonly string[] }[];
    }
  | {
      readonly code: 'front-ports';
      readonly chassis: string;
      readonly board: string;
      /** Rates in Gb/s of ports without a header. */
      readonly dead: readonly number[];
      /** Ports that run slower than they could. */
      readonly slowed: readonly { readonly ownGbit: number; readonly getsGbit: number }[];
      readonly ports: number;
    }
  | { readonly code: 'front-audio'; readonly chassis: string; readonly board: string }
  | {
      readonly code: 'display-link';
      readonly display: string;
      readonly from: string;
      /** The output it hangs on; undefined when none of its inputs has a match. */
      readonly output: string | undefined;
      readonly refreshHz: number;
      readonly getsHz: number;
    }
  | {
      readonly code: 'adaptive-sync';
      readonly display: string;
      readonly kinds: readonly string[];
      readonly card: string;
      readonly drives: readonly string[];
    }
  | {
      readonly code: 'picture-path';
      readonly processor: string;
      readonly from: 'graphics' | 'processor' | 'none' | 'no-output';
      readonly board?: string;
    }
  | { readonly code: 'display-outputs'; readonly displays: number; readonly outputs: number; readonly from: string };
