import * as Comlink from 'comlink';
import { quickly, subjectOf, type Context } from '@/core/assess';
import { clashOf, demandsOf } from '@/core/search/exact/clash';
import { costsOf, type Costs } from '@/core/search/exact/costs';
import { searchFor, type Searching, type Standing } from '@/core/search/exact/goals';
import type { FoundMachine } from '@/core/search/exact/judge';
import { matchOf } from '@/core/search/exact/match';
import { limitedBy } from '@/core/search/exact/limits';
import { partCase, type PartCase } from '@/core/search/exact/partCase';
import { budgetOf, plainQuestion, workOf, type Question } from '@/core/search/exact/question';
import { addEfforts, NO_EFFORT, type Effort } from '@/core/search/exact/ended';
import { readier, type Ready } from '@/core/search/exact/searchable';
import { repairOf, type Mended, type Repair } from '@/core/search/exact/repair';
import { stepsFrom, type NearStep, type Steps } from '@/core/search/exact/steps';
import type { Machine } from '@/core/model/machine';
import { teamPoints, type TeamKnown } from '@/core/search/exact/teamSearch';
import { foundWords, type FoundWords } from '@/core/words/found';
import { nearWords, type NearWords } from '@/core/words/near';
import { timesFigure } from '@/core/units/money';
import { load, ready } from './loaded';
import { inSlices } from './slices';
import type {
  Ask,
  CostsReport,
  Line,
  PartReport,
  RepairReport,
  Report,
  SearchApi,
  StepsReport,
  TeamAsk,
  TeamReport,
} from './searchApi';

/** Time between two reports. */
const TELL_MS = 120;

let current: object | undefined;

/** Takes the turn of whoever is answered now; tells whether somebody else has taken it since. */
function takeTurn(): () => boolean {
  const me = {};
  current = me;
  return () => current !== me;
}

// what was answered of parts holds for the next question about the same work
let made: { readonly context: Context; readonly ready: Ready } | undefined;
function questionsIn(context: Context): Ready {
  if (made?.context !== context) made = { context, ready: readier(context) };
  return made.ready;
}

/** An ask within its limits, at its end of the predictions, with what is completed. */
const around = (asked: Question, ask: Ask, { catalogue }: Context): Question =>
  limitedBy(
    { ...asked, at: ask.at, ...(ask.from ? { from: ask.from, keep: ask.from.items } : {}) },
    ask.limits,
    catalogue,
  );

/** Tells no more often than somebody can read, unless it has to be told. */
function everySoOften<R>(tell: (report: R) => void): (report: () => R, now: boolean) => void {
  let told = 0;
  return (report, now) => {
    if (!now && performance.now() - told <= TELL_MS) return;
    told = performance.now();
    tell(report());
  };
}

const WAITING: Line = { state: 'waiting', found: undefined, atLeastMinor: undefined };

async function find(ask: Ask, tell: (report: Report) => void): Promise<void> {
  const stopped = takeTurn();
  const started = performance.now();
  const context = ready();
  const searchable = questionsIn(context);
  const { brief } = ask;
  const rows = new WeakMap<FoundMachine, FoundWords>();
  const rowOf = (found: FoundMachine): FoundWords => {
    let row = rows.get(found);
    if (!row) rows.set(found, (row = foundWords(found, subjectOf(brief, quickly(context)).assess(found.machine))));
    return row;
  };
  const mostMinor = ask.mostMinor ?? budgetOf(brief, context);
  let report: Report = {
    cheapest: WAITING,
    best: WAITING,
    points: [],
    frontier: 'waiting',
    mostMinor,
    effort: NO_EFFORT,
    seconds: 0,
    clash: undefined,
    done: false,
  };
  const telling = everySoOften(tell);
  const say = (change: Partial<Report>, now = true): void => {
    report = { ...report, ...change, seconds: (performance.now() - started) / 1000 };
    telling(() => report, now);
  };
  const lineOf = (state: Line['state'], { best, atLeastMinor }: Partial<Standing>): Line => ({
    state,
    found: best && rowOf(best),
    atLeastMinor,
  });

  /** Runs a search, telling where it stands; undefined when it was stopped. */
  async function run(search: Searching, standing: (now: Standing) => Partial<Report>) {
    const before = report.effort;
    const far = (now: Standing): Partial<Report> => ({ ...standing(now), effort: addEfforts(before, now.effort) });
    const came = await inSlices(search, stopped, (now) => say(far(now), false));
    say(came.done ? { effort: addEfforts(before, came.value.effort) } : far(came.last), !came.done);
    return came.done ? came.value.found : undefined;
  }
  const ended = (change: Partial<Report>): void => say({ ...change, done: true });

  const given = ask.match && matchOf(subjectOf(brief, quickly(context)).assess(ask.match));
  const work = workOf(brief, context);
  const question = around({ ...work, least: given ?? work.least }, ask, context);
  const asked = searchable(question);
  const cheapest = await run(searchFor(asked, 'cheapest'), (now) => ({ cheapest: lineOf('searching', now) }));
  if (!cheapest) return ended({ cheapest: { ...report.cheapest, state: 'stopped' } });
  const [first] = cheapest;
  say({
    cheapest: first
      ? { state: 'proven', found: rowOf(first), atLeastMinor: first.priceMinor }
      : { ...WAITING, state: 'none' },
  });

  // where the work cannot be done for the money, the best is what does most of it
  const within = first && (mostMinor === undefined || first.priceMinor <= mostMinor);
  const most = mostMinor ?? (first ? timesFigure(first.priceMinor, WITHOUT_BUDGET) : undefined);
  const toSpend = within ? asked : searchable(around(plainQuestion(brief), ask, context));
  if (mostMinor !== undefined) {
    const best = await run(searchFor(toSpend, 'best', mostMinor), ({ best: held }) => ({
      best: lineOf('searching', { ...(held ? { best: held } : {}) }),
    }));
    if (!best) return ended({ best: { ...report.best, state: 'stopped' } });
    const [machine] = best;
    say({
      best: machine
        ? { state: 'proven', found: rowOf(machine), atLeastMinor: machine.priceMinor }
        : { ...WAITING, state: 'none' },
    });
  }
  if (!first) {
    const clash = await inSlices(clashOf(question, context, searchable), stopped, () => say({}, false));
    return ended(clash.done ? { clash: clash.value } : {});
  }
  if (!within) return ended({ frontier: 'none' });
  const points = await run(searchFor(asked, 'frontier', most), ({ proven }) => ({
    points: proven.map(rowOf),
    frontier: 'searching',
  }));
  return points ? ended({ points: points.map(rowOf), frontier: 'proven' }) : ended({ frontier: 'stopped' });
}

async function costs(ask: Ask, tell: (report: CostsReport) => void): Promise<void> {
  const stopped = takeTurn();
  const started = performance.now();
  const context = ready();
  const question = around(workOf(ask.brief, context), ask, context);
  const count = demandsOf(question).length;
  const telling = everySoOften(tell);
  const say = (state: CostsReport['state'], { cheapest, demands, effort }: Costs): void =>
    telling(
      () => ({
        cheapestMinor: cheapest?.priceMinor,
        demands,
        count,
        state,
        effort,
        seconds: (performance.now() - started) / 1000,
        done: state !== 'searching',
      }),
      state !== 'searching',
    );
  const came = await inSlices(costsOf(question, context, questionsIn(context)), stopped, (now) =>
    say('searching', now),
  );
  if (came.done) say(came.value.cheapest ? 'proven' : 'none', came.value);
  else say('stopped', came.last);
}

async function caseOf(ask: Ask, tell: (report: PartReport) => void): Promise<void> {
  const stopped = takeTurn();
  const started = performance.now();
  const context = ready();
  const { brief, part = '' } = ask;
  const question = around(workOf(brief, context), ask, context);
  const wordsOf = (found: FoundMachine | undefined): FoundWords | undefined =>
    found && foundWords(found, subjectOf(brief, quickly(context)).assess(found.machine));
  const telling = everySoOften(tell);
  const say = (state: PartReport['state'], effort: Effort, known?: PartCase): void =>
    telling(
      () => ({
        outside: known?.outside,
        having: wordsOf(known?.having),
        lacking: wordsOf(known?.lacking),
        breakEvenMinor: known?.breakEvenMinor,
        landed: known?.landed ?? { now: undefined, even: undefined },
        state,
        effort,
        seconds: (performance.now() - started) / 1000,
        done: state !== 'searching',
      }),
      state !== 'searching',
    );
  const came = await inSlices(partCase(question, part, context, questionsIn(context)), stopped, (effort) =>
    say('searching', effort),
  );
  if (came.done) say('proven', came.value.effort, came.value);
  else say('stopped', came.last);
}

/** A machine near a draft as the page shows it; made once. */
function nearIn(ask: Ask, draft: Machine, start: () => FoundMachine | undefined, context: Context) {
  const subject = subjectOf(ask.brief, quickly(context));
  const before = subject.assess(draft);
  const known = new WeakMap<FoundMachine, NearWords>();
  return (step: NearStep | Mended): NearWords => {
    let words = known.get(step.found);
    if (!words)
      known.set(
        step.found,
        (words = nearWords(step, draft, start(), [before, subject.assess(step.found.machine)], context)),
      );
    return words;
  };
}

/** What is asked of a draft that stays what it is: its own parts are no limit. */
function draftOf(ask: Ask, context: Context): { question: Question; draft: Machine } {
  const { from, ...plain } = ask;
  if (!from) throw new RangeError('no draft was named');
  return { question: around(workOf(ask.brief, context), plain, context), draft: from };
}

async function steps(ask: Ask, tell: (report: StepsReport) => void): Promise<void> {
  const stopped = takeTurn();
  const started = performance.now();
  const context = ready();
  const { question, draft } = draftOf(ask, context);
  const telling = everySoOften(tell);
  let start: FoundMachine | undefined;
  const words = nearIn(ask, draft, () => start, context);
  const say = (state: StepsReport['state'], now: Steps): void =>
    telling(() => {
      ({ start } = now);
      return {
        start: start && { priceMinor: start.priceMinor, rank: start.rank },
        up: now.up.map(words),
        targets: now.targets.map(({ task, step }) => ({ task, step: step && words(step) })),
        savings: now.savings.map(words),
        within: now.within,
        mostMinor: now.mostMinor,
        state,
        effort: now.effort,
        seconds: (performance.now() - started) / 1000,
        done: state !== 'searching',
      };
    }, state !== 'searching');
  const mostMinor = ask.mostMinor ?? budgetOf(ask.brief, context) ?? Infinity;
  const came = await inSlices(stepsFrom(question, draft, context, questionsIn(context), mostMinor), stopped, (now) =>
    say('searching', now),
  );
  if (came.done) say('proven', came.value);
  else say('stopped', came.last);
}

async function repair(ask: Ask, tell: (report: RepairReport) => void): Promise<void> {
  const stopped = takeTurn();
  const started = performance.now();
  const context = ready();
  const { question, draft } = draftOf(ask, context);
  const telling = everySoOften(tell);
  const words = nearIn(ask, draft, () => undefined, context);
  const say = (state: RepairReport['state'], { sound, fewest, least, effort }: Repair): void =>
    telling(
      () => ({
        sound: sound !== undefined,
        fewest: fewest && words(fewest),
        least: least && words(least),
        state,
        effort,
        seconds: (performance.now() - started) / 1000,
        done: state !== 'searching',
      }),
      state !== 'searching',
    );
  const came = await inSlices(repairOf(question, draft, context), stopped, (now) => say('searching', now));
  if (came.done) say('proven', came.value);
  else say('stopped', came.last);
}

async function team(ask: TeamAsk, tell: (report: TeamReport) => void): Promise<void> {
  const stopped = takeTurn();
  const started = performance.now();
  const context = ready();
  const searchable = questionsIn(context);
  const telling = everySoOften(tell);
  const say = (state: TeamReport['state'], { seats, effort }: TeamKnown): void =>
    telling(
      () => ({
        seats,
        state,
        effort,
        seconds: (performance.now() - started) / 1000,
        done: state !== 'searching',
      }),
      state !== 'searching',
    );
  const asked = ask.seats.map(({ id, brief }) => ({ id, asked: searchable(workOf(brief, context)) }));
  const came = await inSlices(teamPoints(asked, ask.mostMinor), stopped, (now) => say('searching', now));
  if (came.done) say('proven', came.value);
  else say('stopped', came.last);
}

/** Without a budget the frontier goes on to this many times the cheapest. */
const WITHOUT_BUDGET = 2;

const api: SearchApi = {
  load,
  find,
  costs,
  partCase: caseOf,
  steps,
  repair,
  team,
  goods: ({ items }, region) => {
    const { catalogue } = ready();
    const parts = items.flatMap((item) => catalogue.part(item.part) ?? []);
    return Promise.resolve({ parts, offers: parts.flatMap(({ id }) => [...catalogue.offers(id, region)]) });
  },
  stop: () => {
    current = undefined;
    return Promise.resolve();
  },
};

Comlink.expose(api);
