import { fromConstant, given, product, quotient, type Derivation } from '../figures/derive';
import type { FittedParts } from '../model/fitted';
import type { Workload } from '../model/measurement';
import { compileSerial, compileWork } from '../work/build';
import { coresAtWork, factoriseWork } from '../work/cad';
import { CAD } from '../work/cadConstants';
import { coreArithmetic } from '../work/coreArithmetic';
import { c, defined, gwork } from '../work/demands';
import { EDIT } from '../work/editConstants';
import { decodeWork } from '../work/editPicture';
import { encodeName, encodeWork } from '../work/encode';
import { checksumName, checksumWork, copyWork } from '../work/ingest';
import { LEARN } from '../work/learnConstants';
import { composeWork, keyWork, scaleWork, unpackWork } from '../work/live';
import { LIVE } from '../work/liveConstants';
import { correctWork, developWork, lightFilter, quietWork, writeWork } from '../work/motion';
import { MOTION } from '../work/motionConstants';
import { adjustSerial, adjustWork, detectWork, matchWork, meshWork, tracedWork } from '../work/render';
import { RENDER, SURVEY } from '../work/renderConstants';
import { reachedByProduct, reachedOnCores, tablePrepare, tableSerial, tableWork } from '../work/serve';

/** Processor work of a measured job for one of what its result counts, by the name under which it is calibrated. */
export interface WorkPiece {
  readonly name: string;
  /** Gwork. */
  readonly amount: Derivation;
  readonly serialShare: number;
}

const WHERE = 'the measurement';
const said = (label: string, value: number, unit = ''): Derivation => given(label, value, unit, 'setting', WHERE);
const one = (name: string, amount: Derivation | undefined, serialShare: { readonly value: number }): WorkPiece[] =>
  amount ? [{ name, amount, serialShare: serialShare.value }] : [];
const ALONE = { value: 1 };
const MILLION = 1e6;

/**
 * Pieces of work behind one of what a result counts: a frame of fps, a million bytes of MB/s, a file, a million rays …
 * What one process does one after the other are several pieces. Empty for what is no work of cores, and where the
 * processor lacks the figure that it goes by.
 */
export function piecesOf(workload: Workload, parts: FittedParts): WorkPiece[] {
  const processor = parts.one('processor');
  switch (workload.work) {
    case 'decode':
    case 'encode':
    case 'correct':
    case 'chain':
      return pictureOf(workload);
    case 'compose': {
      const px = pixelsOf(workload);
      const { titles, scaled, keyed } = workload;
      return [
        ...one('hand over', fromConstant('hand-over', LIVE.frameSerial), ALONE),
        ...(titles + scaled > 0
          ? one(
              'compose',
              composeWork(px, titles, product('pixels of scaled inputs', 'px', [px, said('inputs', scaled)]), WHERE),
              LIVE.composeSerial,
            )
          : []),
        ...(keyed > 0 ? one('key', keyWork(px, said('keyed', keyed)), EDIT.decodeSerialShare) : []),
      ];
    }
    case 'unpack':
      return one('unpack', unpackWork(pixelsOf(workload)), EDIT.decodeSerialShare);
    case 'scale':
      return [
        ...one('hand over', fromConstant('hand-over', LIVE.frameSerial), ALONE),
        ...one('scale', scaleWork(pixelsOf(workload)), LIVE.composeSerial),
      ];
    case 'build':
      return one(
        `compile ${workload.weight}`,
        compileWork(said('a file', 1), workload.weight),
        compileSerial(said('files', workload.files)),
      );
    case 'rays':
      return one('rays', tracedWork(said('rays', MILLION), workload.mTriangles, WHERE), RENDER.sceneSerial);
    case 'features':
      return one('features', detectWork(said('pixels', MILLION, 'px'), workload.doubled), SURVEY.detectSerial);
    case 'match':
      return one('match', matchWork(said('pairs', 1), said('features', workload.features)), SURVEY.imagesSerial);
    case 'adjust':
      return one(
        'adjust',
        adjustWork(workload.images, said('features', workload.features), WHERE),
        adjustSerial(workload.images, WHERE),
      );
    case 'mesh':
      return one(
        'mesh',
        meshWork(said('points', MILLION), said('cells a million points', 4 ** workload.depth / workload.mPoints)),
        SURVEY.meshSerial,
      );
    case 'factorise': {
      const mesh = { ...workload, name: WHERE };
      const { work } = factoriseWork(mesh, coresAtWork(workload.threads, { processor }), { processor });
      return one('factorise', work, CAD.solveSerial);
    }
    case 'table': {
      const bytes = said('data', workload.gigabytes * 1e9, 'B');
      const { effort } = workload;
      const whole = effort === 'prepare' ? tablePrepare(bytes) : tableWork(bytes, effort);
      const megabyte = quotient('a million bytes of it', 'Gwork', [
        whole,
        said('millions of bytes', workload.gigabytes * 1e3),
      ]);
      return one(`tables ${effort}`, megabyte, tableSerial(effort === 'prepare' ? 'model' : effort));
    }
    case 'prompt': {
      const flop = product('arithmetic of a token', 'FLOP', [
        said('parameters', workload.paramsB * 1e9),
        defined('each', 2),
      ]);
      const { work } = coreArithmetic('a token', flop, 'fp32PerClock', reachedOnCores(), { processor });
      return one('read prompts', work, LEARN.loadSerial);
    }
    case 'product': {
      const precision = workload.precision === 'fp32' ? 'fp32PerClock' : 'fp64PerClock';
      const { work } = coreArithmetic('a product', said('GFLOP', 1e9, 'FLOP'), precision, reachedByProduct(), {
        processor,
      });
      return one(`product ${workload.precision}`, work, EDIT.decodeSerialShare);
    }
    case 'model step':
      return one('choose', fromConstant('a step', LEARN.decodeStepSerial), ALONE);
    case 'transfer': {
      const bytes = said('bytes', MILLION, 'B');
      const { copied, checksum } = workload;
      const sums = processor?.part.hashInstructions;
      return [
        ...(copied ? one('copy', copyWork(bytes), EDIT.decodeSerialShare) : []),
        ...(checksum === 'none'
          ? []
          : one(checksumName(checksum, sums), checksumWork(bytes, checksum, sums), EDIT.decodeSerialShare)),
      ];
    }
    case 'still':
      return stillOf(workload.step);
    case 'drive':
    case 'memory':
    case 'compress':
    case 'arithmetic':
    case 'sensor':
      return [];
  }
}

const pixelsOf = ({ width, height }: { readonly width: number; readonly height: number }): Derivation =>
  product('pixels', 'px', [said('width', width, 'px'), said('height', height, 'px')]);

/** Decoding, correcting and encoding of a frame, as far as each took part. */
function pictureOf(workload: Extract<Workload, { work: 'decode' | 'encode' | 'correct' | 'chain' }>): WorkPiece[] {
  const px = pixelsOf(workload);
  const source = 'source' in workload ? workload.source : undefined;
  const target = 'target' in workload ? workload.target : undefined;
  const steps = 'steps' in workload ? workload.steps : 0;
  return [
    ...(source ? one(`decode ${source.codec}`, decodeWork(px, source), EDIT.decodeSerialShare) : []),
    ...(steps > 0
      ? one(
          'correct',
          gwork('correction on the processor', [px, said('steps', steps, 'steps'), c('a step', 'stepProcessor')]),
          EDIT.decodeSerialShare,
        )
      : []),
    ...(target
      ? one(
          encodeName(target),
          encodeWork(px, { ...target, path: 'software', bitDepth: 8, width: 0, height: 0 }),
          EDIT.encodeSerialShare,
        )
      : []),
  ];
}

/** One step of a million pixels of a still. */
function stillOf(step: Extract<Workload, { work: 'still' }>['step']): WorkPiece[] {
  const px = said('pixels', MILLION, 'px');
  switch (step) {
    case 'develop':
      return one('develop', developWork(px), MOTION.developSerial);
    case 'correct':
      return one('correct still', correctWork(px, said('steps', 1)), MOTION.stillSerial);
    case 'reduce noise':
      return one('reduce noise', quietWork(px, lightFilter()), MOTION.stillSerial);
    case 'write':
      return one('write still', writeWork(px, false), ALONE);
    case 'write lossless':
      return one('write lossless', writeWork(px, true), ALONE);
  }
}
