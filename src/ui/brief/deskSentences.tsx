'use client';

import { TextButton } from '../shared/TextButton';
import { FLOW_ENDS, type CustomWork } from '@/core/model/tasks';
import { plain } from '../shared/phrases';
import { counted, phrasesIn, phrasesOf, type SentenceProps } from './figures';

export function DeskSentence({ task, change }: SentenceProps<'desk'>) {
  const { num, pick } = phrasesOf<'desk'>(task, change);
  return (
    <>
      System and a browser with {num('browserTabs', counted('tab'))},{' '}
      {pick('conferencing', [
        [true, 'conferencing'],
        [false, 'no conferencing'],
      ])}
      , other programs taking {num('otherGiB')}. Target: <b>keeps up</b>.
    </>
  );
}

type Flow = NonNullable<CustomWork['flows']>[number];

export function CustomSentence({ task, change }: SentenceProps<'custom'>) {
  const { num, pick } = phrasesOf<'custom'>(task, change);
  const flows = task.flows ?? [];
  const units = (said: string) => `${said} ${task.unit}s`;
  return (
    <>
      {pick('mode', [
        ['real-time', 'In real time'],
        ['elastic', 'In runs'],
      ])}
      ,{' '}
      {task.mode === 'real-time' ? (
        num('unitsPerS', (said) => `${said} ${task.unit}s/s`)
      ) : (
        <>
          {num('unitsPerRun', units, units('1'))} a run, target {num('targetMin', undefined, 'none')}
        </>
      )}
      ; a {task.unit} takes one-thread work {num('serialGwork', undefined, 'none')}, work on all cores{' '}
      {num('parallelGwork', undefined, 'none')}, graphics work {num('fp32Gflop', undefined, 'none')}; it holds memory{' '}
      {num('memoryGiB', undefined, 'none')}, graphics memory {num('graphicsMemoryGiB', undefined, 'none')}
      {flows.map((flow, i) => (
        <Stream
          key={i}
          flow={flow}
          index={i}
          change={(patch) => change({ flows: flows.map((other, k) => (k === i ? { ...other, ...patch } : other)) })}
          onRemove={() => change({ flows: flows.filter((_, k) => k !== i) })}
        />
      ))}
      ;{' '}
      <TextButton onClick={() => change({ flows: [...flows, { from: 'active', to: 'memory', gbytePerS: 0.5 }] })}>
        and a stream
      </TextButton>
      .
    </>
  );
}

interface StreamProps {
  readonly flow: Flow;
  readonly index: number;
  readonly change: (patch: Partial<Flow>) => void;
  readonly onRemove: () => void;
}

function Stream({ flow, index, change, onRemove }: StreamProps) {
  const { num, pick } = phrasesIn('custom', 'flows', flow, change);
  return (
    <span>
      ; a stream of {num('gbytePerS')} from {pick('from', plain(FLOW_ENDS))} to {pick('to', plain(FLOW_ENDS))}{' '}
      <TextButton onClick={onRemove} aria-label={`Leave stream ${index + 1} out`}>
        leave out
      </TextButton>
    </span>
  );
}
