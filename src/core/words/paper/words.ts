import type { NotAsked, PaperMachine, Quote, Reason } from '../../quote/document';
import type { CostLine } from '../../versus/ownership';
import type { Numbers } from './numbers';

type Letter = Pick<Quote, 'number' | 'revision' | 'title' | 'taxName'>;

/** All phrases of papers in one language; which of them stand in a paper is decided in one place for all (`said.ts`). */
export interface Phrases {
  readonly and: string;
  readonly title: (quote: Pick<Quote, 'number' | 'revision'>) => string;
  readonly heads: {
    readonly what: string;
    readonly count: string;
    readonly net: string;
    readonly gross: string;
    readonly total: string;
    readonly totalOfPriced: string;
    readonly noPrice: string;
    readonly taxAt: (tax: string, rate: string) => string;
    readonly discount: (name: string) => string;
    readonly beside: (machine: string) => string;
    readonly page: (page: number, of: number) => string;
    readonly sending: string;
  };
  readonly sections: {
    readonly options: string;
    readonly inPlace: string;
    readonly plain: (machine: string) => string;
    readonly reasons: string;
    readonly against: string;
    readonly notAsked: string;
    readonly later: string;
    readonly sign: string;
  };
  readonly work: { readonly task: string; readonly needs: string; readonly now: string; readonly does: string };
  readonly option: {
    readonly alone: string;
    readonly difference: string;
    readonly adds: string;
    readonly needs: (names: string) => string;
    /** Beside the option itself; of two, then of more. */
    readonly notWith: (name: string) => string;
    readonly notAllWith: (names: string) => string;
  };
  readonly amount: {
    readonly none: string;
    readonly fails: string;
    readonly starved: string;
    readonly unknown: string;
    readonly atMost: (rate: string) => string;
    readonly inTime: string;
    readonly enough: string;
    readonly keepsUp: string;
    /** Of work that is counted by the second. */
    readonly rate: (unit: string) => string;
  };
  readonly reason: (reason: Reason, numbers: Numbers, list: (names: readonly string[]) => string) => string;
  readonly against: {
    readonly price: (name: string, costs: string, change: string) => string;
    readonly faster: (tasks: number, likely: string, low: string, high: string, than: string | undefined) => string;
    readonly onlyOurs: (tasks: string) => string;
    readonly onlyTheirs: (name: string, tasks: string) => string;
    readonly years: (years: number, name: string, amount: string, less: boolean, lines: string) => string;
    readonly costs: Readonly<Record<CostLine, string>>;
    readonly ours: (things: string) => string;
    readonly theirs: (name: string, things: string) => string;
    /** What money does not measure, with its unit. */
    readonly beside: Readonly<Record<string, readonly [name: string, unit: string]>>;
    readonly yes: string;
    readonly no: string;
    readonly to: string;
  };
  readonly notAsked: {
    readonly impossible: string;
    readonly of: (what: NotAsked, part: string, money: string, numbers: Numbers) => string;
  };
  readonly lacking: Readonly<Record<PaperMachine['lacking'][number], string>>;
  readonly room: {
    readonly memory: (slots: number) => string;
    readonly cards: (slots: number) => string;
    readonly drives: (slots: number) => string;
    readonly spare: (watts: string) => string;
    readonly taken: string;
    readonly free: (slots: string) => string;
  };
  readonly from: (name: string, day: string) => string;
  readonly notes: {
    readonly prices: (taxIn: boolean, tax: string, until: string) => string;
    readonly deposit: (now: string, share: string | undefined, rest: string, days: number | undefined) => string;
    readonly payable: (days: number) => string;
    readonly there: (day: string) => string;
    readonly warranty: (months: number, covers: string | undefined) => string;
    readonly returns: (days: number) => string;
  };
  readonly notIn: (names: string) => string;
  readonly answer: {
    readonly place: string;
    readonly signature: string;
    readonly accept: string;
    readonly decline: string;
    readonly name: string;
    readonly chosen: string;
    readonly lapsed: string;
    readonly accepted: (day: string) => string;
    readonly declined: (day: string) => string;
  };
  /** The letter that a quote is sent with. */
  readonly letter: {
    readonly hello: string;
    readonly subject: (quote: Letter) => string;
    readonly text: (quote: Letter, total: string, until: string) => string;
  };
}
