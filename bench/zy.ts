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
  if (!seatId.startsWith(only)) continue;
  const q = { ...plainQuestion(brief), least: { tasks: everyTask(brief, context) } };
  const s = searchable(q, context);
  console.log(s.space.positions.map((p) => { let n = 0; while (n < 400 && p.choices.at(n)) n++; return `${p.name}:${n}`; }).join(' '));
  const stat = new Map<string, [number, number, number]>();
  const wrap = (name: string, f: any, ok: (r: any) => boolean) => (options: any) => { const t = performance.now(); const r = f(options); const e = stat.get(name) ?? [0, 0, 0]; e[0]++; if (!ok(r)) e[1]++; e[2] += performance.now() - t; stat.set(name, e); return r; };
  const probes = s.probes.map((p) => ({ ...p, holds: wrap('P ' + p.of.map((i) => s.space.positions[i].name).join('+') + ' ' + p.name, p.holds, (r) => r) }));
  const stages = s.stages.map((p) => ({ ...p, progress: wrap('S ' + p.of.map((i) => s.space.positions[i].name).join('+'), p.progress, (r) => [...q.least.tasks].every(([t, a]: any) => (r.get(t) ?? Infinity) >= a)) }));
  const t0 = performance.now();
  const run = search({ ...s, probes, stages }, goal as Goal);
  let step = run.next();
  while (!step.done && performance.now() - t0 < Number(secs) * 1000) step = run.next();
  console.log(performance.now() - t0, JSON.stringify(step.value));
  for (const [n, [c, r, ms]] of [...stat].sort((a, b) => b[1][2] - a[1][2])) console.log(n.slice(0, 110).padEnd(112), c, 'refused', r, ms.toFixed(0) + 'ms', (ms / c).toFixed(3));
}
