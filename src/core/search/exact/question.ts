import type { Context } from '../../assess';
import { factsForTrades } from '../../assess/stages';
import type { Brief } from '../../model/brief';
import type { Catalogue } from '../../model/catalogue';
import type { Part } from '../../parts';
import type { Item, Machine } from '../../model/machine';
import { bareOf } from '../../sizing/bare';
import type { Share } from './shares';
import { MET } from '../../units/band';
import { plainNumber } from '../../units/money';
import { expand } from '../../work';

/** Where on a prediction's band a target has to be met. */
export const ENDS = ['likely', 'low'] as const;
export type End = (typeof ENDS)[number];

/** What a machine must at least be, beside the rules. */
export interface Least {
  /**
   * Progress that each task must make (`progressAt`): ratio to its target, or runs a second without one. A task that is
   * not listed may fall short.
   */
  readonly tasks: ReadonlyMap<string, number>;
  readonly memoryGiB?: number;
  readonly graphicsGiB?: number;
  readonly storageGB?: number;
}

/** What is asked of the search. Money is in minor units of the brief's region, landed. */
export interface Question {
  readonly brief: Brief;
  /** Items that the machine has whatever else is chosen: pinned ones, and those of a draft that is completed. */
  readonly keep: readonly Item[];
  /** What is set on the machine that is completed: pins, tuning, firmware. */
  readonly from?: Machine;
  /** Parts that are there and may be used at no price. */
  readonly spare: readonly Item[];
  readonly withoutParts: ReadonlySet<string>;
  readonly withoutMakers: ReadonlySet<string>;
  /** At most so many positions are filled otherwise than on `from`; without it `from` binds nothing. */
  readonly changes?: number;
  /** A part that the machine has, whatever else is chosen. */
  readonly withPart?: string;
  readonly at: End;
  readonly unproven: 'refused' | 'allowed';
  /** Keys of findings that refuse nothing: they stand already, and what they are about is kept. */
  readonly standing: ReadonlySet<string>;
  readonly mostMinor: number | undefined;
  /** Mailed rebates count as money that is not spent. */
  readonly rebates: boolean;
  /** Drives that fill up or wear out before the years of service are over are none. */
  readonly lasting: boolean;
  readonly least: Least;
  /** The most that the parts of a share of the budget may cost by themselves, landed. */
  readonly mostFor: Readonly<Partial<Record<Share, number>>>;
}

/** A question that asks for nothing but a sound machine for a brief. */
export const plainQuestion = (brief: Brief): Question => ({
  brief,
  keep: [],
  spare: [],
  withoutParts: new Set(),
  withoutMakers: new Set(),
  at: 'likely',
  unproven: 'refused',
  standing: new Set(),
  mostMinor: undefined,
  rebates: false,
  lasting: false,
  least: { tasks: new Map() },
  mostFor: {},
});

/** Tasks of a brief that have a target: real-time work, and runs that may take so long. */
export function targetedIn(brief: Brief, context: Context): ReadonlySet<string> {
  const { parts } = bareOf(brief, context).facts;
  const facts = factsForTrades(parts, undefined, context.catalogue);
  return new Set(
    brief.tasks.flatMap((task) => {
      const expanded = expand(task, facts);
      return expanded.mode === 'real-time' || expanded.targetS !== undefined ? [task.id] : [];
    }),
  );
}

/** Every target of a brief is to be met, and what has none is to run. */
export function everyTask(brief: Brief, context: Context): ReadonlyMap<string, number> {
  const targeted = targetedIn(brief, context);
  return new Map(brief.tasks.map(({ id }) => [id, targeted.has(id) ? MET : Number.MIN_VALUE]));
}

/**
 * A brief as drives can be held against before anything else is chosen: without the tasks that a mixer may take over, as
 * these then ask less of drives.
 */
export function askedOfDrives(brief: Brief): Brief {
  const tasks = brief.tasks.filter((task) => task.kind !== 'live' || task.via === 'cards');
  return tasks.length === brief.tasks.length ? brief : { ...brief, tasks };
}

/** Parts with all that are only another edition of one of them: who leaves out a design leaves out its colours. */
export function withEditions(ids: readonly string[], { part, ofKind }: Editions): ReadonlySet<string> {
  const kinds = new Set(ids.flatMap((id) => part(id)?.kind ?? []));
  const editions = [...kinds].flatMap((kind) =>
    (ofKind(kind) as readonly Part[]).filter(({ variantOf }) => variantOf !== undefined && ids.includes(variantOf)),
  );
  return new Set([...ids, ...editions.map(({ id }) => id)]);
}

/** What editions are looked up in. */
export type Editions = Pick<Catalogue, 'part' | 'ofKind'>;

/** The most landed money that a brief's budget allows; undefined without one. */
export function budgetOf(
  { budgetMinor, budgetTaxIncluded, region }: Brief,
  { catalogue }: Context,
): number | undefined {
  if (budgetMinor === undefined || budgetTaxIncluded) return budgetMinor;
  return Math.floor(plainNumber(budgetMinor) * (1 + (catalogue.region(region)?.taxRate ?? 0)));
}

/** Every task of a brief at its target: what *does the work* means. */
export const workOf = (brief: Brief, context: Context): Question => ({
  ...plainQuestion(brief),
  least: { tasks: everyTask(brief, context) },
});
