'use client';

import { TextButton } from '../shared/TextButton';
import { OUT_CODECS } from '@/core/model/encoders';
import { inputCount, live, uplinkMbitPerS } from '@/core/work/live';
import type { LiveInput, LiveWork, Rendition } from '@/core/model/tasks';
import { busBitPerS, pictureBitPerS, wireBitPerS } from '@/core/work/video';
import { CHROMA } from '@/core/units/quantity';
import { number } from '@/core/words/format';
import { codecName } from '@/core/words/names';
import { How } from './pictureSentences';
import { Num, Pick, plain, Size, type Change } from '../shared/phrases';

const { figures } = live;
const CODECS = OUT_CODECS.map((codec) => [codec, codecName(codec)] as const);

function Input({
  input,
  onChange,
  onRemove,
}: {
  input: LiveInput;
  onChange: Change<LiveInput>;
  onRemove: (() => void) | undefined;
}) {
  return (
    <>
      <Num
        label="Inputs"
        value={input.count}
        min={1}
        max={64}
        whole
        figure={figures['inputs']}
        onChange={(value) => onChange({ count: value ?? 1 })}
      >
        {input.count === 1 ? '1 input' : `${input.count} inputs`}
      </Num>{' '}
      of{' '}
      <Size
        label="Picture size of an input"
        width={input.width}
        height={input.height}
        onChange={(width, height) => onChange({ width, height })}
      />{' '}
      <Num
        label="Frame rate of an input"
        value={input.fps}
        unit="fps"
        min={1}
        max={1000}
        onChange={(value) => onChange({ fps: value ?? input.fps })}
      />{' '}
      <Pick
        label="Chroma of an input"
        value={input.chroma}
        options={plain(CHROMA)}
        onChange={(chroma) => onChange({ chroma })}
      />{' '}
      <Pick
        label="Bit depth of an input"
        value={input.bitDepth}
        options={([8, 10, 12] as const).map((depth) => [depth, `${depth}-bit`] as const)}
        onChange={(bitDepth) => onChange({ bitDepth })}
      />
      {onRemove && (
        <>
          {' '}
          <TextButton onClick={onRemove}>leave out</TextButton>
        </>
      )}
    </>
  );
}

function Stream({
  rendition,
  index,
  onChange,
  onRemove,
}: {
  rendition: Rendition;
  index: number;
  onChange: Change<Rendition>;
  onRemove: () => void;
}) {
  const of = `stream ${index + 1}`;
  return (
    <>
      <Size
        label={`Size of ${of}`}
        width={rendition.width}
        height={rendition.height}
        onChange={(width, height) => onChange({ width, height })}
      />{' '}
      <Pick
        label={`Codec of ${of}`}
        value={rendition.codec}
        options={CODECS}
        onChange={(codec) => onChange({ codec })}
      />{' '}
      at{' '}
      <Num
        label={`Bit rate of ${of}`}
        value={rendition.mbitPerS}
        unit="Mbit/s"
        min={0.01}
        max={200_000}
        figure={figures['mbitPerS']}
        onChange={(value) => onChange({ mbitPerS: value ?? rendition.mbitPerS })}
      />{' '}
      by <How label={`Encoding of ${of}`} task={rendition} change={onChange} />{' '}
      <TextButton onClick={onRemove} aria-label={`Leave ${of} out`}>
        leave out
      </TextButton>
    </>
  );
}

export function LiveSentence({ task, change }: { task: LiveWork; change: Change<LiveWork> }) {
  const [first] = task.inputs;
  const rates = (of: (input: LiveInput) => number | undefined) =>
    task.inputs.reduce<number | undefined>((all, input) => {
      const one = of(input);
      return all === undefined || one === undefined ? undefined : all + input.count * one;
    }, 0);
  const gbit = (value: number | undefined) => (value === undefined ? 'unknown' : `${number(value / 1e9, 4)} Gb/s`);
  return (
    <>
      Take{' '}
      {task.inputs.map((input, i) => (
        <span key={i}>
          {i > 0 ? ' and ' : ''}
          <Input
            input={input}
            onChange={(patch) =>
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
      <Pick
        label="Where the inputs go"
        value={task.via}
        options={[
          ['cards', 'capture cards'],
          ['mixer', 'a mixer outside'],
          ['either', 'a mixer if the draft has one, or cards'],
        ]}
        onChange={(via) => change({ via })}
      />{' '}
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
      at{' '}
      <Num
        label="Programme frame rate"
        value={task.fps}
        unit="fps"
        min={1}
        max={1000}
        figure={figures['fps']}
        onChange={(value) => change({ fps: value ?? task.fps })}
      />{' '}
      with{' '}
      <Num
        label="Titles and pictures"
        value={task.layers}
        min={0}
        max={40}
        whole
        figure={figures['layers']}
        onChange={(value) => change({ layers: value ?? 0 })}
      >
        {task.layers === 1 ? '1 title' : `${task.layers} titles`}
      </Num>{' '}
      and{' '}
      <Num
        label="Keyed inputs"
        value={task.keyed}
        min={0}
        max={16}
        whole
        figure={figures['keyed']}
        onChange={(value) => change({ keyed: value ?? 0 })}
      >{`${task.keyed} keyed`}</Num>
      . Send{' '}
      {task.renditions.map((rendition, i) => (
        <span key={i}>
          {i > 0 ? ' and ' : ''}
          <Stream
            rendition={rendition}
            index={i}
            onChange={(patch) =>
              change({ renditions: task.renditions.map((other, k) => (k === i ? { ...other, ...patch } : other)) })
            }
            onRemove={() => change({ renditions: task.renditions.filter((_, k) => k !== i) })}
          />
        </span>
      ))}
      {task.renditions.length === 0 ? 'nothing' : ''}{' '}
      <TextButton
        onClick={() =>
          change({
            renditions: [
              ...task.renditions,
              task.renditions.at(-1) ?? {
                width: task.width,
                height: task.height,
                codec: 'h264',
                mbitPerS: 6,
                path: 'engine',
                preset: 'fast',
              },
            ],
          })
        }
      >
        and another stream
      </TextButton>
      , with{' '}
      <Num
        label="Margin of the uplink"
        value={task.marginPercent}
        unit="%"
        min={0}
        max={300}
        figure={figures['margin']}
        onChange={(value) => change({ marginPercent: value ?? 0 })}
      />{' '}
      to spare <span className="quiet">({number(uplinkMbitPerS(task), 4)} Mb/s up)</span> on{' '}
      <Num
        label="What the line out carries"
        value={task.uplinkMbitPerS}
        unit="Mbit/s"
        min={0.01}
        optional
        onChange={(value) => change({ uplinkMbitPerS: value })}
      >
        {task.uplinkMbitPerS === undefined ? 'a line of unknown rate' : `a line of ${task.uplinkMbitPerS} Mbit/s`}
      </Num>
      ; record{' '}
      <Pick
        label="What is recorded"
        value={task.record}
        options={[
          ['off', 'nothing'],
          ['programme', 'the programme'],
          ['inputs', inputCount(task.inputs) === 1 ? 'the input' : 'every input by itself'],
        ]}
        onChange={(record) => change({ record })}
      />
      {task.record !== 'off' && (
        <>
          {' '}
          as{' '}
          <Pick
            label="Codec of recordings"
            value={task.recordCodec}
            options={CODECS}
            onChange={(recordCodec) => change({ recordCodec })}
          />{' '}
          at{' '}
          <Num
            label="Bit rate of a recording"
            value={task.recordMbitPerS}
            unit="Mbit/s"
            min={0.01}
            max={200_000}
            onChange={(value) => change({ recordMbitPerS: value ?? task.recordMbitPerS })}
          />{' '}
          by{' '}
          <Pick
            label="Encoding of recordings"
            value={task.recordPath}
            options={[
              ['engine', 'encoding engine'],
              ['software', 'software'],
            ]}
            onChange={(recordPath) => change({ recordPath })}
          />
          , kept{' '}
          <Num
            label="Hours of recordings kept"
            value={task.keepHours}
            unit="h"
            min={0}
            max={10_000}
            figure={figures['keepHours']}
            onChange={(value) => change({ keepHours: value ?? 0 })}
          />
        </>
      )}
      . Target: <b>no dropped frame, also in the worst moments</b>.
    </>
  );
}
