'use client';

import Box from '@mui/material/Box';
import { scaleLinear } from 'd3-scale';
import { curveStepAfter, line } from 'd3-shape';
import { plainNumber } from '@/core/units/money';
import { waitingStairs } from '@/core/versus/waitingStairs';
import { coins, coinsOnly } from '@/core/words/format';
import { stairsWords, type FoundWords } from '@/core/words/found';
import { useBrief } from '../seat/moment';
import { useCurrency } from '../seat/useSeat';
import { AcrossTicks, UpTicks } from '../shared/PlotTicks';
import { useWidth } from '../shared/useWidth';

const HEIGHT = 110;
const PAD = { left: 62, right: 16, top: 10, bottom: 22 } as const;
/** The chart goes on past the last stair, so that it can be seen. */
const PAST = 1.3;

/** What an hour of waiting has to be worth for the next machine to pay: one stair each. */
export function WaitingCounted({ points, whole }: { points: readonly FoundWords[]; whole: boolean }) {
  const currency = useCurrency();
  const { hourMinor } = useBrief();
  const [ref, width] = useWidth<HTMLDivElement>(360, 200);
  const stairs = waitingStairs(points);
  const last = stairs.at(-1);
  if (!last) return null;
  const most = Math.max(1, last.fromMinor, hourMinor === undefined ? 0 : plainNumber(hourMinor)) * PAST;
  const prices = stairs.map(({ machine }) => plainNumber(machine.priceMinor));
  const x = scaleLinear([0, most], [PAD.left, width - PAD.right]);
  const y = scaleLinear([Math.min(...prices), Math.max(...prices)], [HEIGHT - PAD.bottom, PAD.top]);
  const steps = line<readonly [worth: number, price: number]>(
    ([worth]) => x(worth),
    ([, price]) => y(price),
  ).curve(curveStepAfter);
  const path = stairs.map(({ machine, fromMinor }) => [fromMinor, plainNumber(machine.priceMinor)] as const);
  return (
    <Box component="section" aria-label="Waiting counted">
      <h3>Waiting counted</h3>
      {stairsWords(stairs, currency).map((sentence) => (
        <p key={sentence} className="small">
          {sentence}
        </p>
      ))}
      {stairs.length > 1 && (
        <Box ref={ref} sx={{ width: '100%' }}>
          <svg
            width={width}
            height={HEIGHT}
            className="plot"
            role="img"
            aria-label={`What an hour is worth, up to ${coins(Math.round(most), currency)}, against the machine that costs least over the years: ${stairs.length} stairs`}
          >
            <UpTicks values={prices} y={y} words={(price) => coinsOnly(price, currency)} width={width} pad={PAD} />
            <AcrossTicks values={x.ticks(4)} x={x} words={(tick) => coinsOnly(tick, currency)} height={HEIGHT} />
            {hourMinor !== undefined && (
              <line
                x1={x(plainNumber(hourMinor))}
                x2={x(plainNumber(hourMinor))}
                y1={PAD.top}
                y2={HEIGHT - PAD.bottom}
                stroke="var(--quiet)"
                strokeDasharray="3 3"
              />
            )}
            <path
              d={steps([...path, [most, path.at(-1)?.[1] ?? 0]]) ?? ''}
              fill="none"
              stroke="var(--carries)"
              strokeWidth={2}
            />
          </svg>
        </Box>
      )}
      <p className="quiet small">
        Over the years of service: price, energy, repairs and resale, and the hours that somebody waits. Of the machines
        above{whole ? '' : ', as far as they are found'}.
        {hourMinor === undefined || stairs.length === 1
          ? ''
          : ` Dashed: ${coins(hourMinor, currency)}, as the brief has it.`}
      </p>
    </Box>
  );
}
