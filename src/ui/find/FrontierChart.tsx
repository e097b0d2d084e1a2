'use client';

import Box from '@mui/material/Box';
import Slider from '@mui/material/Slider';
import { extent } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { line, curveStepAfter } from 'd3-shape';
import { useState } from 'react';
import type { End } from '@/core/search/exact/question';
import { ratioOf } from '@/core/units/money';
import { coins, coinsOnly, percent } from '@/core/words/format';
import type { FoundWords } from '@/core/words/found';
import { useCurrency } from '../seat/useSeat';
import { AcrossTicks, UpTicks } from '../shared/PlotTicks';
import { Press } from '../shared/Press';
import { useWidth } from '../shared/useWidth';
import { FoundSummary, type Look } from './FoundSummary';
import { useMarks, type Mark } from './marks';

const HEIGHT = 190;
/** Large enough to be hit. */
const TURN = { minWidth: 24, justifyContent: 'center', fontSize: 18 } as const;
const PAD = { left: 46, right: 30, top: 12, bottom: 26 } as const;

/** What costs more than this times the dearest of the others stays off the chart. */
const FAR = 2;

type Range = readonly [low: number, high: number];

/** Price against performance: every machine that no other one beats, in a range of prices. A point opens what it is. */
export function FrontierChart({
  points: all,
  at: end,
  look,
}: {
  points: readonly FoundWords[];
  /** Where on the predictions' bands other machines are held against them. */
  at: End;
  look: Look;
}) {
  const currency = useCurrency();
  const [ref, width] = useWidth<HTMLDivElement>(360, 280);
  const [chosen, setChosen] = useState<number>();
  const [brushed, setBrushed] = useState<Range>();
  const others = useMarks(end);
  // as long as nobody chose a range: where there is a choice
  const [first = 0, last = 1] = extent([...all, ...others.filter(({ what }) => what === 'draft')], (m) => m.priceMinor);
  const marks = others.filter(({ priceMinor }) => ratioOf(priceMinor, last) <= FAR);
  const [least = 0, most = 1] = extent([...all, ...marks], ({ priceMinor }) => priceMinor);
  const [low, high] = brushed ?? [first, last];
  const within = ({ priceMinor }: { readonly priceMinor: number }): boolean => priceMinor >= low && priceMinor <= high;
  const points = all.filter(within);
  const seen = marks.filter(within).sort((a, b) => a.priceMinor - b.priceMinor);
  const [worst = 0, best = 1] = extent([...points, ...seen], ({ rank }) => rank.percent);
  const x = scaleLinear([low, high], [PAD.left, width - PAD.right]);
  const y = scaleLinear([worst, Math.max(best, worst + 1)], [HEIGHT - PAD.bottom, PAD.top]).nice(4);
  const steps = line<FoundWords>(
    ({ priceMinor }) => x(priceMinor),
    ({ rank }) => y(rank.percent),
  ).curve(curveStepAfter);
  const at = Math.max(
    0,
    points.findIndex(({ priceMinor }) => priceMinor === chosen),
  );
  const point = points[at];
  const move = (by: number): void =>
    setChosen(points[Math.max(0, Math.min(points.length - 1, at + by))]?.priceMinor ?? chosen);
  return (
    <Box component="section" aria-label="From the cheapest to the best">
      <h3>From the cheapest to the best</h3>
      <Box ref={ref} sx={{ width: '100%' }}>
        <svg
          width={width}
          height={HEIGHT}
          role="img"
          className="plot"
          aria-label={`${points.length} machines that no other one beats, from ${coins(low, currency)} to ${coins(high, currency)}${seen.length > 0 ? `; beside them ${seen.map(({ name }) => name).join(', ')}` : ''}`}
        >
          <UpTicks values={y.ticks(4)} y={y} words={(tick) => `${tick} %`} width={width} pad={PAD} />
          <AcrossTicks values={x.ticks(4)} x={x} words={(tick) => coinsOnly(tick, currency)} height={HEIGHT} />
          {seen.map((mark, i) => (
            <OneMark
              key={`${mark.what} ${mark.name}`}
              mark={mark}
              x={x(mark.priceMinor)}
              y={y(mark.rank.percent)}
              left={x(mark.priceMinor) > width / 2}
              // two that are close would write over each other
              below={i % 2 === 1}
            />
          ))}
          <path d={steps(points) ?? ''} fill="none" stroke="var(--carries)" strokeWidth={1.5} />
          {points.map((entry, i) => (
            <circle
              key={entry.priceMinor}
              cx={x(entry.priceMinor)}
              cy={y(entry.rank.percent)}
              r={i === at ? 6 : 4}
              fill={i === at ? 'var(--ink)' : 'var(--carries)'}
              onClick={() => setChosen(entry.priceMinor)}
              style={{ cursor: 'pointer' }}
            />
          ))}
        </svg>
      </Box>
      <Box className="row" sx={{ gap: '18px', paddingLeft: `${PAD.left}px`, paddingRight: `${PAD.right}px` }}>
        <span className="small num">
          {coinsOnly(low, currency)} to {coinsOnly(high, currency)}
        </span>
        <Slider
          size="small"
          value={[low, high]}
          min={least}
          max={most}
          step={Math.max(1, Math.round((most - least) / 200))}
          // it goes from the cheapest to the dearest that there is, the chart as far as its thumbs say
          marks={[least, most].map((value) => ({ value, label: coinsOnly(value, currency) }))}
          getAriaLabel={(thumb) => (thumb === 0 ? 'Prices from' : 'Prices up to')}
          getAriaValueText={(minor) => coins(minor, currency)}
          onChange={(_event, next) => {
            const [from = low, to = high] = Array.isArray(next) ? next : [];
            // no less than one step is left to look at
            if (to > from) setBrushed([from, to]);
          }}
        />
      </Box>
      <p className="quiet small">
        Across: price, {currency}; the slider says from where to where. Up: mean of what the tasks reach of their
        targets, by importance.{seen.some(({ what }) => what === 'draft') ? ' ◇ drafts of this seat.' : ''}
        {marks.some(({ what }) => what === 'rival') ? ' □ branded machines.' : ''}
        {marks.length < others.length ? ` ${others.length - marks.length} more cost over ${FAR} times as much.` : ''}
      </p>
      {point ? (
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
          <FoundSummary found={point} title={`Found for ${coins(point.priceMinor, currency)}`} look={look} />
        </>
      ) : (
        <p className="quiet small">None of the machines that no other one beats has such a price.</p>
      )}
    </Box>
  );
}

/** A machine beside the frontier: a draft under its name, a branded one that tells its name when it is pointed at. */
function OneMark({
  mark: { what, name },
  x,
  y,
  left,
  below,
}: {
  mark: Mark;
  x: number;
  y: number;
  left: boolean;
  below: boolean;
}) {
  return (
    <g>
      <title>{name}</title>
      <path
        d={what === 'draft' ? `M${x} ${y - 6}l6 6l-6 6l-6 -6Z` : `M${x - 4} ${y - 4}h8v8h-8Z`}
        fill="var(--paper)"
        stroke={what === 'draft' ? 'var(--ink)' : 'var(--quiet)'}
        strokeWidth={1.5}
      />
      {what === 'draft' && (
        <text
          x={x + (left ? -10 : 10)}
          y={y + (below ? 18 : 4)}
          textAnchor={left ? 'end' : 'start'}
          className="quiettext"
        >
          {name}
        </text>
      )}
    </g>
  );
}
