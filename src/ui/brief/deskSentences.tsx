'use client';

import { TextButton } from '../shared/TextButton';
import { custom, desk } from '@/core/work/desk';
import { FLOW_ENDS, type CustomWork, type DeskWork } from '@/core/model/tasks';
import { Num, Pick, plain, type Change } from '../shared/phrases';

export function DeskSentence({ task, change }: { task: DeskWork; change: Change<DeskWork> }) {
  return (
    <>
      System and a browser with{' '}
      <Num
        label="Browser tabs"
        value={task.browserTabs}
        min={0}
        max={500}
        whole
        figure={desk.figures['browserTabs']}
        onChange={(value) => change({ browserTabs: value ?? 0 })}
      >{`${task.browserTabs} tabs`}</Num>
      ,{' '}
      <Pick
        label="Conferencing"
        value={task.conferencing}
        options={[
          [true, 'conferencing'],
          [false, 'no conferencing'],
        ]}
        figure={desk.figures['conferencing']}
        onChange={(conferencing) => change({ conferencing })}
      />
      , other programs taking{' '}
      <Num
        label="Memory of other programs"
        value={task.otherGiB}
        unit="GB"
        figure={desk.figures['otherGiB']}
        onChange={(value) => change({ otherGiB: value ?? 0 })}
      />
      . Target: <b>keeps up</b>.
    </>
  );
}

type Flow = NonNullable<CustomWork['flows']>[number];

export function CustomSentence({ task, change }: { task: CustomWork; change: Change<CustomWork> }) {
  const flows = task.flows ?? [];
  const setFlow = (index: number, patch: Partial<Flow>) =>
    change({ flows: flows.map((flow, i) => (i === index ? { ...flow, ...patch } : flow)) });
  const figure = (
    label: string,
    key: 'serialGwork' | 'parallelGwork' | 'memoryGiB' | 'graphicsMemoryGiB' | 'fp32Gflop',
    unit: string,
  ) => (
    <>
      {label}{' '}
      <Num
        label={`${label}, a ${task.unit}`}
        value={task[key]}
        unit={unit}
        figure={custom.figures[key]}
        optional
        onChange={(value) => change({ [key]: value })}
      />
    </>
  );
  return (
    <>
      <Pick
        label="Kind of work"
        value={task.mode}
        options={[
          ['real-time', 'In real time'],
          ['elastic', 'In runs'],
        ]}
        onChange={(mode) => change({ mode })}
      />
      ,{' '}
      {task.mode === 'real-time' ? (
        <Num
          label="Rate to keep"
          value={task.unitsPerS}
          unit={`${task.unit}s/s`}
          min={0.0001}
          onChange={(value) => change({ unitsPerS: value ?? 1 })}
        />
      ) : (
        <>
          <Num
            label="Units a run"
            value={task.unitsPerRun ?? 1}
            min={0.0001}
            unit={`${task.unit}s`}
            onChange={(value) => change({ unitsPerRun: value ?? 1 })}
          />{' '}
          a run, target{' '}
          <Num
            label="Longest a run may take"
            value={task.targetMin}
            unit="min"
            min={0.01}
            optional
            onChange={(value) => change({ targetMin: value })}
          />
        </>
      )}
      ; a {task.unit} takes {figure('one-thread work', 'serialGwork', 'Gwork')},{' '}
      {figure('work on all cores', 'parallelGwork', 'Gwork')}, {figure('graphics work', 'fp32Gflop', 'GFLOP')}; it holds{' '}
      {figure('memory', 'memoryGiB', 'GB')}, {figure('graphics memory', 'graphicsMemoryGiB', 'GB')}
      {flows.map((flow, i) => (
        <span key={i}>
          ; a stream of{' '}
          <Num
            label="Rate of the stream"
            value={flow.gbytePerS}
            unit="GB/s"
            min={0.000001}
            onChange={(value) => setFlow(i, { gbytePerS: value ?? flow.gbytePerS })}
          />{' '}
          from{' '}
          <Pick
            label="Stream from"
            value={flow.from}
            options={plain(FLOW_ENDS)}
            onChange={(from) => setFlow(i, { from })}
          />{' '}
          to <Pick label="Stream to" value={flow.to} options={plain(FLOW_ENDS)} onChange={(to) => setFlow(i, { to })} />{' '}
          <TextButton
            onClick={() => change({ flows: flows.filter((_, k) => k !== i) })}
            aria-label={`Leave stream ${i + 1} out`}
          >
            leave out
          </TextButton>
        </span>
      ))}
      ;{' '}
      <TextButton onClick={() => change({ flows: [...flows, { from: 'active', to: 'memory', gbytePerS: 0.5 }] })}>
        and a stream
      </TextButton>
      .
    </>
  );
}
