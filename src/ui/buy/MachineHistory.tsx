'use client';
import { dayAfter, daysBetween } from '@/core/units/days';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import type { Basket } from '@/core/money/basket';
import type { Watch } from '@/core/money/watch';
import { shownCoins, type Currency } from '@/core/units/money';
import { coins, coinsChange, listed, number } from '@/core/words/format';
import type { HistoryView } from '@/server/contract';
import { useSeat } from '../seat/useSeat';
import { LineChart } from '../shared/Chart';
import { Value } from '../shared/Value';
import { dayWords, plotted } from './history';
import { useDraftHistory, type usePriceState } from './usePrices';
import { WatchLine } from './WatchLine';
import { Section } from '../shared/Section';

/** What the whole machine has cost by day, and a watch on it. */
export function MachineHistory({
  assessment,
  basket,
  prices,
  turn,
}: {
  assessment: Assessment;
  basket: Basket;
  prices: ReturnType<typeof usePriceState>;
  turn: unknown;
}) {
  const seat = useSeat((state) => state.bundle.seat.id);
  const draft = useSeat((state) => state.draftId);
  const watch = prices.state?.watches.find(({ what }) => what.kind === 'draft' && what.draft === draft);
  return (
    <Section
      label="Price of the machine"
      title="Price of the machine over 18 months"
      gist={watch ? 'watched' : 'not watched'}
    >
      <History assessment={assessment} watch={watch} turn={turn} />
      <WatchLine
        what={{ kind: 'draft', seat, draft }}
        name={assessment.facts.machine.name}
        watch={watch}
        nowMinor={basket.lowerBound ? undefined : basket.total.landedMinor}
        onChange={prices.reload}
      />
    </Section>
  );
}

/** The prices are read when somebody looks. */
function History({ assessment, watch, turn }: { assessment: Assessment; watch: Watch | undefined; turn: unknown }) {
  const seat = useSeat((state) => state.bundle.seat.id);
  const draft = useSeat((state) => state.draftId);
  const body = useSeat((state) => state.bundle.drafts.find((entry) => entry.id === state.draftId)?.revision);
  const loaded = useDraftHistory(seat, draft, `${String(turn)} ${body ?? ''}`);
  if (loaded.state === 'waiting') return <p className="quiet small">Reading prices …</p>;
  if (loaded.state === 'failed')
    return <p className="short small">The prices could not be read. Open the page again.</p>;
  return <Chart view={loaded.value} assessment={assessment} watch={watch} />;
}

function Chart({ view, assessment, watch }: { view: HistoryView; assessment: Assessment; watch: Watch | undefined }) {
  const { currency } = assessment.facts.price;
  const plot = plotted(view, currency, 3);
  if (plot.last === undefined)
    return (
      <p className="quiet small">
        No price history yet{view.unknown.length > 0 ? ` for ${listed(view.unknown)}` : ''}. It grows with every
        refresh.
      </p>
    );
  return (
    <>
      <LineChart
        title={`Price of ${assessment.facts.machine.name} by day, landed, ${currency}`}
        xs={plot.xs}
        lines={[{ id: 'machine', label: assessment.facts.machine.name, values: plot.values, strong: true }]}
        xTicks={plot.ticks}
        xWords={dayWords}
        yWords={(value) => number(value, 6)}
        unit={currency}
        steps
        height={170}
        tableXs={plot.tableXs}
        level={watch && { value: shownCoins(watch.targetMinor, currency), label: 'watched' }}
      />
      <p className="quiet small">
        Each part bought by itself where it was cheapest that day, at today’s shipping and tax, without coupons; gaps
        are days on which one of them could not be bought
        {view.unknown.length > 0 ? `; without ${listed(view.unknown)}` : ''}. Lowest {coins(plot.least ?? 0, currency)},
        last {coins(plot.last, currency)}.
      </p>
      <AsOf view={view} lastMinor={plot.last} today={assessment.facts.today} currency={currency} />
    </>
  );
}

/** What it cost on one day, against the last price. */
function AsOf({
  view,
  lastMinor,
  today,
  currency,
}: {
  view: HistoryView;
  lastMinor: number;
  today: string;
  currency: Currency;
}) {
  const [day, setDay] = useState(() => dayAfter(today, -365));
  const minor = view.minors[daysBetween(view.first, day)];
  return (
    <p className="sentence small" aria-label="Price as of a day">
      On{' '}
      <Value label="Price as of" editor={{ kind: 'date', value: day, onChange: (next) => setDay(next ?? today) }}>
        {day}
      </Value>{' '}
      {minor === null || minor === undefined
        ? `nothing is known of its price; what is known begins on ${view.first}.`
        : `it cost ${coins(minor, currency)}: ${coinsChange(lastMinor - minor, currency)} since then.`}
    </p>
  );
}
