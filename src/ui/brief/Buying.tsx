'use client';

import { minorOfShown, shownCoins } from '@/core/units/money';
import { coins } from '@/core/words/format';
import { useCurrency } from '../seat/useSeat';
import { Num } from '../shared/phrases';
import { Value } from '../shared/Value';
import type { EditingTerms } from './editing';

const HOUR = {
  label: 'An hour of waiting',
  explains: 'What an hour of this person costs: runs that take longer cost it, over the years of service.',
};
const CEILING = {
  label: 'Over list price',
  explains: "Offers further above the maker's list price are not bought, as long as others are left.",
};

/** By when it is needed, what an hour costs, and the most over a list price. */
export function Buying({ brief, edit }: EditingTerms) {
  const currency = useCurrency();
  return (
    <>
      {' '}
      Everything is needed{' '}
      <Value
        label="Needed by"
        editor={{
          kind: 'date',
          value: brief.neededBy,
          onChange: (day) =>
            edit(
              day === undefined
                ? { kind: 'unset-figure', figure: 'neededBy' }
                : { kind: 'set-figures', figures: { neededBy: day } },
              'Needed by',
            ),
        }}
      >
        {brief.neededBy === undefined ? 'when it comes' : `by ${brief.neededBy}`}
      </Value>
      ; an hour of waiting costs{' '}
      <Num
        label="An hour of waiting"
        value={brief.hourMinor === undefined ? undefined : shownCoins(brief.hourMinor, currency)}
        unit={currency}
        min={0}
        max={10_000}
        optional
        figure={HOUR}
        onChange={(value) =>
          edit(
            value === undefined
              ? { kind: 'unset-figure', figure: 'hourMinor' }
              : { kind: 'set-figures', figures: { hourMinor: minorOfShown(value, currency) } },
            'An hour of waiting',
          )
        }
      >
        {brief.hourMinor === undefined ? 'nothing that is known' : coins(brief.hourMinor, currency)}
      </Num>
      ; parts cost{' '}
      <Num
        label="Over list price"
        value={brief.overListPercent}
        unit="%"
        min={0}
        max={300}
        optional
        figure={CEILING}
        onChange={(value) =>
          edit(
            value === undefined
              ? { kind: 'unset-figure', figure: 'overListPercent' }
              : { kind: 'set-figures', figures: { overListPercent: value } },
            'Over list price',
          )
        }
      >
        {brief.overListPercent === undefined
          ? 'what they cost'
          : `at most ${brief.overListPercent} % over their list price`}
      </Num>
      .
    </>
  );
}
