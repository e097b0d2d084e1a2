/** Where a constant comes from, best first. */
export type SourceClass = 'standard' | 'paper' | 'measured' | 'judgement';

/**
 * One number the model rests on. `spread` is a factor ≥ 1: the true value is likely within value ÷ spread … value ×
 * spread. Calibration can replace any of them.
 */
export interface Constant {
  readonly value: number;
  readonly spread: number;
  readonly unit: string;
  readonly source: SourceClass;
  readonly reasoning: string;
  /** Rows of the measurements that determine a measured value; `*` stands for all of them. */
  readonly rows?: readonly string[];
  /** What was taken before there were rows. */
  readonly judged?: number;
}

export type Register = Readonly<Record<string, Constant>>;

/** A constant by name. @throws RangeError when the register lacks it: a mistake in our own code */
export function constantOf<R extends Register>(register: R, name: keyof R & string): Constant {
  const constant = register[name];
  if (!constant) throw new RangeError(`no constant "${name}"`);
  return constant;
}
