/** Where a constant comes from, best first. */
export type SourceClass = 'standard' | 'paper' | 'measured' | 'judgement';

interface Figures {
  readonly value: number;
  readonly spread: number;
  readonly unit: string;
  readonly source: SourceClass;
}

/**
 * One number the model rests on. `spread` is a factor ≥ 1: the true value is likely within value ÷ spread … value ×
 * spread. Calibration can replace any of them.
 */
export interface Constant extends Figures {
  /** Its register and its name in it: what a derivation names it by, and what its reason is found under. */
  readonly id: string;
}

export type Register = Readonly<Record<string, Constant>>;

/** Why a constant is what it is. It stands beside the register, so that who computes need not carry the words. */
export interface Reason {
  readonly reasoning: string;
  /** Rows of the measurements that determine a measured value; `*` stands for all of them. */
  readonly rows?: readonly string[];
  /** What was taken before there were rows. */
  readonly judged?: number;
}

/** A reason for each constant of a register. */
export type Reasons<R extends Register> = { readonly [K in keyof R]: Reason };

/** A register of constants, each of which knows what it is called. */
export const register = <const R extends Readonly<Record<string, Figures>>>(
  name: string,
  figures: R,
): { readonly [K in keyof R]: R[K] & Constant } =>
  Object.fromEntries(
    Object.entries(figures).map(([key, constant]) => [key, { ...constant, id: `${name}.${key}` }]),
  ) as { readonly [K in keyof R]: R[K] & Constant };

/** A constant by name. @throws RangeError when the register lacks it: a mistake in our own code */
export function constantOf<R extends Register>(register: R, name: keyof R & string): Constant {
  const constant = register[name];
  if (!constant) throw new RangeError(`no constant "${name}"`);
  return constant;
}
