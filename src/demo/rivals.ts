import { DEMO_TODAY, type Priced } from './seed';

type Item = Record<string, unknown>;
const item = (id: string, part: string, more: Item = {}): Item => ({ id, part, ...more });
const own = (standsInFor: string, between?: readonly [string, string]): Item => ({ standsInFor, ...(between ? { standInRange: between } : {}) });
const ROLES = { roles: ['system', 'active', 'scratch'] };

/** A part that takes another's place for a price: what it costs more or less, in region A's coins before tax. */
interface Swap {
  readonly id: string;
  readonly name: string;
  readonly group: string;
  readonly edit: object;
  readonly usd: number;
}
const swap = (id: string, name: string, group: string, at: string, part: string, usd: number): Swap => ({ id, name, group, usd, edit: { kind: 'swap', item: at, part, label: name } });
const add = (id: string, name: string, group: string, entry: Item, usd: number): Swap => ({ id, name, group, usd, edit: { kind: 'add', item: { ...entry, label: name } } });

interface Model {
  readonly id: string;
  readonly maker: string;
  readonly name: string;
  readonly items: readonly Item[];
  /** What it costs before tax in region A; worked out from its parts when not said. */
  readonly usd?: number;
  /** Its price over what its parts cost. */
  readonly over?: number;
  readonly shippingMinor?: number;
  readonly onlyInA?: boolean;
  readonly warrantyMonths: number;
  readonly onSite: boolean;
  readonly responseDays: number;
  readonly stated: Item;
  readonly notes: readonly string[];
  readonly swaps?: readonly Swap[];
  /** Published results, held beside the predictions. */
  readonly evidence?: readonly Item[];
  /** Longer support: months, on site, days, coins. */
  readonly support?: readonly (readonly [number, boolean, number, number])[];
}

/** One workload, tool and setting, so that results of it may be compared. */
export const ENCODE = {
  workload: { work: 'encode', width: 1920, height: 1080, threads: 16, target: { codec: 'hevc', preset: 'fast', chroma: '4:2:0' } },
  unit: 'fps',
  tool: 'dive clip, encoded thrice',
  settings: 'fast preset, 1080 lines, 16 threads',
  use: 'check',
} as const;

const system = item('system-1', 'slipway-system-one-seat');

const ALDMOOR: readonly Model[] = [
  {
    id: 'aldmoor-quarry-t3',
    maker: 'Aldmoor',
    name: 'Quarry T3',
    over: 1.18,
    warrantyMonths: 36,
    onSite: true,
    responseDays: 1,
    stated: { volumeL: 22, massKg: 9, noiseDbA: 33, encryption: true, remoteManagement: false, toolFree: true },
    notes: ['The supply is of a form of its own and has no connector for a larger card.'],
    items: [
      item('processor-1', 'quernic-shearwater-14'),
      item('board-1', 'tarnholt-ness-5', own('a board that Aldmoor does not describe')),
      item('memory-1', 'sablerow-slate-2x16-5600'),
      item('graphics-1', 'palisar-gale-8'),
      item('drive-1', 'fenstore-cask-1-tb', { ...ROLES, ...own('a 1 TB drive of no stated make', ['fenstore-cove-1-tb', 'fenstore-anchor-1-tb']) }),
      item('supply-1', 'gatewick-anvil-750', { ...own("Aldmoor's own 500 W supply"), fixed: 'own form' }),
      item('cooler-1', 'northdraft-eddy-120', own("Aldmoor's own cooler")),
      item('case-1', 'pellbox-low', own("Aldmoor's own case")),
      system,
    ],
    swaps: [
      swap('memory-64', '64 GB', 'memory', 'memory-1', 'sablerow-slate-2x32-5600', 210),
      swap('drive-2', '2 TB drive', 'drive', 'drive-1', 'fenstore-cask-2-tb', 160),
    ],
    support: [[60, true, 1, 240]],
  },
  {
    id: 'aldmoor-quarry-t5',
    maker: 'Aldmoor',
    name: 'Quarry T5',
    usd: 3799,
    warrantyMonths: 36,
    onSite: true,
    responseDays: 1,
    stated: { volumeL: 31, massKg: 13, noiseDbA: 36, encryption: true, remoteManagement: true, toolFree: true, certifiedFor: ['Reelwright', 'Formglass'] },
    notes: ['The supply is of a form of its own: a later card needs the maker.'],
    items: [
      item('processor-1', 'quernic-shearwater-20'),
      item('board-1', 'tarnholt-ness-5', own('a board that Aldmoor does not describe, chipset G-790')),
      item('memory-1', 'sablerow-slate-2x16-5600'),
      item('graphics-1', 'palisar-gale-12'),
      item('drive-1', 'fenstore-cask-1-tb', { ...ROLES, ...own('a 1 TB drive of no stated make', ['fenstore-cove-1-tb', 'fenstore-anchor-1-tb']) }),
      item('drive-2', 'ketterlode-hold-4-tb', { roles: ['archive'] }),
      item('supply-1', 'gatewick-anvil-750', { ...own("Aldmoor's own 700 W supply"), fixed: 'own form' }),
      item('cooler-1', 'northdraft-eddy-120', own("Aldmoor's own cooler")),
      item('case-1', 'marlhouse-quay', own("Aldmoor's own case")),
      system,
    ],
    swaps: [
      swap('memory-64', '64 GB', 'memory', 'memory-1', 'sablerow-slate-2x32-5600', 260),
      swap('memory-96', '96 GB', 'memory', 'memory-1', 'sablerow-slate-2x48-5600', 520),
      swap('graphics-16', 'Palisar Gale 16', 'graphics', 'graphics-1', 'palisar-gale-16', 610),
      swap('drive-2tb', '2 TB drive', 'drive', 'drive-1', 'dromolite-spate-2-tb', 220),
      swap('archive-12', '12 TB disk', 'archive', 'drive-2', 'ketterlode-hold-12-tb', 190),
    ],
    evidence: [
      { id: 'published-encode', ...ENCODE, value: 61, source: 'the maker’s data sheet' },
      { id: 'published-pack', workload: { work: 'compress', threads: 28 }, unit: 'MIPS', tool: 'packing benchmark', value: 148_000, source: 'a magazine of the coast', use: 'check' },
    ],
    support: [[60, true, 1, 280]],
  },
  {
    id: 'aldmoor-quarry-t9',
    maker: 'Aldmoor',
    name: 'Quarry T9',
    over: 1.32,
    warrantyMonths: 36,
    onSite: true,
    responseDays: 1,
    stated: { volumeL: 55, massKg: 24, noiseDbA: 40, encryption: true, remoteManagement: true, toolFree: true, drivesFromFront: true, certifiedFor: ['Reelwright', 'Formglass', 'Meshkeel'] },
    notes: ['Every drive comes out at the front; trays are sold by Aldmoor only.'],
    items: [
      item('processor-1', 'halcyte-avocet-24'),
      item('board-1', 'wexcombe-ridgeback', own('a board of Aldmoor’s own')),
      item('memory-1', 'sablerow-bedrock-r-4x32-5600'),
      item('graphics-1', 'palisar-gale-24'),
      item('drive-1', 'dromolite-spate-2-tb', ROLES),
      item('drive-2', 'ketterlode-hold-12-tb', { roles: ['archive'] }),
      item('supply-1', 'gatewick-anvil-great-1300', own("Aldmoor's own 1,300 W supply")),
      item('cooler-1', 'northdraft-eddy-ridge', own("Aldmoor's own cooler")),
      item('case-1', 'pellbox-tall', own("Aldmoor's own case")),
      system,
    ],
    swaps: [
      swap('memory-256', '256 GB', 'memory', 'memory-1', 'sablerow-bedrock-r-8x32-5600', 990),
      swap('graphics-48', 'Palisar Gale 48 Pro', 'graphics', 'graphics-1', 'palisar-gale-48-pro', 5200),
    ],
    support: [[60, true, 1, 520]],
  },
  {
    id: 'aldmoor-sledge-s2',
    maker: 'Aldmoor',
    name: 'Sledge S2',
    over: 1.28,
    warrantyMonths: 36,
    onSite: true,
    responseDays: 2,
    stated: { volumeL: 4, massKg: 3.5, noiseDbA: 28, encryption: true, remoteManagement: true, toolFree: false },
    notes: ['Takes no card; everything outside is on its ports.'],
    items: [
      item('processor-1', 'brandling-siskin-8'),
      item('board-1', 'dunmarrow-holm', own("Aldmoor's own board")),
      item('memory-1', 'cinderpath-ash-2x16-5600', own('32 GB soldered to the board')),
      item('drive-1', 'fenstore-cask-1-tb', { ...ROLES, ...own('a 1 TB drive of no stated make') }),
      item('supply-1', 'gatewick-rivet-450', { ...own('a supply outside the machine'), fixed: 'own form' }),
      item('cooler-1', 'northdraft-eddy-flat', own("Aldmoor's own cooler")),
      item('case-1', 'marlhouse-skiff', own("Aldmoor's own case")),
      system,
    ].map((entry) => (entry['id'] === 'memory-1' ? { ...entry, fixed: 'soldered' } : entry)),
    support: [[60, true, 2, 180]],
  },
];

const CORRIGANVALE: readonly Model[] = [
  {
    id: 'corriganvale-beck-mini',
    maker: 'Corriganvale',
    name: 'Beck Mini',
    over: 1.12,
    shippingMinor: 2900,
    warrantyMonths: 24,
    onSite: false,
    responseDays: 10,
    stated: { volumeL: 9, massKg: 5, noiseDbA: 26, encryption: false, remoteManagement: false, toolFree: false },
    notes: ['Memory is soldered to the board and cannot be added to.'],
    items: [
      item('processor-1', 'halcyte-tern-6'),
      item('board-1', 'tarnholt-skerry-1', own("Corriganvale's own board with soldered memory")),
      item('memory-1', 'cinderpath-ash-1x16-5600', { ...own('16 GB soldered to the board'), fixed: 'soldered' }),
      item('drive-1', 'fenstore-cask-500-gb', ROLES),
      item('graphics-1', 'lumoth-drift-4-still'),
      item('supply-1', 'gatewick-rivet-450', own("Corriganvale's own 400 W supply")),
      item('cooler-1', 'northdraft-eddy-flat', own("Corriganvale's own cooler")),
      item('case-1', 'marlhouse-skiff-great', own("Corriganvale's own case")),
      system,
    ],
    support: [[36, false, 8, 120]],
  },
  {
    id: 'corriganvale-fell-20',
    maker: 'Corriganvale',
    name: 'Fell 20',
    usd: 2899,
    shippingMinor: 4900,
    onlyInA: true,
    warrantyMonths: 36,
    onSite: false,
    responseDays: 8,
    stated: { volumeL: 18, massKg: 8, noiseDbA: 24, encryption: true, remoteManagement: false, toolFree: false },
    notes: ['Memory is soldered to the board and cannot be added to.', 'Its noise is stated at half load.'],
    items: [
      item('processor-1', 'halcyte-tern-8'),
      item('board-1', 'tarnholt-skerry-2', own("Corriganvale's own board with soldered memory")),
      item('memory-1', 'sablerow-slate-2x16-5600', { ...own('32 GB soldered to the board'), fixed: 'soldered' }),
      item('graphics-1', 'palisar-gale-8'),
      item('drive-1', 'fenstore-anchor-1-tb', ROLES),
      item('supply-1', 'gatewick-anvil-550', { ...own("Corriganvale's own 500 W supply"), fixed: 'own form' }),
      item('cooler-1', 'northdraft-eddy-120', own("Corriganvale's own cooler")),
      item('case-1', 'pellbox-low', own("Corriganvale's own case")),
      system,
    ],
    swaps: [swap('memory-64', '64 GB, soldered', 'memory', 'memory-1', 'sablerow-slate-2x32-5600', 320), swap('drive-2tb', '2 TB drive', 'drive', 'drive-1', 'fenstore-anchor-2-tb', 230)],
    support: [[60, false, 5, 190]],
  },
  {
    id: 'corriganvale-fell-40',
    maker: 'Corriganvale',
    name: 'Fell 40',
    over: 1.2,
    shippingMinor: 4900,
    warrantyMonths: 36,
    onSite: false,
    responseDays: 8,
    stated: { volumeL: 24, massKg: 11, noiseDbA: 27, encryption: true, remoteManagement: false, toolFree: true },
    notes: ['Two memory slots, both taken.'],
    items: [
      item('processor-1', 'halcyte-tern-16'),
      item('board-1', 'tarnholt-skerry-1', own("Corriganvale's own board")),
      item('memory-1', 'sablerow-slate-2x32-5600'),
      item('graphics-1', 'lumoth-drift-16', own('a 16 GB card of no stated make', ['lumoth-drift-12', 'palisar-gale-16'])),
      item('drive-1', 'dromolite-spate-2-tb', ROLES),
      item('supply-1', 'gatewick-anvil-750', own("Corriganvale's own 750 W supply")),
      item('cooler-1', 'brumeworks-haar-240', own("Corriganvale's own liquid cooler")),
      item('case-1', 'pellbox-short', own("Corriganvale's own case")),
      system,
    ],
    swaps: [swap('memory-96', '96 GB', 'memory', 'memory-1', 'sablerow-slate-2x48-5600', 330), swap('graphics-24', 'Lumoth Drift 24', 'graphics', 'graphics-1', 'lumoth-drift-24', 520)],
    support: [[60, false, 5, 210]],
  },
  {
    id: 'corriganvale-tor-8',
    maker: 'Corriganvale',
    name: 'Tor 8',
    over: 1.15,
    warrantyMonths: 24,
    onSite: false,
    responseDays: 10,
    stated: { volumeL: 36, massKg: 12, noiseDbA: 38, encryption: false, remoteManagement: false, toolFree: true },
    notes: ['Parts of usual forms throughout: anything can be changed.'],
    items: [
      item('processor-1', 'quernic-kittiwake-14'),
      item('board-1', 'wexcombe-tideway-3'),
      item('memory-1', 'cinderpath-ember-2x16-6400'),
      item('graphics-1', 'vessary-brine-16'),
      item('drive-1', 'fenstore-anchor-2-tb', ROLES),
      item('supply-1', 'gatewick-anvil-850'),
      item('cooler-1', 'northdraft-eddy-120'),
      item('case-1', 'pellbox-tall'),
      system,
    ],
    onlyInA: true,
    swaps: [swap('memory-64', '64 GB', 'memory', 'memory-1', 'cinderpath-ember-2x32-6400', 190), add('disk-8', '8 TB disk', 'archive', item('drive-2', 'ketterlode-hold-8-tb', { roles: ['archive'] }), 240)],
    support: [[36, false, 8, 110]],
  },
];

const STELLMARK: readonly Model[] = [
  {
    id: 'stellmark-girder-s',
    maker: 'Stellmark',
    name: 'Girder S',
    over: 1.45,
    warrantyMonths: 36,
    onSite: true,
    responseDays: 1,
    stated: { volumeL: 20, massKg: 10, noiseDbA: 32, encryption: true, remoteManagement: true, toolFree: true, certifiedFor: ['Formglass', 'Drafthorn'] },
    notes: ['Certified by the makers of several applications.'],
    items: [
      item('processor-1', 'halcyte-tern-deep-12'),
      item('board-1', 'wexcombe-reef-2', own('a board of Stellmark’s own')),
      item('memory-1', 'sablerow-bedrock-2x16-5600'),
      item('graphics-1', 'palisar-gale-20-pro'),
      item('drive-1', 'dromolite-spate-1-tb', ROLES),
      item('supply-1', 'gatewick-anvil-650', { ...own("Stellmark's own 600 W supply"), fixed: 'own form' }),
      item('cooler-1', 'northdraft-eddy-120', own("Stellmark's own cooler")),
      item('case-1', 'pellbox-short', own("Stellmark's own case")),
      system,
    ],
    swaps: [swap('memory-64', '64 GB with error correction', 'memory', 'memory-1', 'sablerow-bedrock-2x32-5600', 310)],
    support: [[60, true, 1, 320]],
  },
  {
    id: 'stellmark-girder-x',
    maker: 'Stellmark',
    name: 'Girder X',
    usd: 6899,
    warrantyMonths: 60,
    onSite: true,
    responseDays: 1,
    stated: { volumeL: 48, massKg: 19, noiseDbA: 34, encryption: true, remoteManagement: true, toolFree: true, drivesFromFront: true, certifiedFor: ['Reelwright', 'Formglass', 'Meshkeel'] },
    notes: ['Certified by the makers of several applications.'],
    items: [
      item('processor-1', 'halcyte-tern-deep-16'),
      item('board-1', 'dunmarrow-cairn-6', own('a board of Stellmark’s own, chipset D-870 pair')),
      item('memory-1', 'sablerow-bedrock-2x32-5600'),
      item('graphics-1', 'palisar-gale-20-pro'),
      item('drive-1', 'dromolite-spate-2-tb', ROLES),
      item('drive-2', 'ketterlode-hold-8-tb', { roles: ['archive'] }),
      item('supply-1', 'voltarn-hearth-calm-750', own("Stellmark's own 775 W supply")),
      item('cooler-1', 'brumeworks-haar-240', own("Stellmark's own liquid cooler")),
      item('case-1', 'pellbox-tall', own("Stellmark's own case")),
      system,
    ],
    swaps: [swap('graphics-32', 'Lumoth Drift 32 Pro', 'graphics', 'graphics-1', 'lumoth-drift-32-pro', 1150), swap('archive-16', '16 TB disk', 'archive', 'drive-2', 'ketterlode-hold-16-tb', 260)],
    support: [[60, true, 0.5, 450]],
  },
  {
    id: 'stellmark-truss-2',
    maker: 'Stellmark',
    name: 'Truss 2',
    over: 1.38,
    warrantyMonths: 36,
    onSite: true,
    responseDays: 1,
    stated: { volumeL: 62, massKg: 27, noiseDbA: 43, encryption: true, remoteManagement: true, toolFree: true, drivesFromFront: true },
    notes: ['Made for two cards; air is led to each.'],
    items: [
      item('processor-1', 'quernic-skua-24'),
      item('board-1', 'tarnholt-headland-w', own('a board of Stellmark’s own')),
      item('memory-1', 'sablerow-bedrock-r-4x32-5600'),
      item('graphics-1', 'lumoth-drift-32-pro'),
      item('graphics-2', 'lumoth-drift-32-pro'),
      item('drive-1', 'dromolite-spate-4-tb', ROLES),
      item('supply-1', 'gatewick-anvil-great-1600', own("Stellmark's own 1,600 W supply")),
      item('cooler-1', 'northdraft-eddy-great', own("Stellmark's own cooler")),
      item('case-1', 'pellbox-tall', own("Stellmark's own case")),
      system,
    ],
    swaps: [swap('memory-256', '256 GB', 'memory', 'memory-1', 'sablerow-bedrock-r-8x32-5600', 1150)],
    support: [[60, true, 0.5, 690]],
  },
  {
    id: 'stellmark-lattice-w',
    maker: 'Stellmark',
    name: 'Lattice W',
    over: 1.4,
    onlyInA: true,
    warrantyMonths: 36,
    onSite: true,
    responseDays: 1,
    stated: { volumeL: 50, massKg: 22, noiseDbA: 39, encryption: true, remoteManagement: true, toolFree: true, certifiedFor: ['Formglass', 'Meshkeel', 'Drillyard'] },
    notes: ['Memory of eight channels, half of them filled as sold.'],
    items: [
      item('processor-1', 'halcyte-avocet-32'),
      item('board-1', 'wexcombe-ridgeback', own('a board of Stellmark’s own')),
      item('memory-1', 'sablerow-bedrock-r-4x32-5600'),
      item('graphics-1', 'palisar-gale-48-pro'),
      item('drive-1', 'dromolite-spate-4-tb', ROLES),
      item('supply-1', 'gatewick-anvil-great-1300', own("Stellmark's own 1,300 W supply")),
      item('cooler-1', 'northdraft-eddy-ridge', own("Stellmark's own cooler")),
      item('case-1', 'pellbox-tall', own("Stellmark's own case")),
      system,
    ],
    swaps: [swap('memory-256', '256 GB', 'memory', 'memory-1', 'sablerow-bedrock-r-8x32-5600', 1150), swap('memory-512', '512 GB', 'memory', 'memory-1', 'sablerow-bedrock-r-8x64-5600', 2900)],
    support: [[60, true, 0.5, 690]],
  },
];

/** Assembly, support and the rest beside the parts, coins. */
const BESIDE = 160;
/** Coins of region B, tax inside, for one of region A. */
const IN_B = 0.98 * 1.21;

/** Twelve branded machines with what may be ordered with them. */
export function rivals(parts: readonly Priced[]): Record<string, unknown>[] {
  const usdOf = new Map(parts.map(({ part, usd }) => [part.id, usd]));
  return [...ALDMOOR, ...CORRIGANVALE, ...STELLMARK].map((model) => {
    const cost = model.items.reduce((sum, entry) => sum + (usdOf.get(String(entry['part'])) ?? 0), 0);
    const usd = model.usd ?? Math.round((cost * (model.over ?? 1.2) + BESIDE) / 10) * 10 - 1;
    // the three first machines have their round prices in region B
    const eur = { 'aldmoor-quarry-t5': 4499, 'stellmark-girder-x': 7980 }[model.id] ?? Math.round((usd * IN_B) / 10) * 10 - 1;
    const prices = (coins: number) => [
      { region: 'region-a', minor: coins * 100 },
      ...(model.onlyInA ? [] : [{ region: 'region-b', minor: Math.round(coins * IN_B) * 100 }]),
    ];
    return {
      id: model.id,
      maker: model.maker,
      name: model.name,
      warrantyMonths: model.warrantyMonths,
      onSite: model.onSite,
      responseDays: model.responseDays,
      stated: model.stated,
      notes: model.notes,
      offers: [
        { region: 'region-a', priceMinor: usd * 100, shippingMinor: model.shippingMinor ?? 0, deliveryDays: 12, asOf: DEMO_TODAY },
        ...(model.onlyInA ? [] : [{ region: 'region-b', priceMinor: eur * 100, shippingMinor: model.shippingMinor ?? 0, deliveryDays: 15, asOf: DEMO_TODAY }]),
      ],
      options: [
        ...(model.swaps ?? []).map(({ usd: coins, ...option }) => ({ ...option, prices: prices(coins) })),
        ...(model.support ?? []).map(([warrantyMonths, onSite, responseDays, coins]) => ({
          id: `support-${warrantyMonths}`,
          name: `${warrantyMonths} months, ${onSite ? 'on site' : 'sent in'}${onSite && responseDays < 1 ? ', the same day' : ''}`,
          group: 'support',
          prices: prices(coins),
          support: { warrantyMonths, onSite, responseDays },
        })),
      ],
      machine: { id: model.id, name: `${model.maker} ${model.name}`, items: model.items, ...(model.evidence ? { evidence: model.evidence } : {}) },
    };
  });
}
