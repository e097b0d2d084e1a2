import type { Side } from '../../parts/case';
import type { Currency } from '../../units/money';

/** What a machine has beyond what the brief uses, over its years of service. */
export type SurplusFigures =
  | { readonly code: 'surplus-memory'; readonly hasGib: number; readonly needsGib: number; readonly years: number }
  | { readonly code: 'surplus-rate'; readonly rateMTs: number; readonly standardMTs: number; readonly busiest: number }
  | { readonly code: 'surplus-supply'; readonly supply: string; readonly ratedW: number; readonly needsW: number }
  | {
      readonly code: 'surplus-space';
      readonly role: string;
      readonly hasGB: number;
      readonly needsGB: number;
      readonly years: number;
    }
  | {
      readonly code: 'surplus-graphics-memory';
      readonly card: string;
      readonly hasGib: number;
      readonly needsGib: number;
      readonly years: number;
    }
  | {
      readonly code: 'surplus-unlocked';
      readonly processor: string;
      /** The same processor without the freedom, where one is sold, and what is paid for it. */
      readonly other: string;
      readonly premiumMinor: number;
      readonly currency: Currency;
    }
  | { readonly code: 'surplus-card'; readonly card: string; readonly purpose: string }
  | {
      readonly code: 'surplus-port';
      readonly card: string;
      readonly has: number;
      readonly needs: number;
      readonly what: 'displays' | 'video inputs';
    }
  | {
      readonly code: 'surplus-fans';
      readonly spare: number;
      readonly keep: number;
      readonly sides: readonly Side[];
      readonly riseK: number;
      readonly allowedK: number;
      readonly flowM3h: number;
    };
