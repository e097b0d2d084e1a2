import { contextOf } from '@/core/assess';
import { compileCatalogue } from '@/core/model/catalogue';
import { catalogueSchema } from '@/core/model/catalogueSchema';
import { usualSettings } from '@/core/model/settings';
import { costsOf } from '@/core/search/exact/costs';
import { searchFor } from '@/core/search/exact/goals';
import { partCase } from '@/core/search/exact/partCase';
import { budgetOf, workOf } from '@/core/search/exact/question';
import { repairOf } from '@/core/search/exact/repair';
import { readier } from '@/core/search/exact/searchable';
import { stabilityOf } from '@/core/search/exact/stability';
import { stepsFrom } from '@/core/search/exact/steps';
import { leastProven } from '@/core/search/exact/team';
import { teamPoints } from '@/core/search/exact/teamSearch';
import { demoCatalogue } from '@/demo/catalogue';
import { demoSeats } from '@/demo/ninefathom';
import { DEMO_TODAY } from '@/demo/seed';

/**
 * What the search tells, beside the search itself: the answers about the film desk once its frontier is known, as far as it
 * came in the time given, and eight seats under one budget. `node --import tsx bench/tell.ts [seconds for each]`.
 */
const mostMs = Number(process.argv[2] ?? 60) * 1000;
const drafts = demoSeats().flatMap((seat) => seat.drafts);
const context = contextOf(compileCatalogue(catalogueSchema.parse(demoCatalogue())), DEMO_TODAY, usualSettings, drafts);

/** What the first search took: the others are given as ratios to it too. */
let first: number | undefined;

/** Runs a search for no longer than it may: how long it took, and whether it came to its end. */
function timed<Y, T>(
  what: string,
  search: Generator<Y, T>,
  seen: (now: Y, ms: number) => void = () => undefined,
): T | Y {
  const started = performance.now();
  for (;;) {
    const next = search.next();
    const ms = performance.now() - started;
    if (!next.done) seen(next.value, ms);
    if (!next.done && ms < mostMs) continue;
    first ??= ms;
    const told = `${(ms / 1000).toFixed(2)} s, ${(ms / first).toFixed(2)} × the first`;
    console.log(`${what.padEnd(22)} ${next.done ? 'proven ' : 'stopped'} ${told}`);
    return next.value;
  }
}

const [film] = demoSeats();
if (!film) throw new Error('the demo has no seats');
const { brief } = film;
const budget = budgetOf(brief, context);
const question = workOf(brief, context);
const ready = readier(context);
timed('film, cheapest', searchFor(ready(question), 'cheapest'));
timed('film, frontier', searchFor(ready(question), 'frontier', budget));
timed('what demands cost', costsOf(question, context, ready));
const card = context.catalogue.ofKind('graphics')[40];
if (card) timed('case of a card', partCase(question, card.id, context, ready));
timed('how sure it is', stabilityOf(question, context, ready));
// of a draft that does not stand there are no steps, and of one that does nothing to mend: those end at once
for (const draft of film.drafts) {
  timed(`steps, ${draft.name}`, stepsFrom(question, draft, context, ready, budget ?? Infinity));
  timed(`mended, ${draft.name}`, repairOf(question, draft, context, ready));
}
const seats = demoSeats().map((seat) => ({ id: seat.seatId, asked: readier(context)(workOf(seat.brief, context)) }));
let [each, least]: (number | undefined)[] = [];
const most = demoSeats().reduce((all, seat) => all + (budgetOf(seat.brief, context) ?? 0), 0);
timed('eight seats', teamPoints(seats, most), (now, ms) => {
  if (now.seats.every(({ points, state }) => points.length > 0 || state === 'none')) each ??= ms;
  if (leastProven(now.seats)) least ??= ms;
});
const after = (ms: number | undefined): string =>
  ms === undefined ? 'not in that time' : `after ${(ms / 1000).toFixed(2)} s`;
console.log(`each seat has a machine ${after(each)}, the cheapest ${after(least)}`);
