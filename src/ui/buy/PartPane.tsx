'use client';

import { Fold } from '../shared/Fold';
import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import type { Assessment } from '@/core/assess';
import { fullName, type AnyFitted } from '@/core/model/fitted';
import type { Basket } from '@/core/money/basket';
import type { WaitingWorth } from '@/core/money/history';
import { invoiceOf } from '@/core/money/invoice';
import { sellerOf } from '@/core/money/landed';
import { arrivalOf, judged, listPriceOf } from '@/core/money/policy';
import { tooGood, trustOf } from '@/core/money/trust';
import { ratioOf, shownCoins, type Currency } from '@/core/units/money';
import { GRADE } from '@/core/words/findings/prices';
import { coins, number, percent } from '@/core/words/format';
import { changeWords, tooGoodWords, trustWords, whyNotWords } from '@/core/words/money';
import { kindName } from '@/core/words/names';
import { LineChart } from '../shared/Chart';
import { useSeat } from '../seat/useSeat';
import { dayWords, plotted } from './history';
import { usePartHistory, useWaiting, type usePriceState } from './usePrices';
import { WatchLine } from './WatchLine';
import { Section } from '../shared/Section';
import { HandPriceForm, PaidForm } from './PriceForms';

/** One part: its offers with what speaks against each, prices by hand and paid, its history and what waiting is worth. */
export function PartPane({
  fitted,
  assessment,
  basket,
  prices,
}: {
  fitted: AnyFitted;
  assessment: Assessment;
  basket: Basket;
  prices: ReturnType<typeof usePriceState>;
}) {
  const { part, item } = fitted;
  const { catalogue, policy, today } = assessment.facts;
  const { region } = assessment;
  const { currency } = assessment.facts.price;
  const list = listPriceOf(part, region.id);
  const all = catalogue.offers(part.id, region.id);
  const rows = judged(part, catalogue, policy)
    .map(({ offer, whyNot }) => ({
      offer,
      whyNot,
      invoice: invoiceOf(sellerOf(offer, catalogue), [{ offer, part, count: 1 }], { region, today }),
    }))
    .sort(
      (a, b) =>
        Number(a.whyNot !== undefined) - Number(b.whyNot !== undefined) ||
        a.invoice.landedMinor - b.invoice.landedMinor,
    );
  const taken = basket.best?.orders.flatMap((order) => order.items).find((entry) => entry.item === item.id)?.offer.id;
  const watch = prices.state?.watches.find(
    ({ what }) => what.kind === 'part' && what.part === part.id && what.region === region.id,
  );
  const cheapest = rows.find((row) => !row.whyNot)?.invoice.landedMinor;
  return (
    <>
      <h1>{fullName(part)}</h1>
      <p className="quiet small">
        {kindName(part.kind)}
        {list === undefined
          ? ', no list price known here'
          : `, its maker asks ${coins(list, currency)} here, ${region.pricesIncludeTax ? 'tax in' : 'before tax'}`}
      </p>
      <Box component="h2" sx={{ marginTop: '8px' }}>
        Offers, bought by themselves
      </Box>
      {rows.length === 0 && (
        <p className="quiet small">Nobody offers it in {region.name}. Set a price by hand to go on.</p>
      )}
      {rows.map(({ offer, whyNot, invoice }) => {
        const seller = catalogue.seller(offer.seller);
        const trust = trustOf(seller, today);
        const good = tooGood(offer, all, list, part.kind);
        const over = list === undefined ? undefined : ratioOf(offer.priceMinor, list) - 1;
        return (
          <Box key={offer.id} data-offer={offer.id} sx={{ borderBottom: '1px solid var(--hair)' }}>
            <Fold
              summary={
                <>
                  <Box component="span" className="spread" sx={{ display: 'flex' }}>
                    <span>
                      {offer.id === taken && <b className="carries">▲ in the basket · </b>}
                      {seller?.name ?? offer.seller}
                      {offer.condition !== 'new' && `, ${offer.condition}`}
                      <span className="quiet small"> · {GRADE[trust.grade]}</span>
                    </span>
                    <b className="num">{coins(invoice.landedMinor, currency)}</b>
                  </Box>
                  {whyNot && (
                    <Box component="span" className="caution small" sx={{ display: 'block' }}>
                      ◆ {whyNotWords(whyNot, currency)}
                    </Box>
                  )}
                  {good && (
                    <Box component="span" className="short small" sx={{ display: 'block' }}>
                      ▼ {tooGoodWords(good, currency)}
                    </Box>
                  )}
                </>
              }
            >
              <Box className="small" sx={{ padding: '4px 0 4px 14px' }}>
                <p>
                  {coins(offer.priceMinor, currency)} {region.pricesIncludeTax ? 'with tax' : 'before tax'}
                  {over === undefined ? '' : `, ${changeWords(over)} than list`}; shipping{' '}
                  {invoice.shippingUnknown ? 'not stated' : coins(invoice.shippingQuotedMinor, currency)};{' '}
                  {region.taxName} {coins(invoice.taxMinor, currency)}; landed {coins(invoice.landedMinor, currency)}
                  {invoice.coupon
                    ? `, with coupon ${invoice.coupon.id} (${coins(invoice.coupon.minor, currency)} off)`
                    : ''}
                  .
                </p>
                <p className="quiet">
                  Price of {offer.asOf}.{' '}
                  {offer.stock === undefined
                    ? 'Stock not stated.'
                    : offer.stock === 0
                      ? 'Sold out.'
                      : `${offer.stock} in stock.`}{' '}
                  {arrivalOf(offer, today) === undefined
                    ? 'Delivery not stated.'
                    : `There by ${arrivalOf(offer, today) ?? ''}.`}
                  {offer.warrantyLeftMonths === undefined
                    ? ''
                    : ` ${offer.warrantyLeftMonths} months of warranty left.`}
                  {offer.wornPercent === undefined ? '' : ` ${offer.wornPercent} % of its life used.`}
                  {invoice.massUnknown.length > 0
                    ? ' Its mass is not stated: the usual mass of its kind decides the shipping.'
                    : ''}
                </p>
                {offer.rebate && (
                  <p className="quiet">
                    Mailed rebate {coins(offer.rebate.amountMinor, currency)}, bought by {offer.rebate.until}:{' '}
                    {offer.rebate.conditions}.
                  </p>
                )}
                <p className="quiet">
                  {seller?.name ?? offer.seller}: {trust.reasons.map(trustWords).join('; ') || 'your own word'}.
                </p>
              </Box>
            </Fold>
          </Box>
        );
      })}
      <HandPriceForm fitted={fitted} currency={currency} taxIn={region.pricesIncludeTax} today={today} />
      <PaidForm fitted={fitted} currency={currency} today={today} nowMinor={cheapest} />
      <History
        part={part.id}
        name={fullName(part)}
        region={region.id}
        currency={currency}
        watchMinor={watch?.targetMinor}
      />
      <WatchLine
        what={{ kind: 'part', part: part.id, region: region.id }}
        name={fullName(part)}
        watch={watch}
        nowMinor={cheapest}
        onChange={prices.reload}
      />
      <Waiting kind={part.kind} region={region.id} />
    </>
  );
}

/** What a part has cost by day. */
function History({
  part: id,
  name,
  region,
  currency,
  watchMinor,
}: {
  part: string;
  name: string;
  region: string;
  currency: Currency;
  watchMinor: number | undefined;
}) {
  const revision = useSeat((state) => state.bundle.catalogueRevision);
  const loaded = usePartHistory(id, region, revision);
  if (loaded.state === 'waiting') return <p className="quiet small">Reading prices …</p>;
  if (loaded.state === 'failed')
    return <p className="short small">The prices could not be read. Open the page again.</p>;
  const plot = plotted(loaded.value, currency, 3);
  return (
    <Section
      label="Price history"
      title="Price over 18 months"
      gist={plot.last === undefined ? 'none yet' : `lowest ${coins(plot.least ?? 0, currency)}`}
    >
      {plot.last === undefined ? (
        <p className="quiet small">No price history yet. It grows with every refresh.</p>
      ) : (
        <>
          <LineChart
            title={`Cheapest price of ${name} by day, landed, ${currency}`}
            xs={plot.xs}
            lines={[{ id: 'part', label: name, values: plot.values, strong: true }]}
            xTicks={plot.ticks}
            xWords={dayWords}
            yWords={(value) => number(value, 5)}
            unit={currency}
            steps
            height={150}
            tableXs={plot.tableXs}
            level={watchMinor === undefined ? undefined : { value: shownCoins(watchMinor, currency), label: 'watched' }}
          />
          <p className="quiet small">
            Lowest {coins(plot.least ?? 0, currency)}, last {coins(plot.last, currency)}
            {plot.known[0] === undefined
              ? ''
              : `, ${changeWords(ratioOf(plot.last, plot.known[0]) - 1)} than at the start`}
            .
          </p>
        </>
      )}
    </Section>
  );
}

/** The wait that was most often worth it. */
function waitingGist(rows: readonly WaitingWorth[]): string {
  const [best] = [...rows].sort((a, b) => b.cheaper - a.cheaper);
  return best ? `${best.days} days: cheaper in ${percent(best.cheaper)}` : 'too little history';
}

/** What waiting has been worth on parts of this kind, with how sure that is. */
function Waiting({ kind, region }: { kind: AnyFitted['part']['kind']; region: string }) {
  const loaded = useWaiting(kind, region);
  if (loaded.state !== 'ready') return null;
  return (
    <Section label="What waiting has been worth" gist={waitingGist(loaded.value)}>
      {loaded.value.length === 0 ? (
        <p className="quiet small">There is too little history of this kind of part to say.</p>
      ) : (
        <Table>
          <TableHead>
            <TableRow>
              <TableCell scope="col">{kindName(kind)}, wait of</TableCell>
              <TableCell align="right" scope="col">
                usually
              </TableCell>
              <TableCell align="right" scope="col">
                between
              </TableCell>
              <TableCell align="right" scope="col">
                cheaper in
              </TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {loaded.value.map((row) => (
              <TableRow key={row.days}>
                <TableCell>
                  {row.days} days
                  <span className="quiet small">
                    {' '}
                    · {row.cases} cases, {row.periods} times
                  </span>
                </TableCell>
                <TableCell align="right">{changeWords(row.likely)}</TableCell>
                <TableCell align="right" className="wraps quiet">
                  {changeWords(row.low)} and {changeWords(row.high)}
                </TableCell>
                <TableCell align="right">{percent(row.cheaper)}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      )}
      <p className="quiet small">
        Eight cases in ten lie between. Parts of one time move together, so the number of times says how much this rests
        on. The past promises nothing.
      </p>
    </Section>
  );
}
