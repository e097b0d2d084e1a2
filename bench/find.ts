import loadSolver from 'highs';
import { contextOf } from '@/core/assess';
import { finish } from '@/core/assess/trials';
import type { FoundMachine } from '@/core/search/exact/judge';
import { compileCatalogue } from '@/core/model/catalogue';
import { catalogueSchema } from '@/core/model/catalogueSchema';
import { searchFor, type Goal, type Standing } from '@/core/search/exact/goals';
import { budgetOf, plainQuestion, workOf, type Question } from '@/core/search/exact/question';
import { searchable } from '@/core/search/exact/searchable';
import { frontierOf, tryAll } from '@/core/search/exact/tryAll';
import { peerMarket, programmeOf, type PeerMarket } from '@/core/tests/peer';
import { smallMarket, streamMarket } from '@/core/tests/smallMarkets';
import { demoCatalogue } from '@/demo/catalogue';
import { demoSeats } from '@/demo/ninefathom';
import { DEMO_TODAY } from '@/demo/seed';

/**
 * The exact search: every demo seat with the full rules; against a general solver on what an integer programme can say;
 * and against every machine tried. `node --import tsx bench/find.ts [seats|peer|seeds] [seconds or number of seeds]`.
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
  const context = contextOf(compileCatalogue(catalogueSchema.parse(demoCatalogue())), DEMO_TODAY);
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

async function peer(): Promise<void> {
  const solver = await loadSolver();
  const solved = ({ market }: { market: PeerMarket }): { ms: number; price: number | undefined } => {
    const started = performance.now();
    const { Status, ObjectiveValue } = solver.solve(programmeOf(market), {
      mip_rel_gap: 0,
      mip_abs_gap: 0,
      random_seed: 1,
    });
    return { ms: performance.now() - started, price: Status === 'Optimal' ? Math.round(ObjectiveValue) : undefined };
  };
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
      const other = solved({ market });
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
    const { brief, context } = seed % 4 === 0 ? streamMarket(seed) : smallMarket(seed);
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
else if (what === 'seeds') seeds();
else seats();
