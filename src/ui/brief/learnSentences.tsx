'use client';

import { weightBytes } from '@/core/work/serve';
import { stateBytes } from '@/core/work/train';
import { number } from '@/core/words/format';
import { phrasesOf, type SentenceProps } from './figures';

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
      of {num('paramsB', (said) => `${said} billion parameters`)}, {num('layers', (said) => `${said} layers`)} of{' '}
      {num('hidden', (said) => `${said} units`)} and {num('heads', (said) => `${said} heads`)}, on{' '}
      {num('tokensM', (said) => `${said} million tokens`)}; {num('batch', (said) => `${said} sequences`)} of{' '}
      {num('context', (said) => `${said} tokens`)} at a time, recomputing{' '}
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
      of {num('storedMpx')} and {num('storedKB')}, for {num('epochs', (said) => `${said} epochs`)},{' '}
      {num('batch', (said) => `${said} images at a time`)} on a card. Target: {num('targetH')}.
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
      {num('layers', (said) => `${said} layers`)} with {num('kvHeads', (said) => `${said} key-value heads`)} of{' '}
      {num('headSize')}, to {num('users', (said) => `${said} users at once`)},{' '}
      {num('context', (said) => `${said} tokens`)} kept for each and {num('readPerWritten', (said) => `${said} read`)}{' '}
      for each one written. Target: {num('tokensPerS', (said) => `${said} tokens a second for each`)}.
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
      {num('dataGB', (said) => `${said} GB`)} that take {num('memoryFactor', (said) => `${said} times as much`)} in
      memory, {num('passes', (said) => `${said} passes`)}. Target: {num('targetMin')}.
    </>
  );
}
