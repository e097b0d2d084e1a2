'use client';

import type { Brief } from '@/core/model/brief';
import type { Machine } from '@/core/model/machine';
import type { Currency } from '@/core/units/money';
import { futureWords } from '@/core/words/upgrade';
import { useWorker } from '../seat/worker';
import { identity } from '../shared/identity';

/** What the board of a machine can be given later, by what it does for this work. */
export function Future({ machine, brief, currency }: { machine: Machine; brief: Brief; currency: Currency }) {
  const answer = useWorker(`future ${identity(machine)} ${identity(brief)}`, (api) => api.future(machine, brief));
  if (answer.state !== 'ready')
    return (
      <p className="quiet small">
        {answer.state === 'failed' ? 'It could not be worked out.' : 'Trying what it takes …'}
      </p>
    );
  return answer.value.map((future) => (
    <p key={future.kind} className="small">
      {futureWords(future, currency)}
    </p>
  ));
}
