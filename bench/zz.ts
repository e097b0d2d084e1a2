import { contextOf } from '@/core/assess';
import { compileCatalogue } from '@/core/model/catalogue';
import { catalogueSchema } from '@/core/model/catalogueSchema';
import { demoCatalogue } from '@/demo/catalogue';
import { demoSeats } from '@/demo/ninefathom';
import { DEMO_TODAY } from '@/demo/seed';
import { searchable } from '@/core/search/exact/searchable';
import { searchFor as search, type Goal } from '@/core/search/exact/goals';
import { plainQuestion, everyTask } from '@/core/search/exact/question';
const data = catalogueSchema.parse(demoCatalogue());
const catalogue = compileCatalogue(data);
const context = contextOf(catalogue, DEMO_TODAY);
const [, , only, goal = 'cheapest', secs = '20'] = process.argv;
for (const { seatId, brief } of demoSeats()) {
  if (only && only !== 'all' && !seatId.startsWith(only)) continue;
  const t0 = performance.now();
  const q = { ...plainQuestion(brief), least: { tasks: everyTask(brief, context) }, mostMinor: goal === 'cheapest' ? undefined : brief.budgetMinor };
  const s = searchable(q, context);
  const run = search(s, goal as Goal);
  let first: number | undefined, last: any, foundText = '';
  let step = run.next();
  while (!step.done && performance.now() - t0 < Number(secs) * 1000) {
    if ((step.value.best || step.value.proven.length > 0) && first === undefined) first = performance.now() - t0;
    last = step.value;
    step = run.next();
  }
  const ms = performance.now() - t0;
  const found = step.done ? (step.value as any).found ?? [] : [...(last?.proven ?? []), ...(last?.best ? [last.best] : [])];
  console.log(seatId, step.done ? 'ended' : 'stopped', ms.toFixed(0) + ' ms', 'first', first?.toFixed(0), JSON.stringify(step.done ? step.value.effort : last?.effort), 'atLeast', last?.atLeastMinor, 'proven', last?.proven.length);
  for (const f of found) console.log('   ', f.priceMinor, JSON.stringify(f.rank), f.machine.items.map((i: any) => i.label + (i.roles ? `(${i.roles})` : '')).join(', '));
}
