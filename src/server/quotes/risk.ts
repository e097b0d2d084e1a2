import { contextOf } from '@/core/assess';
import { costRisk } from '@/core/quote/risk';
import { substitutesOf } from '@/core/quote/substitutes';
import { fullName } from '@/core/model/fitted';
import { readQuote } from '@/store/quoteStore';
import type { QuoteRisk } from '../contract';
import { answering, refuse, type Refused } from '../refuse';
import { seriesOf } from '../prices/history';
import { todayOf, type Service } from '../service';
import * as projects from '@/store/projectStore';
import { compose } from './compose';

export async function quoteRisk(service: Service, id: string, revision: number): Promise<QuoteRisk | Refused> {
  return answering(async () => {
    const mine = (await readQuote(service.db, id))?.revisions.find((each) => each.revision === revision);
    if (!mine) refuse('quote', 'is not there any more');
    const { machines, bought, quote, purchases } = await compose(service, mine.spec);
    const pieces = new Map<string, { name: string; count: number }>();
    for (const { facts } of bought)
      for (const { item, part } of facts.parts.all) {
        if (item.owned === true || item.handPrice) continue;
        const known = pieces.get(part.id);
        pieces.set(part.id, { name: fullName(part), count: (known?.count ?? 0) + 1 });
      }
    const region = machines[0]?.region.id ?? '';
    const series = await seriesOf(service, region, [...pieces.keys()]);
    const days = mine.spec.terms.validDays;
    const context = contextOf((await service.catalogue()).compiled, await todayOf(service), await service.settings());
    const gone: QuoteRisk['gone'][number][] = [];
    for (const [at, machine] of machines.entries()) {
      const seat = await projects.readSeat(service.db, mine.spec.subjects[at]?.seat ?? '');
      for (const { item, part } of purchases.own[at]?.unbought ?? [])
        if (part && seat)
          gone.push({
            name: fullName(part),
            seat: quote.machines[at]?.seat,
            instead: substitutesOf({ id: '', assessment: machine, brief: seat.brief.body, context }, item),
          });
    }
    return {
      state: 'told' as const,
      days,
      risk: costRisk(
        [...pieces].flatMap(([part, { name, count }]) => {
          const known = series.get(part);
          return known ? [{ name, count, series: known }] : [];
        }),
        days,
      ),
      gone,
    };
  });
}
