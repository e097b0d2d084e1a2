'use client';

import { z } from 'zod';
import { plainText } from '@/core/parts/common';
import type { Party, QuoteTerms } from '@/core/quote/terms';
import type { Currency } from '@/core/units/money';
import { orNone, typedAmount, typedNumber } from '@/core/units/typed';
import { FormField } from '../shared/form';
import { SmallForm } from '../shared/SmallForm';

const lines = (text: string): string[] =>
  text
    .split(/[\n,]/)
    .map((line) => line.trim())
    .filter(Boolean);

const partySchema = z.object({
  name: plainText(120),
  address: z
    .string()
    .max(600)
    .refine((text) => lines(text).length <= 8, 'has more than eight lines'),
  taxNumber: z.string().trim().max(40),
  reach: z.string().trim().max(120),
});

interface EntryProps<T> {
  readonly onKeep: (entered: T) => void;
  readonly onDone: () => void;
}

/** Somebody as papers name them. */
export function PartyEntry({
  label,
  party,
  onKeep,
  onDone,
}: EntryProps<Party> & { readonly label: string; readonly party: Party | undefined }) {
  return (
    <SmallForm
      label={label}
      keep="Keep"
      schema={partySchema}
      start={{
        name: party?.name ?? '',
        address: party?.address.join(', ') ?? '',
        taxNumber: party?.taxNumber ?? '',
        reach: party?.reach ?? '',
      }}
      onDone={onDone}
      onKeep={({ name, address, taxNumber, reach }) => {
        onKeep({
          name,
          address: lines(address),
          ...(taxNumber === '' ? {} : { taxNumber }),
          ...(reach === '' ? {} : { reach }),
        });
        return undefined;
      }}
    >
      <FormField name="name" label="Name" maxLength={120} autoFocus />
      <FormField name="taxNumber" label="Tax number" maxLength={40} />
      <FormField name="address" label="Address" hint="commas part its lines" maxLength={600} />
      <FormField name="reach" label="Mail or telephone" maxLength={120} />
    </SmallForm>
  );
}

const workSchema = (currency: Currency) =>
  z.object({
    name: plainText(120),
    hours: orNone(typedNumber({ min: 0.1, max: 10_000 })),
    price: typedAmount(currency, { called: 'a price', least: 1 }),
    tax: orNone(typedNumber({ min: 0, max: 100 })),
  });

/** Work by the hour, or at one price. */
export function WorkEntry({
  currency,
  onKeep,
  onDone,
}: EntryProps<QuoteTerms['labour'][number]> & { readonly currency: Currency }) {
  return (
    <SmallForm
      label="Add work"
      keep="Add"
      schema={workSchema(currency)}
      start={{ name: '', hours: '', price: '', tax: '' }}
      onDone={onDone}
      onKeep={({ name, hours, price, tax }) => {
        onKeep({
          name,
          ...(hours === undefined ? { flatMinor: price } : { hours, hourMinor: price }),
          ...(tax === undefined ? {} : { taxRate: Math.round(tax * 1e4) / 1e6 }),
        });
        return undefined;
      }}
    >
      <FormField name="name" label="What is done" maxLength={120} autoFocus />
      <FormField name="hours" label="Hours" hint="empty for one price" inputMode="decimal" />
      <FormField
        name="price"
        label={`Price, ${currency}, before tax`}
        hint="of an hour, or of all"
        inputMode="decimal"
      />
      <FormField name="tax" label="Tax, %" hint="empty where it is taxed as goods" inputMode="decimal" />
    </SmallForm>
  );
}

const discountSchema = (currency: Currency) =>
  z
    .object({
      name: plainText(80),
      percent: orNone(typedNumber({ min: 0.0001, max: 100 })),
      amount: orNone(typedAmount(currency, { called: 'an amount', least: 1 })),
    })
    .refine(({ percent, amount }) => (percent === undefined) !== (amount === undefined), {
      path: ['percent'],
      message: 'either a share or an amount',
    });

/** What is taken off, and why. */
export function DiscountEntry({
  currency,
  onKeep,
  onDone,
}: EntryProps<NonNullable<QuoteTerms['discount']>> & { readonly currency: Currency }) {
  return (
    <SmallForm
      label="Discount"
      keep="Take it off"
      schema={discountSchema(currency)}
      start={{ name: '', percent: '', amount: '' }}
      onDone={onDone}
      onKeep={({ name, percent, amount }) => {
        if (percent !== undefined) onKeep({ name, percent: String(percent) });
        else if (amount !== undefined) onKeep({ name, amountMinor: amount });
        return undefined;
      }}
    >
      <FormField name="name" label="What for" maxLength={80} autoFocus />
      <FormField name="percent" label="Share, %" inputMode="decimal" />
      <FormField name="amount" label={`or amount, ${currency}`} inputMode="decimal" />
    </SmallForm>
  );
}
