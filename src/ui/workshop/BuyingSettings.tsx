'use client';

import { type Settings, TRUST_FLOORS, type TrustFloor } from '@/core/model/settings';
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

/** How the desk buys, and what it reckons with over the years. */
export function BuyingSettings({ settings, save }: { settings: Settings; save: (next: Settings) => void }) {
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
    shown = `${value ?? ''} ${unit}`,
  ) => (
    <Value
      label={label}
      editor={{
        kind: 'number',
        value,
        unit,
        min: 0,
        max: most,
        explains,
        onChange: (next) => next !== undefined && save(keep(next)),
      }}
    >
      {shown}
    </Value>
  );
  return (
    <p className="sentence">
      The desk buys{' '}
      <Value
        label="Conditions of parts"
        editor={{
          kind: 'choice',
          value: conditions,
          options: Object.entries(CONDITIONS).map(([value, { label }]) => ({ value, label })),
          onChange: (value) => save({ ...settings, conditions: [...CONDITIONS[value as Conditions].list] }),
        }}
      >
        {CONDITIONS[conditions].label}
      </Value>{' '}
      from{' '}
      <Value
        label="Trust in sellers"
        editor={{
          kind: 'choice',
          value: settings.trustFloor,
          options: TRUST_FLOORS.map((value) => ({ value, label: FLOOR[value] })),
          onChange: (value) => save({ ...settings, trustFloor: value as TrustFloor }),
        }}
      >
        {FLOOR[settings.trustFloor]}
      </Value>
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
      <Value
        label="Parcels of a machine"
        editor={{
          kind: 'number',
          value: parcels,
          unit: 'parcels',
          min: 1,
          max: 40,
          whole: true,
          optional: true,
          onChange: (value) =>
            save(
              value === undefined
                ? { ...rest, ...(refreshHours === undefined ? {} : { refreshHours }) }
                : { ...settings, parcels: value },
            ),
        }}
      >
        {parcels === undefined ? 'any number of parcels' : `at most ${parcels} parcels`}
      </Value>
      . Prices are asked for{' '}
      <Value
        label="Hours between refreshes"
        editor={{
          kind: 'number',
          value: refreshHours,
          unit: 'h',
          min: 1,
          max: 168,
          whole: true,
          optional: true,
          onChange: (value) =>
            save(
              value === undefined
                ? { ...rest, ...(parcels === undefined ? {} : { parcels }) }
                : { ...settings, refreshHours: value },
            ),
        }}
      >
        {refreshHours === undefined ? 'when somebody asks' : `every ${refreshHours} h while the app runs`}
      </Value>
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
      .
    </p>
  );
}
