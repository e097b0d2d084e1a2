'use client';

import { FormFoot } from '../shared/FormFoot';
import { useState, type FormEvent } from 'react';
import { fullName, type AnyFitted } from '@/core/fitted';
import { landedPrice } from '@/core/money/invoice';
import { minorOf, type Currency } from '@/core/units/money';
import { coins, coinsChange } from '@/core/words/format';
import { useDraftAssessment, useSeat } from '../seat/store';

const text = (form: FormData, name: string): string => String(form.get(name) ?? '').trim();

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
  const [open, setOpen] = useState(false);
  const [message, setMessage] = useState<string>();
  const name = fullName(part);
  const keep = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    const priceMinor = minorOf(text(form, 'price'), currency);
    const shippingMinor = minorOf(text(form, 'shipping') || '0', currency);
    const reason = text(form, 'reason');
    if (priceMinor === undefined || priceMinor <= 0)
      return setMessage(`Type a price in ${currency} above 0, such as 249.90.`);
    if (shippingMinor === undefined || shippingMinor < 0) return setMessage(`Type the shipping in ${currency}, or 0.`);
    if (reason === '') return setMessage('Say why: who quoted it, or where it was seen.');
    if (/[<>]/.test(reason)) return setMessage('Leave out < and >.');
    editDraft(
      { kind: 'hand-price', item: item.id, handPrice: { priceMinor, shippingMinor, reason, on: today } },
      `Price of ${name} by hand`,
    );
    setMessage(undefined);
    setOpen(false);
  };
  return (
    <section aria-label="Price by hand" style={{ marginTop: 10 }}>
      <h2>Price by hand</h2>
      {item.handPrice && (
        <p className="small">
          <span className="caution">
            ◆ {coins(item.handPrice.priceMinor, currency)} {taxIn ? 'with tax' : 'before tax'}
          </span>
          , landed{' '}
          {coins(landedPrice(item.handPrice.priceMinor, item.handPrice.shippingMinor, region).landedMinor, currency)},
          set on {item.handPrice.on}: {item.handPrice.reason}. It counts in place of the offers.{' '}
          <button
            type="button"
            className="link"
            onClick={() => editDraft({ kind: 'hand-price', item: item.id }, `Price of ${name} by hand taken away`)}
          >
            Take it away
          </button>
        </p>
      )}
      {!open ? (
        <button type="button" className="link small" onClick={() => setOpen(true)}>
          {item.handPrice ? 'Set another' : 'Set a price by hand'}
        </button>
      ) : (
        <form onSubmit={keep} aria-label="Set a price by hand">
          <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 6 }}>
            <label className="small">
              Price, {currency}, {taxIn ? 'with tax' : 'before tax'}
              <input className="field" name="price" inputMode="decimal" autoFocus />
            </label>
            <label className="small">
              Shipping, {currency}
              <input className="field" name="shipping" inputMode="decimal" placeholder="0" />
            </label>
            <label className="small" style={{ gridColumn: '1 / -1' }}>
              Reason
              <input className="field" name="reason" maxLength={200} />
            </label>
          </div>
          <FormFoot keep="Set it" onLeave={() => setOpen(false)} message={message} />
        </form>
      )}
    </section>
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
  const [open, setOpen] = useState(false);
  const [message, setMessage] = useState<string>();
  const name = fullName(part);
  const keep = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    const landedMinor = minorOf(text(form, 'paid'), currency);
    const on = text(form, 'on') || today;
    if (landedMinor === undefined || landedMinor <= 0) return setMessage(`Type what was paid in ${currency}, above 0.`);
    if (on > today) return setMessage(`It cannot have been paid after today, ${today}.`);
    editDraft({ kind: 'paid', item: item.id, paid: { landedMinor, on } }, `${name} paid`);
    setMessage(undefined);
    setOpen(false);
  };
  return (
    <section aria-label="Really paid" style={{ marginTop: 10 }}>
      <h2>Really paid</h2>
      {item.paid && (
        <p className="small">
          {coins(item.paid.landedMinor, currency)} on {item.paid.on}, tax and shipping in.
          {nowMinor !== undefined &&
            ` Today’s cheapest is ${coins(nowMinor, currency)}: ${coinsChange(nowMinor - item.paid.landedMinor, currency)} against what was paid.`}{' '}
          <button
            type="button"
            className="link"
            onClick={() => editDraft({ kind: 'paid', item: item.id }, `${name} not paid`)}
          >
            Take it away
          </button>
        </p>
      )}
      {!open ? (
        <button type="button" className="link small" onClick={() => setOpen(true)}>
          {item.paid ? 'Correct it' : 'Keep what was paid'}
        </button>
      ) : (
        <form onSubmit={keep} aria-label="Keep what was paid">
          <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 6 }}>
            <label className="small">
              Paid, {currency}, tax and shipping in
              <input className="field" name="paid" inputMode="decimal" autoFocus />
            </label>
            <label className="small">
              On
              <input className="field" name="on" type="date" max={today} defaultValue={today} />
            </label>
          </div>
          <FormFoot keep="Keep it" onLeave={() => setOpen(false)} message={message} />
        </form>
      )}
    </section>
  );
}
