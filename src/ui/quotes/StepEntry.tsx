'use client';

import { z } from 'zod';
import type { OrderLine } from '@/core/quote/order';
import { minorDigits, shownCoins, type Currency } from '@/core/units/money';
import { orNone, typedAmount, typedDay } from '@/core/units/typed';
import { FormDay, FormField } from '../shared/form';
import { SmallForm } from '../shared/SmallForm';
import type { NextStep } from './nextStep';

interface Props {
  readonly what: NextStep;
  readonly line: OrderLine;
  readonly today: string;
  readonly currency: Currency;
  readonly onKeep: (step: object) => Promise<void>;
  readonly onDone: () => void;
}

const KEEP: Readonly<Record<NextStep, string>> = {
  bought: 'Keep as bought',
  received: 'Keep as received',
  back: 'Keep as sent back',
  refund: 'Keep the refund',
};

/** What happened to a line of an order, and when. */
export function StepEntry({ what, line, today, currency, onKeep, onDone }: Props) {
  const amounts = what === 'bought' || what === 'refund' || what === 'back';
  const schema = z.object({
    on: typedDay(today),
    amount:
      what === 'bought' || what === 'refund'
        ? typedAmount(currency, { called: 'an amount', least: 0 })
        : orNone(typedAmount(currency, { called: 'an amount', least: 0 })),
  });
  const start = what === 'bought' ? shownCoins(line.expectedMinor, currency).toFixed(minorDigits(currency)) : '';
  return (
    <SmallForm
      label={`${KEEP[what]}: ${line.name}`}
      keep={KEEP[what]}
      schema={schema}
      start={{ on: line.back?.on ?? today, amount: start }}
      onDone={onDone}
      onKeep={async ({ on, amount }) => {
        const refund = amount === undefined ? {} : { refundMinor: amount };
        await onKeep(
          what === 'bought'
            ? { step: 'bought', on, paidMinor: amount ?? 0 }
            : what === 'received'
              ? { step: 'received', on }
              : { step: 'back', on, ...refund },
        );
        return undefined;
      }}
    >
      <FormDay name="on" label="On" latest={today} autoFocus />
      {amounts && (
        <FormField
          name="amount"
          label={`${what === 'bought' ? 'Paid' : 'Refunded'}, ${currency}`}
          hint={what === 'back' ? 'empty until it is refunded' : 'tax and shipping in'}
          inputMode="decimal"
        />
      )}
    </SmallForm>
  );
}
