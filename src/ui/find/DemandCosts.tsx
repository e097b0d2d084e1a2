'use client';

import Box from '@mui/material/Box';
import { max } from 'd3-array';
import { scaleLinear, type ScaleLinear } from 'd3-scale';
import type { DemandCost } from '@/core/search/exact/costs';
import { plainNumber } from '@/core/units/money';
import { tookWords } from '@/core/words/effort';
import { coins } from '@/core/words/format';
import { costMatters, costWords, demandsWords, demandWords } from '@/core/words/found';
import type { Ask, CostsReport } from '@/workers/searchApi';
import { useBrief } from '../seat/moment';
import { useCurrency } from '../seat/useSeat';
import { useWidth } from '../shared/useWidth';
import { AskButton, NotAsked, Working } from './AskButton';
import { costing } from './questions';

const BAR = 12;
/** Room at both ends, so that no bar is cut. */
const MARGIN = 2;

/** What letting go of a demand saves, and what a step tighter adds; nothing where no machine does it. */
const savedBy = ({ without }: DemandCost, cheapestMinor: number): number =>
  plainNumber(cheapestMinor) - plainNumber(without.priceMinor);
const addedBy = ({ tighter }: DemandCost, cheapestMinor: number): number =>
  tighter?.found ? plainNumber(tighter.found.priceMinor) - plainNumber(cheapestMinor) : 0;

/** What drives the price: each demand let go alone, and asked a step tighter alone. */
export function DemandCosts({ ask, topic }: { ask: Omit<Ask, 'brief'>; topic: string }) {
  const asked = costing.useAsked(ask, topic, true);
  const { report, failed, running } = asked;
  return (
    <Box component="section" aria-label="What each demand costs" sx={{ marginTop: '8px' }}>
      <Box className="spread">
        <h3>What each demand costs</h3>
        <AskButton label="Work it out" asked={asked} />
      </Box>
      {!report && !running && !failed && (
        <p className="quiet small">
          Each is let go alone, and asked a step tighter alone; the cheapest machine is looked for each time. A search
          that is under way goes on after it.
        </p>
      )}
      <NotAsked failed={failed} />
      {running && (
        <Working
          label="Demands looked at"
          waits={report?.state === 'waiting'}
          {...(report ? { share: report.demands.length / Math.max(1, report.count) } : {})}
        />
      )}
      {report && <Costs report={report} />}
    </Box>
  );
}

function Costs({ report }: { report: CostsReport }) {
  const currency = useCurrency();
  const brief = useBrief();
  const [ref, width] = useWidth<HTMLDivElement>(360, 200);
  const { cheapestMinor, demands, count, state, effort, seconds } = report;
  if (cheapestMinor === undefined)
    return (
      <p className="quiet small">
        {state === 'none'
          ? 'No machine meets them all, so none of them has a price; what clashes stands above.'
          : 'The cheapest machine that meets them all comes first.'}
      </p>
    );
  const priced = demands
    .filter((cost) => costMatters(cost, cheapestMinor))
    .sort((a, b) => savedBy(b, cheapestMinor) - savedBy(a, cheapestMinor));
  const free = demands.filter((cost) => !priced.includes(cost));
  const saved = max(priced, (cost) => savedBy(cost, cheapestMinor)) ?? 0;
  const added = max(priced, (cost) => addedBy(cost, cheapestMinor)) ?? 0;
  const x = scaleLinear([-saved, Math.max(added, 1)], [MARGIN, width - MARGIN]);
  return (
    <Box ref={ref}>
      <p className="quiet small" role={report.done ? 'status' : undefined}>
        Beside {coins(cheapestMinor, currency)}, the cheapest that meets them all. {demands.length} of {count} looked at
        {report.done ? `, ${tookWords(effort, seconds)}` : ''}.
      </p>
      {priced.length > 0 && (
        <p className="quiet small">Left of the line: what letting go saves. Right: what a step tighter adds.</p>
      )}
      <ul>
        {priced.map((cost) => (
          <Box component="li" key={demandWords(cost.demand, brief)} sx={{ padding: '4px 0' }}>
            <p className="small">
              <b>{capital(demandWords(cost.demand, brief))}</b> {costWords(cost, cheapestMinor, currency)}.
            </p>
            <Bars saved={savedBy(cost, cheapestMinor)} added={addedBy(cost, cheapestMinor)} x={x} width={width} />
          </Box>
        ))}
      </ul>
      {free.length > 0 && (
        <p className="small">
          Nothing is paid for{' '}
          {demandsWords(
            free.map(({ demand }) => demand),
            brief,
          )}
          , also a step tighter.
        </p>
      )}
    </Box>
  );
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** The same as its sentence, to be compared at a glance. */
function Bars({
  saved,
  added,
  x,
  width,
}: {
  saved: number;
  added: number;
  x: ScaleLinear<number, number>;
  width: number;
}) {
  return (
    <svg width={width} height={BAR + 4} aria-hidden="true">
      <rect x={x(-saved)} y={2} width={x(0) - x(-saved)} height={BAR} fill="var(--carries)" />
      <rect x={x(0)} y={2} width={x(added) - x(0)} height={BAR} fill="var(--short)" />
      <line x1={x(0)} x2={x(0)} y1={0} y2={BAR + 4} stroke="var(--ink)" />
    </svg>
  );
}
