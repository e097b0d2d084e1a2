import type { TooGood, TrustGrade } from '../../money/trust';
import type { Currency } from '../../units/money';

/** What the prices of a machine rest on. */
export type PriceFigures =
  | { readonly code: 'price-unknown'; readonly names: readonly string[] }
  | { readonly code: 'prices-known'; readonly count: number }
  | {
      readonly code: 'budget';
      readonly spentMinor: number;
      readonly budgetMinor: number;
      /** Some part has no price, so what is spent is at least this. */
      readonly lowerBound: boolean;
      readonly taxIncluded: boolean;
      readonly firm: boolean;
      readonly currency: Currency;
    }
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
      /** Ratings of the seller, where they are few or not known at all. */
      readonly few: { readonly ratings: number | undefined } | undefined;
      readonly currency: Currency;
    } & TooGood);
