import { contextOf } from '@/core/assess';
import { compileCatalogue } from '@/core/model/catalogue';
import { catalogueSchema } from '@/core/model/catalogueSchema';
import { demoCatalogue } from '@/demo/catalogue';
import { demoSeats } from '@/demo/ninefathom';
import { DEMO_TODAY } from '@/demo/seed';
import { searchable } from '@/core/search/exact/searchable';
import { search } from '@/core/search/exact/search';
import { plainQuestion, everyTask } from '@/core/search/exact/question';
import { assess } from '@/core/assess';
import { pageBasket } from '@/core/money/pageBasket';
const data = catalogueSchema.parse(demoCatalogue());
const catalogue = compileCatalogue(data);
const context = contextOf(catalogue, DEMO_TODAY);
for (const { seatId, brief } of demoSeats()) {
  if (!/office|rig|plank/.test(seatId)) continue;
  const s = searchable({ ...plainQuestion(brief), least: { tasks: everyTask(brief, context) } }, context);
  const run = search(s, 'cheapest');
  let step = run.next();
  while (!step.done) step = run.next();
  const m = (step.value as any).found[0];
  const a = assess(m.machine, brief, context);
  const sum = m.machine.items.reduce((all: number, i: any) => all + s.prices.of(catalogue.part(i.part)!)!, 0);
  const b = pageBasket(a.facts.price, a.facts.parts, catalogue, a.region, a.facts.policy);
  console.log(seatId, 'price', m.priceMinor, 'sum of least', sum, 'once', s.prices.onceMinor, 'apart', a.facts.price.total.landedMinor);
  for (const o of b.best!.orders) console.log('   ', o.invoice.seller.id, o.invoice.shippingMinor, o.invoice.coupon?.minor, o.invoice.landedMinor, o.invoice.lines.length);
  for (const i of m.machine.items) console.log('     ', i.label, s.prices.of(catalogue.part(i.part)!), catalogue.offers(i.part, brief.region).map((o) => `${o.seller.slice(0, 5)} ${o.priceMinor} x${o.stock ?? '-'} ${o.condition}`).join(', '));
}
