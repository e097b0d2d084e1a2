import { isOf, resourceKey } from '../figures/resources';
import { figureMeta, type PartKind } from '../parts';
import type { TaskResult } from '../predict/results';
import type { Impossible, Outside } from '../work/stage';
import { GIB } from '../units/quantity';
import { listed, number } from './format';

/** Resources as a practitioner names them. */
export function resourceName(resource: string): string {
  const key = resourceKey(resource);
  switch (key.of) {
    case 'uplink':
      return `hub uplink, ${key.direction === 'up' ? 'towards the processor' : 'from the processor'}`;
    case 'flow':
      return 'link of the flow';
    case 'drive':
      return `${key.role} drive, ${key.direction === 'read' ? 'reading' : 'writing after its cache'}`;
    case 'space':
      return `${key.role} space`;
  }
  switch (resource) {
    case 'cpu.serial':
      return 'one processor thread';
    case 'cpu.parallel':
      return 'all processor cores';
    case 'cpu.threads':
      return 'threads the application uses';
    case 'memory.traffic':
      return 'memory bandwidth';
    case 'gpu.fp32':
      return 'graphics arithmetic';
    case 'gpu.matrix':
      return 'graphics matrix arithmetic';
    case 'gpu.fp64':
      return 'graphics double-precision arithmetic';
    case 'gpu.exchange':
      return 'link between the cards';
    case 'gpu.traffic':
      return 'graphics memory bandwidth';
    case 'gpu.in':
      return 'link to the card';
    case 'gpu.out':
      return 'link from the card';
    case 'engine.decode':
      return 'decoding engine';
    case 'engine.encode':
      return 'encoding engine';
    default:
      return resource;
  }
}

/** Words that people use for kinds beside their names. */
const CALLED: Readonly<Record<string, string>> = {
  processor: 'cpu chip',
  board: 'mainboard motherboard',
  memory: 'ram modules',
  graphics: 'gpu video card',
  drive: 'disk ssd storage',
  supply: 'psu power',
  case: 'housing tower',
  cooler: 'heatsink cooling',
  fan: 'fan ventilator',
  expansion: 'capture card network card input',
  mixer: 'video mixer switcher',
  display: 'monitor screen',
  peripheral: 'keyboard mouse pointing device tablet',
  system: 'operating system os',
  licence: 'software licence license',
  service: 'assembly warranty service',
  accessory: 'cable adapter bracket',
};

/** A kind by all the words that it is looked for with. */
export const kindCalled = (kind: string): string => `${kind} ${kindName(kind)} ${CALLED[kind] ?? ''}`;

export function kindName(kind: string): string {
  switch (kind) {
    case 'graphics':
      return 'graphics card';
    case 'supply':
      return 'power supply';
    case 'expansion':
      return 'expansion card';
    case 'system':
      return 'operating system';
    default:
      return kind;
  }
}

/** "an encoder", "a case". */
export const withArticle = (name: string): string =>
  /^(memory|graphics( matrix| double-precision)? arithmetic)$/.test(name)
    ? name
    : `${/^[aeiou]/.test(name) ? 'an' : 'a'} ${name}`;

export function figureName(kind: PartKind | undefined, field: string): string {
  if (!kind) return field;
  const { label, unit } = figureMeta(kind, field);
  return unit ? `${label} (${unit})` : label;
}

/** Memory as the trade writes it: GB for 2^30 bytes. */
const gib = (bytes: number): string => `${number(bytes / GIB, 3)} GB`;

/** Why a task does not run at all. */
export function impossibleWords(reason: Impossible): string {
  switch (reason.code) {
    case 'no-encoder':
      return `No encoding engine here writes ${codecName(reason.codec)} ${reason.chroma} at ${reason.bitDepth} bit. Export in software, or take a card whose engine does.`;
    case 'encoder-too-small':
      return `The picture is ${reason.width} × ${reason.height}; the encoding engine goes up to ${reason.maxWidth} × ${reason.maxHeight}. Export smaller or in software.`;
    case 'application-encodes-in-software':
      return `${reason.application} does not use encoding engines. Export in software.`;
    case 'does-not-fit':
      return `It needs ${gib(reason.needsBytes)} of ${reason.what} at once and finds ${gib(reason.hasBytes)}: it stops instead of running slowly. Take more ${reason.what}, or a smaller task.`;
    case 'no-graphics':
      return 'These effects need graphics, and the machine has none. Add a graphics card or take a processor with graphics.';
    case 'no-compute-stack':
      return `${reason.application} needs ${listed(reason.wants)} on the card, and this card has none of them.`;
    case 'too-few-inputs':
      return `${reason.wanted} pictures come in, and ${reason.on === 'mixer' ? 'the mixer takes' : 'the capture cards take'} ${reason.has === 0 ? 'none' : reason.has}. Add ${reason.on === 'mixer' ? 'a mixer with more inputs' : 'a capture card, or let a mixer outside take them'}.`;
    case 'input-too-slow':
      return `A picture arrives at ${number(reason.wantsBitPerS / 1e9, 4)} Gb/s with blanking; an input of the capture card takes ${number(reason.hasBitPerS / 1e9, 4)}. Take a faster card or a lower frame rate.`;
    case 'too-many-sessions':
      return `${reason.wanted} streams at once on the engine of ${reason.where}, which keeps ${reason.limit} open. Encode some in software, or take a card with more.`;
    case 'uplink-too-slow':
      return `The streams need ${number(reason.wantsMbitPerS, 4)} Mb/s with their margin, the line carries ${number(reason.hasMbitPerS, 4)}. Lower the bit rates or leave a stream out.`;
    case 'part-missing':
      return `There is no ${kindName(reason.kind)} in the machine to do it.`;
  }
}

/** What binds a task, as a practitioner names it; a stream goes by the link or device that is too narrow for it. */
export function bindingName({ binds, uses }: Pick<TaskResult, 'binds' | 'uses'>): string {
  if (binds === undefined) return 'nothing';
  const label = isOf(binds, 'flow') ? uses.find((use) => use.resource === binds)?.supply?.label : undefined;
  return label ?? resourceName(binds);
}

/** A figure outside the range that a trade was thought through for. */
export const outsideWords = ({ label, value, unit, from, to }: Outside): string =>
  `${label} of ${number(value)}${unit ? ` ${unit}` : ''} lies outside ${number(from)} to ${number(to)}, for which the model was thought through: the band is wider.`;

export function codecName(codec: string): string {
  switch (codec) {
    case 'h264':
      return 'H.264';
    case 'hevc':
      return 'HEVC';
    case 'av1':
      return 'AV1';
    case 'mezzanine':
      return 'intra-frame mezzanine';
    case 'raw':
      return 'compressed raw';
    default:
      return codec;
  }
}
