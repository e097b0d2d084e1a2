'use client';

import Box from '@mui/material/Box';
import { useState } from 'react';
import { softwareOf, type SoftwareCost } from '@/core/money/software';
import { creditsAhead, renewEarly } from '@/core/money/renewal';
import { minorOfShown, type Currency } from '@/core/units/money';
import { coins, number } from '@/core/words/format';
import { creditsWords, renewalWords } from '@/core/words/plan';
import { useDraftAssessment } from '../seat/moment';
import { Value } from '../shared/Value';

/** Licences by the year that are renewed early, and credits that are bought ahead. */
export function RenewEarly({ currency }: { currency: Currency }) {
  const { facts } = useDraftAssessment();
  const software = softwareOf(facts.brief, facts.parts, facts);
  const yearly = software.filter(({ terms, yearlyMinor }) => terms === 'yearly' && yearlyMinor !== undefined);
  const metered = software.filter(({ terms }) => terms === 'metered');
  if (yearly.length + metered.length === 0)
    return <p className="quiet small">No software of this brief is paid by the year or by use.</p>;
  return (
    <Box
      component="section"
      aria-label="Renewing software early"
      className="stack"
      sx={{ gap: '6px', marginBottom: '8px' }}
    >
      {yearly.map((row) => (
        <Yearly key={row.part} row={row} discountPercent={facts.settings.discountPercent} currency={currency} />
      ))}
      {metered.map((row) => (
        <Metered key={row.part} row={row} currency={currency} />
      ))}
    </Box>
  );
}

/** A figure that somebody types; until then nothing is reckoned from it. */
interface Typed {
  readonly label: string;
  readonly value: number | undefined;
  readonly unit: string;
  readonly missing: string;
  readonly shown: (value: number) => string;
  readonly onChange: (next: number | undefined) => void;
}

const Typed = ({ label, value, unit, missing, shown, onChange }: Typed) => (
  <Value label={label} editor={{ kind: 'number', value, unit, min: 0.01, max: 1_000_000, optional: true, onChange }}>
    {value === undefined ? missing : shown(value)}
  </Value>
);

function Yearly({
  row: { licence, yearlyMinor = 0 },
  discountPercent,
  currency,
}: {
  row: SoftwareCost;
  discountPercent: number;
  currency: Currency;
}) {
  const [reduced, setReduced] = useState<number>();
  const [daysLeft, setDaysLeft] = useState<number>();
  const [atOnce, setAtOnce] = useState(false);
  return (
    <p className="sentence small">
      {licence}, {coins(yearlyMinor, currency)} a year: with{' '}
      <Typed
        label={`Days left of ${licence}`}
        value={daysLeft}
        unit="days"
        missing="so many days"
        shown={(days) => (days === 1 ? '1 day' : `${number(days)} days`)}
        onChange={setDaysLeft}
      />{' '}
      left, now for{' '}
      <Typed
        label={`Reduced price of ${licence}`}
        value={reduced}
        unit={currency}
        missing="a reduced price"
        shown={(major) => coins(minorOfShown(major, currency), currency)}
        onChange={setReduced}
      />
      , the new year{' '}
      <Value
        label={`New year of ${licence}`}
        editor={{
          kind: 'choice',
          value: atOnce ? 'at once' : 'after',
          options: [
            { value: 'after', label: 'follows the old one' },
            { value: 'at once', label: 'begins at once' },
          ],
          onChange: (next) => setAtOnce(next === 'at once'),
        }}
      >
        {atOnce ? 'begins at once' : 'follows the old one'}
      </Value>
      {': '}
      {reduced === undefined || daysLeft === undefined ? (
        SAY
      ) : (
        <b>
          {renewalWords(
            renewEarly({
              normalMinor: yearlyMinor,
              reducedMinor: minorOfShown(reduced, currency),
              daysLeft,
              atOnce,
              discountPercent,
            }),
            currency,
          )}
        </b>
      )}
    </p>
  );
}

const SAY = <span className="quiet">say the underlined figures, and whether it pays stands here.</span>;

function Metered({ row: { licence }, currency }: { row: SoftwareCost; currency: Currency }) {
  const [count, setCount] = useState<number>();
  const [normal, setNormal] = useState<number>();
  const [reduced, setReduced] = useState<number>();
  const [used, setUsed] = useState<number>();
  const [months, setMonths] = useState<number>();
  const money = (label: string, value: number | undefined, missing: string, onChange: Typed['onChange']) => (
    <Typed
      label={`${label} of ${licence}`}
      value={value}
      unit={currency}
      missing={missing}
      shown={(major) => coins(minorOfShown(major, currency), currency)}
      onChange={onChange}
    />
  );
  const figure = (label: string, value: number | undefined, unit: string, onChange: Typed['onChange']) => (
    <Typed
      label={`${label} of ${licence}`}
      value={value}
      unit={unit}
      missing="so many"
      shown={(many) => number(many)}
      onChange={onChange}
    />
  );
  const told =
    count === undefined || normal === undefined || reduced === undefined || used === undefined || months === undefined
      ? undefined
      : creditsAhead({
          count,
          normalMinor: minorOfShown(normal, currency),
          reducedMinor: minorOfShown(reduced, currency),
          usedAMonth: used,
          validMonths: months,
        });
  return (
    <p className="sentence small">
      {licence} is paid by use: {figure('Credits', count, 'credits', setCount)} credits for{' '}
      {money('Price in the packet', reduced, 'a reduced price', setReduced)} each in place of{' '}
      {money('Usual price', normal, 'the usual one', setNormal)}, valid{' '}
      {figure('Months valid', months, 'months', setMonths)} months, {figure('Used a month', used, 'a month', setUsed)}{' '}
      used a month: {told ? <b>{creditsWords(told, currency)}</b> : SAY}
    </p>
  );
}
