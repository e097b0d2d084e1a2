import type { Item } from '../../model/machine';
import { firstFree, idIn, numbered } from '../../units/free';
import { withEditions, type Editions, type Question } from './question';

/** What a search may use, as somebody sets it beside the brief. */
export interface Limits {
  /** Items that the machine has whatever else is chosen. */
  readonly keep: readonly Item[];
  /** Items that are there, and used at no price where they help. */
  readonly spare: readonly Item[];
  /** Parts that are left out, by id; their editions go with them. */
  readonly withoutParts: readonly string[];
  readonly withoutMakers: readonly string[];
  /** Whether mailed rebates count as money that is not spent. */
  readonly rebates: boolean;
  /** Whether drives have to do for all years of service. */
  readonly lasting: boolean;
  readonly mostFor: Question['mostFor'];
}

export const NO_LIMITS: Limits = {
  keep: [],
  spare: [],
  withoutParts: [],
  withoutMakers: [],
  rebates: false,
  lasting: false,
  mostFor: {},
};

/** Items put beside others: one that is there already is there once, and another of its name gets a name of its own. */
const beside = (items: readonly Item[], more: readonly Item[]): Item[] =>
  more.reduce<Item[]>(
    (all, item) => {
      if (all.some(({ id, part }) => id === item.id && part === item.part)) return all;
      return [...all, { ...item, id: firstFree(numbered(item.id), idIn(all)) }];
    },
    [...items],
  );

/** A question within limits: what it keeps already stays. */
export const limitedBy = (question: Question, limits: Limits, catalogue: Editions): Question => ({
  ...question,
  keep: beside(question.keep, limits.keep),
  spare: [...question.spare, ...limits.spare],
  withoutParts: new Set([...question.withoutParts, ...withEditions(limits.withoutParts, catalogue)]),
  withoutMakers: new Set([...question.withoutMakers, ...limits.withoutMakers]),
  rebates: question.rebates || limits.rebates,
  lasting: question.lasting || limits.lasting,
  mostFor: { ...question.mostFor, ...limits.mostFor },
});
