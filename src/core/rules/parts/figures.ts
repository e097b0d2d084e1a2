import type { MissingFigure } from '../../figures/missing';
import type { About } from '../topics';

/** What the comparisons of the parts list find. */
export type PartFigures =
  | { readonly code: 'unknown-figure'; readonly about: About; readonly missing: readonly MissingFigure[] }
  | { readonly code: 'part-gone'; readonly label: string }
  | { readonly code: 'parts-known'; readonly count: number }
  | { readonly code: 'borrowed-figures'; readonly name: string; readonly from: string }
  | { readonly code: 'own-figures'; readonly count: number }
  | { readonly code: 'part-withdrawn'; readonly name: string; readonly date: string }
  | { readonly code: 'part-not-yet'; readonly name: string; readonly date: string }
  | { readonly code: 'parts-on-sale'; readonly count: number }
  | { readonly code: 'part-missing'; readonly kind: string }
  | { readonly code: 'parts-complete'; readonly kinds: number }
  | { readonly code: 'part-count'; readonly kind: string; readonly count: number; readonly fits: number }
  | { readonly code: 'data-cables'; readonly drives: number; readonly cables: number }
  | { readonly code: 'paste'; readonly cooler: string; readonly from: 'cooler' | 'apart' | 'none' };
