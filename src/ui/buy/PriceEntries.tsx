'use client';

import { z } from 'zod';
import { plainText } from '@/core/parts/common';
import type { Currency } from '@/core/units/money';
import { typedAmount, typedDay } from '@/core/units/typed';
import { FormDay, FormField } from '../shared/form';
import { SmallForm } from '../shared/SmallForm';

const LONGEST_REASON = 200;

const handPriceForm = (currency: Currency) =>
  z.object({
    price: typedAmount(currency, { called: 'a price', least: 1 }),
    shipping: typedAmount(currency, { called: 'the shipping', least: 0, none: 0 }),
    reason: plainText(LONGEST_REASON),
  });

interface HandPriceEntryProps {
  readonly currency: Currency;
  readonly taxIn: boolean;
  readonly onKeep: (entered: z.infer<ReturnType<typeof handPriceForm>>) => void;
  readonly onDone: () => void;
}

/** A price that somebody was told. */
export function HandPriceEntry({ currency, taxIn, onKeep, onDone }: HandPriceEntryProps) {
  return (
    <SmallForm
      label="Set a price by hand"
      keep="Set it"
      schema={handPriceForm(currency)}
      start={{ price: '', shipping: '', reason: '' }}
      onDone={onDone}
      onKeep={(entered) => {
        onKeep(entered);
        return undefined;
      }}
    >
      <FormField
        name="price"
        label={`Price, ${currency}, ${taxIn ? 'with tax' : 'before tax'}`}
        inputMode="decimal"
        autoFocus
      />
      <FormField name="shipping" label={`Shipping, ${currency}`} inputMode="decimal" placeholder="0" />
      <FormField
        name="reason"
        label="Reason"
        hint="who quoted it, or where it was seen"
        maxLength={LONGEST_REASON}
        sx={{ gridColumn: '1 / -1' }}
      />
    </SmallForm>
  );
}

const paidForm = (currency: Currency, today: string) =>
  z.object({
    paid: typedAmount(currency, { called: 'what was paid', least: 1 }),
    on: typedDay(today),
  });

interface PaidEntryProps {
  readonly currency: Currency;
  readonly today: string;
  readonly onKeep: (entered: z.infer<ReturnType<typeof paidForm>>) => void;
  readonly onDone: () => void;
}

/** What was paid, and when. */
export function PaidEntry({ currency, today, onKeep, onDone }: PaidEntryProps) {
  return (
    <SmallForm
      label="Keep what was paid"
      keep="Keep it"
      schema={paidForm(currency, today)}
      start={{ paid: '', on: today }}
      onDone={onDone}
      onKeep={(entered) => {
        onKeep(entered);
        return undefined;
      }}
    >
      <FormField name="paid" label={`Paid, ${currency}, tax and shipping in`} inputMode="decimal" autoFocus />
      <FormDay name="on" label="On" latest={today} />
    </SmallForm>
  );
}
