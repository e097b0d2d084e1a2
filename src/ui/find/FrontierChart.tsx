'use client';

import Box from '@mui/material/Box';
import { extent } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { line, curveStepAfter } from 'd3-shape';
import { useState } from 'react';
import { coins, coinsOnly, percent } from '@/core/words/format';
import type { FoundRow } from '@/workers/searchApi';
import { useCurrency } from '../seat/store';
import { Press } from '../shared/Press';
import { useWidth } from '../shared/useWidth';
import { FoundSummary } from './FoundSummary';

const HEIGHT = 190;
const PAD = { left: 46, right: 30, top: 12, bottom: 26 } as const;

/** Price against performance: every machine that no other one beats. A point opens what it is. */
export function FrontierChart({
  points,
  onAdopted,
}: {
  points: readonly FoundRow[];
  onAdopted: (() => void) | undefined;
}) {
  const currency = useCurrency();
  const [ref, width] = useWidth<HTMLDivElement>(360, 280);
  const [chosen, setChosen] = useState(0);
  const [low = 0, high = 1] = extent(points, ({ priceMinor }) => priceMinor);
  const [least = 0, most = 1] = extent(points, ({ rank }) => rank.percent);
  const x = scaleLinear([low, high], [PAD.left, width - PAD.right]).nice(4);
  const y = scaleLinear([least, most], [HEIGHT - PAD.bottom, PAD.top]).nice(4);
  const steps = line<FoundRow>(
    ({ priceMinor }) => x(priceMinor),
    ({ rank }) => y(rank.percent),
  ).curve(curveStepAfter);
  const at = Math.min(chosen, points.length - 1);
  const point = points[at];
  const move = (by: number): void => setChosen(Math.max(0, Math.min(points.length - 1, at + by)));
  return (
    <Box component="section" aria-label="From the cheapest to the best">
      <h3>From the cheapest to the best</h3>
      <Box ref={ref} sx={{ width: '100%' }}>
        <svg
          width={width}
          height={HEIGHT}
          role="img"
          aria-label={`${points.length} machines that no other one beats, from ${coins(low, currency)} to ${coins(high, currency)}`}
        >
          {y.ticks(4).map((tick) => (
            <g key={tick}>
              <line x1={PAD.left} x2={width - PAD.right} y1={y(tick)} y2={y(tick)} stroke="var(--hair)" />
              <text x={PAD.left - 6} y={y(tick) + 4} textAnchor="end" className="tick">
                {tick} %
              </text>
            </g>
          ))}
          {x.ticks(4).map((tick) => (
            <text key={tick} x={x(tick)} y={HEIGHT - 8} textAnchor="middle" className="tick">
              {coinsOnly(tick, currency)}
            </text>
          ))}
          <path d={steps(points) ?? ''} fill="none" stroke="var(--carries)" strokeWidth={1.5} />
          {points.map((entry, i) => (
            <circle
              key={entry.priceMinor}
              cx={x(entry.priceMinor)}
              cy={y(entry.rank.percent)}
              r={i === at ? 6 : 4}
              fill={i === at ? 'var(--ink)' : 'var(--carries)'}
              onClick={() => setChosen(i)}
              style={{ cursor: 'pointer' }}
            />
          ))}
        </svg>
      </Box>
      <p className="quiet small">
        Across: price, {currency}. Up: mean of what the tasks reach of their targets, by importance.
      </p>
      {point && (
        <>
          <Box className="row" sx={{ gap: '8px' }}>
            <Press aria-label="The point before" onClick={() => move(-1)}>
              ‹
            </Press>
            <b className="num">
              {coins(point.priceMinor, currency)}, {percent(point.rank.percent / 100)}
            </b>
            <Press aria-label="The next point" onClick={() => move(1)}>
              ›
            </Press>
            <span className="quiet small">
              {at + 1} of {points.length}
            </span>
          </Box>
          <FoundSummary found={point} title={`Found for ${coins(point.priceMinor, currency)}`} onAdopted={onAdopted} />
        </>
      )}
    </Box>
  );
}
