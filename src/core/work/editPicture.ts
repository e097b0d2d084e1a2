import { chooseEngine } from '../predict/engines';
import { fromConstant, given, product, quotient, sum, type Derivation } from '../predict/derive';
import { GIB } from '../units/quantity';
import type { ApplicationProfile } from './applications';
import { EDIT } from './editConstants';
import { GENERIC_EDITOR, type MachineFacts } from './machineFacts';
import type { Demand, Holding, Impossible, MissingFigure, Resource } from './stage';
import type { EditExport, EditPlay, Source, Strength } from './tasks';

export type Name = keyof typeof EDIT;

export const c = (label: string, name: Name): Derivation => fromConstant(label, EDIT[name]);

/** Collects what a task asks for; one object a task keeps the steps below short. */
export class Demands {
  readonly demands: Demand[] = [];
  readonly holdings: Holding[] = [];
  readonly impossible: Impossible[] = [];
  readonly missing: MissingFigure[] = [];

  need(stage: string, resource: Resource, amount: Derivation): void {
    this.demands.push({ stage, resource, amount });
  }

  /** Processor work of a stage: all of it on the cores, its serial share also on the best one. */
  processor(stage: string, work: Derivation, serialShare: Derivation): void {
    this.need(stage, 'cpu.parallel', work);
    this.need(stage, 'cpu.serial', product(`${stage}, serial part`, 'Gwork', [work, serialShare]));
  }

  hold(what: Holding['what'], bytes: Derivation): void {
    this.holdings.push({ what, bytes });
  }
}

const DECODE: Readonly<Record<Source['codec'], Name>> = {
  h264: 'decodeH264',
  hevc: 'decodeHevc',
  av1: 'decodeAv1',
  mezzanine: 'decodeMezzanine',
  raw: 'decodeRaw',
  uncompressed: 'copyUncompressed',
};

/** Codecs whose frames stand alone and can be decoded at a reduced size for less. */
const canReduce = (source: Source): boolean => source.codec === 'raw' || source.codec === 'mezzanine';

export const chromaFactor = (chroma: Source['chroma']): readonly Derivation[] =>
  chroma === '4:2:2'
    ? [c('4:2:2 against 4:2:0', 'chroma422')]
    : chroma === '4:4:4'
      ? [c('4:4:4 against 4:2:0', 'chroma444')]
      : [];

/** Decodes one source, a timeline frame's worth of it: on an engine where one fits, else on the processor. */
function decode(
  out: Demands,
  source: Source,
  index: number,
  perFrame: Derivation,
  application: ApplicationProfile,
  facts: MachineFacts,
  where: string,
): void {
  const stage = `decode source ${index + 1}`;
  const px = product('pixels', 'px', [
    given('width', source.width, 'px', 'brief', where),
    given('height', source.height, 'px', 'brief', where),
    given('streams', source.streams, '', 'brief', where),
    perFrame,
  ]);
  out.need(
    `read source ${index + 1}`,
    'read:active',
    quotient('bytes read', 'B', [
      product('bits read', 'bit', [
        given('bit rate', source.mbitPerS * 1e6, 'bit/s', 'brief', where),
        given('streams', source.streams, '', 'brief', where),
        perFrame,
      ]),
      given('bits a byte', 8, 'bit/B', 'standard', 'definition'),
      given('source frame rate', source.fps, 'frames/s', 'brief', where),
    ]),
  );
  const reduced = source.decodeAt > 1 && canReduce(source);
  const share = reduced
    ? given(
        `decoded at 1/${source.decodeAt} size`,
        (1 / source.decodeAt ** 2) ** EDIT.reducedDecode.value,
        '×',
        'brief',
        where,
      )
    : undefined;
  const decodedPx = reduced
    ? product('pixels after reduced decode', 'px', [
        px,
        given('share of pixels', 1 / source.decodeAt ** 2, '×', 'brief', where),
      ])
    : px;

  const onEngine =
    application.decode === 'engine' &&
    source.codec !== 'raw' &&
    source.codec !== 'mezzanine' &&
    source.codec !== 'uncompressed';
  const engine = onEngine ? chooseEngine(facts.engines, { direction: 'decode', ...source }) : { kind: 'none' as const };
  if (engine.kind === 'found') {
    const rate = given('engine rate', engine.at.engine.mpxPerS * 1e6, 'px/s', 'part', engine.at.where);
    out.need(
      stage,
      'engine.decode',
      quotient('engine time', 's', [px, rate, c('share of the stated rate reached', 'engineAchieved')]),
    );
  } else {
    if (engine.kind === 'unknown') out.missing.push(...engine.missing);
    const factors = [
      px,
      c(`${source.codec} on the processor`, DECODE[source.codec]),
      ...(source.codec === 'raw' ? [] : chromaFactor(source.chroma)),
      ...(share ? [share] : []),
    ];
    out.processor(stage, gwork('decode work', factors), c('serial share of decoding', 'decodeSerialShare'));
  }
  if (source.codec === 'raw')
    if (application.rawDecode === 'graphics' && facts.hasGraphics)
      out.need(stage, 'gpu.fp32', achievedFlop('debayer', [decodedPx, c('debayer', 'debayerGraphics')]));
    else
      out.processor(
        stage,
        gwork('debayer on the processor', [decodedPx, c('debayer', 'debayerProcessor')]),
        c('serial share of decoding', 'decodeSerialShare'),
      );
  // pictures decoded on the card are there already; all others cross the link
  if (facts.hasGraphics && !(engine.kind === 'found' && engine.at.on === 'graphics'))
    out.need(
      `upload source ${index + 1}`,
      'gpu.in',
      product('bytes over the link', 'B', [decodedPx, c('a decoded pixel', 'uploadBytes')]),
    );
  if (facts.hasGraphics) {
    out.need(
      stage,
      'gpu.traffic',
      achievedTraffic('convert and scale', [decodedPx, c('convert and scale', 'scaleTraffic')]),
    );
    out.hold(
      'graphics memory',
      product('decoded frames', 'B', [
        decodedPx,
        c('frames ahead', 'decodedFrames'),
        c('a decoded pixel', 'uploadBytes'),
      ]),
    );
  }
  out.hold(
    'memory',
    product('decoded frames around the playhead', 'B', [
      decodedPx,
      c('a decoded pixel', 'uploadBytes'),
      given('source frame rate', source.fps, 'frames/s', 'brief', where),
      c('held around the playhead', 'aheadSeconds'),
    ]),
  );
  out.need(
    stage,
    'memory.traffic',
    product('decoded frames written and read', 'B', [
      decodedPx,
      c('a decoded pixel', 'uploadBytes'),
      given('write and read', 2, '×', 'standard', 'definition'),
    ]),
  );
}

export const gwork = (label: string, clocks: readonly Derivation[]): Derivation =>
  quotient(label, 'Gwork', [
    product(label, 'clocks', clocks),
    given('clocks a Gwork', 1e9, '', 'standard', 'definition'),
  ]);

/** FLOP as peak FLOP: what a card must offer on paper to do this much. */
const achievedFlop = (label: string, factors: readonly Derivation[]): Derivation =>
  quotient(`${label}, in peak FLOP`, 'FLOP', [
    product(label, 'FLOP', factors),
    c('share of peak reached', 'achievedFp32'),
  ]);

const achievedTraffic = (label: string, factors: readonly Derivation[]): Derivation =>
  quotient(`${label}, in peak bytes`, 'B', [
    product(label, 'B', factors),
    c('share of peak reached', 'achievedTraffic'),
  ]);

const nrFlop = (kind: 'spatial' | 'temporal', strength: Exclude<Strength, 'off'>): Derivation =>
  kind === 'spatial'
    ? c(`spatial noise reduction, ${strength}`, strength === 'light' ? 'spatialNrLight' : 'spatialNrStrong')
    : c(`temporal noise reduction, ${strength}`, strength === 'light' ? 'temporalNrLight' : 'temporalNrStrong');

/** Correction steps and noise reduction at the size the picture is worked on. */
function effects(
  out: Demands,
  task: EditPlay | EditExport,
  px: Derivation,
  facts: MachineFacts,
  application: ApplicationProfile,
): void {
  const steps = given('correction steps', task.correctionSteps, 'steps', 'brief', task.name);
  out.need(
    'timeline',
    'cpu.serial',
    sum('timeline on one thread', 'Gwork', [
      c('a frame', 'frameSerial'),
      product('passes submitted', 'Gwork', [steps, c('a pass', 'stepSerial')]),
    ]),
  );
  const nr = (['spatial', 'temporal'] as const).flatMap((kind) => {
    const strength = kind === 'spatial' ? task.spatialNr : task.temporalNr;
    return strength === 'off' ? [] : [nrFlop(kind, strength)];
  });
  if (application.effects === 'processor') {
    const serial = c('serial share of decoding', 'decodeSerialShare');
    if (task.correctionSteps > 0)
      out.processor('correct', gwork('correction on the processor', [px, steps, c('a step', 'stepProcessor')]), serial);
    for (const flop of nr)
      out.processor(
        'reduce noise',
        gwork('noise reduction on the processor', [px, flop, c('clocks a FLOP', 'nrProcessor')]),
        serial,
      );
    return;
  }
  if (!facts.hasGraphics) {
    out.impossible.push({ code: 'no-graphics' });
    return;
  }
  if (task.correctionSteps > 0) {
    out.need('correct', 'gpu.fp32', achievedFlop('correction', [px, steps, c('a step', 'stepFlop')]));
    out.need('correct', 'gpu.traffic', achievedTraffic('correction', [px, steps, c('a step', 'stepTraffic')]));
  }
  for (const flop of nr) out.need('reduce noise', 'gpu.fp32', achievedFlop('noise reduction', [px, flop]));
  const buffers = [c('base', 'baseBuffers'), product('for correction', 'frames', [steps, c('a step', 'stepBuffers')])];
  if (task.spatialNr !== 'off') buffers.push(c('spatial noise reduction', 'spatialNrBuffers'));
  if (task.temporalNr !== 'off') buffers.push(c('temporal noise reduction', 'temporalNrBuffers'));
  out.hold(
    'graphics memory',
    product('working frames', 'B', [px, c('a working pixel', 'frameBytes'), sum('frames', 'frames', buffers)]),
  );
  out.hold(
    'graphics memory',
    given('application', application.ownGraphicsMemoryGiB * GIB, 'B', 'profile', application.name),
  );
}

/** Checks that hold for either task of the trade, then decode and effects. */
export function picture(
  out: Demands,
  task: EditPlay | EditExport,
  worked: Derivation,
  facts: MachineFacts,
  application: ApplicationProfile,
): void {
  const wants = application.computeStacks;
  if (facts.hasGraphics && application.effects === 'graphics' && wants.length > 0)
    if (facts.stacks === undefined) out.missing.push(...facts.stacksMissing);
    else if (!wants.some((stack) => facts.stacks?.includes(stack)))
      out.impossible.push({ code: 'no-compute-stack', application: application.name, wants });
  task.sources.forEach((source, i) => {
    // a source at another rate than the timeline is decoded fps ÷ fps times a timeline frame
    const perFrame = given('source frames a timeline frame', source.fps / task.fps, '×', 'brief', task.name);
    decode(out, source, i, perFrame, application, facts, `${task.name}, source ${i + 1}`);
  });
  effects(out, task, worked, facts, application);
  out.hold('memory', given('application', application.ownMemoryGiB * GIB, 'B', 'profile', application.name));
}

export const appOf = (task: EditPlay | EditExport, facts: MachineFacts): ApplicationProfile =>
  facts.application(task.application) ?? GENERIC_EDITOR;
