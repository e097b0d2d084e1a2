'use client';

import Box from '@mui/material/Box';
import { useState } from 'react';
import { softwareOf, type SoftwareCost } from '@/core/money/software';
import { creditsAhead, renewEarly } from '@/core/money/renewal';
import { minorOfShown, shownCoins, type Currency } from '@/core/units/money';
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

/** What is offered for the new year usually, until somebody says otherwise: a tenth off. */
const USUAL_OFF = 0.9;

function Yearly({
  row: { licence, yearlyMinor = 0 },
  discountPercent,
  currency,
}: {
  row: SoftwareCost;
  discountPercent: number;
  currency: Currency;
}) {
  const [reduced, setReduced] = useState(() => Math.round(shownCoins(yearlyMinor, currency) * USUAL_OFF));
  const [daysLeft, setDaysLeft] = useState(90);
  const [atOnce, setAtOnce] = useState(false);
  const renewal = renewEarly({
    normalMinor: yearlyMinor,
    reducedMinor: minorOfShown(reduced, currency),
    daysLeft,
    atOnce,
    discountPercent,
  });
  return (
    <p className="sentence small">
      {licence}, {coins(yearlyMinor, currency)} a year: with{' '}
      <Days label={`Days left of ${licence}`} value={daysLeft} onChange={setDaysLeft} /> left, now for{' '}
      <Money label={`Reduced price of ${licence}`} value={reduced} currency={currency} onChange={setReduced} />, the new
      year{' '}
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
      : <b>{renewalWords(renewal, currency)}</b>
    </p>
  );
}

function Metered({ row: { licence }, currency }: { row: SoftwareCost; currency: Currency }) {
  const [count, setCount] = useState(100);
  const [normal, setNormal] = useState(1);
  const [reduced, setReduced] = useState(0.8);
  const [used, setUsed] = useState(9);
  const [months, setMonths] = useState(12);
  const credits = creditsAhead({
    count,
    normalMinor: minorOfShown(normal, currency),
    reducedMinor: minorOfShown(reduced, currency),
    usedAMonth: used,
    validMonths: months,
  });
  const figure = (label: string, value: number, unit: string, onChange: (next: number) => void) => (
    <Value
      label={`${label} of ${licence}`}
      editor={{ kind: 'number', value, unit, min: 1, max: 1_000_000, onChange: (next) => onChange(next ?? value) }}
    >
      {number(value)}
    </Value>
  );
  return (
    <p className="sentence small">
      {licence} is paid by use: {figure('Credits', count, 'credits', setCount)} credits for{' '}
      <Money label={`Price in the packet of ${licence}`} value={reduced} currency={currency} onChange={setReduced} />{' '}
      each in place of{' '}
      <Money label={`Usual price of ${licence}`} value={normal} currency={currency} onChange={setNormal} />, valid{' '}
      {figure('Months valid', months, 'months', setMonths)} months, {figure('Used a month', used, 'a month', setUsed)}{' '}
      used a month: <b>{creditsWords(credits, currency)}</b>
    </p>
  );
}

const Days = ({ label, value, onChange }: { label: string; value: number; onChange: (next: number) => void }) => (
  <Value
    label={label}
    editor={{
      kind: 'number',
      value,
      unit: 'days',
      min: 0,
      max: 3650,
      whole: true,
      onChange: (next) => onChange(next ?? value),
    }}
  >
    {value === 1 ? '1 day' : `${value} days`}
  </Value>
);

const Money = ({
  label,
  value,
  currency,
  onChange,
}: {
  label: string;
  value: number;
  currency: Currency;
  onChange: (next: number) => void;
}) => (
  <Value
    label={label}
    editor={{ kind: 'number', value, unit: currency, min: 0.01, onChange: (next) => onChange(next ?? value) }}
  >
    {coins(minorOfShown(value, currency), currency)}
  </Value>
);
