'use client';

import type { EditExport, EditPlay, Source } from '@/core/work/tasks';
import { STARTING_SOURCE } from '@/core/work/edit';
import { codecName } from '@/core/words/names';
import { Value } from '../shared/Value';
import { choice, Num, Size, type Change } from './phrases';

/** What playing and exporting have in common. */
type PicturePatch = Partial<Pick<EditPlay, 'sources' | 'correctionSteps' | 'spatialNr' | 'temporalNr'>>;

const CODECS = ['h264', 'hevc', 'av1', 'mezzanine', 'raw', 'uncompressed'] as const;

function SourcePhrase({
  source,
  index,
  onChange,
  onRemove,
}: {
  source: Source;
  index: number;
  onChange: Change<Source>;
  onRemove: (() => void) | undefined;
}) {
  const reducible = source.codec === 'raw' || source.codec === 'mezzanine';
  return (
    <span>
      <Num
        label="Streams at once"
        value={source.streams}
        min={1}
        max={64}
        whole
        onChange={(value) => onChange({ streams: value ?? 1 })}
      >
        {source.streams === 1 ? '1 stream' : `${source.streams} streams`}
      </Num>{' '}
      of{' '}
      <Size
        label="Picture size of the source"
        width={source.width}
        height={source.height}
        onChange={(width, height) => onChange({ width, height })}
      />{' '}
      <Num
        label="Frame rate of the source"
        value={source.fps}
        unit="fps"
        min={1}
        max={240}
        onChange={(value) => onChange({ fps: value ?? source.fps })}
      />{' '}
      <Value
        label="Codec of the source"
        editor={{
          kind: 'choice',
          value: source.codec,
          options: choice(CODECS, (value) => codecName(String(value))),
          onChange: (value) => onChange({ codec: value as Source['codec'] }),
        }}
      >
        {codecName(source.codec)}
      </Value>{' '}
      <Value
        label="Chroma"
        editor={{
          kind: 'choice',
          value: source.chroma,
          options: choice(['4:2:0', '4:2:2', '4:4:4']),
          onChange: (value) => onChange({ chroma: value as Source['chroma'] }),
        }}
      >
        {source.chroma}
      </Value>{' '}
      <Value
        label="Bit depth"
        editor={{
          kind: 'choice',
          value: String(source.bitDepth),
          options: choice([8, 10, 12, 16], (value) => `${value}-bit`),
          onChange: (value) => onChange({ bitDepth: Number(value) as Source['bitDepth'] }),
        }}
      >
        {`${source.bitDepth}-bit`}
      </Value>{' '}
      at{' '}
      <Num
        label="Bit rate of a stream"
        value={source.mbitPerS}
        unit="Mbit/s"
        min={0.1}
        onChange={(value) => onChange({ mbitPerS: value ?? source.mbitPerS })}
      />
      {reducible && (
        <>
          , decoded at{' '}
          <Value
            label="Decoded size"
            editor={{
              kind: 'choice',
              value: String(source.decodeAt),
              options: choice([1, 2, 4], (value) => (value === 1 ? 'full size' : `1/${value} size`)),
              onChange: (value) => onChange({ decodeAt: Number(value) as Source['decodeAt'] }),
            }}
          >
            {source.decodeAt === 1 ? 'full size' : `1/${source.decodeAt} size`}
          </Value>
        </>
      )}
      {onRemove && (
        <>
          {' '}
          <button type="button" className="link small" onClick={onRemove} aria-label={`Leave source ${index + 1} out`}>
            leave out
          </button>
        </>
      )}
    </span>
  );
}

function Sources<T extends EditPlay | EditExport>({
  task,
  change,
}: {
  task: T;
  change: (patch: PicturePatch) => void;
}) {
  return (
    <>
      {task.sources.map((source, i) => (
        <span key={i}>
          {i > 0 ? ' and ' : ''}
          <SourcePhrase
            source={source}
            index={i}
            onChange={(patch) =>
              change({ sources: task.sources.map((other, k) => (k === i ? { ...other, ...patch } : other)) })
            }
            onRemove={
              task.sources.length > 1 ? () => change({ sources: task.sources.filter((_, k) => k !== i) }) : undefined
            }
          />
        </span>
      ))}{' '}
      <button
        type="button"
        className="link small"
        onClick={() => change({ sources: [...task.sources, STARTING_SOURCE] })}
      >
        and another source
      </button>
    </>
  );
}

const STRENGTHS = ['off', 'light', 'strong'] as const;

function Effects({ task, change }: { task: EditPlay | EditExport; change: (patch: PicturePatch) => void }) {
  return (
    <>
      <Num
        label="Correction steps"
        value={task.correctionSteps}
        min={0}
        max={200}
        whole
        onChange={(value) => change({ correctionSteps: value ?? 0 })}
      >
        {`${task.correctionSteps} correction steps`}
      </Num>
      , spatial noise reduction{' '}
      <Value
        label="Spatial noise reduction"
        editor={{
          kind: 'choice',
          value: task.spatialNr,
          options: choice(STRENGTHS),
          onChange: (value) => change({ spatialNr: value as EditPlay['spatialNr'] }),
        }}
      >
        {task.spatialNr}
      </Value>
      , temporal{' '}
      <Value
        label="Temporal noise reduction"
        editor={{
          kind: 'choice',
          value: task.temporalNr,
          options: choice(STRENGTHS),
          onChange: (value) => change({ temporalNr: value as EditPlay['temporalNr'] }),
        }}
      >
        {task.temporalNr}
      </Value>
    </>
  );
}

export function PlaySentence({ task, change }: { task: EditPlay; change: Change<EditPlay> }) {
  return (
    <>
      Play a{' '}
      <Size
        label="Timeline size"
        width={task.width}
        height={task.height}
        onChange={(width, height) => change({ width, height })}
      />{' '}
      timeline at{' '}
      <Num
        label="Timeline frame rate"
        value={task.fps}
        unit="fps"
        min={1}
        max={240}
        onChange={(value) => change({ fps: value ?? task.fps })}
      />{' '}
      with <Sources task={task} change={change} />; <Effects task={task} change={change} />; shown at{' '}
      <Value
        label="Playback size"
        editor={{
          kind: 'choice',
          value: String(task.playAt),
          options: choice([1, 2, 4], (value) => (value === 1 ? 'full size' : `1/${value} size`)),
          onChange: (value) => change({ playAt: Number(value) as EditPlay['playAt'] }),
        }}
      >
        {task.playAt === 1 ? 'full size' : `1/${task.playAt} size`}
      </Value>
      ,{' '}
      <Value
        label="Monitoring output"
        editor={{
          kind: 'choice',
          value: String(task.monitoring),
          options: [
            { value: 'true', label: 'monitored on a second output' },
            { value: 'false', label: 'not monitored' },
          ],
          onChange: (value) => change({ monitoring: value === 'true' }),
        }}
      >
        {task.monitoring ? 'monitored on a second output' : 'not monitored'}
      </Value>
      ,{' '}
      <Value
        label="Render cache"
        editor={{
          kind: 'choice',
          value: String(task.renderCache),
          options: [
            { value: 'true', label: 'cached to scratch' },
            { value: 'false', label: 'not cached' },
          ],
          onChange: (value) => change({ renderCache: value === 'true' }),
        }}
      >
        {task.renderCache ? 'cached to scratch' : 'not cached'}
      </Value>
      ;{' '}
      <Num
        label="Footage kept on the active drive"
        value={task.keepHours}
        unit="h"
        onChange={(value) => change({ keepHours: value ?? 0 })}
      />{' '}
      of footage stay. Target: <b>real time</b>.
    </>
  );
}

export function ExportSentence({ task, change }: { task: EditExport; change: Change<EditExport> }) {
  return (
    <>
      Export{' '}
      <Num
        label="Length of the programme"
        value={task.programmeMin}
        unit="min"
        min={0.1}
        onChange={(value) => change({ programmeMin: value ?? task.programmeMin })}
      />{' '}
      of a{' '}
      <Size
        label="Timeline size"
        width={task.width}
        height={task.height}
        onChange={(width, height) => change({ width, height })}
      />{' '}
      timeline at{' '}
      <Num
        label="Timeline frame rate"
        value={task.fps}
        unit="fps"
        min={1}
        max={240}
        onChange={(value) => change({ fps: value ?? task.fps })}
      />{' '}
      with <Sources task={task} change={change} />; <Effects task={task} change={change} />; to{' '}
      <Size
        label="Output size"
        width={task.outWidth}
        height={task.outHeight}
        onChange={(outWidth, outHeight) => change({ outWidth, outHeight })}
      />{' '}
      <Value
        label="Output codec"
        editor={{
          kind: 'choice',
          value: task.outCodec,
          options: choice(['h264', 'hevc', 'av1', 'mezzanine'], (value) => codecName(String(value))),
          onChange: (value) => change({ outCodec: value as EditExport['outCodec'] }),
        }}
      >
        {codecName(task.outCodec)}
      </Value>{' '}
      <Value
        label="Output chroma"
        editor={{
          kind: 'choice',
          value: task.outChroma,
          options: choice(['4:2:0', '4:2:2', '4:4:4']),
          onChange: (value) => change({ outChroma: value as EditExport['outChroma'] }),
        }}
      >
        {task.outChroma}
      </Value>{' '}
      <Value
        label="Output bit depth"
        editor={{
          kind: 'choice',
          value: String(task.outBitDepth),
          options: choice([8, 10, 12], (value) => `${value}-bit`),
          onChange: (value) => change({ outBitDepth: Number(value) as EditExport['outBitDepth'] }),
        }}
      >
        {`${task.outBitDepth}-bit`}
      </Value>{' '}
      by{' '}
      <Value
        label="Export path"
        editor={{
          kind: 'choice',
          value: task.path,
          options: [
            { value: 'engine', label: 'encoding engine' },
            { value: 'software', label: 'software' },
          ],
          onChange: (value) => change({ path: value as EditExport['path'] }),
        }}
      >
        {task.path === 'engine' ? 'encoding engine' : 'software'}
      </Value>
      {task.path === 'software' && (
        <>
          {', preset '}
          <Value
            label="Preset"
            editor={{
              kind: 'choice',
              value: task.preset,
              options: choice(['fast', 'medium']),
              onChange: (value) => change({ preset: value as EditExport['preset'] }),
            }}
          >
            {task.preset}
          </Value>
        </>
      )}
      ,{' '}
      <Num
        label="Runs a week"
        value={task.runsPerWeek ?? 0}
        onChange={(value) => change({ runsPerWeek: value ?? 0 })}
      >{`${task.runsPerWeek ?? 0} times a week`}</Num>
      . Target:{' '}
      <Num
        label="Longest a run may take"
        value={task.targetMin}
        unit="min"
        min={0.1}
        optional
        onChange={(value) => {
          const { targetMin: _before, ...rest } = task;
          change(value === undefined ? { ...rest, targetMin: undefined } : { targetMin: value });
        }}
      >
        {task.targetMin === undefined ? 'none' : `${task.targetMin} min`}
      </Num>
      .
    </>
  );
}
