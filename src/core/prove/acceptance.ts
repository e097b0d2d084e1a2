import { LINKS, shareOfLink } from '../board/links';
import { EVIDENCE } from '../evidence/constants';
import { predictWorkload } from '../evidence/predict';
import type { Assessment } from '../assess';
import type { Workload } from '../model/measurement';
import type { Band } from '../units/band';
import { GIB } from '../units/quantity';
import { COMMON } from '../work/common';
import { fastestWire } from '../work/networks';
import { PROVE } from './constants';

/** What a built machine is asked; words are made elsewhere. */
export const TEST_CODES = [
  'memory-size',
  'memory-rate',
  'memory-errors',
  'memory-stream',
  'link-lanes',
  'link-generation',
  'drive-read',
  'drive-write',
  'drive-kept',
  'drive-heat',
  'network',
  'processor-work',
  'processor-clock',
  'processor-watts',
  'processor-heat',
  'cooler-fan',
  'case-fans',
  'card-watts',
  'card-heat',
  'noise',
  'task',
  'dropped',
] as const;
export type TestCode = (typeof TEST_CODES)[number];

/**
 * How far a reading is from what is expected: by their ratio; a temperature by its rise over the room; a sound level in
 * decibels; a count that should be none by itself.
 */
export type Scale = 'ratio' | 'rise' | 'level' | 'count';

/** One thing that was promised of a machine, and the figure by which it is kept. */
export interface AcceptanceTest {
  readonly id: string;
  readonly code: TestCode;
  readonly item: string | undefined;
  readonly task: string | undefined;
  readonly unit: string;
  readonly scale: Scale;
  readonly likely: number;
  /** Factor on what is expected, as its scale takes it, within which a sound machine lies. */
  readonly spread: number;
  readonly passes: 'least' | 'most' | 'exactly';
  readonly limit: number;
  /** °C at which the part slows down by itself, so that it is never warmer for long. */
  readonly heldAt: number | undefined;
  /** Above this no machine of these parts can be; undefined where nothing says so. */
  readonly ceiling: number | undefined;
  /** The model's own words for it, where it can teach. */
  readonly workload: Workload | undefined;
  readonly minutes: number;
}

/** Short figures that are read from a screen or a list. */
const AT_A_GLANCE = 1;
const SHORT_RUN = 2;
const LONG_RUN = 10;

/** Nepers in a decibel of a sound level, ln 10 / 20 = 0.1151. Source: ISO 80000-8. */
export const NEPERS_A_DECIBEL = Math.LN10 / 20;

/**
 * What a machine promises, each with the figure that passes: exact ones (lanes, rates and sizes that are shown), rates of
 * memory, drives, network and cores from the predictions and their bands, temperatures, clocks, power and noise at the
 * joint load of processor and cards, and each task. What is not known is not promised.
 */
export function acceptanceOf(assessment: Assessment): AcceptanceTest[] {
  const { facts, supply, tasks } = assessment;
  const { parts, memory, placement, heat } = facts;
  const tests: AcceptanceTest[] = [];

  type Given = Pick<AcceptanceTest, 'unit' | 'likely' | 'passes'> & Partial<AcceptanceTest>;
  function add(code: TestCode, given: Given): void {
    const { item, task, likely, passes, scale = 'ratio', spread = 1 } = given;
    if (!Number.isFinite(likely)) return;
    tests.push({
      id: [code, item, task].filter((part) => part !== undefined).join(' '),
      code,
      item,
      task,
      unit: given.unit,
      scale,
      likely,
      spread,
      passes,
      limit: given.limit ?? limitOf({ scale, likely, spread, passes }, facts.brief.roomC),
      heldAt: given.heldAt,
      ceiling: given.ceiling,
      workload: given.workload,
      minutes: given.minutes ?? AT_A_GLANCE,
    });
  }
  const banded = (band: Band): Pick<AcceptanceTest, 'likely' | 'spread'> => ({
    likely: band.likely,
    spread: Math.sqrt(band.high / band.low),
  });
  /** A rate in the model's own words, as far as it can say one. */
  function workload(code: TestCode, asked: Workload, given: Omit<Given, 'likely' | 'passes'>): void {
    const { band } = predictWorkload(asked, assessment, facts.calibration);
    if (band) add(code, { ...given, ...banded(band), limit: band.low, passes: 'least', workload: asked });
  }

  memoryTests();
  links();
  drives();
  network();
  load();
  work();
  return tests.sort((a, b) => TEST_CODES.indexOf(a.code) - TEST_CODES.indexOf(b.code));

  function memoryTests(): void {
    if (memory.bytes !== undefined && memory.bytes > 0)
      add('memory-size', { unit: 'GiB', likely: memory.bytes / GIB, passes: 'exactly' });
    if (memory.effectiveMTs !== undefined)
      add('memory-rate', { unit: 'MT/s', likely: memory.effectiveMTs, passes: 'exactly', spread: 1.01 });
    if (memory.modules.length > 0)
      add('memory-errors', {
        unit: 'errors',
        likely: 0,
        passes: 'most',
        scale: 'count',
        minutes: memoryTestMinutes(memory.bytes, memory.bandwidthBytesPerS) ?? LONG_RUN,
      });
    const threads = supply.processor?.threads ?? 0;
    if (threads > 0)
      workload(
        'memory-stream',
        { work: 'memory', threads },
        {
          unit: 'MB/s',
          minutes: SHORT_RUN,
          ...(memory.bandwidthBytesPerS === undefined ? {} : { ceiling: memory.bandwidthBytesPerS / 1e6 }),
        },
      );
  }

  /** Width and generation of each card's and drive's own link, read while it works: at rest links step down. */
  function links(): void {
    for (const { item, part } of [
      ...parts.ofKind('graphics'),
      ...parts.ofKind('expansion'),
      ...parts.ofKind('drive'),
    ]) {
      const link = placement?.placed.get(item.id)?.link;
      if (!link || (part.kind === 'drive' && part.interface !== 'NVMe')) continue;
      add('link-lanes', { item: item.id, unit: 'lanes', likely: link.lanes, passes: 'exactly' });
      add('link-generation', { item: item.id, unit: 'generation', likely: link.generation, passes: 'exactly' });
    }
  }

  function drives(): void {
    for (const { item, part } of parts.ofKind('drive')) {
      const { bytesPerS: carried, link } = placement?.placed.get(item.id) ?? {};
      const most = carried === undefined ? undefined : (carried * shareOfLink(link).value) / 1e6;
      const rate = (code: TestCode, stated: number | undefined, asked: Workload, minutes: number) => {
        if (stated === undefined) return;
        const { band } = predictWorkload(asked, assessment, facts.calibration, part.id);
        if (!band) return;
        const held = most === undefined ? 1 : Math.min(1, most / band.likely);
        add(code, {
          item: item.id,
          unit: 'MB/s',
          ...banded(band),
          likely: band.likely * held,
          limit: band.low * held,
          passes: 'least',
          minutes,
          ...(carried === undefined ? {} : { ceiling: carried / 1e6 }),
          // through a narrower link than its own a rate says nothing of the drive
          ...(held === 1 ? { workload: asked } : {}),
        });
      };
      const run = (direction: 'read' | 'write', gigabytes: number): Workload => ({
        work: 'drive',
        direction,
        access: 'sequential',
        item: item.id,
        gigabytes,
      });
      rate('drive-read', part.seqReadMBs, run('read', SHORT_GB), SHORT_RUN);
      const cache = part.writeCacheGB ?? 0;
      if (cache >= SHORT_GB || part.sustainedWriteMBs === undefined)
        rate('drive-write', part.seqWriteMBs, run('write', SHORT_GB), SHORT_RUN);
      if (part.sustainedWriteMBs !== undefined)
        add('drive-kept', {
          item: item.id,
          unit: 'MB/s',
          likely: Math.min(part.sustainedWriteMBs, most ?? Infinity),
          // what is left after its cache varies as its other rates do
          spread: EVIDENCE.driveShare.spread,
          passes: 'least',
          minutes: Math.ceil((cache * 1000) / (part.seqWriteMBs ?? part.sustainedWriteMBs) / 60 + SHORT_RUN),
          ...(carried === undefined ? {} : { ceiling: carried / 1e6 }),
        });
      if (part.interface === 'NVMe')
        add('drive-heat', {
          item: item.id,
          unit: '°C',
          scale: 'rise',
          likely: facts.brief.roomC + PROVE.driveRiseK.value,
          spread: PROVE.driveRiseK.spread,
          limit: PROVE.driveMostC.value,
          heldAt: PROVE.driveMostC.value,
          passes: 'most',
          minutes: LONG_RUN,
        });
    }
  }

  function network(): void {
    const fastest = fastestWire(parts);
    if (fastest === undefined) return;
    add('network', {
      unit: 'Gb/s',
      likely: fastest * LINKS.network.value,
      spread: LINKS.network.spread,
      passes: 'least',
      minutes: SHORT_RUN,
      ceiling: fastest,
    });
  }

  /** Processor and cards at the most they may draw, until nothing changes any more. */
  function load(): void {
    const { best, worst } = heat.atLimit;
    const minutes = PROVE.warmMin.value;
    const processor = parts.one('processor');
    const state = best.state.parts;
    for (const hot of heat.setup.hot) {
      const [here, there] = [best, worst].map(({ state: { parts: all } }) => all.find(({ item }) => item === hot.item));
      if (!here || !there) continue;
      const at = hot.kind === 'processor' ? 'processor' : 'card';
      const item = hot.kind === 'processor' ? undefined : hot.item;
      const { rise } = PROVE;
      add(`${at}-heat`, {
        ...(item === undefined ? {} : { item }),
        unit: '°C',
        scale: 'rise',
        likely: here.tempC,
        spread: rise.spread,
        limit: facts.brief.roomC + (there.tempC - facts.brief.roomC) * rise.spread,
        heldAt: Math.max(here.limitC, there.limitC),
        passes: 'most',
        minutes,
      });
      add(`${at}-watts`, {
        ...(item === undefined ? {} : { item }),
        unit: 'W',
        likely: here.watts,
        spread: PROVE.watts.spread,
        passes: 'least',
        ceiling: hot.fullW * PROVE.watts.spread,
        minutes,
      });
    }
    const group = processor?.part.coreGroups?.[0];
    const cpu = state.find(({ item }) => item === processor?.item.id);
    if (processor && group?.allCoreGHz !== undefined && cpu)
      add('processor-clock', {
        unit: 'GHz',
        likely: group.allCoreGHz * best.clocks.processor,
        spread: PROVE.clock.spread,
        passes: 'least',
        minutes,
        ...(group.boostGHz === undefined ? {} : { ceiling: group.boostGHz * (facts.machine.tuning?.clock ?? 1) }),
      });
    const cooler = parts.one('cooler');
    const full = Math.max(0, ...(cooler?.part.resistance ?? []).map(({ rpm }) => rpm));
    if (cpu && cooler && full > 0 && cooler.part.fans !== 0 && cooler.part.type !== 'passive')
      add('cooler-fan', {
        item: cooler.item.id,
        unit: 'rpm',
        likely: full * cpu.speed,
        spread: PROVE.fanSpeed.spread,
        passes: 'least',
        minutes,
      });
    const turning = [
      ...parts.ofKind('fan').map(({ part }) => part.maxRpm),
      ...(parts.one('case')?.part.fansIncluded ?? []).map(({ maxRpm }) => maxRpm),
    ].filter((rpm) => rpm !== undefined);
    if (turning.length > 0 && heat.setup.plan)
      add('case-fans', {
        unit: 'rpm',
        likely: Math.min(...turning) * best.state.caseSpeed,
        spread: PROVE.fanSpeed.spread,
        passes: 'least',
        minutes,
      });
    const { noise } = heat.atLimit;
    if (noise.missing.length === 0 && noise.sources.length > 0)
      add('noise', {
        unit: 'dB(A)',
        scale: 'level',
        likely: noise.dbA,
        spread: PROVE.noiseDb.spread,
        passes: 'most',
        minutes,
      });
  }

  function work(): void {
    const threads = supply.processor?.threads ?? 0;
    if (threads > 0) workload('processor-work', { work: 'compress', threads }, { unit: 'MIPS', minutes: SHORT_RUN });
    for (const task of tasks) {
      if (!task.gets) continue;
      const live = task.mode === 'real-time';
      add('task', {
        task: task.task,
        unit: live ? `${task.unit}/s` : 's',
        ...banded(task.gets),
        limit: live ? task.gets.low : task.gets.high,
        passes: live ? 'least' : 'most',
        minutes: live ? LONG_RUN : Math.max(1, Math.ceil(task.gets.high / 60)),
      });
      // what runs beside the work, as programs at a desk do, counts nothing that could be dropped
      const counts = facts.brief.tasks.some(({ id, kind }) => id === task.task && kind !== 'desk');
      if (live && counts && task.verdict === 'carries')
        add('dropped', {
          task: task.task,
          unit: task.unit,
          likely: 0,
          passes: 'most',
          scale: 'count',
          minutes: LONG_RUN,
        });
    }
  }
}

/** Gigabytes that a short run of a drive reads or writes. */
export const SHORT_GB = 8;

/** The figure that passes: what is expected, off by what a sound machine may be off. */
function limitOf(
  { scale, likely, spread, passes }: Pick<AcceptanceTest, 'scale' | 'likely' | 'spread' | 'passes'>,
  roomC: number,
): number {
  if (passes === 'exactly' || scale === 'count') return likely;
  const by = passes === 'most' ? spread : 1 / spread;
  if (scale === 'rise') return roomC + (likely - roomC) * by;
  if (scale === 'level') return likely + Math.log(by) / NEPERS_A_DECIBEL;
  return likely * by;
}

/**
 * Minutes that a memory test takes: each byte is moved so often a pass, at the share of the peak rate that programs reach.
 * Undefined when size or rate is not known.
 * @example memoryTestMinutes(64 * 2 ** 30, 80e9) // 53.4
 */
export function memoryTestMinutes(bytes: number | undefined, peakBytesPerS: number | undefined): number | undefined {
  if (bytes === undefined || !peakBytesPerS) return undefined;
  const moved = bytes * PROVE.memoryPasses.value * PROVE.memoryTraffic.value;
  return moved / (peakBytesPerS * COMMON.memoryAchieved.value) / 60;
}
