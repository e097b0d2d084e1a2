'use client';

import { CHECKSUMS, FLOW_ENDS } from '@/core/model/tasks';
import { number } from '@/core/words/format';
import { plain, Size } from '../shared/phrases';
import { counted, phrasesOf, type SentenceProps } from './figures';

export function SceneSentence({ task, change }: SentenceProps<'scene'>) {
  const { num, pick } = phrasesOf<'scene'>(task, change);
  return (
    <>
      Show a scene on {num('displays', counted('display'))} of{' '}
      <Size
        label="Size of a display"
        width={task.width}
        height={task.height}
        onChange={(width, height) => change({ width, height })}
      />{' '}
      at {num('fps')}, counted as kept by{' '}
      {pick('judgedBy', [
        ['usual', 'the usual frame'],
        ['worst', 'the worst hundredth of frames'],
      ])}
      ; shading{' '}
      {pick('shading', [
        ['plain', 'plain'],
        ['lit', 'with lights and shadows'],
        ['rich', 'rich'],
      ])}
      , {num('mTriangles', (said) => `${said} million triangles`)} in {num('drawCalls', counted('draw call'))},{' '}
      {num('raysPerPx', (said, rays) => (rays === 0 ? 'nothing traced' : `${said} rays a pixel`))},{' '}
      {num('movingThings', counted('moving thing'))}, {num('texturesGiB', (said) => `${said} GB of textures`)}. Target:{' '}
      <b>the displays’ rate</b>.
    </>
  );
}

const COPIES = FLOW_ENDS.map((end) => [end, `copied on to ${end}`] as const);

export function IngestSentence({ task, change }: SentenceProps<'ingest'>) {
  const { num, pick } = phrasesOf<'ingest'>(task, change);
  return (
    <>
      Take {num('streams', counted('stream'))} of {num('gbitPerS')} from {pick('from', plain(FLOW_ENDS))} to{' '}
      {pick('to', plain(FLOW_ENDS))} for {num('hours')} without a pause,{' '}
      {pick(
        'checksum',
        CHECKSUMS.map((kind) => [kind, kind === 'none' ? 'unchecked' : `with a ${kind} checksum`] as const),
      )}
      , {pick('copyTo', COPIES, { says: 'no second copy' })}; {num('keepTB')} stay. Target: <b>full rate to the end</b>{' '}
      <span className="quiet">({number((task.streams * task.gbitPerS * task.hours * 3600) / 8000, 3)} TB a run)</span>.
    </>
  );
}

const BUFFERS = [32, 64, 128, 256, 512, 1024, 2048];
const RATES = [44.1, 48, 96, 192] as const;

export function AudioSentence({ task, change }: SentenceProps<'audio'>) {
  const { num, pick } = phrasesOf<'audio'>(task, change);
  const buffers = [...new Set([...BUFFERS, task.bufferSamples])].sort((a, b) => a - b);
  return (
    <>
      Mix {num('tracks', counted('track'))} with {num('effectsPerTrack', counted('effect each', 'effects each'))},{' '}
      {num('longestChain', counted('effect on the longest chain', 'effects on the longest chain'))},{' '}
      {num('instruments', counted('instrument'))} and{' '}
      {num('voicesFromDrive', counted('voice read from the drive', 'voices read from the drive'))}; a buffer of{' '}
      {pick(
        'bufferSamples',
        buffers.map((samples) => [samples, `${samples} samples`] as const),
      )}{' '}
      at{' '}
      {pick(
        'rateKHz',
        RATES.map((rate) => [rate, `${rate} kHz`] as const),
      )}{' '}
      <span className="quiet">({number(task.bufferSamples / task.rateKHz, 3)} ms)</span>; instruments hold{' '}
      {num('libraryGiB')}. Target: <b>no crackle</b>.
    </>
  );
}
