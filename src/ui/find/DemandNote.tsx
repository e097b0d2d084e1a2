'use client';

import { coins } from '@/core/words/format';
import { costMatters, costWords, demandWords } from '@/core/words/found';
import { useBrief } from '../seat/moment';
import { useCurrency } from '../seat/useSeat';
import { costing } from './questions';

/** What a task's target costs, beside it; nothing as long as it was not worked out. */
export function TargetNote({ task }: { task: string }) {
  const currency = useCurrency();
  const report = costing.useLast();
  const cost = report?.demands.find(({ demand }) => demand.code === 'target' && demand.task === task);
  if (!cost || report?.cheapestMinor === undefined || !costMatters(cost, report.cheapestMinor)) return null;
  return <p className="quiet small unprinted">Its target {costWords(cost, report.cheapestMinor, currency)}.</p>;
}

/** What all demands but the targets cost that cost something, in a line. */
export function TermsNote() {
  const currency = useCurrency();
  const brief = useBrief();
  const report = costing.useLast();
  const { cheapestMinor, demands = [] } = report ?? {};
  if (cheapestMinor === undefined) return null;
  const told = demands.filter((cost) => cost.demand.code !== 'target' && costMatters(cost, cheapestMinor));
  if (told.length === 0) return null;
  return (
    <p className="quiet small unprinted">
      Of {coins(cheapestMinor, currency)}, the cheapest that does it:{' '}
      {told.map((cost) => `${demandWords(cost.demand, brief)} ${costWords(cost, cheapestMinor, currency)}`).join('; ')}.
    </p>
  );
}
