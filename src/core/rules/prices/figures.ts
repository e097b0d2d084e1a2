import type { TooGood, TrustGrade } from '../../money/trust';
import type { Currency } from '../../units/money';

/** What the prices of a machine rest on. */
export type PriceFigures =
  | { readonly code: 'price-unknown'; readonly names: readonly string[] }
  | { readonly code: 'prices-known'; readonly count: number }
  | { readonly code: 'arrives-late'; readonly name: string; readonly arrives: string; readonly neededBy: string }
  | { readonly code: 'delivery-unknown'; readonly name: string; readonly neededBy: string }
  | { readonly code: 'arrives-in-time'; readonly count: number; readonly neededBy: string }
  | { readonly code: 'offers-sound'; readonly count: number }
  | {
      readonly code: 'seller-doubtful';
      readonly names: readonly string[];
      readonly seller: string;
      readonly grade: TrustGrade;
    }
  | {
      readonly code: 'over-list';
      readonly name: string;
      readonly priceMinor: number;
      readonly listMinor: number;
      readonly mostMinor: number;
      readonly currency: Currency;
    }
  | ({
      readonly code: 'too-good';
      readonly name: string;
      readonly seller: string;
      readonly currency: Currency;
    } & TooGood);
