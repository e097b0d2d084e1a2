'use client';

import { TextButton } from '../shared/TextButton';
import { PICTURE_FIGURES as FIGURES, STARTING_SOURCE } from '@/core/work/edit';
import { OUT_CODECS, PRESETS } from '@/core/model/encoders';
import { STRENGTHS, type EditExport, type EditPlay, type Source } from '@/core/model/tasks';
import { CODECS } from '@/core/parts/common';
import { codecName } from '@/core/words/names';
import { CHROMA } from '@/core/units/quantity';
import { Num, Pick, plain, Size, type Change } from '../shared/phrases';

/** What playing and exporting have in common. */
type PictureKey = 'sources' | 'correctionSteps' | 'spatialNr' | 'temporalNr' | 'retime' | 'width' | 'height' | 'fps';
type PicturePatch = { [K in PictureKey]?: EditPlay[K] };

const codecs = <T extends string>(list: readonly T[]): (readonly [T, string])[] =>
  list.map((codec) => [codec, codecName(codec)]);
const bits = <T extends number>(list: readonly T[]): (readonly [T, string])[] =>
  list.map((depth) => [depth, `${depth}-bit`]);
const SCALES = [
  [1, 'full size'],
  [2, '1/2 size'],
  [4, '1/4 size'],
] as const;

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
        figure={FIGURES['streams']}
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
        max={1000}
        onChange={(value) => onChange({ fps: value ?? source.fps })}
      />{' '}
      <Pick
        label="Codec of the source"
        value={source.codec}
        options={codecs(CODECS)}
        onChange={(codec) => onChange({ codec })}
      />{' '}
      <Pick label="Chroma" value={source.chroma} options={plain(CHROMA)} onChange={(chroma) => onChange({ chroma })} />{' '}
      <Pick
        label="Bit depth"
        value={source.bitDepth}
        options={bits([8, 10, 12, 16] as const)}
        onChange={(bitDepth) => onChange({ bitDepth })}
      />{' '}
      at{' '}
      <Num
        label="Bit rate of a stream"
        value={source.mbitPerS}
        unit="Mbit/s"
        min={0.1}
        max={200_000}
        figure={FIGURES['mbitPerS']}
        onChange={(value) => onChange({ mbitPerS: value ?? source.mbitPerS })}
      />
      {reducible && (
        <>
          , decoded at{' '}
          <Pick
            label="Decoded size"
            value={source.decodeAt}
            options={SCALES}
            figure={FIGURES['decodeAt']}
            onChange={(decodeAt) => onChange({ decodeAt })}
          />
        </>
      )}
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
  return (
    <>
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
        max={1000}
        figure={FIGURES['fps']}
        onChange={(value) => change({ fps: value ?? task.fps })}
      />{' '}
      with{' '}
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
      <TextButton onClick={() => change({ sources: [...task.sources, STARTING_SOURCE] })}>
        and another source
      </TextButton>
      ;{' '}
      <Num
        label="Correction steps"
        value={task.correctionSteps}
        min={0}
        max={200}
        whole
        figure={FIGURES['correctionSteps']}
        onChange={(value) => change({ correctionSteps: value ?? 0 })}
      >
        {`${task.correctionSteps} correction steps`}
      </Num>
      , spatial noise reduction{' '}
      <Pick
        label="Spatial noise reduction"
        value={task.spatialNr}
        options={plain(STRENGTHS)}
        figure={FIGURES['spatialNr']}
        onChange={(spatialNr) => change({ spatialNr })}
      />
      , temporal{' '}
      <Pick
        label="Temporal noise reduction"
        value={task.temporalNr}
        options={plain(STRENGTHS)}
        figure={FIGURES['temporalNr']}
        onChange={(temporalNr) => change({ temporalNr })}
      />
      ,{' '}
      <Pick
        label="Speed changes"
        value={task.retime ?? 'off'}
        options={[
          ['off', 'no speed changes'],
          ['blend', 'speed changes by blending'],
          ['flow', 'speed changes by following motion'],
        ]}
        figure={FIGURES['retime']}
        onChange={(retime) => change({ retime })}
      />
    </>
  );
}

export function PlaySentence({ task, change }: { task: EditPlay; change: Change<EditPlay> }) {
  return (
    <>
      Play a <Timeline task={task} change={change} />;{' '}
      <Pick
        label="Proxies"
        value={task.proxies ?? 'off'}
        options={[
          ['off', 'from the sources themselves'],
          ['half', 'from proxies of half the width'],
          ['quarter', 'from proxies of a quarter of the width'],
        ]}
        figure={FIGURES['proxies']}
        onChange={(proxies) => change({ proxies })}
      />
      , shown at{' '}
      <Pick label="Playback size" value={task.playAt} options={SCALES} onChange={(playAt) => change({ playAt })} />,{' '}
      <Pick
        label="Monitoring output"
        value={task.monitoring}
        options={[
          [true, 'monitored on a second output'],
          [false, 'not monitored'],
        ]}
        onChange={(monitoring) => change({ monitoring })}
      />
      ,{' '}
      <Pick
        label="Render cache"
        value={task.renderCache}
        options={[
          [true, 'cached to scratch'],
          [false, 'not cached'],
        ]}
        onChange={(renderCache) => change({ renderCache })}
      />
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
        max={6000}
        figure={FIGURES['programmeMin']}
        onChange={(value) => change({ programmeMin: value ?? task.programmeMin })}
      />{' '}
      of a <Timeline task={task} change={change} />; to{' '}
      <Size
        label="Output size"
        width={task.outWidth}
        height={task.outHeight}
        onChange={(outWidth, outHeight) => change({ outWidth, outHeight })}
      />{' '}
      <Pick
        label="Output codec"
        value={task.outCodec}
        options={codecs(OUT_CODECS)}
        onChange={(outCodec) => change({ outCodec })}
      />{' '}
      <Pick
        label="Output chroma"
        value={task.outChroma}
        options={plain(CHROMA)}
        onChange={(outChroma) => change({ outChroma })}
      />{' '}
      <Pick
        label="Output bit depth"
        value={task.outBitDepth}
        options={bits([8, 10, 12] as const)}
        onChange={(outBitDepth) => change({ outBitDepth })}
      />{' '}
      at{' '}
      <Num
        label="Bit rate of the output"
        value={task.outMbitPerS}
        unit="Mbit/s"
        min={0.1}
        max={200_000}
        onChange={(value) => change({ outMbitPerS: value ?? task.outMbitPerS })}
      />{' '}
      by <How label="Export path" task={task} change={change} />. Target:{' '}
      <Num
        label="Longest a run may take"
        value={task.targetMin}
        unit="min"
        min={0.1}
        max={60_000}
        optional
        onChange={(value) => change({ targetMin: value })}
      >
        {task.targetMin === undefined ? 'none' : `${task.targetMin} min`}
      </Num>
      .
    </>
  );
}

/** By engine or in software, and then how carefully. */
export function How({
  label,
  task,
  change,
}: {
  label: string;
  task: { readonly path: 'engine' | 'software'; readonly preset: (typeof PRESETS)[number] };
  change: (patch: { path?: 'engine' | 'software'; preset?: (typeof PRESETS)[number] }) => void;
}) {
  return (
    <>
      <Pick
        label={label}
        value={task.path}
        options={[
          ['engine', 'encoding engine'],
          ['software', 'software'],
        ]}
        onChange={(path) => change({ path })}
      />
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
