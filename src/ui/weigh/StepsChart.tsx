'use client';

import Box from '@mui/material/Box';
import { extent } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { coins, coinsOnly } from '@/core/words/format';
import type { NearWords } from '@/core/words/near';
import type { StepsReport } from '@/workers/searchApi';
import { useCurrency } from '../seat/useSeat';
import { AcrossTicks, UpTicks } from '../shared/PlotTicks';
import { useWidth } from '../shared/useWidth';

const HEIGHT = 130;
const PAD = { left: 46, right: 16, top: 10, bottom: 22 } as const;

/** Money against work through the draft: the line of its own price, and each step by how many parts it changes. */
export function StepsChart({ report: { up, savings, start } }: { report: StepsReport }) {
  const currency = useCurrency();
  const [ref, width] = useWidth<HTMLDivElement>(320, 200);
  if (!start) return null;
  const { priceMinor: startMinor, rank } = start;
  const steps: readonly NearWords[] = [...savings, ...up];
  const [low = 0, high = 1] = extent([startMinor, ...steps.map(({ found }) => found.priceMinor)]);
  const [worst = 0, best = 1] = extent([rank.percent, ...steps.map(({ found }) => found.rank.percent)]);
  const x = scaleLinear([low, Math.max(high, low + 1)], [PAD.left, width - PAD.right]);
  const y = scaleLinear([worst, Math.max(best, worst + 1)], [HEIGHT - PAD.bottom, PAD.top]).nice(3);
  return (
    <Box ref={ref} sx={{ width: '100%' }}>
      <svg
        width={width}
        height={HEIGHT}
        className="plot"
        role="img"
        aria-label={`${steps.length} machines near the draft, from ${coins(low, currency)} to ${coins(high, currency)}`}
      >
        <UpTicks values={y.ticks(3)} y={y} words={(tick) => `${tick} %`} width={width} pad={PAD} />
        <AcrossTicks values={x.ticks(3)} x={x} words={(tick) => coinsOnly(tick, currency)} height={HEIGHT} />
        <line
          x1={x(startMinor)}
          x2={x(startMinor)}
          y1={PAD.top}
          y2={HEIGHT - PAD.bottom}
          stroke="var(--quiet)"
          strokeDasharray="3 3"
        />
        {steps.map(({ found, changes }) => (
          <g key={`${found.priceMinor} ${changes.length}`}>
            <circle
              cx={x(found.priceMinor)}
              cy={y(found.rank.percent)}
              r={8}
              fill="var(--paper)"
              stroke="var(--carries)"
              strokeWidth={1.5}
            />
            <text x={x(found.priceMinor)} y={y(found.rank.percent) + 4} textAnchor="middle" fontSize={11}>
              {changes.length}
            </text>
          </g>
        ))}
        <path
          d={`M${x(startMinor)} ${y(rank.percent) - 6}l6 6l-6 6l-6 -6Z`}
          fill="var(--paper)"
          stroke="var(--ink)"
          strokeWidth={1.5}
        />
      </svg>
      <p className="quiet small">
        Across: price, {currency}. Up: mean of what the tasks reach. ◇ this draft; a number: so many parts changed.
      </p>
    </Box>
  );
}
