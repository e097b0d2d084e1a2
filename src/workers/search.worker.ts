import * as Comlink from 'comlink';
import { quickly, subjectOf, type Context } from '@/core/assess';
import { clashOf, demandsOf } from '@/core/search/exact/clash';
import { costsOf, type Costs } from '@/core/search/exact/costs';
import { inTurn, searchFor, type InTurn, type Searching } from '@/core/search/exact/goals';
import type { FoundMachine } from '@/core/search/exact/judge';
import { matchOf } from '@/core/search/exact/match';
import { limitedBy } from '@/core/search/exact/limits';
import { partCase, type PartCase } from '@/core/search/exact/partCase';
import { budgetOf, plainQuestion, workOf, type Question } from '@/core/search/exact/question';
import { addEfforts, NO_EFFORT, type Effort } from '@/core/search/exact/ended';
import { readier, type Ready } from '@/core/search/exact/searchable';
import type { NearMachine } from '@/core/search/exact/near';
import { repairOf, type Repair } from '@/core/search/exact/repair';
import { stabilityOf, type Stability } from '@/core/search/exact/stability';
import { stepsFrom, type Steps } from '@/core/search/exact/steps';
import { briefFor, twoMachines, type Side, type TwoMachines } from '@/core/search/exact/twoMachines';
import { teamFirst, teamPoints, type SeatAsked, type TeamKnown } from '@/core/search/exact/teamSearch';
import type { FoundWords } from '@/core/words/found';
import { foundWords } from '@/core/words/foundMachine';
import { nearWords, type NearWords } from '@/core/words/near';
import { stabilityWords } from '@/core/words/stability';
import { coresWords } from '@/core/words/upgrade';
import { coresOf, type Cores } from '@/core/upgrade/cores';
import { timesFigure } from '@/core/units/money';
import { sparesTrials } from '@/core/search/spares';
import { boughtTogether } from '@/core/versus/boughtTogether';
import { goodsOf } from '@/core/model/needed';
import { load, ready } from './loaded';
import { inSlices } from './slices';
import { Turns, type Turn } from './turns';
import type {
  Ask,
  Asked,
  CoresReport,
  CostsReport,
  Line,
  PartReport,
  RepairReport,
  Report,
  SearchApi,
  StabilityReport,
  StepsReport,
  TeamAsk,
  TeamReport,
  Tell,
  Told,
  TwoReport,
} from './searchApi';

/** Time between two reports. */
const TELL_MS = 120;

/**
 * All machines that are found within this time of the cheapest are found undisturbed, while that is read; where they take
 * longer, what will be asked of it goes on beside them.
 */
const SOON_S = 5;

/** What is asked, of each kind one. */
const turns = new Turns();

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
function everySoOften<R>(tell: Tell<R>): (report: () => R, now: boolean) => Promise<void> {
  let told = 0;
  return async (report, now) => {
    if (!now && performance.now() - told <= TELL_MS) return;
    told = performance.now();
    await tell(report());
  };
}

const WAITING: Line = { state: 'waiting', found: undefined, atLeastMinor: undefined };

async function find(turn: Turn, ask: Ask, tell: Tell<Report>): Promise<void> {
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
    waits: false,
    done: false,
  };
  const telling = everySoOften(tell);
  const say = (change: Partial<Report>, now = true): Promise<void> => {
    report = { ...report, waits: false, ...change, seconds: turn.seconds() };
    return telling(() => report, now);
  };
  /**
   * Runs searches side by side, telling where they stand; undefined when they were stopped. What may be asked next goes on
   * beside them once the turn has taken `sparesFrom` seconds.
   */
  async function run(
    searches: readonly Searching[],
    standing: (now: InTurn) => Partial<Report>,
    sparesFrom = Infinity,
  ) {
    const before = report.effort;
    const far = (now: InTurn): Partial<Report> => ({ ...standing(now), effort: addEfforts(before, now.effort) });
    const came = await inSlices(inTurn(searches), turn, (now, waits) => {
      if (turn.seconds() > sparesFrom) turn.spare();
      void say({ ...far(now), waits }, waits);
    });
    await say(far(came.done ? came.value : came.last));
    return came.done ? came.value : undefined;
  }
  /** The line of a search for one machine; what is the best costs at least nothing that could be told. */
  const lineOf = ({ now, ended }: InTurn['sides'][number], bounded: boolean): Line => {
    const [machine] = ended?.found ?? [];
    if (machine) return { state: 'proven', found: rowOf(machine), atLeastMinor: machine.priceMinor };
    if (ended) return { ...WAITING, state: 'none' };
    return {
      state: 'searching',
      found: now?.best && rowOf(now.best),
      atLeastMinor: bounded ? now?.atLeastMinor : undefined,
    };
  };
  const ended = (change: Partial<Report>): Promise<void> => say({ ...change, done: true });

  const given = ask.match && matchOf(subjectOf(brief, quickly(context)).assess(ask.match));
  const work = workOf(brief, context);
  const question = around({ ...work, least: given ?? work.least }, ask, context);
  const asked = searchable(question);
  const cheapest = await run([searchFor(asked, 'cheapest')], ({ sides: [side] }) =>
    side ? { cheapest: lineOf(side, true) } : {},
  );
  if (!cheapest) return ended({ cheapest: { ...report.cheapest, state: 'stopped' } });
  const first = cheapest.sides[0]?.ended?.found[0];

  // where the work cannot be done for the money, the best is what does most of it
  const within = first && (mostMinor === undefined || first.priceMinor <= mostMinor);
  const most = mostMinor ?? (first ? timesFigure(first.priceMinor, WITHOUT_BUDGET) : undefined);
  const toSpend = within ? asked : searchable(around(plainQuestion(brief), ask, context));
  const best = mostMinor === undefined ? [] : [searchFor(toSpend, 'best', mostMinor)];
  const frontier = within ? [searchFor(asked, 'frontier', most)] : [];
  const soon = turn.seconds() + SOON_S;
  // neither waits for the other: where what is best takes long to prove, the points are there meanwhile
  const both = await run(
    [...best, ...frontier],
    ({ sides }) => {
      const [one] = best.length > 0 ? sides : [];
      const points = frontier.length > 0 ? sides.at(-1) : undefined;
      return {
        ...(one ? { best: lineOf(one, false) } : {}),
        ...(points
          ? {
              points: (points.ended?.found ?? points.now?.proven ?? []).map(rowOf),
              frontier: points.ended ? ('proven' as const) : ('searching' as const),
            }
          : {}),
      };
    },
    soon,
  );
  if (!both)
    return ended({
      best: report.best.state === 'searching' ? { ...report.best, state: 'stopped' } : report.best,
      frontier: report.frontier === 'searching' ? 'stopped' : report.frontier,
    });
  if (!first) {
    const clash = await inSlices(
      clashOf(question, context, searchable),
      turn,
      (_now, waits) => void say({ waits }, waits),
    );
    return ended(clash.done ? { clash: clash.value } : {});
  }
  return ended(within ? {} : { frontier: 'none' });
}

/**
 * Answers by a search, telling where it stands and how it ended: `going` says what is known on the way and when it is
 * stopped, `ended` what it came to.
 */
async function answer<Y, T, F extends { readonly effort: Effort }>(
  turn: Turn,
  search: Generator<Y, T>,
  tell: Tell<F & Told>,
  going: (now: Y) => F,
  ended: (value: T) => F & Partial<Told>,
): Promise<void> {
  const telling = everySoOften(tell);
  const say = (state: Told['state'], facts: () => F & Partial<Told>, now: boolean): Promise<void> =>
    telling(() => ({ state, seconds: turn.seconds(), done: SAID_LAST.has(state), ...facts() }), now);
  const came = await inSlices(
    search,
    turn,
    (now, waits) => void say(waits ? 'waiting' : 'searching', () => going(now), waits),
  );
  if (came.done) await say('proven', () => ended(came.value), true);
  else await say('stopped', () => going(came.last), true);
}

const SAID_LAST: ReadonlySet<Told['state']> = new Set(['proven', 'none', 'stopped']);

async function costs(turn: Turn, ask: Ask, tell: Tell<CostsReport>): Promise<void> {
  const context = ready();
  const question = around(workOf(ask.brief, context), ask, context);
  const count = demandsOf(question, context.catalogue).length;
  const facts = ({ cheapest, demands, effort }: Costs) => ({
    cheapestMinor: cheapest?.priceMinor,
    demands,
    count,
    effort,
  });
  await answer(turn, costsOf(question, context, questionsIn(context)), tell, facts, (costs) => ({
    ...facts(costs),
    ...(costs.cheapest ? {} : { state: 'none' as const }),
  }));
}

async function caseOf(turn: Turn, ask: Ask, tell: Tell<PartReport>): Promise<void> {
  const context = ready();
  const { brief, part = '' } = ask;
  const question = around(workOf(brief, context), ask, context);
  const wordsOf = (found: FoundMachine | undefined): FoundWords | undefined =>
    found && foundWords(found, subjectOf(brief, quickly(context)).assess(found.machine));
  const facts = ({ having, lacking, ...known }: PartCase) => ({
    ...known,
    having: wordsOf(having),
    lacking: wordsOf(lacking),
  });
  await answer(turn, partCase(question, part, context, questionsIn(context)), tell, facts, facts);
}

async function stability(turn: Turn, ask: Ask, tell: Tell<StabilityReport>): Promise<void> {
  const context = ready();
  const { brief } = ask;
  const question = around(workOf(brief, context), ask, context);
  const currency = context.catalogue.region(brief.region)?.currency;
  const facts = (now: Stability) => ({
    words: currency && stabilityWords(now, brief, currency, context),
    effort: now.effort,
  });
  await answer(turn, stabilityOf(question, context, questionsIn(context)), tell, facts, (now) => ({
    ...facts(now),
    ...(now.chosen ? {} : { state: 'none' as const }),
  }));
}

async function two(turn: Turn, ask: Ask, tell: Tell<TwoReport>): Promise<void> {
  const context = ready();
  const { brief } = ask;
  const question = around(workOf(brief, context), ask, context);
  const sideOf = ({ found, ...side }: Side) => {
    const own = briefFor(brief, new Set(side.sittings));
    return { ...side, found: foundWords(found, subjectOf(own, quickly(context)).assess(found.machine)) };
  };
  const facts = ({ two: sides, ...now }: TwoMachines) => ({
    ...now,
    two: sides && ([sideOf(sides[0]), sideOf(sides[1])] as const),
  });
  await answer(turn, twoMachines(question, context, questionsIn(context)), tell, facts, facts);
}

async function cores(turn: Turn, { from: present, brief }: Ask, tell: Tell<CoresReport>): Promise<void> {
  const context = ready();
  if (!present) throw new RangeError('no machine was named');
  const assessment = subjectOf(brief, quickly(context)).assess(present);
  const facts = ({ cores: known, ...now }: Cores) => ({ ...now, cores: coresWords(known, present) });
  await answer(turn, coresOf(assessment, context, questionsIn(context)), tell, facts, facts);
}

/** A question about a draft: its own parts are no limit. And how machines near it are told, each worked out once. */
function aboutDraft({ from: draft, ...ask }: Ask, context: Context) {
  if (!draft) throw new RangeError('no draft was named');
  const subject = subjectOf(ask.brief, quickly(context));
  const before = subject.assess(draft);
  const known = new WeakMap<FoundMachine, NearWords>();
  const wordsOf = (near: NearMachine, start?: FoundMachine): NearWords => {
    let words = known.get(near.found);
    if (!words) {
      words = nearWords(near, draft, start, [before, subject.assess(near.found.machine)], context);
      known.set(near.found, words);
    }
    return words;
  };
  return { draft, question: around(workOf(ask.brief, context), ask, context), wordsOf };
}

async function steps(turn: Turn, ask: Ask, tell: Tell<StepsReport>): Promise<void> {
  const context = ready();
  const { draft, question, wordsOf } = aboutDraft(ask, context);
  const mostMinor = ask.mostMinor ?? budgetOf(ask.brief, context) ?? Infinity;
  const facts = ({ start, up, targets, savings, ...now }: Steps) => {
    const words = (near: NearMachine): NearWords => wordsOf(near, start);
    return {
      ...now,
      start: start && { priceMinor: start.priceMinor, rank: start.rank },
      up: up.map(words),
      targets: targets.map(({ task, step }) => ({ task, step: step && words(step) })),
      savings: savings.map(words),
    };
  };
  await answer(turn, stepsFrom(question, draft, context, questionsIn(context), mostMinor), tell, facts, facts);
}

async function repair(turn: Turn, ask: Ask, tell: Tell<RepairReport>): Promise<void> {
  const context = ready();
  const { draft, question, wordsOf } = aboutDraft(ask, context);
  const facts = ({ sound, fewest, least, effort }: Repair) => ({
    sound: sound !== undefined,
    fewest: fewest && wordsOf(fewest),
    least: least && wordsOf(least),
    effort,
  });
  await answer(turn, repairOf(question, draft, context, questionsIn(context)), tell, facts, facts);
}

const seatsIn = (seats: TeamAsk['seats'], context: Context): SeatAsked[] =>
  seats.map(({ id, brief }) => ({ id, asked: questionsIn(context)(workOf(brief, context)) }));

const teamKnown = (now: TeamKnown) => now;

async function first(turn: Turn, { seats }: Pick<TeamAsk, 'seats'>, tell: Tell<TeamReport>): Promise<void> {
  await answer(turn, teamFirst(seatsIn(seats, ready())), tell, teamKnown, teamKnown);
}

async function team(turn: Turn, { seats, mostMinor }: TeamAsk, tell: Tell<TeamReport>): Promise<void> {
  await answer(turn, teamPoints(seatsIn(seats, ready()), mostMinor), tell, teamKnown, teamKnown);
}

/** Without a budget the frontier goes on to this many times the cheapest. */
const WITHOUT_BUDGET = 2;

/** Answers in its turn. */
const asked =
  <A, R>(what: Asked, answers: (turn: Turn, ask: A, tell: Tell<R>) => Promise<void>) =>
  (ask: A & Pick<Ask, 'ahead'>, tell: Tell<R>): Promise<void> =>
    turns.take(what, (turn) => answers(turn, ask, tell), ask.ahead);

const api: SearchApi = {
  load,
  find: asked('find', find),
  costs: asked('costs', costs),
  partCase: asked('partCase', caseOf),
  stability: asked('stability', stability),
  two: asked('two', two),
  cores: asked('cores', cores),
  steps: asked('steps', steps),
  repair: asked('repair', repair),
  teamFirst: asked('team', first),
  team: asked('team', team),
  together: (machines) => {
    const quick = quickly(ready());
    return Promise.resolve(
      boughtTogether(machines.map(({ brief, machine }) => subjectOf(brief, quick).assess(machine))),
    );
  },
  spares: (machines) =>
    turns.take('spares', async (turn) => {
      const context = quickly(ready());
      const came = await inSlices(sparesTrials(machines.map((seat) => ({ ...seat, context }))), turn);
      return came.done ? came.value : undefined;
    }),
  goods: ({ items }, region) => {
    const { catalogue } = ready();
    const parts = items.flatMap((item) => catalogue.part(item.part) ?? []);
    return Promise.resolve(goodsOf(parts, catalogue, region));
  },
  hasten: (what) => {
    turns.hasten(what);
    return Promise.resolve();
  },
  stop: (what) => {
    turns.stop(what);
    return Promise.resolve();
  },
};

Comlink.expose(api);
