import type { Factor, Rates } from '../predict/rates';

/** What measurements of one machine, or of ones like it, teach the model. */
export interface Calibration {
  readonly works: ReadonlyMap<string, Factor>;
  /** What more than one thread gives against what the cores promise. */
  readonly threads: Factor;
  /** What memory and drives were seen to do. */
  readonly rates: Rates;
  /** Results behind it that were measured on other machines, or on parts that are no longer here. */
  readonly borrowed: number;
}
