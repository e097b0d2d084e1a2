'use client';

import { audio } from '@/core/work/audio';
import { ingest } from '@/core/work/ingest';
import { scene } from '@/core/work/scene';
import { CHECKSUMS, FLOW_ENDS, type AudioWork, type IngestWork, type SceneWork } from '@/core/model/tasks';
import { number } from '@/core/words/format';
import { Num, Pick, plain, Size, type Change } from '../shared/phrases';

export function SceneSentence({ task, change }: { task: SceneWork; change: Change<SceneWork> }) {
  const { figures } = scene;
  return (
    <>
      Show a scene on{' '}
      <Num
        label="Displays"
        value={task.displays}
        min={1}
        max={16}
        whole
        figure={figures['megapixels']}
        onChange={(value) => change({ displays: value ?? 1 })}
      >
        {task.displays === 1 ? '1 display' : `${task.displays} displays`}
      </Num>{' '}
      of{' '}
      <Size
        label="Size of a display"
        width={task.width}
        height={task.height}
        onChange={(width, height) => change({ width, height })}
      />{' '}
      at{' '}
      <Num
        label="Rate to keep"
        value={task.fps}
        unit="fps"
        min={1}
        max={1000}
        figure={figures['fps']}
        onChange={(value) => change({ fps: value ?? task.fps })}
      />
      , counted as kept by{' '}
      <Pick
        label="Counts as kept"
        value={task.judgedBy}
        options={[
          ['usual', 'the usual frame'],
          ['worst', 'the worst hundredth of frames'],
        ]}
        figure={figures['judgedBy']}
        onChange={(judgedBy) => change({ judgedBy })}
      />
      ; shading{' '}
      <Pick
        label="Shading"
        value={task.shading}
        options={[
          ['plain', 'plain'],
          ['lit', 'with lights and shadows'],
          ['rich', 'rich'],
        ]}
        figure={figures['shading']}
        onChange={(shading) => change({ shading })}
      />
      ,{' '}
      <Num
        label="Triangles in view"
        value={task.mTriangles}
        unit="million"
        min={0.001}
        max={1000}
        figure={figures['mTriangles']}
        onChange={(value) => change({ mTriangles: value ?? task.mTriangles })}
      >{`${task.mTriangles} million triangles`}</Num>{' '}
      in{' '}
      <Num
        label="Draw calls"
        value={task.drawCalls}
        min={1}
        max={1_000_000}
        whole
        figure={figures['drawCalls']}
        onChange={(value) => change({ drawCalls: value ?? task.drawCalls })}
      >{`${number(task.drawCalls)} draw calls`}</Num>
      ,{' '}
      <Num
        label="Rays a pixel"
        value={task.raysPerPx}
        min={0}
        max={64}
        figure={figures['raysPerPx']}
        onChange={(value) => change({ raysPerPx: value ?? 0 })}
      >
        {task.raysPerPx === 0 ? 'nothing traced' : `${task.raysPerPx} rays a pixel`}
      </Num>
      ,{' '}
      <Num
        label="Moving things"
        value={task.movingThings}
        min={0}
        max={1_000_000}
        whole
        figure={figures['movingThings']}
        onChange={(value) => change({ movingThings: value ?? 0 })}
      >{`${number(task.movingThings)} moving things`}</Num>
      ,{' '}
      <Num
        label="Textures"
        value={task.texturesGiB}
        unit="GB"
        min={0}
        max={200}
        figure={figures['texturesGiB']}
        onChange={(value) => change({ texturesGiB: value ?? 0 })}
      >{`${task.texturesGiB} GB of textures`}</Num>
      . Target: <b>the displays’ rate</b>.
    </>
  );
}

export function IngestSentence({ task, change }: { task: IngestWork; change: Change<IngestWork> }) {
  const { figures } = ingest;
  return (
    <>
      Take{' '}
      <Num
        label="Streams at once"
        value={task.streams}
        min={1}
        max={64}
        whole
        figure={figures['streams']}
        onChange={(value) => change({ streams: value ?? 1 })}
      >
        {task.streams === 1 ? '1 stream' : `${task.streams} streams`}
      </Num>{' '}
      of{' '}
      <Num
        label="Rate of a stream"
        value={task.gbitPerS}
        unit="Gb/s"
        min={0.001}
        max={1000}
        figure={figures['gbitPerS']}
        onChange={(value) => change({ gbitPerS: value ?? task.gbitPerS })}
      />{' '}
      from{' '}
      <Pick label="Taken from" value={task.from} options={plain(FLOW_ENDS)} onChange={(from) => change({ from })} /> to{' '}
      <Pick label="Written to" value={task.to} options={plain(FLOW_ENDS)} onChange={(to) => change({ to })} /> for{' '}
      <Num
        label="Without a pause"
        value={task.hours}
        unit="h"
        min={0.01}
        max={8760}
        figure={figures['hours']}
        onChange={(value) => change({ hours: value ?? task.hours })}
      />{' '}
      without a pause,{' '}
      <Pick
        label="Checksum"
        value={task.checksum}
        options={CHECKSUMS.map((kind) => [kind, kind === 'none' ? 'unchecked' : `with a ${kind} checksum`] as const)}
        figure={figures['checksum']}
        onChange={(checksum) => change({ checksum })}
      />
      ,{' '}
      <Pick
        label="Second copy"
        value={task.copyTo ?? 'none'}
        options={[
          ['none', 'no second copy'] as const,
          ...FLOW_ENDS.map((end) => [end, `copied on to ${end}`] as const),
        ]}
        onChange={(copyTo) => change({ copyTo: copyTo === 'none' ? undefined : copyTo })}
      />
      ;{' '}
      <Num
        label="Kept"
        value={task.keepTB}
        unit="TB"
        min={0}
        max={10_000}
        figure={figures['keepTB']}
        onChange={(value) => change({ keepTB: value ?? 0 })}
      />{' '}
      stay. Target: <b>full rate to the end</b>{' '}
      <span className="quiet">({number((task.streams * task.gbitPerS * task.hours * 3600) / 8000, 3)} TB a run)</span>.
    </>
  );
}

export function AudioSentence({ task, change }: { task: AudioWork; change: Change<AudioWork> }) {
  const { figures } = audio;
  const figure = (
    key: 'tracks' | 'effectsPerTrack' | 'longestChain' | 'instruments' | 'voicesFromDrive',
    max: number,
    words: string,
  ) => (
    <Num
      label={figures[key]?.label ?? key}
      value={task[key]}
      min={key === 'tracks' ? 1 : 0}
      max={max}
      whole={key !== 'effectsPerTrack'}
      figure={figures[key]}
      onChange={(value) => change({ [key]: value ?? task[key] })}
    >{`${number(task[key])} ${words}`}</Num>
  );
  return (
    <>
      Mix {figure('tracks', 2000, 'tracks')} with {figure('effectsPerTrack', 40, 'effects each')},{' '}
      {figure('longestChain', 200, 'effects on the longest chain')}, {figure('instruments', 500, 'instruments')} and{' '}
      {figure('voicesFromDrive', 20_000, 'voices read from the drive')}; a buffer of{' '}
      <Pick
        label="Buffer"
        value={task.bufferSamples}
        options={(task.bufferSamples > 0 ? [...new Set([32, 64, 128, 256, 512, 1024, 2048, task.bufferSamples])] : [])
          .sort((a, b) => a - b)
          .map((samples) => [samples, `${samples} samples`] as const)}
        figure={figures['bufferSamples']}
        onChange={(bufferSamples) => change({ bufferSamples })}
      />{' '}
      at{' '}
      <Pick
        label="Sample rate"
        value={task.rateKHz}
        options={([44.1, 48, 96, 192] as const).map((rate) => [rate, `${rate} kHz`] as const)}
        onChange={(rateKHz) => change({ rateKHz })}
      />{' '}
      <span className="quiet">({number(task.bufferSamples / task.rateKHz, 3)} ms)</span>; instruments hold{' '}
      <Num
        label="Instruments in memory"
        value={task.libraryGiB}
        unit="GB"
        min={0}
        max={1000}
        figure={figures['libraryGiB']}
        onChange={(value) => change({ libraryGiB: value ?? 0 })}
      />
      . Target: <b>no crackle</b>.
    </>
  );
}
