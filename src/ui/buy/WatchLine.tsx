'use client';

import { TextButton } from '../shared/TextButton';
import type { Watch } from '@/core/money/watch';
import { minorOfShown, shownCoins } from '@/core/units/money';
import { coins } from '@/core/words/format';
import { dropWatch, keepWatch } from '@/server/actions';
import { useCurrency } from '../seat/useSeat';
import { Value } from '../shared/Value';

/** Waits for a price: its target, whether it fired, and how far it is. */
export function WatchLine({
  what,
  name,
  watch,
  nowMinor,
  onChange,
}: {
  what: Watch['what'];
  name: string;
  watch: Watch | undefined;
  nowMinor: number | undefined;
  onChange: () => Promise<void>;
}) {
  const currency = useCurrency();
  const set = (value: number | undefined) =>
    void (value === undefined
      ? watch && dropWatch(watch.id).then(onChange)
      : keepWatch({ what, targetMinor: minorOfShown(value, currency) }).then(onChange));
  return (
    <p className="sentence small" aria-label={`Waiting for a price of ${name}`}>
      Tell me when {name} is at or below{' '}
      <Value
        label={`Watch on ${name}`}
        editor={{
          kind: 'number',
          value: watch ? shownCoins(watch.targetMinor, currency) : undefined,
          unit: currency,
          min: 0.01,
          optional: true,
          explains: 'Landed, tax and shipping in. It is looked at after every refresh.',
          onChange: set,
        }}
      >
        {watch ? coins(watch.targetMinor, currency) : 'no target yet'}
      </Value>
      {watch && !watch.fired && (
        <span className="quiet">
          {' '}
          · waiting since {watch.since}
          {nowMinor === undefined ? '' : `, now ${coins(nowMinor, currency)}`}
        </span>
      )}
      {watch?.fired && (
        <span className="carries">
          {' '}
          ▲ reached on {watch.fired.on}: {coins(watch.fired.minor, currency)}
        </span>
      )}
      {watch && (
        <>
          {' '}
          <TextButton onClick={() => void dropWatch(watch.id).then(onChange)}>Stop watching</TextButton>
        </>
      )}
    </p>
  );
}
