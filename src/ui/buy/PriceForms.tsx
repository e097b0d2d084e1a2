'use client';

import { Entry } from '../shared/Entry';
import Box from '@mui/material/Box';
import { TextButton } from '../shared/TextButton';
import { fullName, type AnyFitted } from '@/core/model/fitted';
import { landedPrice } from '@/core/money/invoice';
import { minorOf, type Currency } from '@/core/units/money';
import { coins, coinsChange, coinsOnly } from '@/core/words/format';
import { OpenForm } from '../shared/OpenForm';
import { useDraftAssessment, useSeat } from '../seat/store';

/** Sets a price by hand with its reason, or takes it away; it counts until then. */
export function HandPriceForm({
  fitted: { item, part },
  currency,
  taxIn,
  today,
}: {
  fitted: AnyFitted;
  currency: Currency;
  taxIn: boolean;
  today: string;
}) {
  const editDraft = useSeat((state) => state.editDraft);
  const { region } = useDraftAssessment();
  const name = fullName(part);
  const keep = (text: (field: string) => string): string | undefined => {
    const priceMinor = minorOf(text('price'), currency);
    const shippingMinor = minorOf(text('shipping') || '0', currency);
    const reason = text('reason');
    if (priceMinor === undefined || priceMinor <= 0)
      return `Type a price in ${currency} above 0, such as ${coinsOnly(24_990, currency)}.`;
    if (shippingMinor === undefined || shippingMinor < 0) return `Type the shipping in ${currency}, or 0.`;
    if (reason === '') return 'Say why: who quoted it, or where it was seen.';
    if (/[<>]/.test(reason)) return 'Leave out < and >.';
    const handPrice = { priceMinor, shippingMinor, reason, on: today };
    editDraft({ kind: 'hand-price', item: item.id, handPrice }, `Price of ${name} by hand`);
    return undefined;
  };
  return (
    <Box component="section" aria-label="Price by hand" sx={{ marginTop: '10px' }}>
      <h2>Price by hand</h2>
      {item.handPrice && (
        <p className="small">
          <span className="caution">
            ◆ {coins(item.handPrice.priceMinor, currency)} {taxIn ? 'with tax' : 'before tax'}
          </span>
          , landed{' '}
          {coins(landedPrice(item.handPrice.priceMinor, item.handPrice.shippingMinor, region).landedMinor, currency)},
          set on {item.handPrice.on}: {item.handPrice.reason}. It counts in place of the offers.{' '}
          <TextButton
            onClick={() => editDraft({ kind: 'hand-price', item: item.id }, `Price of ${name} by hand taken away`)}
          >
            Take it away
          </TextButton>
        </p>
      )}
      <OpenForm
        opener={item.handPrice ? 'Set another' : 'Set a price by hand'}
        label="Set a price by hand"
        keep="Set it"
        onKeep={keep}
      >
        <label className="small">
          Price, {currency}, {taxIn ? 'with tax' : 'before tax'}
          <Entry name="price" inputMode="decimal" autoFocus />
        </label>
        <label className="small">
          Shipping, {currency}
          <Entry name="shipping" inputMode="decimal" placeholder="0" />
        </label>
        <Box component="label" className="small" sx={{ gridColumn: '1 / -1' }}>
          Reason
          <Entry name="reason" maxLength={200} />
        </Box>
      </OpenForm>
    </Box>
  );
}

/** What was really paid, tax and shipping in; kept apart from today's price. */
export function PaidForm({
  fitted: { item, part },
  currency,
  today,
  nowMinor,
}: {
  fitted: AnyFitted;
  currency: Currency;
  today: string;
  nowMinor: number | undefined;
}) {
  const editDraft = useSeat((state) => state.editDraft);
  const name = fullName(part);
  const keep = (text: (field: string) => string): string | undefined => {
    const landedMinor = minorOf(text('paid'), currency);
    const on = text('on') || today;
    if (landedMinor === undefined || landedMinor <= 0) return `Type what was paid in ${currency}, above 0.`;
    if (on > today) return `It cannot have been paid after today, ${today}.`;
    editDraft({ kind: 'paid', item: item.id, paid: { landedMinor, on } }, `${name} paid`);
    return undefined;
  };
  return (
    <Box component="section" aria-label="Really paid" sx={{ marginTop: '10px' }}>
      <h2>Really paid</h2>
      {item.paid && (
        <p className="small">
          {coins(item.paid.landedMinor, currency)} on {item.paid.on}, tax and shipping in.
          {nowMinor !== undefined &&
            ` Today’s cheapest is ${coins(nowMinor, currency)}: ${coinsChange(nowMinor - item.paid.landedMinor, currency)} against what was paid.`}{' '}
          <TextButton onClick={() => editDraft({ kind: 'paid', item: item.id }, `${name} not paid`)}>
            Take it away
          </TextButton>
        </p>
      )}
      <OpenForm
        opener={item.paid ? 'Correct it' : 'Keep what was paid'}
        label="Keep what was paid"
        keep="Keep it"
        onKeep={keep}
      >
        <label className="small">
          Paid, {currency}, tax and shipping in
          <Entry name="paid" inputMode="decimal" autoFocus />
        </label>
        <label className="small">
          On
          <Entry name="on" type="date" max={today} defaultValue={today} />
        </label>
      </OpenForm>
    </Box>
  );
}
