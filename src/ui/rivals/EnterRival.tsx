'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { z } from 'zod';
import { rivalSchema } from '@/core/model/rivals';
import type { Currency } from '@/core/units/money';
import { typedAmount, typedNumber } from '@/core/units/typed';
import { makeRival } from '@/server/actions';
import { useDraft } from '../seat/moment';
import { useCurrency, useSeat } from '../seat/useSeat';
import { FormField } from '../shared/form';
import { FormTick } from '../shared/FormTick';
import { useNotices } from '../shared/Notices';
import { SmallForm } from '../shared/SmallForm';

const LONGEST_WARRANTY = 240;

const enteredForm = (currency: Currency) =>
  z.object({
    maker: rivalSchema.shape.maker,
    name: rivalSchema.shape.name,
    priceMinor: typedAmount(currency, { called: 'a price', least: 1 }),
    shippingMinor: typedAmount(currency, { called: 'the shipping', least: 0, none: 0 }),
    warrantyMonths: typedNumber({ min: 1, max: LONGEST_WARRANTY, unit: 'months', whole: true }),
    onSite: z.boolean(),
  });

/** Makes the draft that is shown a branded machine: its parts, with what its maker asks and promises. */
export function EnterRival({ onDone }: { onDone: () => void }) {
  const draft = useDraft();
  const seatId = useSeat((state) => state.bundle.seat.id);
  const draftId = useSeat((state) => state.draftId);
  const refresh = useSeat((state) => state.refresh);
  const currency = useCurrency();
  const tell = useNotices();
  return (
    <Box sx={{ mt: 2 }}>
      <SmallForm
        label="Enter a branded machine"
        keep="Enter it"
        refused="It cannot be entered yet"
        schema={enteredForm(currency)}
        start={{ maker: '', name: '', priceMinor: '', shippingMinor: '0', warrantyMonths: '36', onSite: false }}
        onDone={onDone}
        onKeep={async (entered) => {
          const result = await makeRival({ seatId, draftId, ...entered });
          if (result.state === 'refused') return result.problems;
          tell(`${entered.maker} ${entered.name} is entered.`);
          await refresh();
          return undefined;
        }}
      >
        <Typography variant="h3" sx={{ gridColumn: '1 / -1' }}>
          Enter a branded machine
        </Typography>
        <Typography variant="body2" color="text.secondary" sx={{ gridColumn: '1 / -1' }}>
          Its parts are those of {draft.name}. Parts that its maker does not publish: let the nearest known part stand
          in, in the draft.
        </Typography>
        <FormField name="maker" label="Maker" autoFocus />
        <FormField name="name" label="Model" />
        <FormField name="priceMinor" label={`Price, ${currency}, as quoted here`} inputMode="decimal" />
        <FormField name="shippingMinor" label={`Shipping, ${currency}`} inputMode="decimal" />
        <FormField name="warrantyMonths" label="Warranty" unit="months" inputMode="numeric" />
        <FormTick name="onSite" label="repaired on site" />
      </SmallForm>
    </Box>
  );
}
