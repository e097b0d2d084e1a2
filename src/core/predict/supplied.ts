import { given, fromConstant, product, type Derivation } from '../figures/derive';
import type { MissingFigure } from '../figures/missing';
import { fullName, type AnyFitted } from '../model/fitted';
import { missingOf } from '../model/unsaid';
import { LINKS } from '../board/links';
import type { Constant } from '../figures/registers';

/** What a machine offers of a resource a second; unknown when a figure is missing, absent when there is no such part. */
export interface Supplied {
  readonly rate: Derivation | undefined;
  readonly missing: readonly MissingFigure[];
  /** Items whose figures decide this rate. */
  readonly items: readonly string[];
}

/** A rate that is the part's own figure times a unit factor. */
export function own(
  fitted: AnyFitted,
  field: string,
  value: number | undefined,
  label: string,
  unit: string,
  factor: number,
): Supplied {
  return value === undefined
    ? { rate: undefined, missing: missingOf(fitted, field), items: [fitted.item.id] }
    : { rate: given(label, value * factor, unit, 'part', fullName(fitted.part)), missing: [], items: [fitted.item.id] };
}

/** What a link carries after headers. */
export const achievedLink = (
  label: string,
  bytesPerS: number,
  where: string,
  share: Constant = LINKS.slot,
): Derivation =>
  product(label, 'B/s', [
    given('coded rate', bytesPerS, 'B/s', 'standard', where),
    fromConstant('share left after headers', share),
  ]);
