'use client';

import Box from '@mui/material/Box';
import { extent } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { line, curveStepAfter } from 'd3-shape';
import { useState } from 'react';
import { coins, coinsOnly, percent } from '@/core/words/format';
import type { FoundWords } from '@/core/words/found';
import type { End } from '@/core/search/exact/question';
import { rankOfResults, type Rank } from '@/core/search/exact/rank';
import { assessmentOf, useCurrency, useSeat } from '../seat/store';
import { Press } from '../shared/Press';
import { useWidth } from '../shared/useWidth';
import { FoundSummary } from './FoundSummary';

const HEIGHT = 190;
/** Large enough to be hit. */
const TURN = { minWidth: 24, justifyContent: 'center', fontSize: 18 } as const;
const PAD = { left: 46, right: 30, top: 12, bottom: 26 } as const;

/** Price against performance: every machine that no other one beats. A point opens what it is. */
export function FrontierChart({
  points,
  at: end,
  onAdopted,
}: {
  points: readonly FoundWords[];
  /** Where on the predictions' bands the drafts are held against them. */
  at: End;
  onAdopted: (() => void) | undefined;
}) {
  const currency = useCurrency();
  const [ref, width] = useWidth<HTMLDivElement>(360, 280);
  const [chosen, setChosen] = useState(0);
  const drafts = useDraftPoints(end);
  const [low = 0, high = 1] = extent(points, ({ priceMinor }) => priceMinor);
  const [least = 0, most = 1] = extent([...points, ...drafts], ({ rank }) => rank.percent);
  const x = scaleLinear(
    [Math.min(low, ...drafts.map(priceOf)), Math.max(high, ...drafts.map(priceOf))],
    [PAD.left, width - PAD.right],
  ).nice(4);
  const y = scaleLinear([least, most], [HEIGHT - PAD.bottom, PAD.top]).nice(4);
  const steps = line<FoundWords>(
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
              <text x={PAD.left - 6} y={y(tick) + 4} textAnchor="end" className="quiettext">
                {tick} %
              </text>
            </g>
          ))}
          {x.ticks(4).map((tick) => (
            <text key={tick} x={x(tick)} y={HEIGHT - 8} textAnchor="middle" className="quiettext">
              {coinsOnly(tick, currency)}
            </text>
          ))}
          {drafts.map(({ name, priceMinor, rank }) => (
            <g key={name}>
              <path
                d={`M${x(priceMinor)} ${y(rank.percent) - 6}l6 6l-6 6l-6 -6Z`}
                fill="var(--paper)"
                stroke="var(--ink)"
                strokeWidth={1.5}
              />
              <text
                x={x(priceMinor) + (x(priceMinor) > width / 2 ? -10 : 10)}
                y={y(rank.percent) + 4}
                textAnchor={x(priceMinor) > width / 2 ? 'end' : 'start'}
                className="quiettext"
              >
                {name}
              </text>
            </g>
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
        {drafts.length > 0 ? ' ◇ drafts of this seat.' : ''}
      </p>
      {point && (
        <>
          <Box className="row" sx={{ gap: '8px' }}>
            <Press aria-label="The point before" sx={TURN} onClick={() => move(-1)}>
              ‹
            </Press>
            <b className="num">
              {coins(point.priceMinor, currency)}, {percent(point.rank.percent / 100)}
            </b>
            <Press aria-label="The next point" sx={TURN} onClick={() => move(1)}>
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

interface DraftPoint {
  readonly name: string;
  readonly priceMinor: number;
  readonly rank: Rank;
}
const priceOf = ({ priceMinor }: DraftPoint): number => priceMinor;

/** The seat's drafts that have a price, as points. */
function useDraftPoints(at: End): DraftPoint[] {
  const drafts = useSeat((state) => state.bundle.drafts);
  const brief = useSeat((state) => state.bundle.brief.body);
  const context = useSeat((state) => state.context);
  return drafts.flatMap(({ body }): DraftPoint[] => {
    if (body.items.length === 0 || body.present === true) return [];
    const { facts, tasks } = assessmentOf(body, brief, context);
    const { total, lowerBound } = facts.spent();
    if (lowerBound) return [];
    return [{ name: body.name, priceMinor: total.landedMinor, rank: rankOfResults(brief, tasks, at) }];
  });
}
