'use client';

import { weightBytes } from '@/core/work/serve';
import { stateBytes } from '@/core/work/train';
import { number } from '@/core/words/format';
import { counted, phrasesOf, type SentenceProps } from './figures';

const METHODS = [
  ['full', 'all of it'],
  ['adapters', 'adapters on a frozen base'],
  ['quantised', 'adapters on a 4-bit base'],
] as const;

export function TrainSentence({ task, change }: SentenceProps<'train'>) {
  const { num, pick } = phrasesOf<'train'>(task, change);
  return (
    <>
      Train {pick('method', METHODS)}{' '}
      {task.method !== 'full' && <>({num('trainablePercent', (said) => `${said} % trained`)}) </>}
      of {num('paramsB', (said) => `${said} billion parameters`)}, {num('layers', counted('layer'))} of{' '}
      {num('hidden', counted('unit'))} and {num('heads', counted('head'))}, on{' '}
      {num('tokensM', (said) => `${said} million tokens`)}; {num('batch', counted('sequence'))} of{' '}
      {num('context', counted('token'))} at a time, recomputing{' '}
      {pick('recompute', [
        ['none', 'nothing'],
        ['attention', 'attention'],
        ['all', 'everything'],
      ])}
      ; several cards hold{' '}
      {pick('spread', [
        ['replicate', 'copies'],
        ['shard', 'shards'],
      ])}{' '}
      <span className="quiet">({number(stateBytes(task).value / 2 ** 30, 3)} GB of states)</span>. Target:{' '}
      {num('targetH')}.
    </>
  );
}

export function TrainImagesSentence({ task, change }: SentenceProps<'train-images'>) {
  const { num } = phrasesOf<'train-images'>(task, change);
  return (
    <>
      Train {num('paramsM', (said) => `${said} million parameters`)} of{' '}
      {num('forwardGflop', (said) => `${said} GFLOP an image`)} on {num('imagesK', (said) => `${said} thousand images`)}{' '}
      of {num('storedMpx')} and {num('storedKB')}, for {num('epochs', counted('epoch'))},{' '}
      {num('batch', counted('image at a time', 'images at a time'))} on a card. Target: {num('targetH')}.
    </>
  );
}

export function ServeSentence({ task, change }: SentenceProps<'serve'>) {
  const { num, pick } = phrasesOf<'serve'>(task, change);
  return (
    <>
      Serve {num('paramsB', (said) => `${said} billion parameters`)} at{' '}
      {pick('bits', [
        [4, '4 bits'],
        [8, '8 bits'],
        [16, '16 bits'],
      ])}{' '}
      <span className="quiet">({number(weightBytes(task).value / 2 ** 30, 3)} GB)</span>,{' '}
      {num('layers', counted('layer'))} with {num('kvHeads', counted('key-value head'))} of {num('headSize')}, to{' '}
      {num('users', counted('user at once', 'users at once'))}, {num('context', counted('token'))} kept for each and{' '}
      {num('readPerWritten', (said) => `${said} read`)} for each one written. Target:{' '}
      {num('tokensPerS', counted('token a second for each', 'tokens a second for each'))}.
    </>
  );
}

export function TablesSentence({ task, change }: SentenceProps<'tables'>) {
  const { num, pick } = phrasesOf<'tables'>(task, change);
  return (
    <>
      {pick('effort', [
        ['sum', 'Sum'],
        ['scan', 'Filter'],
        ['group', 'Sum by few groups'],
        ['many groups', 'Sum by many groups'],
        ['sort', 'Sort'],
        ['join', 'Join'],
        ['model', 'Fit models to'],
      ])}{' '}
      {num('dataGB', (said) => `${said} GB`)} that take {num('memoryFactor', counted('time as much', 'times as much'))}{' '}
      in memory, {num('passes', counted('pass', 'passes'))}. Target: {num('targetMin')}.
    </>
  );
}
