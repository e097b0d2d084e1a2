'use client';

import Box from '@mui/material/Box';
import { TextButton } from '../shared/TextButton';
import { fullName, type AnyFitted } from '@/core/model/fitted';
import { landedPrice } from '@/core/money/invoice';
import type { Currency } from '@/core/units/money';
import { coins, coinsChange } from '@/core/words/format';
import { later, opening } from '../shared/later';
import { Opener } from '../shared/Opener';
import { useDraftAssessment } from '../seat/moment';
import { useSeat } from '../seat/useSeat';

// what is opened now and then is fetched then
const HandPriceEntry = later(() => import('./PriceEntries').then((module) => module.HandPriceEntry), {
  meanwhile: opening,
});
const PaidEntry = later(() => import('./PriceEntries').then((module) => module.PaidEntry), { meanwhile: opening });

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
      <Opener label={item.handPrice ? 'Set another' : 'Set a price by hand'}>
        {(close) => (
          <HandPriceEntry
            currency={currency}
            taxIn={taxIn}
            onDone={close}
            onKeep={({ price: priceMinor, shipping: shippingMinor, reason }) => {
              const handPrice = { priceMinor, shippingMinor, reason, on: today };
              editDraft({ kind: 'hand-price', item: item.id, handPrice }, `Price of ${name} by hand`);
            }}
          />
        )}
      </Opener>
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
      <Opener label={item.paid ? 'Correct it' : 'Keep what was paid'}>
        {(close) => (
          <PaidEntry
            currency={currency}
            today={today}
            onDone={close}
            onKeep={({ paid: landedMinor, on }) =>
              editDraft({ kind: 'paid', item: item.id, paid: { landedMinor, on } }, `${name} paid`)
            }
          />
        )}
      </Opener>
    </Box>
  );
}
