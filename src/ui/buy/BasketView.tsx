'use client';

import Box from '@mui/material/Box';
import type { Assessment } from '@/core/assess';
import { fullName } from '@/core/model/fitted';
import { landedByItem } from '@/core/money/basket';
import type { WholeBasket } from '@/core/versus/basketFor';
import { coins, coinsChange } from '@/core/words/format';
import { whyNotWords } from '@/core/words/money';
import { BasketTable, StillLacking } from '../shared/BasketTable';

interface Props {
  readonly assessment: Assessment;
  readonly basket: WholeBasket;
  readonly chosen: string | undefined;
  readonly onChoose: (item: string) => void;
}

/** The best basket, order by order; every column adds up to its total. */
export function BasketView({ assessment, basket, chosen, onChoose }: Props) {
  const { currency } = assessment.facts.price;
  const { best, naive, single } = basket;
  const orders = best?.orders.length ?? 0;
  return (
    <>
      <h1>
        {basket.lowerBound ? 'At least ' : ''}
        {coins(basket.total.landedMinor, currency)} landed
        {orders > 0 && ` in ${orders} ${orders === 1 ? 'order' : 'orders'}`}
      </h1>
      <p className="quiet small">
        Tax and shipping in.{' '}
        {naive && best && naive.total.landedMinor > best.total.landedMinor
          ? `Each part where its price is lowest would come to ${coins(naive.total.landedMinor, currency)}: ${coins(naive.total.landedMinor - best.total.landedMinor, currency)} more, because of shipping and reductions. `
          : ''}
        {single && best && single.total.landedMinor > best.total.landedMinor
          ? `All at ${single.orders[0]?.invoice.seller.name ?? ''}: ${coins(single.total.landedMinor, currency)}. `
          : orders > 1 && !single
            ? 'No seller has everything. '
            : ''}
        {basket.afterRebateMinor < basket.total.landedMinor
          ? `After mailed rebates that can be claimed: ${coins(basket.afterRebateMinor, currency)}. `
          : ''}
        {best ? `${best.parcels} ${best.parcels === 1 ? 'parcel' : 'parcels'}` : ''}
        {best?.arrives ? `, all there by ${best.arrives}. ` : best ? ', not every seller says when it arrives. ' : ''}
        {basket.proven
          ? 'Nothing cheaper is left: every way of buying was covered.'
          : 'The search was cut short: there may be a cheaper way.'}
      </p>
      {basket.parcelsExceeded && (
        <p className="caution small">
          ◆ No way keeps to the number of parcels that the desk allows; this is the cheapest without that limit.
        </p>
      )}
      <StillLacking lacking={basket.lacking} />
      {basket.unbought.map(({ item, part, refused }) => (
        <p key={item} className="unproven small">
          ○ {part ? fullName(part) : item} has no offer here
          {refused.length > 0 &&
            `: ${refused.map(({ offer, whyNot }) => `${assessment.facts.catalogue.seller(offer.seller)?.name ?? offer.seller} ${whyNotWords(whyNot, currency)}`).join('; ')}`}
          . The total is a lower bound.
        </p>
      ))}
      <BasketTable assessment={assessment} basket={basket} chosen={chosen} onChoose={onChoose} />
      <Paid assessment={assessment} basket={basket} />
    </>
  );
}

/** What was really paid for parts that are bought already, beside what they would cost today. */
function Paid({ assessment, basket }: Pick<Props, 'assessment' | 'basket'>) {
  const { currency } = assessment.facts.price;
  const paid = assessment.facts.parts.all.filter(({ item }) => item.paid);
  if (paid.length === 0) return null;
  const today = landedByItem(basket);
  const known = paid.filter(({ item }) => today.has(item.id));
  const sum = (list: typeof paid, of: (id: string, paidMinor: number) => number) =>
    list.reduce((total, { item }) => total + of(item.id, item.paid?.landedMinor ?? 0), 0);
  const saved = sum(known, (id, minor) => (today.get(id) ?? 0) - minor);
  return (
    <Box component="p" className="small" sx={{ marginTop: '6px' }} aria-label="Paid">
      Paid already for {paid.length} {paid.length === 1 ? 'part' : 'parts'}:{' '}
      <b>
        {coins(
          sum(paid, (_, minor) => minor),
          currency,
        )}
      </b>
      , kept apart from today’s prices.
      {known.length > 0 && (
        <>
          {' '}
          Today they would cost {coinsChange(saved, currency)} against that
          {saved >= 0 ? `: ${coins(saved, currency)} saved.` : '.'}
        </>
      )}
    </Box>
  );
}
