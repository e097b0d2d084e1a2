import type { Amount, Against, NotAsked, PaperMachine, PaperOption, Quote, Reason } from '../../quote/document';
import type { Numbers } from './numbers';

/** All that papers say, in one language; every sentence of them is here. */
export interface PaperWords {
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
    readonly price: string;
    readonly options: string;
    readonly inPlace: string;
    readonly plain: (machine: string) => string;
    readonly work: string;
    readonly reasons: string;
    readonly against: string;
    readonly notAsked: string;
    readonly notIn: string;
    readonly later: string;
    readonly sign: string;
  };
  readonly seats: string;
  readonly work: { readonly task: string; readonly needs: string; readonly now: string; readonly does: string };
  readonly option: { readonly alone: string; readonly difference: string };
  readonly needs: (names: readonly string[]) => string;
  readonly notWith: (names: readonly string[]) => string;
  readonly optionWork: (work: PaperOption['work'], amounts: (amount: Amount) => string) => string;
  readonly optionsAdd: string;
  readonly amount: (amount: Amount, numbers: Numbers) => string;
  readonly reason: (reason: Reason, numbers: Numbers) => string;
  readonly against: (against: Against, quote: Quote, numbers: Numbers) => readonly string[];
  readonly notAsked: (what: NotAsked, currency: Quote['currency'], numbers: Numbers) => string;
  readonly lacking: (what: PaperMachine['lacking'][number]) => string;
  readonly room: (room: PaperMachine['room'], numbers: Numbers) => string | undefined;
  readonly later: (later: PaperMachine['later'][number], numbers: Numbers) => string;
  readonly notes: (quote: Quote, numbers: Numbers) => readonly string[];
  readonly notIn: (list: readonly string[]) => string;
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
    readonly subject: (quote: Quote) => string;
    readonly text: (quote: Quote, numbers: Numbers) => string;
  };
}
