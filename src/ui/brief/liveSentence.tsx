'use client';

import { TextButton } from '../shared/TextButton';
import { OUT_CODECS } from '@/core/model/encoders';
import { inputCount, uplinkMbitPerS } from '@/core/work/live';
import type { LiveInput, Rendition } from '@/core/model/tasks';
import { busBitPerS, pictureBitPerS, wireBitPerS } from '@/core/work/video';
import { CHROMA } from '@/core/units/quantity';
import { number } from '@/core/words/format';
import { codecName } from '@/core/words/names';
import { plain, Size, type Change } from '../shared/phrases';
import { counted, depths, PATHS, phrasesIn, phrasesOf, type SentenceProps } from './figures';
import { How } from './pictureSentences';

const CODECS = OUT_CODECS.map((codec) => [codec, codecName(codec)] as const);

interface InputProps {
  readonly input: LiveInput;
  readonly change: Change<LiveInput>;
  readonly onRemove: (() => void) | undefined;
}

function Input({ input, change, onRemove }: InputProps) {
  const { num, pick } = phrasesIn('live', 'inputs', input, change);
  return (
    <>
      {num('count', counted('input'))} of{' '}
      <Size
        label="Picture size of an input"
        width={input.width}
        height={input.height}
        onChange={(width, height) => change({ width, height })}
      />{' '}
      {num('fps')} {pick('chroma', plain(CHROMA))} {pick('bitDepth', depths([8, 10, 12] as const))}
      {onRemove && (
        <>
          {' '}
          <TextButton onClick={onRemove}>leave out</TextButton>
        </>
      )}
    </>
  );
}

interface StreamProps {
  readonly rendition: Rendition;
  readonly index: number;
  readonly change: Change<Rendition>;
  readonly onRemove: () => void;
}

function Stream({ rendition, index, change, onRemove }: StreamProps) {
  const of = `stream ${index + 1}`;
  const { num, pick } = phrasesIn('live', 'renditions', rendition, change, {
    codec: `Codec of ${of}`,
    mbitPerS: `Bit rate of ${of}`,
  });
  return (
    <>
      <Size
        label={`Size of ${of}`}
        width={rendition.width}
        height={rendition.height}
        onChange={(width, height) => change({ width, height })}
      />{' '}
      {pick('codec', CODECS)} at {num('mbitPerS')} by{' '}
      <How label={`Encoding of ${of}`} task={rendition} change={change} />{' '}
      <TextButton onClick={onRemove} aria-label={`Leave ${of} out`}>
        leave out
      </TextButton>
    </>
  );
}

const gbit = (value: number | undefined) => (value === undefined ? 'unknown' : `${number(value / 1e9, 4)} Gb/s`);

export function LiveSentence({ task, change }: SentenceProps<'live'>) {
  const { num, pick } = phrasesOf<'live'>(task, change);
  const [first] = task.inputs;
  const rates = (of: (input: LiveInput) => number | undefined) =>
    task.inputs.reduce<number | undefined>((all, input) => {
      const one = of(input);
      return all === undefined || one === undefined ? undefined : all + input.count * one;
    }, 0);
  const another: Rendition = task.renditions.at(-1) ?? {
    width: task.width,
    height: task.height,
    codec: 'h264',
    mbitPerS: 6,
    path: 'engine',
    preset: 'fast',
  };
  return (
    <>
      Take{' '}
      {task.inputs.map((input, i) => (
        <span key={i}>
          {i > 0 ? ' and ' : ''}
          <Input
            input={input}
            change={(patch) =>
              change({ inputs: task.inputs.map((other, k) => (k === i ? { ...other, ...patch } : other)) })
            }
            onRemove={
              task.inputs.length > 1 ? () => change({ inputs: task.inputs.filter((_, k) => k !== i) }) : undefined
            }
          />
        </span>
      ))}{' '}
      <TextButton onClick={() => change({ inputs: [...task.inputs, ...(first ? [{ ...first, count: 1 }] : [])] })}>
        and another kind
      </TextButton>{' '}
      through{' '}
      {pick('via', [
        ['cards', 'capture cards'],
        ['mixer', 'a mixer outside'],
        ['either', 'a mixer if the draft has one, or cards'],
      ])}{' '}
      <span className="quiet">
        ({gbit(rates(pictureBitPerS))} of picture, {gbit(rates(busBitPerS))} on the bus, {gbit(rates(wireBitPerS))} on
        the wire)
      </span>
      ; lay them together as{' '}
      <Size
        label="Programme size"
        width={task.width}
        height={task.height}
        onChange={(width, height) => change({ width, height })}
      />{' '}
      at {num('fps')} with {num('layers', counted('title'))} and {num('keyed', (said) => `${said} keyed`)}. Send{' '}
      {task.renditions.map((rendition, i) => (
        <span key={i}>
          {i > 0 ? ' and ' : ''}
          <Stream
            rendition={rendition}
            index={i}
            change={(patch) =>
              change({ renditions: task.renditions.map((other, k) => (k === i ? { ...other, ...patch } : other)) })
            }
            onRemove={() => change({ renditions: task.renditions.filter((_, k) => k !== i) })}
          />
        </span>
      ))}
      {task.renditions.length === 0 ? 'nothing' : ''}{' '}
      <TextButton onClick={() => change({ renditions: [...task.renditions, another] })}>and another stream</TextButton>,
      with {num('marginPercent')} to spare <span className="quiet">({number(uplinkMbitPerS(task), 4)} Mb/s up)</span> on{' '}
      {num('uplinkMbitPerS', (said) => `a line of ${said} Mbit/s`, 'a line of unknown rate')}; record{' '}
      {pick('record', [
        ['off', 'nothing'],
        ['programme', 'the programme'],
        ['inputs', inputCount(task.inputs) === 1 ? 'the input' : 'every input by itself'],
      ])}
      {task.record !== 'off' && (
        <>
          {' '}
          as {pick('recordCodec', CODECS)} at {num('recordMbitPerS')} by {pick('recordPath', PATHS)}, kept{' '}
          {num('keepHours')}
        </>
      )}
      . Target: <b>no dropped frame, also in the worst moments</b>.
    </>
  );
}
