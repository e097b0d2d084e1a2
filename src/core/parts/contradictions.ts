import { topologyProblems } from './topology';
import { linkBytesPerS, SATA_BYTES_PER_S } from '../units/links';
import type { Part, PartOf } from './index';

/**
 * Two figures of one part that cannot both be right, as data; `core/words/contradictions.ts` says them. `field` is the
 * one to look at first. A figure that is unknown contradicts nothing.
 */
export interface Contradiction {
  readonly field: string;
  readonly code: ContradictionCode;
  /** The figure at `field`, and what it runs against, in one unit. */
  readonly has: number | string;
  readonly against: number | string;
  readonly otherField?: string;
}

export type ContradictionCode =
  | 'above'
  | 'below'
  | 'faster-than-link'
  | 'more-drive-slots-than-lanes'
  | 'thinner-than-its-cooler'
  | 'rate-above-generation'
  | 'draws-more-than-its-inputs'
  | 'spins-without-a-disk'
  | 'no-radiator'
  | 'more-fans-than-places'
  | 'warmer-when-faster'
  | 'rating-without-count'
  | 'topology';

/** Pitch of expansion slots, 0.8 inch. Source: ATX specification 2.2, section 3. */
export const SLOT_PITCH_MM = 20.32;

/**
 * Highest standard rate (JESD79-4, JESD79-5C) and highest rate a profile can be believed to have: memory has been sold
 * about two thirds above the standard's top for DDR4 and a fifth for DDR5 (judgement).
 */
const TOP_RATE_MTS = { DDR4: { standard: 3200, profile: 5400 }, DDR5: { standard: 8800, profile: 10_600 } } as const;

/** What a card may draw: slot 75 W, each 8-pin input 150 W, each 16-pin input 600 W. Source: PCI Express CEM 5.1. */
const INPUT_W = { slot: 75, 'card-8': 150, 'card-16': 600 } as const;

type Found = readonly Contradiction[];
const none: Found = [];

/** `field` must not be above `otherField`. */
function notAbove(part: object, field: string, otherField: string): Found {
  const [has, against] = [figureAt(part, field), figureAt(part, otherField)];
  return has !== undefined && against !== undefined && has > against
    ? [{ field, code: 'above', has, against, otherField }]
    : none;
}

const figureAt = (part: object, field: string): number | undefined => {
  const value = (part as Record<string, unknown>)[field];
  return typeof value === 'number' ? value : undefined;
};

function processor(part: PartOf<'processor'>): Found {
  const clocks = (part.coreGroups ?? []).flatMap((group, i): Found =>
    [
      notAbove(group, 'baseGHz', 'boostGHz'),
      notAbove(group, 'allCoreGHz', 'boostGHz'),
      notAbove(group, 'baseGHz', 'allCoreGHz'),
    ]
      .flat()
      .slice(0, 1)
      .map((found) => ({ ...found, field: `coreGroups[${i}].${found.field}` })),
  );
  const rates = (part.memory ?? []).flatMap((support, i): Found =>
    support.rates.flatMap((rate, k): Found =>
      rate.rateMTs > TOP_RATE_MTS[support.generation].standard
        ? [
            {
              field: `memory[${i}].rates[${k}].rateMTs`,
              code: 'rate-above-generation',
              has: rate.rateMTs,
              against: TOP_RATE_MTS[support.generation].standard,
            },
          ]
        : none,
    ),
  );
  return [
    ...clocks,
    ...rates,
    ...notAbove(part, 'sustainedPowerW', 'maxPowerW'),
    ...notAbove(part, 'basePowerW', 'maxPowerW'),
    ...notAbove(part, 'idlePowerW', 'maxPowerW'),
  ];
}

function memory(part: PartOf<'memory'>): Found {
  const found: Contradiction[] = [];
  if (part.generation) {
    const top = TOP_RATE_MTS[part.generation];
    for (const [field, limit] of [
      ['standardRateMTs', top.standard],
      ['rateMTs', top.profile],
    ] as const) {
      const has = part[field];
      if (has !== undefined && has > limit) found.push({ field, code: 'rate-above-generation', has, against: limit });
    }
  }
  found.push(...notAbove(part, 'standardRateMTs', 'rateMTs'), ...notAbove(part, 'rcd', 'ras'));
  return found;
}

function board(part: PartOf<'board'>): Found {
  const topology = part.topology
    ? topologyProblems(part.topology).map((problem): Contradiction => ({
        field: problem.path.reduce<string>(
          (text, step) => (typeof step === 'number' ? `${text}[${step}]` : `${text}.${step}`),
          'topology',
        ),
        code: 'topology',
        has: problem.message,
        against: '',
      }))
    : none;
  const slots = part.memorySlots?.length;
  const reachable = slots !== undefined && part.moduleLimitGiB !== undefined ? slots * part.moduleLimitGiB : undefined;
  const capacity: Found =
    reachable !== undefined && part.memoryLimitGiB !== undefined && part.memoryLimitGiB > reachable
      ? [
          {
            field: 'memoryLimitGiB',
            code: 'above',
            has: part.memoryLimitGiB,
            against: reachable,
            otherField: 'moduleLimitGiB',
          },
        ]
      : none;
  const rate: Found =
    part.memoryGeneration &&
    part.memoryRateMTs !== undefined &&
    part.memoryRateMTs > TOP_RATE_MTS[part.memoryGeneration].profile
      ? [
          {
            field: 'memoryRateMTs',
            code: 'rate-above-generation',
            has: part.memoryRateMTs,
            against: TOP_RATE_MTS[part.memoryGeneration].profile,
          },
        ]
      : none;
  const { memoryRateMTs: limit } = part;
  const tables = (part.memoryRates ?? []).flatMap((entry, i): Contradiction[] =>
    limit !== undefined && entry.rateMTs > limit
      ? [
          {
            field: `memoryRates[${i}].rateMTs`,
            code: 'above',
            has: entry.rateMTs,
            against: limit,
            otherField: 'memoryRateMTs',
          },
        ]
      : [],
  );
  const ids = new Set(part.topology?.slots.map((slot) => slot.id));
  const lost = (part.processorFamilies ?? []).flatMap((family, f) =>
    (family.slotsOff ?? []).flatMap((slot, s): Contradiction[] =>
      part.topology && !ids.has(slot)
        ? [
            {
              field: `processorFamilies[${f}].slotsOff[${s}]`,
              code: 'topology',
              has: `names slot "${slot}", which this board lacks`,
              against: '',
            },
          ]
        : [],
    ),
  );
  return [...topology, ...capacity, ...rate, ...tables, ...lost];
}

function graphics(part: PartOf<'graphics'>): Found {
  const found: Contradiction[] = [
    ...notAbove(part, 'idlePowerW', 'boardPowerW'),
    ...notAbove(part, 'boardPowerW', 'recommendedSupplyW'),
    ...warmerWhenFaster(part.resistance),
  ];
  if (part.excursionRatio !== undefined && part.excursionRatio < 1)
    found.push({ field: 'excursionRatio', code: 'below', has: part.excursionRatio, against: 1 });
  if (
    part.slots !== undefined &&
    part.coolerThicknessMm !== undefined &&
    part.coolerThicknessMm > part.slots * SLOT_PITCH_MM
  )
    found.push({
      field: 'slots',
      code: 'thinner-than-its-cooler',
      has: part.slots,
      against: part.coolerThicknessMm,
      otherField: 'coolerThicknessMm',
    });
  if (part.boardPowerW !== undefined && part.connectors !== undefined) {
    const inputsW =
      INPUT_W.slot +
      (part.connectors['card-8'] ?? 0) * INPUT_W['card-8'] +
      (part.connectors['card-16'] ?? 0) * INPUT_W['card-16'];
    if (part.boardPowerW > inputsW)
      found.push({
        field: 'boardPowerW',
        code: 'draws-more-than-its-inputs',
        has: part.boardPowerW,
        against: inputsW,
        otherField: 'connectors',
      });
  }
  return found;
}

function drive(part: PartOf<'drive'>): Found {
  const linkMBs =
    part.interface === 'SATA'
      ? SATA_BYTES_PER_S / 1e6
      : part.generation !== undefined && part.lanes !== undefined
        ? linkBytesPerS({ generation: part.generation, lanes: part.lanes }) / 1e6
        : undefined;
  const found: Contradiction[] = [];
  if (linkMBs !== undefined)
    for (const field of ['seqReadMBs', 'seqWriteMBs', 'sustainedWriteMBs'] as const) {
      const has = part[field];
      if (has !== undefined && has > linkMBs)
        found.push({
          field,
          code: 'faster-than-link',
          has,
          against: Math.round(linkMBs),
          otherField: part.interface === 'SATA' ? 'interface' : 'lanes',
        });
    }
  if (part.rpm !== undefined && part.cellKind !== undefined && part.cellKind !== 'magnetic')
    found.push({
      field: 'rpm',
      code: 'spins-without-a-disk',
      has: part.rpm,
      against: part.cellKind,
      otherField: 'cellKind',
    });
  return [
    ...found,
    ...notAbove(part, 'sustainedWriteMBs', 'seqWriteMBs'),
    ...notAbove(part, 'writeCacheGB', 'capacityGB'),
    ...notAbove(part, 'idlePowerW', 'activePowerW'),
  ];
}

function enclosure(part: PartOf<'case'>): Found {
  const found: Contradiction[] = [
    ...notAbove(part, 'cardLengthFrontRadiatorMm', 'cardLengthMm'),
    ...notAbove(part, 'cardLengthMm', 'innerLengthMm'),
    ...notAbove(part, 'supplyLengthMm', 'innerLengthMm'),
    ...notAbove(part, 'coolerHeightMm', 'innerWidthMm'),
    ...notAbove(part, 'driveCageFromRearMm', 'innerLengthMm'),
  ];
  const { mounts } = part;
  if (mounts)
    (part.fansIncluded ?? []).forEach((fans, i) => {
      const places = mounts
        .filter((mount) => mount.side === fans.side)
        .flatMap((mount) => mount.fans ?? [])
        .filter((place) => place.sizeMm === fans.sizeMm)
        .reduce((sum, place) => sum + place.count, 0);
      // a side whose fan places are not stated contradicts nothing
      if (places > 0 && fans.count > places)
        found.push({
          field: `fansIncluded[${i}].count`,
          code: 'more-fans-than-places',
          has: fans.count,
          against: places,
          otherField: 'mounts',
        });
    });
  return found;
}

/** A fan that turns faster cools no worse. */
function warmerWhenFaster(points: readonly { readonly rpm: number; readonly kPerW: number }[] | undefined): Found {
  const sorted = [...(points ?? [])].sort((a, b) => a.rpm - b.rpm);
  return sorted.flatMap((point, i): Found => {
    const before = sorted[i - 1];
    return before && point.kPerW > before.kPerW
      ? [{ field: 'resistance', code: 'warmer-when-faster', has: point.kPerW, against: before.kPerW }]
      : none;
  });
}

function cooler(part: PartOf<'cooler'>): Found {
  const found: Contradiction[] = [
    ...notAbove(part, 'finsAboveBoardMm', 'heightMm'),
    ...warmerWhenFaster(part.resistance),
  ];
  if (part.type === 'liquid' && part.radiatorMm === undefined && part.heightMm !== undefined)
    found.push({ field: 'radiatorMm', code: 'no-radiator', has: 'liquid', against: part.heightMm, otherField: 'type' });
  return found;
}

function expansion(part: PartOf<'expansion'>): Found {
  const found: Contradiction[] = [];
  const { lanes, generation } = part;
  if (lanes !== undefined && part.driveSlots !== undefined && part.ownSwitch !== true && part.driveSlots > lanes)
    found.push({
      field: 'driveSlots',
      code: 'more-drive-slots-than-lanes',
      has: part.driveSlots,
      against: lanes,
      otherField: 'lanes',
    });
  if (lanes !== undefined && generation !== undefined && part.networkGbitPerS !== undefined) {
    const linkGbit = (linkBytesPerS({ generation, lanes }) * 8) / 1e9;
    if (part.networkGbitPerS > linkGbit)
      found.push({
        field: 'networkGbitPerS',
        code: 'faster-than-link',
        has: part.networkGbitPerS,
        against: Math.floor(linkGbit * 10) / 10,
        otherField: 'lanes',
      });
  }
  return found;
}

/** What every kind shares: dates in order, a mean that somebody gave. */
function common(part: Part): Found {
  const found: Contradiction[] = [];
  const dates = (['announced', 'onSale', 'withdrawn'] as const).flatMap((field) =>
    part[field] === undefined ? [] : [{ field, date: part[field] }],
  );
  dates.forEach(({ field, date }, i) => {
    const before = dates[i - 1];
    // ISO dates compare as text
    if (before && date < before.date)
      found.push({ field, code: 'below', has: date, against: before.date, otherField: before.field });
  });
  if (part.evidence?.meanRating !== undefined && part.evidence.ratings === undefined)
    found.push({
      field: 'evidence.ratings',
      code: 'rating-without-count',
      has: part.evidence.meanRating,
      against: '',
      otherField: 'evidence.meanRating',
    });
  return found;
}

function ofKind(part: Part): Found {
  switch (part.kind) {
    case 'processor':
      return processor(part);
    case 'memory':
      return memory(part);
    case 'board':
      return board(part);
    case 'graphics':
      return graphics(part);
    case 'drive':
      return drive(part);
    case 'case':
      return enclosure(part);
    case 'cooler':
      return cooler(part);
    case 'expansion':
      return expansion(part);
    default:
      return none;
  }
}

/** Everything inside one part that cannot be right together, in the order of its fields. */
export const contradictionsOf = (part: Part): Found => [...common(part), ...ofKind(part)];
