import { smallMarket } from '@/core/tests/smallMarkets';
import { tryAll, frontierOf } from '@/core/search/exact/tryAll';
import { searchable } from '@/core/search/exact/searchable';
import { searchFor as search } from '@/core/search/exact/goals';
import { plainQuestion, everyTask } from '@/core/search/exact/question';
const [, , from = '1', to = '20'] = process.argv;
let tried = 0, possible = 0, bad = 0, skipped = 0;
for (let seed = Number(from); seed <= Number(to); seed++) {
  const { brief, context } = smallMarket(seed);
  for (const goal of ['cheapest', 'frontier', 'best'] as const) {
    const q = { ...plainQuestion(brief), least: { tasks: goal === 'cheapest' ? everyTask(brief, context) : new Map() } };
    let all;
    try { all = tryAll(q as any, context, 1200); } catch (e) { skipped++; break; }
    tried += all.tried;
    const points = frontierOf(all.found);
    const want = goal === 'cheapest' ? points.slice(0, 1) : goal === 'frontier' ? points : points.slice(-1);
    const run = search(searchable(q as any, context), goal);
    let step = run.next();
    while (!step.done) step = run.next();
    const got = step.value.found;
    const text = (l: any) => l.map((f: any) => `${f.priceMinor}/${f.rank.runs}/${f.rank.percent}`).join(' ');
    if (want.length) possible++;
    if (text(want) !== text(got)) { bad++; console.log('seed', seed, goal, 'size', all.tried, 'found', all.found.length, '\n  want', text(want), '\n  got ', text(got), '\n', want[0]?.machine.items.map((i: any) => i.part + (i.roles ?? '')).join(' ')); }
  }
}
console.log({ tried, possible, bad, skipped });
