import { given, product, type Derivation } from '../figures/derive';

/** Measured ÷ predicted of one kind of work: above 1 the machine is faster than the model said. */
export interface Factor {
  readonly factor: number;
  /** Factor within which the true one likely lies. */
  readonly spread: number;
  /** Measurements behind it. */
  readonly count: number;
}

/** What results say of a rate: a factor on what is stated, or the rate itself where nothing is. */
export type TaughtRate =
  | { readonly kind: 'factor'; readonly factor: Factor }
  | {
      readonly kind: 'rate';
      readonly bytesPerS: number;
      readonly spread: number;
      readonly count: number;
      /** Bytes of the shortest run behind it: longer ones may fill a cache that nobody stated. */
      readonly upToBytes: number;
      /** Seen in this machine, so through the link that it has here. */
      readonly inPlace: boolean;
    };

export interface Rates {
  readonly memory: TaughtRate | undefined;
  /** By the drive's part and direction. */
  readonly drives: ReadonlyMap<string, Partial<Record<'read' | 'write', TaughtRate>>>;
}

export const NO_RATES: Rates = { memory: undefined, drives: new Map() };

const SEEN = 'evidence of this machine or ones like it';

/** A rate as results say: what is stated times a factor, or the measured one where nothing is stated. */
export function taughtRate(
  label: string,
  stated: Derivation | undefined,
  by: TaughtRate | undefined,
): Derivation | undefined {
  if (by === undefined) return stated;
  if (by.kind === 'rate')
    return stated ?? { ...given(`${label}, measured`, by.bytesPerS, 'B/s', 'measurement', SEEN), spread: by.spread };
  return (
    stated && {
      ...product(label, stated.unit, [
        stated,
        given('measured against stated', by.factor.factor, '×', 'measurement', SEEN),
      ]),
      spread: by.factor.spread,
    }
  );
}
