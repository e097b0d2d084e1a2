import { chooseEngine } from '../predict/engines';
import { given, product, quotient, sum } from '../predict/derive';
import type { ApplicationProfile } from './applications';
import { appOf, c, chromaFactor, Demands, gwork, picture, type Name } from './editPicture';
import type { MachineFacts } from './machineFacts';
import type { Elastic, RealTime } from './stage';
import type { EditExport, EditPlay } from './tasks';

/**
 * Playback of a timeline: a pipelined chain of read, decode, upload, effects and monitoring that must keep the frame rate.
 * Sizes in px, rates in bytes, work in Gwork and FLOP, all a timeline frame.
 */
export function expandEditPlay(task: EditPlay, facts: MachineFacts): RealTime {
  const out = new Demands();
  const application = appOf(task, facts);
  const px = product('pixels worked on', 'px', [
    given('timeline width', task.width, 'px', 'brief', task.name),
    given('timeline height', task.height, 'px', 'brief', task.name),
    given(`played at 1/${task.playAt} size`, 1 / task.playAt ** 2, '×', 'brief', task.name),
  ]);
  picture(out, task, px, facts, application);
  if (task.monitoring && facts.hasGraphics)
    out.need('monitor', 'gpu.out', product('monitored frame', 'B', [px, c('a pixel over the link', 'uploadBytes')]));
  if (task.renderCache)
    out.need(
      'render cache',
      'write:scratch',
      quotient('cache written', 'B', [
        product('cache written', 'bit', [px, c('a cached pixel', 'cacheBitsPerPx')]),
        given('bits a byte', 8, 'bit/B', 'standard', 'definition'),
      ]),
    );
  if (task.keepHours > 0)
    out.hold(
      'space:active',
      sum(
        'footage kept',
        'B',
        task.sources.map((source, i) =>
          product(`source ${i + 1}`, 'B', [
            given('bit rate', source.mbitPerS * 1e6, 'bit/s', 'brief', task.name),
            given('bytes a bit', 1 / 8, 'B/bit', 'standard', 'definition'),
            given('seconds kept', (task.keepHours * 3600) / task.sources.length, 's', 'brief', task.name),
          ]),
        ),
      ),
    );
  return {
    mode: 'real-time',
    task: task.id,
    foreground: task.foreground ?? false,
    unit: 'frame',
    targetPerS: given('timeline frame rate', task.fps, 'frames/s', 'brief', task.name),
    threadCap: application.threadCap,
    flows: [],
    demands: out.demands,
    holdings: out.holdings,
    impossible: out.impossible,
    missing: out.missing,
  };
}

const ENCODE: Readonly<Record<EditExport['outCodec'], Readonly<Record<EditExport['preset'], Name>>>> = {
  h264: { fast: 'encodeH264Fast', medium: 'encodeH264Medium' },
  hevc: { fast: 'encodeHevcFast', medium: 'encodeHevcMedium' },
  av1: { fast: 'encodeAv1Fast', medium: 'encodeAv1Medium' },
  mezzanine: { fast: 'encodeMezzanine', medium: 'encodeMezzanine' },
};

function encode(out: Demands, task: EditExport, facts: MachineFacts, application: ApplicationProfile): void {
  const px = product('pixels written', 'px', [
    given('width', task.outWidth, 'px', 'brief', task.name),
    given('height', task.outHeight, 'px', 'brief', task.name),
  ]);
  if (facts.hasGraphics && application.effects === 'graphics')
    out.need(
      'fetch result',
      'gpu.out',
      product('finished frame', 'B', [px, c('a pixel over the link', 'uploadBytes')]),
    );
  out.need(
    'write',
    'write:active',
    quotient('bytes written', 'B', [
      given('output bit rate', task.outMbitPerS * 1e6, 'bit/s', 'brief', task.name),
      given('bits a byte', 8, 'bit/B', 'standard', 'definition'),
      given('frame rate', task.fps, 'frames/s', 'brief', task.name),
    ]),
  );
  if (task.path === 'software') {
    out.processor(
      'encode',
      gwork('encode work', [
        px,
        c(`${task.outCodec}, ${task.preset}`, ENCODE[task.outCodec][task.preset]),
        ...chromaFactor(task.outChroma),
      ]),
      c('serial share of encoding', 'encodeSerialShare'),
    );
    return;
  }
  const limit = application.engineLimit;
  if (!application.engineEncode)
    out.impossible.push({ code: 'application-encodes-in-software', application: application.name });
  if (limit && (task.outWidth > limit.width || task.outHeight > limit.height))
    out.impossible.push({
      code: 'encoder-too-small',
      width: task.outWidth,
      height: task.outHeight,
      maxWidth: limit.width,
      maxHeight: limit.height,
    });
  const engine = chooseEngine(facts.engines, {
    direction: 'encode',
    codec: task.outCodec,
    chroma: task.outChroma,
    bitDepth: task.outBitDepth,
    width: task.outWidth,
    height: task.outHeight,
  });
  switch (engine.kind) {
    case 'found':
      out.need(
        'encode',
        'engine.encode',
        quotient('engine time', 's', [
          px,
          given('engine rate', engine.at.engine.mpxPerS * 1e6, 'px/s', 'part', engine.at.where),
          c('share of the stated rate reached', 'engineAchieved'),
        ]),
      );
      return;
    case 'too-small':
      out.impossible.push({
        code: 'encoder-too-small',
        width: task.outWidth,
        height: task.outHeight,
        maxWidth: engine.maxWidth,
        maxHeight: engine.maxHeight,
      });
      return;
    case 'none':
      out.impossible.push({
        code: 'no-encoder',
        codec: task.outCodec,
        chroma: task.outChroma,
        bitDepth: task.outBitDepth,
      });
      return;
    case 'unknown':
      out.missing.push(...engine.missing);
  }
}

/** Export of a programme: elastic, decode and effects at full size, encode by engine or software preset. */
export function expandEditExport(task: EditExport, facts: MachineFacts): Elastic {
  const out = new Demands();
  const application = appOf(task, facts);
  const px = product('pixels worked on', 'px', [
    given('timeline width', task.width, 'px', 'brief', task.name),
    given('timeline height', task.height, 'px', 'brief', task.name),
  ]);
  picture(
    out,
    { ...task, sources: task.sources.map((source) => ({ ...source, decodeAt: 1 })) },
    px,
    facts,
    application,
  );
  encode(out, task, facts, application);
  return {
    mode: 'elastic',
    task: task.id,
    unit: 'frame',
    units: product('frames in the programme', 'frames', [
      given('programme', task.programmeMin, 'min', 'brief', task.name),
      given('seconds a minute', 60, 's/min', 'standard', 'definition'),
      given('frame rate', task.fps, 'frames/s', 'brief', task.name),
    ]),
    targetS: task.targetMin === undefined ? undefined : task.targetMin * 60,
    overlap: c('stages that run side by side', 'exportOverlap'),
    threadCap: application.threadCap,
    flows: [],
    demands: out.demands,
    holdings: out.holdings,
    impossible: out.impossible,
    missing: out.missing,
  };
}
