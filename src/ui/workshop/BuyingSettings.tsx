'use client';

import { type Settings, TRUST_FLOORS, type TrustFloor } from '@/core/model/settings';
import { minorOfShown, shownCoins, type Currency } from '@/core/units/money';
import { Num, Pick } from '../shared/phrases';
import { Value } from '../shared/Value';

const FLOOR: Readonly<Record<TrustFloor, string>> = {
  any: 'anybody',
  'little-known': 'sellers that are little known or better',
  trusted: 'trusted sellers only',
};
const CONDITIONS = {
  new: { label: 'new parts', list: ['new'] },
  refurbished: { label: 'new and refurbished parts', list: ['new', 'refurbished'] },
  used: { label: 'new, refurbished and used parts', list: ['new', 'refurbished', 'used'] },
} as const;
type Conditions = keyof typeof CONDITIONS;
const MOST_PARCEL = 10_000;

/** How the desk buys, and what it reckons with over the years. */
export function BuyingSettings({
  settings,
  currency,
  save,
}: {
  settings: Settings;
  currency: Currency;
  save: (next: Settings) => void;
}) {
  const conditions: Conditions = settings.conditions.includes('used')
    ? 'used'
    : settings.conditions.includes('refurbished')
      ? 'refurbished'
      : 'new';
  const { parcels, refreshHours, ...rest } = settings;
  const number = (
    label: string,
    value: number | undefined,
    unit: string,
    most: number,
    explains: string,
    keep: (value: number) => Settings,
  ) => (
    <Num
      label={label}
      value={value}
      unit={unit}
      max={most}
      figure={{ label, explains }}
      onChange={(next) => next !== undefined && save(keep(next))}
    />
  );
  return (
    <p className="sentence">
      The desk buys{' '}
      <Pick
        label="Conditions of parts"
        value={conditions}
        options={(Object.keys(CONDITIONS) as Conditions[]).map((value) => [value, CONDITIONS[value].label] as const)}
        onChange={(value) => save({ ...settings, conditions: [...CONDITIONS[value].list] })}
      />{' '}
      from{' '}
      <Pick
        label="Trust in sellers"
        value={settings.trustFloor}
        options={TRUST_FLOORS.map((value) => [value, FLOOR[value]] as const)}
        onChange={(trustFloor) => save({ ...settings, trustFloor })}
      />
      {', '}
      <Value
        label="Prices far below the others"
        editor={{
          kind: 'choice',
          value: settings.avoidBaits ? 'not' : 'too',
          options: [
            { value: 'not', label: 'not at a price far below the others when the seller has few ratings' },
            { value: 'too', label: 'also at a price far below the others from a seller with few ratings' },
          ],
          onChange: (value) => save({ ...settings, avoidBaits: value === 'not' }),
        }}
      >
        {settings.avoidBaits ? 'not from little-rated sellers far below the others' : 'however low the price'}
      </Value>
      , in{' '}
      <Num
        label="Parcels of a machine"
        value={parcels}
        unit="parcels"
        min={1}
        max={40}
        whole
        optional
        onChange={(value) =>
          save(
            value === undefined
              ? { ...rest, ...(refreshHours === undefined ? {} : { refreshHours }) }
              : { ...settings, parcels: value },
          )
        }
      >
        {parcels === undefined ? 'any number of parcels' : `at most ${parcels} parcels`}
      </Num>
      . Prices are asked for{' '}
      <Num
        label="Hours between refreshes"
        value={refreshHours}
        unit="h"
        min={1}
        max={168}
        whole
        optional
        onChange={(value) =>
          save(
            value === undefined
              ? { ...rest, ...(parcels === undefined ? {} : { parcels }) }
              : { ...settings, refreshHours: value },
          )
        }
      >
        {refreshHours === undefined ? 'when somebody asks' : `every ${refreshHours} h while the app runs`}
      </Num>
      . Over the years money costs{' '}
      {number(
        'Discount rate',
        settings.discountPercent,
        '%',
        30,
        'Later payments weigh less by this a year.',
        (value) => ({
          ...settings,
          discountPercent: value,
        }),
      )}{' '}
      a year;{' '}
      {number(
        'Failures a year',
        settings.repair.failuresPercent,
        '%',
        100,
        'Of a hundred machines, so many need a repair in a year.',
        (value) => ({ ...settings, repair: { ...settings.repair, failuresPercent: value } }),
      )}{' '}
      of machines fail, and without a maker’s service one is away for{' '}
      {number(
        'Days without a machine',
        settings.repair.sentInDays,
        'days',
        90,
        'Working days until a part that is sent in is back.',
        (value) => ({
          ...settings,
          repair: { ...settings.repair, sentInDays: value },
        }),
      )}
      . A machine loses{' '}
      {number('Loss in the first year', settings.resale.firstYearPercent, '%', 100, 'Of what it cost.', (value) => ({
        ...settings,
        resale: { ...settings.resale, firstYearPercent: value },
      }))}{' '}
      in its first year and{' '}
      {number(
        'Loss in each later year',
        settings.resale.yearlyPercent,
        '%',
        100,
        'Of what it was worth the year before.',
        (value) => ({
          ...settings,
          resale: { ...settings.resale, yearlyPercent: value },
        }),
      )}{' '}
      in each later one; selling it costs{' '}
      {number('Fees of selling', settings.resale.feePercent, '%', 100, 'Of what it is sold for.', (value) => ({
        ...settings,
        resale: { ...settings.resale, feePercent: value },
      }))}
      {' and '}
      {number(
        'Sending a sold parcel',
        shownCoins(settings.resale.shippingMinor, currency),
        currency,
        MOST_PARCEL,
        'Of what is sold together, once.',
        (value) => ({ ...settings, resale: { ...settings.resale, shippingMinor: minorOfShown(value, currency) } }),
      )}{' '}
      a parcel, and takes{' '}
      {number('Days of selling', settings.resale.days, 'days', 365, 'Until a part is sold and paid.', (value) => ({
        ...settings,
        resale: { ...settings.resale, days: Math.round(value) },
      }))}{' '}
      days.
    </p>
  );
}
