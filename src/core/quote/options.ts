import type { Assessment, Context } from '../assess';
import { editMachine } from '../model/edits';
import type { Machine } from '../model/machine';
import type { Finding } from '../rules/rule';
import { editFor } from '../search/candidates';
import { getsAmount } from './amounts';
import { costLines, purchasesOf } from './costs';
import type { PaperOption } from './document';
import { priced } from './priced';
import type { QuoteOption, QuoteTerms } from './terms';
import { brings, judge, type Offered } from './tried';

/** The machine as an option makes it; undefined where what it names is not there. */
export function changedBy(machine: Machine, { item, part }: QuoteOption, context: Context): Machine | undefined {
  if (item !== undefined && !machine.items.some(({ id }) => id === item)) return undefined;
  if (part === undefined) return item === undefined ? undefined : editMachine(machine, { kind: 'remove', item });
  const found = context.catalogue.part(part);
  return found && editMachine(machine, editFor(machine, { kind: found.kind, item }, found));
}

/** What the client would pay for one machine alone; undefined where it cannot be priced in full. */
export function priceAlone(machine: Assessment, terms: QuoteTerms): number | undefined {
  const { own, costOf } = purchasesOf([machine]);
  const made = priced(costLines([machine], costOf, terms), terms, machine.region);
  return 'code' in made || made.unpriced.length > 0 || own[0]?.lowerBound !== false ? undefined : made.totalMinor;
}

/** What a change costs the client; undefined where one of the two has no price. */
export function differenceOf(before: Assessment, after: Assessment, terms: QuoteTerms): number | undefined {
  const [a, b] = [before, after].map((machine) => priceAlone(machine, terms));
  return a === undefined || b === undefined ? undefined : b - a;
}

/** An option that is not in the quote, and why. */
export interface OptionOut {
  readonly id: string;
  readonly name: string;
  readonly because: 'nothing-there' | 'no-price' | 'brings';
  /** What it would bring, worst first. */
  readonly findings: readonly Finding[];
}

/** How far a task moves before it is told, as a share. */
const TOLD_FROM = 0.05;

/** An option that can be had, with the machine that it makes. */
interface Made {
  readonly option: QuoteOption;
  readonly at: Offered;
  readonly after: Assessment;
  readonly differenceMinor: number;
}

/**
 * Options as differences to the quoted machines, each worked out alone, so that what is ticked adds up; one that brings a
 * conflict is left out, and the workshop is told. `notAll` are the smallest sets that cannot be had in full, as their
 * options change the same part or bring a conflict only together. `totalMinor` is the quote's.
 */
export function optionsOf(
  offered: readonly Offered[],
  options: readonly QuoteOption[],
  terms: QuoteTerms,
  totalMinor: number,
): { readonly options: PaperOption[]; readonly notAll: string[][]; readonly out: OptionOut[] } {
  const out: OptionOut[] = [];
  const made = options.flatMap((option): Made[] => {
    const at = option.machine === undefined ? offered[0] : offered.find(({ id }) => id === option.machine);
    const leave = (because: OptionOut['because'], findings: readonly Finding[] = []): [] => {
      out.push({ id: option.id, name: option.name, because, findings });
      return [];
    };
    const changed = at && changedBy(at.assessment.facts.machine, option, at.context);
    if (!changed) return leave('nothing-there');
    const after = judge(at, changed);
    const brought = brings(after, [at.assessment]);
    if (brought.length > 0) return leave('brings', brought);
    const differenceMinor = differenceOf(at.assessment, after, terms);
    if (differenceMinor === undefined) return leave('no-price');
    return [{ option, at, after, differenceMinor }];
  });
  const there = new Set(made.map(({ option }) => option.id));
  return {
    options: made.map(({ option, at, after, differenceMinor }) => ({
      id: option.id,
      name: option.name,
      machine: at.id,
      differenceMinor,
      totalMinor: totalMinor + differenceMinor,
      needs: (option.needs ?? []).filter((id) => there.has(id)),
      work: changedWork(at.assessment, after),
    })),
    notAll: offered.flatMap((at) =>
      notAllOf(
        at,
        made.filter((each) => each.at === at),
      ),
    ),
    out,
  };
}

/**
 * The smallest sets of a machine's options that cannot be had in full. The largest sets that hold none of those known are
 * tried; one that brings a conflict is made smaller, option by option, as long as it still does, and is then known; until
 * all of the largest are sound. It takes a conflict of some options to remain when more are added.
 */
function notAllOf(at: Offered, made: readonly Made[]): string[][] {
  const clashes = (some: readonly Made[]): boolean => {
    const items = some.flatMap(({ option }) => option.item ?? []);
    if (new Set(items).size < items.length) return true;
    if (some.some(({ option }) => option.not?.some((id) => some.some((other) => other.option.id === id)))) return true;
    const all = some.reduce<Machine | undefined>(
      (machine, { option }) => machine && changedBy(machine, option, at.context),
      at.assessment.facts.machine,
    );
    return !all || brings(judge(at, all), [at.assessment, ...some.map(({ after }) => after)]).length > 0;
  };
  const known: (readonly Made[])[] = [];
  const sound = new Set<number>();
  for (;;) {
    const largest = largestWithout(made, known).find((mask) => !sound.has(mask));
    if (largest === undefined) return known.map((set) => set.map(({ option }) => option.id));
    let set = made.filter((_, i) => largest & (1 << i));
    if (!clashes(set)) {
      sound.add(largest);
      continue;
    }
    for (const one of set) {
      const rest = set.filter((each) => each !== one);
      if (clashes(rest)) set = rest;
    }
    known.push(set);
  }
}

/** The sets of some options that hold none of the known ones in full, and to which none can be added; as bits. */
function largestWithout(made: readonly Made[], known: readonly (readonly Made[])[]): number[] {
  const forbidden = known.map((set) => set.reduce((mask, each) => mask | (1 << made.indexOf(each)), 0));
  const allowed = (mask: number): boolean => forbidden.every((set) => (mask & set) !== set);
  const all = Array.from({ length: 1 << made.length }, (_, mask) => mask).filter(allowed);
  return all.filter((mask) => made.every((_, i) => (mask & (1 << i)) !== 0 || !allowed(mask | (1 << i))));
}

/** Tasks that another machine does otherwise, as it does them. */
function changedWork(before: Assessment, after: Assessment): PaperOption['work'] {
  return before.facts.brief.tasks.flatMap(({ id, name }): PaperOption['work'] => {
    const [a, b] = [before, after].map(({ tasks }) => tasks.find(({ task }) => task === id));
    if (!a || !b) return [];
    const moved =
      a.gets && b.gets
        ? Math.abs(b.gets.likely / a.gets.likely - 1) >= TOLD_FROM
        : (a.gets === undefined) !== (b.gets === undefined);
    return moved ? [{ task: name, does: getsAmount(b) }] : [];
  });
}
