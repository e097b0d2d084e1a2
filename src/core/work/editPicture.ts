import { chooseEngine } from './engines';
import { given, product, quotient, sum, type Derivation } from '../figures/derive';
import type { ApplicationProfile } from '../model/applications';
import { achievedFlop, achievedTraffic, c, gwork, ownCost, type Demands } from './demands';
import { EDIT } from './editConstants';
import { chromaFactor } from './encode';
import { profileOf, type MachineFacts } from './machineFacts';
import type { EditExport, EditPlay, Source, Strength } from '../model/tasks';

const DECODE: Readonly<Record<Source['codec'], keyof typeof EDIT>> = {
  h264: 'decodeH264',
  hevc: 'decodeHevc',
  av1: 'decodeAv1',
  mezzanine: 'decodeMezzanine',
  raw: 'decodeRaw',
  uncompressed: 'copyUncompressed',
};

/** Codecs whose frames stand alone and can be decoded at a reduced size for less. */
const canReduce = (source: Source): boolean => source.codec === 'raw' || source.codec === 'mezzanine';

/** Processor work of decoding so many pixels; `share` is what a reduced size leaves of it. */
export const decodeWork = (
  px: Derivation,
  { codec, chroma }: Pick<Source, 'codec' | 'chroma'>,
  share?: Derivation,
): Derivation =>
  gwork('decode work', [
    px,
    c(`${codec} on the processor`, DECODE[codec]),
    ...(codec === 'raw' ? [] : chromaFactor(chroma)),
    ...(share ? [share] : []),
  ]);

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
    out.processor(
      stage,
      decodeWork(px, source, share),
      c('serial share of decoding', 'decodeSerialShare'),
      `decode ${source.codec}`,
    );
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
  const between =
    task.retime === 'blend'
      ? c('two frames blended', 'retimeBlend')
      : task.retime === 'flow'
        ? c('motion followed', 'retimeFlow')
        : undefined;
  const own = ownCost(application, 'graphics');
  if (application.effects === 'processor') {
    const serial = c('serial share of decoding', 'decodeSerialShare');
    if (task.correctionSteps > 0)
      out.processor(
        'correct',
        gwork('correction on the processor', [px, steps, c('a step', 'stepProcessor')]),
        serial,
        'correct',
      );
    for (const flop of nr)
      out.processor(
        'reduce noise',
        gwork('noise reduction on the processor', [px, flop, c('clocks a FLOP', 'nrProcessor')]),
        serial,
      );
    if (between)
      out.processor(
        'retime',
        gwork('frames between, on the processor', [px, between, c('clocks a FLOP', 'nrProcessor')]),
        serial,
      );
    return;
  }
  if (!facts.hasGraphics) {
    out.impossible.push({ code: 'no-graphics' });
    return;
  }
  if (task.correctionSteps > 0) {
    out.need('correct', 'gpu.fp32', achievedFlop('correction', [px, steps, c('a step', 'stepFlop'), ...own]));
    out.need('correct', 'gpu.traffic', achievedTraffic('correction', [px, steps, c('a step', 'stepTraffic')]));
  }
  for (const flop of nr) out.need('reduce noise', 'gpu.fp32', achievedFlop('noise reduction', [px, flop, ...own]));
  if (between) out.need('retime', 'gpu.fp32', achievedFlop('frames between', [px, between, ...own]));
  const buffers = [c('base', 'baseBuffers'), product('for correction', 'frames', [steps, c('a step', 'stepBuffers')])];
  if (task.spatialNr !== 'off') buffers.push(c('spatial noise reduction', 'spatialNrBuffers'));
  if (task.temporalNr !== 'off') buffers.push(c('temporal noise reduction', 'temporalNrBuffers'));
  if (task.retime === 'flow') buffers.push(c('motion followed', 'retimeBuffers'));
  out.hold(
    'graphics memory',
    product('working frames', 'B', [px, c('a working pixel', 'frameBytes'), sum('frames', 'frames', buffers)]),
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
  out.stacks(application, facts);
  task.sources.forEach((source, i) => {
    // a source at another rate than the timeline is decoded fps ÷ fps times a timeline frame
    const both = task.retime === undefined || task.retime === 'off' ? 1 : 2;
    const perFrame = given('source frames a timeline frame', (both * source.fps) / task.fps, '×', 'brief', task.name);
    decode(out, source, i, perFrame, application, facts, `${task.name}, source ${i + 1}`);
  });
  effects(out, task, worked, facts, application);
  out.program(application, facts.hasGraphics && application.effects === 'graphics');
}

export const appOf = (task: EditPlay | EditExport, facts: MachineFacts): ApplicationProfile =>
  profileOf('edit', task, facts);
