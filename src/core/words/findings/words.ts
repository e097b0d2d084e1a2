import type { Check } from '../../rules/rule';

/** What a comparison says, and what would mend it when it did not pass. */
export interface Words {
  readonly says: string;
  readonly mend?: string;
}

/** A comparison of one group of codes. */
export type CheckOf<F extends { readonly code: string }> = Extract<Check, { readonly code: F['code'] }>;

export const fails = (check: Check): boolean => check.level !== 'passes';
