import { fromConstant, given, product } from '../figures/derive';
import type { MissingFigure } from '../figures/missing';
import type { MemoryState } from '../memory/population';
import type { FittedParts } from '../model/fitted';
import { missingOf } from '../model/unsaid';
import type { PartOf } from '../parts';
import { COMMON } from '../work/common';
import { taughtRate, type Rates } from './rates';
import { type Supplied } from './supplied';

type Field = keyof PartOf<'memory'>;
const CAPACITY: readonly Field[] = ['modules', 'moduleGiB'];
const RATE: readonly Field[] = [...CAPACITY, 'rateMTs', 'standardRateMTs', 'profileKind'];

const unknownOf = (parts: FittedParts, fields: readonly Field[]): MissingFigure[] =>
  parts.ofKind('memory').flatMap((kit) => missingOf(kit, ...fields.filter((field) => kit.part[field] === undefined)));

const kitsOf = (parts: FittedParts): string[] => parts.ofKind('memory').map(({ item }) => item.id);

/** Bandwidth that is reached of the kits' peak, as results correct it; nothing without a kit. */
export function memoryTraffic(parts: FittedParts, memory: MemoryState, rates: Rates): Supplied | undefined {
  const items = kitsOf(parts);
  if (items.length === 0) return undefined;
  const { bandwidthBytesPerS: bandwidth, effectiveMTs, channelsPopulated } = memory;
  const stated =
    bandwidth === undefined
      ? undefined
      : product('memory bandwidth reached', 'B/s', [
          given(
            'peak bandwidth',
            bandwidth,
            'B/s',
            'part',
            `${effectiveMTs} MT/s × 8 B × ${channelsPopulated} channels`,
          ),
          fromConstant('share of peak reached', COMMON.memoryAchieved),
        ]);
  const rate = taughtRate('memory bandwidth reached', stated, rates.memory);
  return { rate, missing: rate === undefined ? unknownOf(parts, RATE) : [], items };
}

/** Room in memory, all of it or the share that graphics inside the processor take. */
export function memoryRoom(parts: FittedParts, memory: MemoryState, whose: 'all' | 'graphics'): Supplied {
  const { bytes } = memory;
  return {
    rate:
      bytes === undefined
        ? undefined
        : whose === 'all'
          ? given('memory fitted', bytes, 'B', 'part', 'memory kits')
          : given('half of the memory, shared', bytes / 2, 'B', 'part', 'integrated graphics'),
    missing: bytes === undefined ? unknownOf(parts, CAPACITY) : [],
    items: kitsOf(parts),
  };
}
