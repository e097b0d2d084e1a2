import * as Comlink from 'comlink';
import { quickly, subjectOf } from '@/core/assess';
import { clashOf, type Clash } from '@/core/search/exact/clash';
import { searchFor, type Searching, type Standing } from '@/core/search/exact/goals';
import type { FoundMachine } from '@/core/search/exact/judge';
import { matchOf } from '@/core/search/exact/match';
import { budgetOf, plainQuestion, workOf, type Question } from '@/core/search/exact/question';
import { addEfforts, NO_EFFORT } from '@/core/search/exact/search';
import { searchable } from '@/core/search/exact/searchable';
import { foundWords } from '@/core/words/found';
import { timesFigure } from '@/core/units/money';
import { load, ready } from './loaded';
import type { Ask, FoundRow, Line, Report, SearchApi } from './searchApi';

/** Time between two looks at whether somebody else wants a turn, and between two reports. */
const SLICE_MS = 25;
const TELL_MS = 120;

let current: object | undefined;

const breath = () => new Promise((resolve) => setTimeout(resolve));

const WAITING: Line = { state: 'waiting', found: undefined, atLeastMinor: undefined };

async function find(ask: Ask, tell: (report: Report) => void): Promise<void> {
  const me = {};
  current = me;
  const stopped = () => current !== me;
  const started = performance.now();
  const context = ready();
  const { brief } = ask;
  const rows = new WeakMap<FoundMachine, FoundRow>();
  const rowOf = (found: FoundMachine): FoundRow => {
    let row = rows.get(found);
    if (row) return row;
    const assessment = subjectOf(brief, quickly(context)).assess(found.machine);
    const parts = assessment.facts.parts.all.map(({ part }) => part);
    const offers = parts.flatMap(({ id }) => [...context.catalogue.offers(id, brief.region)]);
    row = { ...foundWords(found, assessment), parts, offers };
    rows.set(found, row);
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
  let told = 0;
  const say = (change: Partial<Report>, now = true): void => {
    report = { ...report, ...change, seconds: (performance.now() - started) / 1000 };
    if (now || performance.now() - told > TELL_MS) {
      told = performance.now();
      tell(report);
    }
  };
  const lineOf = (state: Line['state'], { best, atLeastMinor }: Partial<Standing>): Line => ({
    state,
    found: best && rowOf(best),
    atLeastMinor,
  });

  /** Runs a search in slices, telling where it stands; undefined when it was stopped. */
  async function run(search: Searching, standing: (now: Standing) => Partial<Report>) {
    const before = report.effort;
    let until = performance.now() + SLICE_MS;
    for (;;) {
      const next = search.next();
      if (next.done) {
        say({ effort: addEfforts(before, next.value.effort) }, false);
        return next.value.found;
      }
      if (performance.now() < until) continue;
      say({ ...standing(next.value), effort: addEfforts(before, next.value.effort) }, false);
      await breath();
      if (stopped()) {
        say({ ...standing(next.value), effort: addEfforts(before, next.value.effort) });
        return undefined;
      }
      until = performance.now() + SLICE_MS;
    }
  }
  const ended = (change: Partial<Report>): void => say({ ...change, done: true });

  const given = ask.match && matchOf(subjectOf(brief, quickly(context)).assess(ask.match));
  const work = workOf(brief, context);
  const question: Question = { ...work, keep: ask.keep, at: ask.at, least: given ?? work.least };
  const asked = searchable(question, context);
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
  const toSpend = within ? asked : searchable({ ...plainQuestion(brief), keep: ask.keep, at: ask.at }, context);
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
    const clash = await explained(question);
    return ended(clash ? { clash } : {});
  }
  if (!within) return ended({ frontier: 'none' });
  const points = await run(searchFor(asked, 'frontier', most), ({ proven }) => ({
    points: proven.map(rowOf),
    frontier: 'searching',
  }));
  return points ? ended({ points: points.map(rowOf), frontier: 'proven' }) : ended({ frontier: 'stopped' });

  async function explained(impossible: Question): Promise<Clash | undefined> {
    const trials = clashOf(impossible, context);
    for (let until = performance.now() + SLICE_MS; ;) {
      const next = trials.next();
      if (next.done) return next.value;
      if (performance.now() < until) continue;
      say({}, false);
      await breath();
      if (stopped()) return undefined;
      until = performance.now() + SLICE_MS;
    }
  }
}

/** Without a budget the frontier goes on to this many times the cheapest. */
const WITHOUT_BUDGET = 2;

const api: SearchApi = {
  load,
  find,
  stop: () => {
    current = undefined;
    return Promise.resolve();
  },
};

Comlink.expose(api);
