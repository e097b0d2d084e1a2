import { contextOf } from '@/core/assess';
import { compileCatalogue } from '@/core/model/catalogue';
import { catalogueSchema } from '@/core/model/catalogueSchema';
import { demoCatalogue } from '@/demo/catalogue';
import { demoSeats } from '@/demo/ninefathom';
import { DEMO_TODAY } from '@/demo/seed';
import { searchable } from '@/core/search/exact/searchable';
import { search, type Goal } from '@/core/search/exact/search';
import { plainQuestion, everyTask } from '@/core/search/exact/question';
const data = catalogueSchema.parse(demoCatalogue());
const catalogue = compileCatalogue(data);
const context = contextOf(catalogue, DEMO_TODAY);
const [, , only = 'film', secs = '5'] = process.argv;
for (const { seatId, brief } of demoSeats()) {
  if (!seatId.startsWith(only)) continue;
  const q = { ...plainQuestion(brief), least: { tasks: everyTask(brief, context) } };
  const s = searchable(q, context);
  let shown = 0;
  const stages = s.stages.map((p) => ({ ...p, progress: (o: any, l: any) => { const r = p.progress(o, l); if (p.of.length > 4 && shown++ % 9 === 0 && shown < 200) console.log(o.flatMap((x: any) => x.items.map((i: any) => i.label + (i.roles ? `(${i.roles})` : ''))).join(', '), '\n    ', [...r].map(([t, v]) => `${t} ${(v as number).toFixed(2)}`).join(' ')); return r; } }));
  const t0 = performance.now();
  const run = search({ ...s, stages }, 'cheapest');
  let step = run.next();
  while (!step.done && performance.now() - t0 < Number(secs) * 1000) step = run.next();
}
