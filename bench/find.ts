import loadSolver from 'highs';
import { contextOf } from '@/core/assess';
import { finish } from '@/core/assess/trials';
import type { FoundMachine } from '@/core/search/exact/judge';
import { compileCatalogue } from '@/core/model/catalogue';
import { usualSettings } from '@/core/model/settings';
import { catalogueSchema } from '@/core/model/catalogueSchema';
import { searchFor, type Goal, type Standing } from '@/core/search/exact/goals';
import { budgetOf, plainQuestion, workOf, type Question } from '@/core/search/exact/question';
import { searchable } from '@/core/search/exact/searchable';
import { frontierOf } from '@/core/search/exact/judge';
import { tryAll } from '@/core/search/exact/tryAll';
import { peerMarket, programmeOf, withRoom, type PeerMarket } from '@/core/tests/peer';
import { ladderMarket, measuredMarket, sharingMarket, smallMarket, streamMarket } from '@/core/tests/smallMarkets';
import { demoCatalogue } from '@/demo/catalogue';
import { demoSeats } from '@/demo/ninefathom';
import { DEMO_TODAY } from '@/demo/seed';

/**
 * The exact search: every demo seat with the full rules; against a general solver on what an integer programme can say;
 * and against every machine tried. `node --import tsx bench/find.ts [seats|peer|levels|growth|seeds] [seconds or number of seeds]`.
 */
const [, , what = 'seats', amount] = process.argv;
const seconds = (from: number): string => `${((performance.now() - from) / 1000).toFixed(2)} s`;

interface Ran {
  readonly ms: number;
  readonly firstMs: number | undefined;
  readonly proven: boolean;
  readonly standing: Standing | undefined;
  readonly points: number;
}

function run(
  question: Question,
  context: ReturnType<typeof contextOf>,
  goal: Goal,
  mostMs: number,
  most?: number,
): Ran {
  const started = performance.now();
  const search = searchFor(searchable(question, context), goal, most);
  let firstMs: number | undefined;
  let standing: Standing | undefined;
  for (;;) {
    const next = search.next();
    const ms = performance.now() - started;
    if (next.done) return { ms, firstMs, proven: true, standing, points: next.value.found.length };
    standing = next.value;
    if (standing.best && firstMs === undefined) firstMs = ms;
    if (ms > mostMs) return { ms, firstMs, proven: false, standing, points: standing.proven.length };
  }
}

function seats(): void {
  const mostMs = Number(amount ?? 60) * 1000;
  const catalogue = compileCatalogue(catalogueSchema.parse(demoCatalogue()));
  // as in the app, where results of one machine count for the others that are like it
  const context = contextOf(
    catalogue,
    DEMO_TODAY,
    usualSettings,
    demoSeats().flatMap(({ drafts }) => drafts),
  );
  for (const { seatId, brief } of demoSeats()) {
    const budget = budgetOf(brief, context);
    for (const goal of ['cheapest', 'best', 'frontier'] as const) {
      const { ms, firstMs, proven, standing, points } = run(
        workOf(brief, context),
        context,
        goal,
        mostMs,
        goal === 'cheapest' ? undefined : budget,
      );
      const { nodes = 0, assessed = 0 } = standing?.effort ?? {};
      console.log(
        `${seatId.padEnd(20)} ${goal.padEnd(9)} ${proven ? 'proven ' : 'stopped'} ${(ms / 1000).toFixed(2).padStart(6)} s  first ${firstMs === undefined ? '–' : `${firstMs.toFixed(0)} ms`}  ${points} found  ${nodes} nodes  ${assessed} assessed`,
      );
    }
  }
  console.log(`memory ${(process.memoryUsage().heapUsed / 1e6).toFixed(0)} MB`);
}

const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1] ?? NaN;

/** The general solver's optimum of a market, and the time that it takes. */
async function peerSolver(): Promise<(market: PeerMarket) => { ms: number; price: number | undefined }> {
  const solver = await loadSolver();
  return (market) => {
    const programme = programmeOf(market);
    const started = performance.now();
    const { Status, ObjectiveValue } = solver.solve(programme, { mip_rel_gap: 0, mip_abs_gap: 0, random_seed: 1 });
    return { ms: performance.now() - started, price: Status === 'Optimal' ? Math.round(ObjectiveValue) : undefined };
  };
}

/** Thirty levels of one demand, the cheapest machine for each: a frontier in the form that an integer programme has. */
async function levels(): Promise<void> {
  const solved = await peerSolver();
  for (const size of [150, 1000, 5000]) {
    const market = peerMarket(size, 1);
    const asked = Array.from({ length: LEVELS }, (_, i) => withRoom(market, 250 + Math.round((i * 3700) / LEVELS)));
    const started = performance.now();
    const prices = asked.map(
      ({ question, context }) => finish(searchFor(searchable(question, context), 'cheapest')).found[0]?.priceMinor,
    );
    const ours = performance.now() - started;
    // a solver that takes minutes a level is asked for a few, and the rest is reckoned from them
    const few = size > 1000 ? asked.filter((_, i) => i % 10 === 0) : asked;
    const theirs = few.map((each) => ({ ...solved(each), ours: prices[asked.indexOf(each)] }));
    const ms = (theirs.reduce((all, each) => all + each.ms, 0) / few.length) * LEVELS;
    const alike = theirs.filter(({ price, ours: own }) => price === own).length;
    console.log(
      `${size} parts, ${LEVELS} levels: ${alike} of ${few.length} alike; ours ${ours.toFixed(0)} ms, the solver ${ms.toFixed(0)} ms${few === asked ? '' : ` by ${few.length} of them`}: ${(ms / ours).toFixed(1)} ×`,
    );
  }
}
const LEVELS = 30;

/** How the time grows with the catalogue. */
function growth(): void {
  let before: number | undefined;
  for (const size of [1000, 2500, 5000, 10_000]) {
    const times = [1, 2, 3].map((seed) => {
      const { question, context } = peerMarket(size, seed);
      const started = performance.now();
      finish(searchFor(searchable(question, context), 'cheapest'));
      return performance.now() - started;
    });
    const ms = median(times);
    console.log(
      `${size} parts: ${ms.toFixed(0)} ms${before === undefined ? '' : `, ${(ms / before).toFixed(2)} × the size before`}; memory ${(process.memoryUsage().heapUsed / 1e6).toFixed(0)} MB`,
    );
    before = ms;
  }
}

async function peer(): Promise<void> {
  const solved = await peerSolver();
  for (const size of [150, 1000, 5000]) {
    const raw: number[] = [];
    const kept: number[] = [];
    const theirs: number[] = [];
    let same = 0;
    for (let seed = 1; seed <= 5; seed++) {
      const market = peerMarket(size, seed);
      const started = performance.now();
      const asked = searchable(market.question, market.context);
      const through = () => finish(searchFor(asked, 'cheapest')).found[0]?.priceMinor;
      const price = through();
      raw.push(performance.now() - started);
      const again = performance.now();
      through();
      kept.push(performance.now() - again);
      const other = solved(market);
      theirs.push(other.ms);
      if (other.price === price) same++;
    }
    console.log(
      `${size} parts: ${same} of 5 alike; ours ${median(raw).toFixed(1)} ms from the raw catalogue, ${median(kept).toFixed(1)} ms kept; the solver ${median(theirs).toFixed(0)} ms: ${(median(theirs) / median(raw)).toFixed(1)} × and ${(median(theirs) / median(kept)).toFixed(0)} ×`,
    );
  }
}

function seeds(): void {
  const most = Number(amount ?? 2000);
  const started = performance.now();
  let tried = 0;
  let markets = 0;
  let machines = 0;
  let wrong = 0;
  for (let seed = 10_001; markets < most; seed++) {
    const market =
      [streamMarket, smallMarket, measuredMarket, sharingMarket, smallMarket, streamMarket, ladderMarket][seed % 7] ??
      smallMarket;
    const { brief, context } = market(seed);
    const question = plainQuestion(brief);
    let all;
    try {
      all = tryAll(question, context, 400);
    } catch (error) {
      if (error instanceof RangeError) continue;
      throw error;
    }
    markets++;
    tried += all.tried;
    const points = frontierOf(all.found);
    if (points.length > 0) machines++;
    const doing = all.found.filter(({ rank }) => rank.runs === brief.tasks.length);
    const said = (list: readonly FoundMachine[]) =>
      list.map(({ priceMinor, rank }) => `${priceMinor} ${rank.runs} ${rank.percent}`).join();
    const found = (asked: Question, goal: Goal) => said(finish(searchFor(searchable(asked, context), goal)).found);
    if (
      found(question, 'frontier') !== said(points) ||
      found(question, 'best') !== said(points.slice(-1)) ||
      found(workOf(brief, context), 'cheapest') !== said(doing.slice(0, 1))
    ) {
      wrong++;
      console.log(`market ${seed} differs`);
    }
  }
  console.log(
    `${markets} markets, ${machines} with a machine, ${tried} machines tried, ${wrong} differ, ${seconds(started)}`,
  );
}

if (what === 'peer') await peer();
else if (what === 'levels') await levels();
else if (what === 'growth') growth();
else if (what === 'seeds') seeds();
else seats();
