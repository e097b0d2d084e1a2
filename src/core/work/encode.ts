import type { OUT_CODECS, PRESETS } from '../model/encoders';
import { given, quotient, type Derivation } from '../figures/derive';
import { chooseEngine } from './engines';
import type { ApplicationProfile } from '../model/applications';
import { c, gwork, type Demands } from './demands';
import type { EDIT } from './editConstants';
import type { MachineFacts } from './machineFacts';
import type { Chroma } from '../units/quantity';

/** A stream that is written: size in px, and how it is made. */
export interface Encoding {
  readonly codec: (typeof OUT_CODECS)[number];
  readonly preset: (typeof PRESETS)[number];
  readonly path: 'engine' | 'software';
  readonly chroma: Chroma;
  readonly bitDepth: 8 | 10 | 12 | 16;
  readonly width: number;
  readonly height: number;
}

const COST: Readonly<Record<Encoding['codec'], Readonly<Record<Encoding['preset'], keyof typeof EDIT>>>> = {
  h264: { fast: 'encodeH264Fast', medium: 'encodeH264Medium' },
  hevc: { fast: 'encodeHevcFast', medium: 'encodeHevcMedium' },
  av1: { fast: 'encodeAv1Fast', medium: 'encodeAv1Medium' },
  mezzanine: { fast: 'encodeMezzanine', medium: 'encodeMezzanine' },
};

export const chromaFactor = (chroma: Chroma): readonly Derivation[] =>
  chroma === '4:2:2'
    ? [c('4:2:2 against 4:2:0', 'chroma422')]
    : chroma === '4:4:4'
      ? [c('4:4:4 against 4:2:0', 'chroma444')]
      : [];

/** Processor work of a software encoder for so many pixels. */
export const encodeWork = (px: Derivation, { codec, preset, chroma }: Encoding): Derivation =>
  gwork('encode work', [px, c(`${codec}, ${preset}`, COST[codec][preset]), ...chromaFactor(chroma)]);

/** Name under which measurements of a software encoder are kept; a mezzanine codec has no presets. */
export const encodeName = ({ codec, preset }: Pick<Encoding, 'codec' | 'preset'>): string =>
  codec === 'mezzanine' ? 'encode mezzanine' : `encode ${codec} ${preset}`;

/**
 * Demands of writing `px` pixels a unit: on the processor, or on an engine that does this codec, chroma, depth and size,
 * with a session a stream. Where no engine does it the task says so; nothing falls back unasked.
 */
export function encodeOn(
  out: Demands,
  stage: string,
  px: Derivation,
  encoding: Encoding,
  streams: number,
  facts: MachineFacts,
  application: ApplicationProfile,
): void {
  if (encoding.path === 'software') {
    out.processor(
      stage,
      encodeWork(px, encoding),
      c('serial share of encoding', 'encodeSerialShare'),
      encodeName(encoding),
    );
    return;
  }
  const { width, height } = encoding;
  const tooSmall = (maxWidth: number, maxHeight: number) =>
    out.impossible.push({ code: 'encoder-too-small', width, height, maxWidth, maxHeight });
  const limit = application.engineLimit;
  if (!application.engineEncode)
    out.impossible.push({ code: 'application-encodes-in-software', application: application.name });
  if (limit && (width > limit.width || height > limit.height)) tooSmall(limit.width, limit.height);
  const engine = chooseEngine(facts.engines, { direction: 'encode', ...encoding });
  switch (engine.kind) {
    case 'found':
      out.sessions.push({ at: engine.at, count: streams });
      out.need(
        stage,
        'engine.encode',
        quotient('engine time', 's', [
          px,
          given('engine rate', engine.at.engine.mpxPerS * 1e6, 'px/s', 'part', engine.at.where),
          c('share of the stated rate reached', 'engineAchieved'),
        ]),
      );
      return;
    case 'too-small':
      tooSmall(engine.maxWidth, engine.maxHeight);
      return;
    case 'none':
      out.impossible.push({
        code: 'no-encoder',
        codec: encoding.codec,
        chroma: encoding.chroma,
        bitDepth: encoding.bitDepth,
      });
      return;
    case 'unknown':
      out.missing.push(...engine.missing);
  }
}
