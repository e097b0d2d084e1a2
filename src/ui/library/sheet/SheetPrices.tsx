'use client';

import Box from '@mui/material/Box';
import { z } from 'zod';
import type { Currency } from '@/core/units/money';
import { typedAmount } from '@/core/units/typed';
import { coins } from '@/core/words/format';
import { setPartPrice } from '@/server/actions';
import type { PartSheet } from '@/server/contract';
import { FormField, FormLine, SchemaForm } from '../../shared/form';
import { TextButton } from '../../shared/TextButton';

const priceForm = (currency: Currency) => z.object({ price: typedAmount(currency, { called: 'a price', least: 1 }) });

/** The offers of a part in the desk's region, and a price of one's own. */
export function SheetPrices({ sheet, onChanged }: { sheet: PartSheet; onChanged: () => void }) {
  const { region, offers, part } = sheet;
  if (!region) return <p className="quiet small">The catalogue has no region yet, so no price can be named.</p>;
  return (
    <>
      <ul className="small">
        {offers.map((offer) => (
          <Box component="li" key={offer.id} className="spread" sx={{ padding: '2px 0' }}>
            <span>
              {offer.seller}, {offer.condition}, {offer.asOf}
              {offer.byHand && (
                <TextButton
                  sx={{ marginLeft: '6px' }}
                  onClick={() => void setPartPrice(part.id, undefined).then(onChanged)}
                >
                  take away
                </TextButton>
              )}
            </span>
            <span className="num">{coins(offer.landedMinor, region.currency)}</span>
          </Box>
        ))}
      </ul>
      <p className="quiet small">
        {offers.length === 0 ? `No offer in ${region.name}. ` : ''}Landed in {region.name}: tax and shipping in.
      </p>
      <SchemaForm
        schema={priceForm(region.currency)}
        start={{ price: '' }}
        onKeep={async ({ price }) => {
          const result = await setPartPrice(part.id, price);
          if (result.state === 'refused')
            return result.problems.map(({ message }) => ({ path: 'price', message: `The price ${message}.` }));
          onChanged();
          return undefined;
        }}
      >
        {({ busy }) => (
          <Box sx={{ mt: 3 }}>
            <FormLine busy={busy}>
              <FormField
                name="price"
                label={`Own price, tax ${region.pricesIncludeTax ? 'in' : 'not in'}`}
                unit={region.currency}
                inputMode="decimal"
                sx={{ width: 190 }}
              />
            </FormLine>
          </Box>
        )}
      </SchemaForm>
    </>
  );
}
