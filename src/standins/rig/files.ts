import type { Assessment } from '@/core/assess';
import { predictWorkload } from '@/core/evidence/predict';
import { GIB } from '@/core/units/quantity';
import type { Truth } from './truth';

export interface RigFile {
  readonly name: string;
  readonly text: string;
}

type Random = () => number;
const jitter = (next: Random, share: number): number => 1 + share * (2 * next() - 1);

/** Files as the open tools write them, of a machine as it really is. */
export function filesOf(truth: Truth, assessment: Assessment, next: Random): RigFile[] {
  const cpu = truth.processor;
  return [
    { name: 'sensors.csv', text: sensorLog(truth, next) },
    ...(cpu && cpu.all > 0
      ? [{ name: 'cores.txt', text: compression(cpu.all * 990 * jitter(next, 0.01), cpu.threads) }]
      : []),
    ...(truth.memory.streamMBs === undefined || !cpu
      ? []
      : [{ name: 'memory-rate.txt', text: stream(truth.memory.streamMBs * jitter(next, 0.01), cpu.threads) }]),
    { name: 'memory-test.txt', text: memoryTest(cpu?.threads ?? 2) },
    { name: 'memory.json', text: inventory(truth) },
    ...(truth.links.length > 0 ? [{ name: 'links.txt', text: links(truth) }] : []),
    ...truth.drives.flatMap(({ item, readMBs, writeMBs, keptMBs, fullAfterGB }) => [
      ...run(`${item}-read`, readMBs, 'read', '8g'),
      ...run(`${item}-write`, writeMBs, 'write', '8g'),
      ...run(`${item}-kept`, keptMBs, 'write', `${fullAfterGB}g`),
    ]),
    ...(truth.networkGbitPerS === undefined ? [] : [{ name: 'network.json', text: network(truth.networkGbitPerS) }]),
    ...encoders(truth, assessment, next),
  ];

  function run(name: string, rate: number | undefined, rw: 'read' | 'write', size: string): RigFile[] {
    return rate === undefined
      ? []
      : [{ name: `${name}.json`, text: storage(name, rate * jitter(next, 0.01), rw, size) }];
  }
}

/** Half a minute a line, twenty minutes long; everything warms with the case. */
function sensorLog({ roomC, processor, cards, drives, caseRpm }: Truth, next: Random): string {
  const columns: { name: string; idle: number; load: number; fast?: boolean }[] = [
    { name: 'room (°C)', idle: roomC, load: roomC },
  ];
  const add = (name: string, idle: number, load: number, fast = false): void =>
    void columns.push({ name, idle, load, fast });
  if (processor) {
    add('processor temperature (°C)', roomC + 8, processor.tempC);
    add('processor power (W)', processor.idleW, processor.watts, true);
    add('processor clock (MHz)', processor.ghz * 1000, processor.ghz * 1000, true);
    if (processor.fanRpm !== undefined) add('cooler fan (rpm)', processor.fanRpm * 0.45, processor.fanRpm);
  }
  if (caseRpm !== undefined) add('case fan (rpm)', caseRpm * 0.6, caseRpm);
  cards.forEach((card, i) => {
    add(`card ${i + 1} temperature (°C)`, roomC + 12, card.tempC);
    add(`card ${i + 1} power (W)`, card.idleW, card.watts, true);
  });
  for (const drive of drives) if (drive.onBoard) add(`drive ${drive.item} temperature (°C)`, roomC + 10, drive.tempC);
  const lines = [['time_s', ...columns.map(({ name }) => name)].join(',')];
  for (let s = 0; s <= 1200; s += 30) {
    const warm = 1 - Math.exp(-s / 180);
    lines.push(
      [
        s,
        ...columns.map(({ idle, load, fast }) =>
          ((idle + (load - idle) * (fast ? (s > 0 ? 1 : 0) : warm)) * jitter(next, 0.008)).toFixed(1),
        ),
      ].join(','),
    );
  }
  return `${lines.join('\n')}\n`;
}

const compression = (mips: number, threads: number): string => `
7-Zip (z) : simulated by the proving rig
RAM size:   65536 MB,  # CPU hardware threads:  ${threads}
RAM usage:   1779 MB,  # Benchmark threads:     ${threads}

                       Compressing  |                  Decompressing
Dict     Speed Usage    R/U Rating  |      Speed Usage    R/U Rating
         KiB/s     %   MIPS   MIPS  |      KiB/s     %   MIPS   MIPS
Tot:             ${threads * 98}   ${Math.round(mips / threads)}   ${Math.round(mips)}
`;

const stream = (rate: number, instances: number): string => `
stress-ng: info:  [1] dispatching hogs: ${instances} stream
stress-ng: info:  [2] stream: stressor loosely based on a variant of the STREAM benchmark code, simulated by the proving rig
stress-ng: metrc: [1] stream  ${((rate * 0.6) / instances).toFixed(2)} memory read rate (MB per sec) (geometic mean of ${instances} instances)
stress-ng: metrc: [1] stream  ${((rate * 0.4) / instances).toFixed(2)} memory write rate (MB per sec) (geometic mean of ${instances} instances)
stress-ng: info:  [1] successful run completed in 60.02s
`;

const memoryTest = (workers: number): string => `
stress-ng: info:  [1] dispatching hogs: ${workers} vm
stress-ng: info:  [1] skipped: 0
stress-ng: info:  [1] passed: ${workers}: vm (${workers})
stress-ng: info:  [1] failed: 0
stress-ng: info:  [1] successful run completed in 3600.11s
`;

function inventory({ memory }: Truth): string {
  return JSON.stringify(
    [
      {
        id: 'memory',
        class: 'memory',
        description: 'System memory, simulated by the proving rig',
        units: 'bytes',
        size: memory.slots.reduce((sum, { gib }) => sum + (gib ?? 0) * GIB, 0),
        children: memory.slots.map(({ slot, gib }, i) => ({
          id: `bank:${i}`,
          class: 'memory',
          slot,
          ...(gib === undefined
            ? { description: 'empty' }
            : { description: `module ${memory.mts} MHz`, units: 'bytes', size: gib * GIB, clock: memory.mts * 1e6 }),
        })),
      },
    ],
    null,
    1,
  );
}

const GT_A_SECOND: Readonly<Record<number, string>> = { 1: '2.5', 2: '5', 3: '8', 4: '16', 5: '32', 6: '64' };
const CLASSES: Readonly<Record<string, string>> = {
  graphics: 'VGA compatible controller',
  drive: 'Non-Volatile memory controller',
  expansion: 'Multimedia controller',
};

function links({ links: all }: Truth): string {
  return all
    .map(
      (
        { name, kind, link },
        i,
      ) => `${String(i + 1).padStart(2, '0')}:00.0 ${CLASSES[kind] ?? 'Device'}: ${name} (simulated by the proving rig)
	LnkCap:	Port #0, Speed ${GT_A_SECOND[link.generation] ?? ''}GT/s, Width x16, ASPM L1
	LnkSta:	Speed ${GT_A_SECOND[link.generation] ?? ''}GT/s, Width x${link.lanes}
`,
    )
    .join('\n');
}

function storage(jobname: string, mbs: number, rw: 'read' | 'write', size: string): string {
  const side = (used: boolean) => ({
    io_bytes: used ? 8e9 : 0,
    bw_bytes: used ? Math.round(mbs * 1e6) : 0,
    iops: used ? mbs : 0,
  });
  return JSON.stringify(
    {
      'fio version': 'fio-3.33, simulated by the proving rig',
      jobs: [
        {
          jobname,
          error: 0,
          'job options': { rw, bs: '1m', iodepth: '16', direct: '1', size },
          read: side(rw === 'read'),
          write: side(rw === 'write'),
        },
      ],
    },
    null,
    1,
  );
}

const network = (gbitPerS: number): string =>
  JSON.stringify(
    {
      title: 'simulated by the proving rig',
      end: {
        sum_sent: { seconds: 30, bits_per_second: gbitPerS * 1.001e9 },
        sum_received: { seconds: 30, bits_per_second: gbitPerS * 1e9 },
      },
    },
    null,
    1,
  );

/** Runs of an encoder and a decoder on one thread and on all, at two sizes. */
function encoders({ processor }: Truth, assessment: Assessment, next: Random): RigFile[] {
  if (!processor || processor.one <= 0) return [];
  const encoder = Math.exp(0.12 * (2 * next() - 1));
  const speed = processor.one / (assessment.supply.processor?.serial?.value ?? processor.one);
  const spread = processor.all / (assessment.supply.processor?.parallel(processor.threads)?.value ?? processor.all);
  return [1, processor.threads].flatMap((threads) =>
    [
      [1280, 720],
      [1920, 1080],
    ].flatMap(([width = 0, height = 0]): RigFile[] => {
      const { band } = predictWorkload(
        { work: 'encode', width, height, threads, target: { codec: 'h264', preset: 'fast', chroma: '4:2:0' } },
        assessment,
      );
      if (!band) return [];
      const fps = band.likely * encoder * (threads === 1 ? speed : spread) * jitter(next, 0.01);
      const frames = 400;
      const seconds = frames / fps;
      return [
        {
          name: `encode-${height}-${threads}.txt`,
          text: `command: ffmpeg -benchmark -threads ${threads} -preset fast (simulated by the proving rig)
Input #0, lavfi, from 'pattern':
  Stream #0:0: Video: rawvideo (I420 / 0x30323449), yuv420p, ${width}x${height}, 25 tbr
Stream mapping:
  Stream #0:0 -> #0:0 (rawvideo (native) -> h264 (encoder))
[encoder] options: threads=${threads} lookahead_threads=1
Output #0, mp4, to 'out.mp4':
  Stream #0:0: Video: h264, yuv420p(progressive), ${width}x${height}, 25 fps
frame=  ${frames} fps= ${fps.toFixed(1)} q=-1.0 Lsize=    1178kB time=00:00:16.00 speed=2.24x
bench: utime=${(seconds * threads * 0.95).toFixed(3)}s stime=0.200s rtime=${seconds.toFixed(3)}s
`,
        },
      ];
    }),
  );
}
