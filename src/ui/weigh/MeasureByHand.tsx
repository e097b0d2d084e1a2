'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { problemsOf } from '@/core/formats/problems';
import { measurementSchema, type Measurement } from '@/core/model/measurement';
import { withIds } from '@/core/evidence/readers';
import { OUT_CODECS, PRESETS } from '@/core/model/encoders';
import { codecName } from '@/core/words/names';
import { Num, Pick, plain, Size } from '../shared/phrases';

type Kind = 'encode' | 'decode' | 'drive';

/** One result typed in: what was run, and what came out. */
export function MeasureByHand({
  taken,
  onAdd,
}: {
  taken: readonly Measurement[];
  onAdd: (measurement: Measurement) => void;
}) {
  const [kind, setKind] = useState<Kind>('encode');
  const [codec, setCodec] = useState<(typeof OUT_CODECS)[number]>('h264');
  const [preset, setPreset] = useState<(typeof PRESETS)[number]>('medium');
  const [size, setSize] = useState({ width: 1920, height: 1080 });
  const [threads, setThreads] = useState(1);
  const [direction, setDirection] = useState<'read' | 'write'>('write');
  const [value, setValue] = useState<number>();
  const [message, setMessage] = useState<string>();
  const workload = () => {
    switch (kind) {
      case 'encode':
        return { work: 'encode', ...size, threads, target: { codec, preset, chroma: '4:2:0' } } as const;
      case 'decode':
        return { work: 'decode', ...size, threads, source: { codec, chroma: '4:2:0', bitDepth: 8 } } as const;
      case 'drive':
        return { work: 'drive', direction, access: 'sequential' } as const;
    }
  };
  const add = () => {
    if (value === undefined) return setMessage('Type what was measured.');
    const [entry] = withIds(
      [{ workload: workload(), value, unit: kind === 'drive' ? 'MB/s' : 'fps', tool: 'by hand', use: 'calibrate' }],
      'typed in',
      taken,
    );
    const checked = measurementSchema.safeParse(entry);
    if (!checked.success)
      return setMessage(
        problemsOf(checked.error)
          .map((problem) => problem.message)
          .join(' '),
      );
    onAdd(checked.data);
  };
  return (
    <p className="sentence" aria-label="A result by hand">
      <Pick
        label="What was run"
        value={kind}
        options={[
          ['encode', 'Encoded in software'],
          ['decode', 'Decoded in software'],
          ['drive', 'A drive'],
        ]}
        onChange={setKind}
      />{' '}
      {kind === 'drive' ? (
        <Pick label="Direction" value={direction} options={plain(['read', 'write'] as const)} onChange={setDirection} />
      ) : (
        <>
          <Pick
            label="Codec that was run"
            value={codec}
            options={OUT_CODECS.map((name) => [name, codecName(name)] as const)}
            onChange={setCodec}
          />{' '}
          {kind === 'encode' && (
            <Pick label="Preset that was run" value={preset} options={plain(PRESETS)} onChange={setPreset} />
          )}{' '}
          at{' '}
          <Size
            label="Size that was run"
            width={size.width}
            height={size.height}
            onChange={(width, height) => setSize({ width, height })}
          />{' '}
          on{' '}
          <Num
            label="Threads that ran"
            value={threads}
            min={1}
            max={1024}
            whole
            onChange={(next) => setThreads(next ?? 1)}
          >
            {threads === 1 ? '1 thread' : `${threads} threads`}
          </Num>
        </>
      )}
      :{' '}
      <Num
        label="What was measured"
        value={value}
        unit={kind === 'drive' ? 'MB/s' : 'fps'}
        min={0.001}
        max={1e6}
        onChange={setValue}
      >
        {value === undefined ? 'how much?' : `${value} ${kind === 'drive' ? 'MB/s' : 'fps'}`}
      </Num>{' '}
      <Button variant="outlined" onClick={add}>
        Keep the result
      </Button>
      {message && (
        <span className="short small" role="alert">
          {' '}
          {message}
        </span>
      )}
    </p>
  );
}
