import { currencySchema, shownCoins } from '../units/money';
import { latencyNs } from '../memory/timing';
import { keyFigures } from '../words/partFigures';
import { applies, fieldsOf, figuresOf, valueAt, type Field } from '../parts/fields';
import type { Better } from '../parts/common';
import type { Part, PartKind } from '../parts';
import { kitGiB } from '../parts/memory';

/** What a cell can hold; undefined is unknown. */
export type Cell = number | string | undefined;

/** What the library knows of a part beyond the part itself. */
export interface PartFacts {
  /** Cheapest landed price in the desk's region, minor units. */
  readonly landedMinor: number | undefined;
  /** Drafts, rivals and owned parts that use it. */
  readonly used: number;
}

/** A column of the library's grid and a name in its questions. */
export interface Column {
  readonly key: string;
  readonly label: string;
  readonly unit: string | undefined;
  readonly better: Better | undefined;
  readonly holds: 'number' | 'text';
  /** Changes without the catalogue changing, so it is computed when asked for and not kept. */
  readonly live?: true;
  readonly value: (part: Part, facts: PartFacts) => Cell;
}

const plainCell = (value: unknown): Cell => {
  if (typeof value === 'number' || typeof value === 'string') return value;
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (Array.isArray(value) && value.every((entry) => typeof entry !== 'object')) return value.join(', ');
  return undefined;
};

const ofField = (field: Field): Column => ({
  key: field.path,
  label: field.label,
  unit: field.unit,
  better: field.better,
  holds: field.type === 'number' || field.type === 'whole' || field.numericChoices ? 'number' : 'text',
  value: field.path === 'withdrawn' ? (part) => part.withdrawn ?? '' : (part) => plainCell(valueAt(part, field.path)),
});

const derived = (
  key: string,
  label: string,
  unit: string | undefined,
  better: Better,
  value: (part: Part) => number | undefined,
): Column => ({ key, label, unit, better, holds: 'number', value });

const largest = (values: readonly (number | undefined)[] | undefined): number | undefined => {
  const known = (values ?? []).filter((value) => value !== undefined);
  return known.length === 0 ? undefined : Math.max(...known);
};

/** Figures that practitioners ask for and that follow from the structures of a part. */
const DERIVED: Partial<Record<PartKind, readonly Column[]>> = {
  processor: [
    derived('cores', 'cores', undefined, 'higher', (part) =>
      part.kind === 'processor' ? part.coreGroups?.reduce((sum, group) => sum + group.count, 0) : undefined,
    ),
    derived('threads', 'threads', undefined, 'higher', (part) =>
      part.kind === 'processor'
        ? part.coreGroups?.reduce((sum, group) => sum + group.count * group.threadsPerCore, 0)
        : undefined,
    ),
    derived('boostGHz', 'boost clock', 'GHz', 'higher', (part) =>
      part.kind === 'processor' ? largest(part.coreGroups?.map((group) => group.boostGHz)) : undefined,
    ),
  ],
  board: [
    derived('memorySlotCount', 'memory slots', undefined, 'higher', (part) =>
      part.kind === 'board' ? part.memorySlots?.length : undefined,
    ),
    ...(['m2', 'card', 'sata'] as const).map((kind) =>
      derived(
        `${kind}Slots`,
        { m2: 'M.2 slots', card: 'card slots', sata: 'SATA ports' }[kind],
        undefined,
        'higher',
        (part) =>
          part.kind === 'board' ? part.topology?.slots.filter((slot) => slot.kind === kind).length : undefined,
      ),
    ),
  ],
  memory: [
    derived('kitGiB', 'capacity of the kit', 'GiB', 'higher', (part) =>
      part.kind === 'memory' ? kitGiB(part) : undefined,
    ),
    derived('latencyNs', 'first-word latency', 'ns', 'lower', (part) =>
      part.kind === 'memory' && part.casLatency !== undefined && part.rateMTs !== undefined
        ? latencyNs(part.casLatency, part.rateMTs)
        : undefined,
    ),
  ],
  cooler: [
    derived('bestKPerW', 'best thermal resistance', 'K/W', 'lower', (part) =>
      part.kind === 'cooler' && part.resistance && part.resistance.length > 0
        ? Math.min(...part.resistance.map((point) => point.kPerW))
        : undefined,
    ),
  ],
};

/** The figures of a part that are unknown; what does not apply to it is not missed. */
export const unknownFigures = (part: Part): readonly Field[] =>
  figuresOf(part.kind).filter((field) => valueAt(part, field.path) === undefined && applies(part, field.path));

export const PRICE = 'price';

const shownPrice = (minor: number, code: string): number | undefined => {
  const currency = currencySchema.safeParse(code);
  return currency.success ? shownCoins(minor, currency.data) : undefined;
};

const general = (currency: string): readonly Column[] => [
  { key: 'gist', label: 'in short', unit: undefined, better: undefined, holds: 'text', value: keyFigures },
  { key: 'kind', label: 'kind', unit: undefined, better: undefined, holds: 'text', value: (part) => part.kind },
  {
    key: PRICE,
    label: 'landed price',
    unit: currency,
    better: 'lower',
    holds: 'number',
    value: (_, facts) => (facts.landedMinor === undefined ? undefined : shownPrice(facts.landedMinor, currency)),
  },
  {
    key: 'used',
    label: 'used',
    unit: undefined,
    better: 'none',
    holds: 'number',
    live: true,
    value: (_, facts) => facts.used,
  },
  {
    key: 'unknown',
    label: 'figures unknown',
    unit: undefined,
    better: 'lower',
    holds: 'number',
    value: (part) => unknownFigures(part).length,
  },
];

const HIDDEN = new Set(['evidence']);
const cache = new Map<string, readonly Column[]>();

/** Every column a kind can show: general ones, derived figures, then its fields that are not structures. */
export function columnsOf(kind: PartKind, currency: string): readonly Column[] {
  const key = `${kind} ${currency}`;
  const known = cache.get(key);
  if (known) return known;
  const columns = [
    ...general(currency),
    ...(DERIVED[kind] ?? []),
    ...fieldsOf(kind)
      .filter((field) => field.type !== 'structure' && !HIDDEN.has(field.path))
      .map(ofField),
  ];
  cache.set(key, columns);
  return columns;
}

/** What the grid shows of a kind before anybody chose. */
export function usualColumns(kind: PartKind | undefined): readonly string[] {
  switch (kind) {
    case undefined:
      return ['kind', 'maker', 'name', PRICE, 'gist', 'used', 'unknown'];
    case 'processor':
      return [
        'maker',
        'name',
        PRICE,
        'socket',
        'cores',
        'boostGHz',
        'cacheMiB',
        'maxPowerW',
        'memoryChannels',
        'unknown',
      ];
    case 'board':
      return [
        'maker',
        'name',
        PRICE,
        'socket',
        'form',
        'memoryGeneration',
        'memorySlotCount',
        'm2Slots',
        'cardSlots',
        'processorPowerW',
      ];
    case 'memory':
      return [
        'maker',
        'name',
        PRICE,
        'generation',
        'kitGiB',
        'modules',
        'rateMTs',
        'casLatency',
        'latencyNs',
        'heightMm',
      ];
    case 'graphics':
      return [
        'maker',
        'name',
        PRICE,
        'memoryGiB',
        'memoryGBs',
        'fp32Tflops',
        'boardPowerW',
        'lengthMm',
        'slots',
        'unknown',
      ];
    case 'drive':
      return [
        'maker',
        'name',
        PRICE,
        'interface',
        'form',
        'capacityGB',
        'cellKind',
        'seqReadMBs',
        'sustainedWriteMBs',
        'enduranceTBW',
      ];
    case 'supply':
      return [
        'maker',
        'name',
        PRICE,
        'form',
        'ratedW',
        'tier',
        'standard',
        'connectors.card-16',
        'connectors.card-8',
        'lengthMm',
      ];
    case 'case':
      return [
        'maker',
        'name',
        PRICE,
        'boardForms',
        'cardLengthMm',
        'coolerHeightMm',
        'supplyLengthMm',
        'bays35',
        'volumeL',
      ];
    case 'cooler':
      return ['maker', 'name', PRICE, 'type', 'heightMm', 'radiatorMm', 'bestKPerW', 'noiseDbA'];
    default:
      return [
        'maker',
        'name',
        PRICE,
        ...figuresOf(kind)
          .filter((field) => field.type !== 'structure')
          .slice(2, 8)
          .map((field) => field.path),
        'unknown',
      ];
  }
}
