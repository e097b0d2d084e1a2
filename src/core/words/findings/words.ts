import type { Check } from '../../rules/rule';

/** What a comparison says, and what would mend it when it did not pass. */
export interface Words {
  readonly says: string;
  readonly mend?: string;
}

/** A comparison with figures of one group, or of one code of it. */
export type CheckOf<F extends { readonly code: string }, C extends F['code'] = F['code']> = Extract<
  Check,
  { readonly code: C }
>;

/** Words for each code of a group. */
export type WordsOf<F extends { readonly code: string }> = {
  readonly [C in F['code']]: (check: CheckOf<F, C>) => Words;
};

export const fails = (check: Check): boolean => check.level !== 'passes';
