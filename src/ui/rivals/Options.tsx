'use client';

import Box from '@mui/material/Box';
import { ChoiceButton } from '../shared/ChoiceButton';
import { settledOptions } from '@/core/versus/configure';
import type { Comparison } from '@/core/versus/rivals';
import { coinsChange } from '@/core/words/format';
import { useBrief } from '../seat/moment';
import { useCurrency, useSeat } from '../seat/useSeat';

/** What may be ordered with a branded machine; what is taken belongs to the seat's brief. */
export function Options({ comparison }: { comparison: Comparison }) {
  const editBrief = useSeat((state) => state.editBrief);
  const currency = useCurrency();
  const region = useBrief().region;
  const { rival, options: taken } = comparison.side;
  const options = rival.options ?? [];
  if (options.length === 0) return null;
  const has = new Set(taken.map((option) => option.id));
  const toggle = (id: string) => {
    const ids = taken.map((option) => option.id);
    const next = has.has(id) ? ids.filter((other) => other !== id) : [...ids, id];
    editBrief(
      {
        kind: 'rival-options',
        rival: rival.id,
        options: settledOptions(rival, next).map((option) => option.id),
      },
      `${rival.options?.find((option) => option.id === id)?.name ?? id} ${has.has(id) ? 'left out of' : 'with'} ${rival.maker} ${rival.name}`,
    );
  };
  return (
    <Box className="row wrap" role="group" aria-label="Options" sx={{ margin: '6px 0' }}>
      <span className="quiet small">as ordered with</span>
      {options.map((option) => {
        const price = option.prices.find((entry) => entry.region === region)?.minor;
        return (
          <ChoiceButton
            key={option.id}
            chosen={has.has(option.id)}
            disabled={price === undefined}
            onClick={() => toggle(option.id)}
          >
            {option.name}
            <span className="quiet">
              {price === undefined ? 'not sold here' : `${coinsChange(price, currency)} ${currency}`}
            </span>
          </ChoiceButton>
        );
      })}
    </Box>
  );
}
