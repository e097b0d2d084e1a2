import { costRisk } from '@/core/quote/risk';
import { boughtFor } from '@/core/quote/quote';
import { substitutesOf } from '@/core/quote/substitutes';
import { fullName } from '@/core/model/fitted';
import type { QuoteRisk } from '../contract';
import { answering, type Refused } from '../refuse';
import { seriesOf } from '../prices/history';
import type { Service } from '../service';
import { offeringOf, seatsNow } from './compose';
import { revisionOf } from './found';

/** What prices may do to a revision while it holds, and what may stand in for parts that nobody sells. */
export async function quoteRisk(service: Service, id: string, revision: number): Promise<QuoteRisk | Refused> {
  return answering(async () => {
    const { spec, sent } = (await revisionOf(service, id, revision)).mine;
    const { subjects, spares } = await offeringOf(service, spec, sent?.seats ?? (await seatsNow(service, spec)));
    const { machines, all, purchases } = boughtFor(subjects, spares);
    const pieces = new Map<string, { name: string; count: number }>();
    for (const { facts } of all)
      for (const { item, part } of facts.parts.all) {
        if (item.owned === true || item.handPrice) continue;
        const known = pieces.get(part.id);
        pieces.set(part.id, { name: fullName(part), count: (known?.count ?? 0) + 1 });
      }
    const series = await seriesOf(service, machines[0]?.region.id ?? '', [...pieces.keys()]);
    const days = spec.terms.validDays;
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
      gone: subjects.flatMap(({ seat, ...subject }, i) => {
        const assessment = machines[i];
        return (purchases.own[i]?.unbought ?? []).flatMap(({ item, part }) =>
          part && assessment
            ? [{ name: fullName(part), seat, instead: substitutesOf({ ...subject, assessment }, item) }]
            : [],
        );
      }),
    };
  });
}
