import type { Comparison } from '@/core/versus/rivals';

/** A draft and a branded machine under their names. */
export interface Sides {
  readonly comparison: Comparison;
  readonly name: string;
  readonly mine: string;
}
