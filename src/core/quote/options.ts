import { quickly, subjectOf, type Assessment, type Context } from '../assess';
import type { Brief } from '../model/brief';
import { editMachine } from '../model/edits';
import { fullName } from '../model/fitted';
import type { Machine } from '../model/machine';
import type { Part, PartKind } from '../parts';
import { boughtApart } from '../money/spent';
import type { Finding } from '../rules/rule';
import { editFor } from '../search/candidates';
import { correction, loudest } from '../versus/advantages';
import { getsAmount } from './amounts';
import { costLines, purchasesOf } from './costs';
import type { NotAsked, PaperOption } from './document';
import { priced } from './priced';
import type { QuoteOption, QuoteTerms } from './terms';

/** A machine of a quote with what it is judged by. */
export interface Offered {
  readonly id: string;
  readonly brief: Brief;
  readonly context: Context;
  readonly assessment: Assessment;
}

/** What-ifs are judged without the search for their best basket; what they cost is asked of those that are told. */
const judge = ({ brief, context }: Offered, machine: Machine): Assessment =>
  subjectOf(brief, quickly(context)).assess(machine);

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
function differenceOf(before: Assessment, after: Assessment, terms: QuoteTerms): number | undefined {
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

const loud = ({ findings }: Assessment): Finding[] =>
  findings.filter(({ level }) => level === 'blocks' || level === 'stops');

/** What stands against a machine that stood against none of some others. */
function brings(after: Assessment, before: readonly Assessment[]): Finding[] {
  const known = new Set(before.flatMap((each) => loud(each).map(({ key }) => key)));
  return loud(after).filter(({ key }) => !known.has(key));
}

/** Works out how far a task moves before it is told, as a share. */
const TOLD_FROM = 0.05;

/**
 * Options as differences to the quoted machines, each worked out alone, so that what is ticked adds up. Two that change the
 * same part, or that bring a conflict only together, cannot be had together; one that brings a conflict is left out, and
 * the workshop is told. `totalMinor` is the quote's.
 */
export function optionsOf(
  offered: readonly Offered[],
  options: readonly QuoteOption[],
  terms: QuoteTerms,
  totalMinor: number,
): { readonly options: PaperOption[]; readonly out: OptionOut[] } {
  const out: OptionOut[] = [];
  const made = options.flatMap((option) => {
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
    return [{ option, at, changed, after, differenceMinor }];
  });
  type Made = (typeof made)[number];
  const clash = (a: Made, b: Made): boolean => {
    if (a.at !== b.at) return false;
    if (a.option.item !== undefined && a.option.item === b.option.item) return true;
    const both = changedBy(a.changed, b.option, a.at.context);
    return !both || brings(judge(a.at, both), [a.at.assessment, a.after, b.after]).length > 0;
  };
  const clashes = new Map(made.map(({ option }) => [option.id, new Set(option.not)]));
  made.forEach((a, i) => {
    for (const b of made.slice(i + 1))
      if (clash(a, b) || a.option.not?.includes(b.option.id) === true || b.option.not?.includes(a.option.id) === true) {
        clashes.get(a.option.id)?.add(b.option.id);
        clashes.get(b.option.id)?.add(a.option.id);
      }
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
      not: [...(clashes.get(option.id) ?? [])].filter((id) => there.has(id)),
      work: changedWork(at.assessment, after),
    })),
    out,
  };
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

/** Parts of a kind that are tried for what nobody asked for: the cheapest that could do it. */
const TRIED = 10;
/** dB(A) below which nobody hears a difference. */
const QUIETER_BY = 2;

/**
 * What nobody asked for and would cost: memory that corrects errors, a second drive for what is worked on, a quieter case.
 * Each is tried on the machine under all rules; the cheapest that brings no conflict is told.
 */
export function notAskedOf(offered: Offered, terms: QuoteTerms): NotAsked[] {
  const { assessment, brief } = offered;
  const { machine, parts, catalogue, region } = assessment.facts;
  const cheapest = (kind: PartKind, wanted: (part: Part) => boolean): Part[] =>
    catalogue
      .ofKind(kind)
      .flatMap((part) => {
        const least = Math.min(...catalogue.offers(part.id, region.id).map(({ priceMinor }) => priceMinor));
        return Number.isFinite(least) && wanted(part) ? [{ part: part as Part, least }] : [];
      })
      .sort((a, b) => a.least - b.least || (a.part.id < b.part.id ? -1 : 1))
      .slice(0, TRIED)
      .map(({ part }) => part);
  /** The least difference among changes that bring no conflict and do what is meant. */
  const best = (changes: readonly { part: Part; changed: Machine }[], good: (after: Assessment) => boolean) => {
    const able = changes
      .map(({ part, changed }) => ({ part, after: judge(offered, changed) }))
      .filter(({ after }) => brings(after, [assessment]).length === 0 && good(after))
      .sort((a, b) => apart(a.after) - apart(b.after));
    const [first] = able;
    const differenceMinor = first && differenceOf(assessment, first.after, terms);
    return first && differenceMinor !== undefined
      ? { differenceMinor, part: fullName(first.part), after: first.after }
      : undefined;
  };
  const inPlaceOf = (item: string, kind: PartKind, list: readonly Part[]) =>
    list.map((part) => ({ part, changed: editMachine(machine, editFor(machine, { kind, item }, part)) }));
  const found: NotAsked[] = [];
  const kits = parts.ofKind('memory');
  const [kit] = kits;
  if (brief.mustHaves.errorCorrection !== true && correction(assessment) === false && kit) {
    const able =
      kits.length === 1
        ? best(
            inPlaceOf(
              kit.item.id,
              'memory',
              cheapest(
                'memory',
                (part) =>
                  part.kind === 'memory' &&
                  part.errorCorrection === true &&
                  part.generation === kit.part.generation &&
                  (part.modules ?? 0) * (part.moduleGiB ?? 0) >= (kit.part.modules ?? 0) * (kit.part.moduleGiB ?? 0),
              ),
            ),
            (after) => correction(after) === true,
          )
        : undefined;
    found.push({
      what: 'error-correction',
      ...(able ? { differenceMinor: able.differenceMinor, part: able.part } : {}),
    });
  }
  const working = parts.ofKind('drive').find(({ item }) => item.roles?.includes('active') === true && !item.owned);
  if (working && parts.ofKind('drive').filter(({ item }) => item.roles?.includes('active')).length === 1) {
    const again = editMachine(machine, editFor(machine, { kind: 'drive', roles: ['backup'] }, working.part));
    const able = best([{ part: working.part, changed: again }], () => true);
    if (able) found.push({ what: 'second-drive', differenceMinor: able.differenceMinor, part: able.part });
  }
  const housing = parts.one('case');
  const now = loudest(assessment);
  if (housing && now !== undefined && !housing.item.owned) {
    const able = best(
      inPlaceOf(
        housing.item.id,
        'case',
        cheapest('case', (part) => part.id !== housing.part.id),
      ),
      (after) => (loudest(after) ?? now) <= now - QUIETER_BY,
    );
    if (able)
      found.push({
        what: 'quieter',
        differenceMinor: able.differenceMinor,
        part: able.part,
        dbA: loudest(able.after) ?? now,
      });
  }
  return found;
}

/** What its parts come to bought one by one: what changes are ordered by. */
const apart = ({ facts }: Assessment): number => boughtApart(facts.price).total.landedMinor;
