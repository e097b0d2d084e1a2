import { linkBytesPerS } from '@/core/units/links';
import type { Part, PartKind, PartOf } from '@/core/parts';

/** A figure held against another: what it should be, and between which bounds hardware of the last years lies. */
export interface Relation {
  readonly what: string;
  readonly unit: string;
  readonly low: number;
  readonly high: number;
  /** One value a part that states both figures. */
  readonly values: readonly { readonly name: string; readonly value: number }[];
}

const ratio = (a: number | undefined, b: number | undefined): number | undefined =>
  a === undefined || b === undefined || b === 0 ? undefined : a / b;

function relation<K extends PartKind>(
  parts: readonly Part[],
  kind: K,
  what: string,
  unit: string,
  [low, high]: readonly [number, number],
  value: (part: PartOf<K>) => number | undefined,
): Relation {
  return {
    what: `${kind}: ${what}`,
    unit,
    low,
    high,
    values: parts.flatMap((part) => {
      if (part.kind !== kind) return [];
      const found = value(part as PartOf<K>);
      return found === undefined ? [] : [{ name: `${part.maker} ${part.name}`, value: found }];
    }),
  };
}

const cores = (part: PartOf<'processor'>) =>
  part.coreGroups?.reduce((sum, group) => sum + group.count * (group.kind === 'performance' ? 1 : 0.45), 0);
const linkMBs = (part: PartOf<'drive'>) =>
  part.interface === 'SATA'
    ? 600
    : part.generation !== undefined && part.lanes !== undefined
      ? linkBytesPerS({ generation: part.generation, lanes: part.lanes }) / 1e6
      : undefined;
const millimetres = (part: PartOf<'graphics'>) =>
  part.lengthMm === undefined || part.slots === undefined ? undefined : part.lengthMm * part.slots;

/**
 * Figures against figures: lanes against speed, watts against cores, mass against size. Bounds are judgements from what
 * hardware of the last years is like; a value outside is a mistake of the generator.
 */
export function relationsOf(parts: readonly Part[]): readonly Relation[] {
  return [
    relation(parts, 'drive', 'sequential read of what its link carries', '×', [0.2, 1], (part) =>
      part.cellKind === 'magnetic' || part.cellKind === 'optical' ? undefined : ratio(part.seqReadMBs, linkMBs(part)),
    ),
    relation(parts, 'drive', 'write after its cache of the cached rate', '×', [0.05, 1], (part) =>
      ratio(part.sustainedWriteMBs, part.seqWriteMBs),
    ),
    relation(parts, 'drive', 'endurance a TB', 'TBW/TB', [150, 1500], (part) =>
      ratio(part.enduranceTBW, part.capacityGB === undefined ? undefined : part.capacityGB / 1000),
    ),
    relation(parts, 'drive', 'mass of a 3.5" drive', 'g', [500, 800], (part) =>
      part.form === '3.5"' ? part.massG : undefined,
    ),
    relation(parts, 'processor', 'package power a performance core (efficiency cores as 0.45)', 'W', [5, 25], (part) =>
      ratio(part.maxPowerW, cores(part)),
    ),
    relation(parts, 'processor', 'all-core clock of boost', '×', [0.6, 1], (part) =>
      ratio(part.coreGroups?.[0]?.allCoreGHz, part.coreGroups?.[0]?.boostGHz),
    ),
    relation(parts, 'processor', 'cache a performance core', 'MiB', [2, 8], (part) =>
      ratio(part.cacheMiB, part.coreGroups?.find((group) => group.kind === 'performance')?.count),
    ),
    relation(parts, 'graphics', 'FP32 rate a watt', 'TFLOP/s a W', [0.03, 0.3], (part) =>
      ratio(part.fp32Tflops, part.boardPowerW),
    ),
    relation(parts, 'graphics', 'memory rate a TFLOP/s', 'GB/s', [8, 60], (part) =>
      ratio(part.memoryGBs, part.fp32Tflops),
    ),
    relation(parts, 'graphics', 'mass a mm of length and slot', 'g', [1, 3], (part) =>
      ratio(part.massG, millimetres(part)),
    ),
    relation(parts, 'graphics', 'power a mm of length and slot', 'W', [0.15, 0.8], (part) =>
      ratio(part.boardPowerW, millimetres(part)),
    ),
    relation(parts, 'memory', 'first-word latency', 'ns', [9, 20], (part) =>
      part.casLatency === undefined || part.rateMTs === undefined ? undefined : (2000 * part.casLatency) / part.rateMTs,
    ),
    relation(parts, 'supply', 'mass a rated watt', 'g', [1.5, 5], (part) => ratio(part.massG, part.ratedW)),
    relation(parts, 'case', 'mass a litre', 'g', [100, 200], (part) => ratio(part.massG, part.volumeL)),
    relation(parts, 'cooler', 'mass of a tower a mm of height', 'g', [3, 8], (part) =>
      part.type === 'tower' ? ratio(part.massG, part.heightMm) : undefined,
    ),
    relation(parts, 'fan', 'airflow a mm of size', 'm³/h', [0.4, 1.5], (part) => ratio(part.airflowM3h, part.sizeMm)),
  ];
}

/** What lies outside its bounds. */
export const implausible = (relations: readonly Relation[]): string[] =>
  relations.flatMap(({ what, unit, low, high, values }) =>
    values
      .filter(({ value }) => value < low || value > high)
      .map(({ name, value }) => `${what}: ${name} has ${value.toPrecision(3)} ${unit}, outside ${low} to ${high}`),
  );

/** The report as a table: how many parts state both figures, and least, median and most of them. */
export function plausibilityReport(parts: readonly Part[]): string {
  const relations = relationsOf(parts);
  const rows = relations.map(({ what, unit, low, high, values }) => {
    const sorted = values.map(({ value }) => value).sort((a, b) => a - b);
    const at = (share: number) => (sorted[Math.floor((sorted.length - 1) * share)] ?? NaN).toPrecision(3);
    return `| ${what} | ${unit} | ${values.length} | ${at(0)} | ${at(0.5)} | ${at(1)} | ${low} to ${high} |`;
  });
  const kinds = [...new Set(parts.map((part) => part.kind))].map(
    (kind) => `${parts.filter((part) => part.kind === kind).length} ${kind}`,
  );
  const outside = implausible(relations);
  return [
    '# Are the demo figures plausible?',
    '',
    `Written by \`npm run plausibility\`. ${parts.length} parts: ${kinds.join(', ')}.`,
    '',
    '| Figure against figure | Unit | Parts | Least | Median | Most | Believed |',
    '| --- | --- | --- | --- | --- | --- | --- |',
    ...rows,
    '',
    outside.length === 0 ? 'Nothing lies outside what is believed.' : outside.join('\n'),
    '',
  ].join('\n');
}
