import type { Context } from '../../assess';
import { demandsOf, without, type Demand } from './clash';
import { judge, type FoundMachine } from './judge';
import type { Question } from './question';
import { MET } from '../../units/band';
import { cheapest } from './search';
import { addEfforts, foundIn, NO_EFFORT, toItsEnd, type Effort } from './ended';
import { isDecisive, readier, type Ready, type Searchable } from './searchable';

/** What a demand is a step tighter: so many times its target or limit, or a figure in its place. */
export type Step = { readonly times: number } | { readonly to: number; readonly unit: string };

/** What a demand costs. Money is landed, in minor units of the brief's region. */
export interface DemandCost {
  readonly demand: Demand;
  /** The cheapest machine without it, never dearer than with it. */
  readonly without: FoundMachine;
  /** The cheapest machine a step tighter; left out where a demand has no steps, without a machine where nothing does it. */
  readonly tighter?: { readonly step: Step; readonly found: FoundMachine | undefined };
}

/** What all demands of a question cost beside the cheapest machine that meets them; undefined when there is none. */
export interface Costs {
  readonly cheapest: FoundMachine | undefined;
  readonly demands: readonly DemandCost[];
  readonly effort: Effort;
}

/** Rates of networks that are sold, Gb/s. */
const NETWORKS = [1, 2.5, 5, 10, 25, 40, 50, 100] as const;
const MORE = 1.1;
const LESS = 0.9;
/** A step of noise that is heard, dB(A). */
const QUIETER = 3;

/** A question with a demand a step tighter; undefined where it has no steps. */
export function tighter(question: Question, demand: Demand): { question: Question; step: Step } | undefined {
  const { brief, least, mostFor } = question;
  const mustHave = (figure: 'noiseDbA' | 'volumeL' | 'networkGbitPerS', to: number, step: Step) => ({
    question: { ...question, brief: { ...brief, mustHaves: { ...brief.mustHaves, [figure]: to } } },
    step,
  });
  switch (demand.code) {
    case 'target': {
      const asked = least.tasks.get(demand.task) ?? 0;
      // what has no target only has to run
      if (asked < MET) return undefined;
      const tasks = new Map(least.tasks).set(demand.task, asked * MORE);
      return { question: { ...question, least: { ...least, tasks } }, step: { times: MORE } };
    }
    case 'must-have': {
      const { noiseDbA, volumeL, networkGbitPerS } = brief.mustHaves;
      if (demand.what === 'noiseDbA' && noiseDbA !== undefined && noiseDbA > QUIETER)
        return mustHave('noiseDbA', noiseDbA - QUIETER, { to: noiseDbA - QUIETER, unit: 'dB(A)' });
      if (demand.what === 'volumeL' && volumeL !== undefined)
        return mustHave('volumeL', volumeL * LESS, { times: LESS });
      if (demand.what === 'networkGbitPerS' && networkGbitPerS !== undefined) {
        const next = NETWORKS.find((rate) => rate > networkGbitPerS);
        return next && mustHave('networkGbitPerS', next, { to: next, unit: 'Gb/s' });
      }
      return undefined;
    }
    case 'share': {
      const most = mostFor[demand.share];
      if (most === undefined) return undefined;
      const less = Math.floor(most * LESS);
      return { question: { ...question, mostFor: { ...mostFor, [demand.share]: less } }, step: { times: LESS } };
    }
    default:
      return undefined;
  }
}

/**
 * What each demand of a question costs: it is let go alone, and asked for a step tighter alone, and the cheapest machine
 * looked for each time, exactly. Stepped by its caller; what is told on the way holds.
 */
export function* costsOf(
  question: Question,
  context: Context,
  ready: Ready = readier(context),
): Generator<Costs, Costs> {
  let effort = NO_EFFORT;
  const demands: DemandCost[] = [];
  const known: { base?: FoundMachine } = {};
  const told = (now: Effort): Costs => ({
    cheapest: known.base,
    demands: [...demands],
    effort: addEfforts(effort, now),
  });
  /** Whether a machine does what a question asks as well, at the price that it is known at. */
  const doesToo = (found: FoundMachine, harder: Question): boolean => {
    const judged = judge(ready(harder).subject.assess(found.machine), harder);
    return judged.kind === 'found' && judged.found.priceMinor === found.priceMinor;
  };
  /** The cheapest machine of a question; `stands` is one that is known to do what it asks. */
  function* cheapestOf(search: Searchable, stands?: FoundMachine): Generator<Costs, FoundMachine | undefined> {
    if (stands) search.found.push(stands);
    const end = yield* toItsEnd(cheapest(search, stands ? { mostMinor: stands.priceMinor } : {}), told);
    effort = addEfforts(effort, end.effort);
    return foundIn(end);
  }
  // held, since what it refused is asked about to the end: others may be asked meanwhile, and it be forgotten there
  const asked = ready(question);
  const base = yield* cheapestOf(asked);
  if (!base) return told(NO_EFFORT);
  known.base = base;
  for (const demand of demandsOf(question, context.catalogue)) {
    // what nothing was refused for alone, nothing cheaper comes from; else nothing dearer than what meets all is looked for
    const idle = demand.code === 'target' && !isDecisive(asked, demand.task);
    const found = idle ? base : yield* cheapestOf(ready(without(question, demand)), base);
    const harder = tighter(question, demand);
    demands.push({
      demand,
      without: found ?? base,
      ...(harder
        ? {
            tighter: {
              step: harder.step,
              found: doesToo(base, harder.question) ? base : yield* cheapestOf(ready(harder.question)),
            },
          }
        : {}),
    });
    yield told(NO_EFFORT);
  }
  return told(NO_EFFORT);
}
