'use client';

import { ratioOf, timesFigure, type Currency } from '@/core/units/money';
import { coins, listed, number, percent } from '@/core/words/format';
import { useQuoteRisk } from './useQuotes';

interface Props {
  readonly quote: string;
  readonly revision: number;
  readonly turn: string;
  readonly costMinor: number;
  readonly marginMinor: number;
  readonly currency: Currency;
}

/** What the prices of its parts may do while the quote holds, from what they did. */
export function Risk({ quote, revision, turn, costMinor, marginMinor, currency }: Props) {
  const answer = useQuoteRisk(quote, revision, turn);
  if (answer.state === 'waiting') return <p className="quiet">Reading prices …</p>;
  if (answer.state === 'failed') return <p className="short">The prices could not be read: {answer.message}.</p>;
  if (answer.value.state === 'refused')
    return <p className="quiet">{answer.value.problems.map(({ message }) => message).join('; ')}</p>;
  const { risk, gone, days } = answer.value;
  const most = risk ? timesFigure(costMinor, risk.nineOfTen) : 0;
  return (
    <>
      {risk ? (
        <>
          <p>
            In {percent(risk.chance)} of the past cases the parts cost more on a later day within {days} days. A margin
            of <b>{coins(most, currency)}</b> ({number(100 * risk.nineOfTen, 2)} % of what it costs) covers nine of ten
            cases; this quote has {coins(marginMinor, currency)}
            {costMinor > 0 ? ` (${number(100 * ratioOf(marginMinor, costMinor), 2)} %)` : ''}
            {marginMinor >= most ? ': enough.' : ': not enough.'}
          </p>
          {risk.carriedBy.length > 0 && (
            <p>
              The rise is carried by{' '}
              {listed(risk.carriedBy.slice(0, 3).map(({ name, share }) => `${name} (${percent(share)})`))}.
            </p>
          )}
          <p className="quiet small">
            {number(risk.cases, 6)} cases at {risk.periods} times that do not overlap; all parts move together as they
            did.
            {risk.held &&
              ` Told on each of ${risk.held.days} past days from the days before it alone, the cost kept within the nine-of-ten margin in ${percent(risk.held.within)} of the cases.`}
            {risk.unknown.length > 0 && ` Nothing is known of ${listed(risk.unknown)}.`}
          </p>
        </>
      ) : (
        <p className="quiet">
          The prices of these parts are not known for long enough: it takes three times {days} days on which all of them
          have one.
        </p>
      )}
      {gone.map(({ name, seat, instead }) => (
        <p key={`${seat ?? ''} ${name}`} className="unproven">
          ○ {seat === undefined ? '' : `${seat}: `}Nobody sells {name} here.{' '}
          {instead.length > 0
            ? `In its place, without a conflict more: ${listed(instead.map((other) => `${other.name} (from ${coins(other.leastMinor, currency)})`))}.`
            : 'Nothing was found that could take its place without a conflict.'}
        </p>
      ))}
    </>
  );
}
