'use client';

import { TextButton } from '../shared/TextButton';
import { STARTING_SOURCE } from '@/core/work/edit';
import { OUT_CODECS, PRESETS } from '@/core/model/encoders';
import { STRENGTHS, type EditExport, type EditPlay, type Source } from '@/core/model/tasks';
import { CODECS } from '@/core/parts/common';
import { codecName } from '@/core/words/names';
import { CHROMA } from '@/core/units/quantity';
import { Pick, plain, Size, type Change } from '../shared/phrases';
import { counted, depths, PATHS, phrasesIn, phrasesOf, type SentenceProps } from './figures';

/** What playing and exporting have in common. */
type PictureKey = 'sources' | 'correctionSteps' | 'spatialNr' | 'temporalNr' | 'retime' | 'width' | 'height' | 'fps';
type PicturePatch = { [K in PictureKey]?: EditPlay[K] };

const codecs = <T extends string>(list: readonly T[]) => list.map((codec) => [codec, codecName(codec)] as const);
const SCALES = [
  [1, 'full size'],
  [2, '1/2 size'],
  [4, '1/4 size'],
] as const;

interface SourcePhraseProps {
  readonly source: Source;
  readonly index: number;
  readonly change: Change<Source>;
  readonly onRemove: (() => void) | undefined;
}

function SourcePhrase({ source, index, change, onRemove }: SourcePhraseProps) {
  const { num, pick } = phrasesIn('edit-play', 'sources', source, change);
  const reducible = source.codec === 'raw' || source.codec === 'mezzanine';
  return (
    <span>
      {num('streams', counted('stream'))} of{' '}
      <Size
        label="Picture size of the source"
        width={source.width}
        height={source.height}
        onChange={(width, height) => change({ width, height })}
      />{' '}
      {num('fps')} {pick('codec', codecs(CODECS))} {pick('chroma', plain(CHROMA))}{' '}
      {pick('bitDepth', depths([8, 10, 12, 16] as const))} at {num('mbitPerS')}
      {reducible && <>, decoded at {pick('decodeAt', SCALES)}</>}
      {onRemove && (
        <>
          {' '}
          <TextButton onClick={onRemove} aria-label={`Leave source ${index + 1} out`}>
            leave out
          </TextButton>
        </>
      )}
    </span>
  );
}

/** Timeline, sources and what is done to the picture. */
function Timeline({ task, change }: { task: EditPlay | EditExport; change: (patch: PicturePatch) => void }) {
  // both kinds have these figures, and call and bound them alike
  const { num, pick } = phrasesOf<'edit-play'>(task as EditPlay, change);
  return (
    <>
      <Size
        label="Timeline size"
        width={task.width}
        height={task.height}
        onChange={(width, height) => change({ width, height })}
      />{' '}
      timeline at {num('fps')} with{' '}
      {task.sources.map((source, i) => (
        <span key={i}>
          {i > 0 ? ' and ' : ''}
          <SourcePhrase
            source={source}
            index={i}
            change={(patch) =>
              change({ sources: task.sources.map((other, k) => (k === i ? { ...other, ...patch } : other)) })
            }
            onRemove={
              task.sources.length > 1 ? () => change({ sources: task.sources.filter((_, k) => k !== i) }) : undefined
            }
          />
        </span>
      ))}{' '}
      <TextButton onClick={() => change({ sources: [...task.sources, STARTING_SOURCE] })}>
        and another source
      </TextButton>
      ; {num('correctionSteps', counted('correction step'))}, spatial noise reduction{' '}
      {pick('spatialNr', plain(STRENGTHS))}, temporal {pick('temporalNr', plain(STRENGTHS))},{' '}
      {pick(
        'retime',
        [
          ['off', 'no speed changes'],
          ['blend', 'speed changes by blending'],
          ['flow', 'speed changes by following motion'],
        ],
        { is: 'off' },
      )}
    </>
  );
}

export function PlaySentence({ task, change }: SentenceProps<'edit-play'>) {
  const { num, pick } = phrasesOf<'edit-play'>(task, change);
  return (
    <>
      Play a <Timeline task={task} change={change} />;{' '}
      {pick(
        'proxies',
        [
          ['off', 'from the sources themselves'],
          ['half', 'from proxies of half the width'],
          ['quarter', 'from proxies of a quarter of the width'],
        ],
        { is: 'off' },
      )}
      , shown at {pick('playAt', SCALES)},{' '}
      {pick('monitoring', [
        [true, 'monitored on a second output'],
        [false, 'not monitored'],
      ])}
      ,{' '}
      {pick('renderCache', [
        [true, 'cached to scratch'],
        [false, 'not cached'],
      ])}
      ; {num('keepHours')} of footage stay. Target: <b>real time</b>.
    </>
  );
}

export function ExportSentence({ task, change }: SentenceProps<'edit-export'>) {
  const { num, pick } = phrasesOf<'edit-export'>(task, change);
  return (
    <>
      Export {num('programmeMin')} of a <Timeline task={task} change={change} />; to{' '}
      <Size
        label="Output size"
        width={task.outWidth}
        height={task.outHeight}
        onChange={(outWidth, outHeight) => change({ outWidth, outHeight })}
      />{' '}
      {pick('outCodec', codecs(OUT_CODECS))} {pick('outChroma', plain(CHROMA))}{' '}
      {pick('outBitDepth', depths([8, 10, 12] as const))} at {num('outMbitPerS')} by{' '}
      <How label="Export path" task={task} change={change} />. Target: {num('targetMin', undefined, 'none')}.
    </>
  );
}

/** How something is encoded. */
type Encoding = { readonly [F in 'path' | 'preset']: EditExport[F] };

interface HowProps {
  readonly label: string;
  readonly task: Encoding;
  readonly change: (patch: Partial<Encoding>) => void;
}

/** By engine or in software, and then how carefully. */
export function How({ label, task, change }: HowProps) {
  return (
    <>
      <Pick label={label} value={task.path} options={PATHS} onChange={(path) => change({ path })} />
      {task.path === 'software' && (
        <>
          {', preset '}
          <Pick
            label={label === 'Export path' ? 'Preset' : `${label}, preset`}
            value={task.preset}
            options={plain(PRESETS)}
            onChange={(preset) => change({ preset })}
          />
        </>
      )}
    </>
  );
}
