import { contextOf, type Context } from '../assess';
import type { Brief } from '../model/brief';
import { compileCatalogue } from '../model/catalogue';
import type { Offer, Seller } from '../model/offers';
import { machineSchema } from '../model/machine';
import { usualSettings } from '../model/settings';
import { flat, offer, shop, TODAY } from './shops';
import { briefOf, dataOf, DESK, EXPORT, FAN, PARTS, PLAY, REGION, type Change } from './world';

/** Numbers from a seed: the same for everybody. Source: a linear congruential generator (Park and Miller 1988). */
export function rolling(seed: number): {
  next: () => number;
  pick: <T>(list: readonly T[]) => T;
  chance: (p: number) => boolean;
} {
  let state = ((seed * 48_271) % 2_147_483_647) + 1;
  const next = () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647;
  for (let i = 0; i < 5; i++) next();
  return {
    next,
    pick: (list) => list[Math.floor(next() * list.length)] as (typeof list)[number],
    chance: (p) => next() < p,
  };
}
type Dice = ReturnType<typeof rolling>;

const base = (id: string): Record<string, unknown> => PARTS.find((part) => part['id'] === id) ?? {};

/** Parts like those of the test world in other sizes, with figures that matter to fit, speed, heat and price. */
function variant(id: string, n: number, dice: Dice): Record<string, unknown> {
  const { pick, chance } = dice;
  const part = { ...base(id), id: `${id}-${n}`, name: `Test ${id} ${n}` };
  switch (id) {
    case 'cpu': {
      const [cores] = base('cpu')['coreGroups'] as Record<string, unknown>[];
      const power = pick([65, 95, 120, 180]);
      return {
        ...part,
        socket: chance(0.85) ? 'Dunlin' : 'Grebe',
        coreGroups: [{ ...cores, count: pick([4, 6, 8, 12, 16]), allCoreGHz: pick([3.4, 4, 4.6]) }],
        maxPowerW: power,
        sustainedPowerW: power,
        coolerIncluded: chance(0.2),
        integratedGraphics: chance(0.5) ? { fp32Tflops: pick([0.5, 2]) } : 'none',
      };
    }
    case 'board':
      return {
        ...part,
        form: pick(['ATX', 'Micro-ATX']),
        memoryRateMTs: pick([4800, 5600, 6400]),
        errorCorrection: chance(0.5),
      };
    case 'kit':
      return {
        ...part,
        modules: pick([1, 2]),
        moduleGiB: pick([8, 16, 32]),
        rateMTs: chance(0.05) ? undefined : pick([4800, 5600, 6000]),
      };
    case 'card':
      return {
        ...part,
        lengthMm: pick([220, 270, 330]),
        memoryGiB: pick([4, 8, 12]),
        fp32Tflops: chance(0.05) ? undefined : pick([6, 12, 25]),
        boardPowerW: pick([120, 200, 320]),
      };
    case 'ssd':
      return {
        ...part,
        capacityGB: pick([250, 500, 1000, 2000]),
        seqReadMBs: pick([3000, 5000, 7000]),
        sustainedWriteMBs: chance(0.05) ? undefined : pick([400, 1500]),
      };
    case 'psu':
      return { ...part, ratedW: pick([300, 450, 750]), lengthMm: pick([140, 180]) };
    case 'case':
      return {
        ...part,
        cardLengthMm: pick([240, 300, 360]),
        coolerHeightMm: pick([140, 165, 180]),
        boardForms: chance(0.2) ? ['Micro-ATX'] : ['Micro-ATX', 'ATX'],
      };
    case 'cooler':
      return { ...part, heightMm: pick([120, 158, 172]), resistance: [{ rpm: 1500, kPerW: pick([0.1, 0.2, 0.45]) }] };
    default:
      return part;
  }
}

/** Shops with carriage, coupons and a bundle, and offers of most parts at most of them. */
function shopsFor(
  parts: readonly string[],
  dice: Dice,
  coinsOf: (part: string) => number,
): { sellers: Seller[]; offers: Offer[] } {
  const { pick, chance } = dice;
  const ids = ['north', 'south', 'east'].slice(0, pick([1, 2, 3]));
  const sellers = ids.map((id) =>
    shop(id, {
      shipping: chance(0.7) ? flat(pick([300, 900]), chance(0.6) ? pick([150_00, 500_00]) : undefined) : flat(0),
      ...(chance(0.4)
        ? {
            coupons: [
              chance(0.5)
                ? {
                    id: `${id}-off`,
                    region: 'here',
                    amountMinor: pick([10_00, 30_00]),
                    fromMinor: pick([100_00, 400_00]),
                    until: '2026-06-30',
                  }
                : {
                    id: `${id}-off`,
                    region: 'here',
                    percent: pick(['4', '10']),
                    fromMinor: pick([80_00, 300_00]),
                    until: '2026-06-30',
                    ...(chance(0.5) ? { kinds: ['memory', 'drive'] as const } : {}),
                  },
            ],
          }
        : {}),
      ...(chance(0.3) && parts.length > 2
        ? {
            bundles: [
              {
                id: `${id}-set`,
                name: 'Set',
                region: 'here',
                parts: [pick(parts), pick(parts)] as Offer['part'][],
                reductionMinor: 12_00,
                until: '2026-06-30',
              },
            ],
          }
        : {}),
    } as Partial<Seller>),
  );
  const offers = parts.flatMap((part) => {
    const price = Math.round(coinsOf(part) * 100);
    const at = ids.filter(() => chance(0.75));
    return (at.length > 0 || chance(0.9) ? (at.length > 0 ? at : ids.slice(0, 1)) : []).map((seller) =>
      offer(part, seller, Math.round(price * (0.95 + dice.next() * 0.1)), chance(0.15) ? { stock: pick([1, 2]) } : {}),
    );
  });
  return { sellers, offers };
}

/** A brief and a market small enough to try every machine of it. */
export function smallMarket(seed: number): { brief: Brief; context: Context } {
  const dice = rolling(seed);
  const { pick, chance } = dice;
  const several = new Set(
    Array.from({ length: 4 }, () => pick(['cpu', 'board', 'kit', 'card', 'psu', 'case', 'cooler'])),
  );
  const parts = ['cpu', 'board', 'kit', 'card', 'ssd', 'psu', 'case', 'cooler'].flatMap((id) => {
    if (id === 'card' && chance(0.15)) return [];
    return Array.from({ length: several.has(id) ? pick([2, 3]) : 1 }, (_, n) => variant(id, n, dice));
  });
  if (chance(0.15)) parts.push({ ...FAN, id: 'fan-0' });
  const tasks: Record<string, unknown>[] = [DESK];
  if (chance(0.7)) tasks.push({ ...EXPORT, path: 'software', targetMin: pick([6, 12, 30, 60]) });
  if (chance(0.3)) tasks.push(PLAY);
  const change: Change = {
    brief: {
      tasks,
      sittings: [{ id: 'work', name: 'Work', hoursPerWeek: 10, tasks: tasks.map(({ id }) => id) }],
      mustHaves: {
        ...(chance(0.2) ? { networkGbitPerS: pick([2.5, 10]) } : {}),
        ...(chance(0.2) ? { noiseDbA: pick([30, 40]) } : {}),
      },
    },
  };
  return marketOf(change, parts, dice);
}

/**
 * Processors, kits and drives that are alike in every figure, and results that were measured with one of each: which of
 * them it is decides what the work takes.
 */
export function measuredMarket(seed: number): { brief: Brief; context: Context } {
  const dice = rolling(seed);
  const { pick, next, chance } = dice;
  const several = pick([{ cpu: 3 }, { cpu: 3, kit: 2 }, { cpu: 2, ssd: 2 }]) as Readonly<Record<string, number>>;
  // all that is not measured fits and is known
  const sure: Readonly<Record<string, object>> = {
    cpu: { socket: 'Dunlin', coolerIncluded: false },
    kit: { modules: 2, moduleGiB: 16, rateMTs: 5600 },
    card: { lengthMm: 220, memoryGiB: 12, fp32Tflops: 12 },
    ssd: { capacityGB: 2000, sustainedWriteMBs: 1500 },
    psu: { ratedW: 750 },
    case: { coolerHeightMm: 180, cardLengthMm: 360 },
  };
  const parts = ['cpu', 'board', 'kit', 'card', 'ssd', 'psu', 'case', 'cooler'].flatMap((id) => {
    const first = variant(id, 0, dice);
    return Array.from({ length: several[id] ?? 1 }, (_, n) => ({
      ...first,
      ...sure[id],
      id: `${id}-${n}`,
      name: `Test ${id} ${n}`,
      // what is measured on one of a family says something of the others of its maker
      ...(id === 'cpu' && n === 2 ? { maker: 'Relaypike' } : {}),
    }));
  });
  const tasks: Record<string, unknown>[] = [
    { ...EXPORT, path: 'software', targetMin: pick([6, 9, 12, 20, 30]) },
    ...(chance(0.5) ? [DESK] : []),
    ...(chance(0.3) ? [PLAY] : []),
  ];
  const market = marketOf(
    { brief: { tasks, sittings: [{ id: 'work', name: 'Work', hoursPerWeek: 10, tasks: tasks.map(({ id }) => id) }] } },
    parts,
    dice,
  );
  const { outWidth: width, outHeight: height, outCodec: codec, outChroma: chroma, preset } = EXPORT;
  const result = (id: string, workload: object, value: number, unit: string) => ({
    id,
    workload,
    value,
    unit,
    tool: 'bench',
    source: 'bench',
    use: 'calibrate',
  });
  const encode = (threads: number) => ({ work: 'encode', width, height, threads, target: { codec, preset, chroma } });
  const machine = machineSchema.parse({
    id: 'measured',
    name: 'Measured',
    items: ['cpu', 'board', 'kit', 'ssd'].map((id) => ({
      id,
      part: `${id}-0`,
      ...(id === 'ssd' ? { roles: ['system', 'active'] } : {}),
    })),
    evidence: [
      result('one', encode(1), 0.5 + 4 * next(), 'fps'),
      result('all', encode(8), 4 + 20 * next(), 'fps'),
      result('memory', { work: 'memory', threads: 64 }, 10_000 + 90_000 * next(), 'MB/s'),
      result('read', { work: 'drive', direction: 'read', access: 'sequential' }, 200 + 9000 * next(), 'MB/s'),
    ],
  });
  return {
    ...market,
    context: contextOf(market.context.catalogue, TODAY, usualSettings, [machine]),
  };
}

/** Processors and cards of which the better ones mostly cost more: a frontier of several points. */
export function ladderMarket(seed: number): { brief: Brief; context: Context } {
  const dice = rolling(seed);
  const { next, pick, chance } = dice;
  const [cores] = base('cpu')['coreGroups'] as Record<string, unknown>[];
  const cpus = [5, 6, 7, 8, 9, 10, 12, 16].map((count, n) => ({
    ...base('cpu'),
    id: `cpu-${n}`,
    name: `Test cpu ${n}`,
    coreGroups: [{ ...cores, count, allCoreGHz: 4 }],
  }));
  const cards = [12, 25].map((fp32Tflops, n) => ({
    ...base('card'),
    id: `card-${n}`,
    name: `Test card ${n}`,
    fp32Tflops,
    memoryGiB: pick([8, 12]),
  }));
  const rest = ['board', 'kit', 'ssd', 'psu', 'case', 'cooler'].map((id) => ({ ...base(id), id: `${id}-0` }));
  const tasks: Record<string, unknown>[] = [
    { ...EXPORT, path: 'software', targetMin: pick([10, 20, 30]) },
    ...(chance(0.3) ? [{ ...PLAY, correctionSteps: pick([20, 60]), temporalNr: pick(['off', 'strong']) }] : []),
    ...(chance(0.5) ? [DESK] : []),
  ];
  return marketOf(
    { brief: { tasks, sittings: [{ id: 'work', name: 'Work', hoursPerWeek: 10, tasks: tasks.map(({ id }) => id) }] } },
    [...cpus, ...cards, ...rest],
    dice,
    (part) => 60 + Number(part.at(-1)) * 40 + next() * 50,
  );
}

/** One platform, several drives and network cards, and streams that fill them: the drives' roles decide. */
export function streamMarket(seed: number): { brief: Brief; context: Context } {
  const dice = rolling(seed);
  const { pick, chance } = dice;
  const parts = platformOfDrives(dice);
  const [from, to, copyTo] = pick([
    ['network', 'active'],
    ['network', 'active', 'archive'],
    ['memory', 'active'],
    ['active', 'archive'],
    ['active', 'network'],
  ] as const);
  const task = {
    kind: 'ingest',
    id: 'ingest',
    name: 'Ingest',
    importance: 3,
    from,
    to,
    ...(copyTo ? { copyTo } : {}),
    streams: pick([1, 2]),
    gbitPerS: pick([2, 6, 9, 14]),
    hours: pick([0.1, 2]),
    checksum: pick(['none', 'fast']),
    keepTB: pick([0, 0.2, 1]),
  };
  const tasks = [task, ...(chance(0.5) ? [DESK] : [])];
  const change: Change = {
    brief: {
      tasks,
      sittings: [{ id: 'work', name: 'Work', hoursPerWeek: 10, tasks: tasks.map(({ id }) => id) }],
    },
  };
  return marketOf(change, parts, dice);
}

/** The same platform, and work that reads and writes several roles of drives at once: one drive for two of them may do, or not. */
export function sharingMarket(seed: number): { brief: Brief; context: Context } {
  const dice = rolling(seed);
  const { pick, chance } = dice;
  const parts = platformOfDrives(dice);
  const custom = (id: string, more: object) => ({ kind: 'custom', id, name: id, importance: 3, unit: 'unit', ...more });
  const steady = (id: string, more: object) => custom(id, { mode: 'real-time', unitsPerS: 1, ...more });
  const rate = () => pick([0.15, 0.4, 1.2, 2.5, 3.4]);
  const tasks = [
    steady('footage', { readGB: { active: rate(), ...(chance(0.4) ? { scratch: rate() } : {}) } }),
    ...(chance(0.6)
      ? [steady('cache', chance(0.5) ? { readGB: { scratch: rate() } } : { writeGB: { scratch: 0.3 } })]
      : []),
    ...(chance(0.5)
      ? [
          steady('copy', {
            flows: [{ from: 'active', to: pick(['memory', 'archive']), gbytePerS: pick([0.1, 0.3, 2]) }],
          }),
        ]
      : []),
    ...(chance(0.6)
      ? [
          custom('export', {
            mode: 'elastic',
            unitsPerRun: 60,
            targetMin: pick([1, 3]),
            readGB: { active: rate() },
            writeGB: { [pick(['active', 'scratch'])]: pick([0.1, 0.5]) },
          }),
        ]
      : []),
    ...(chance(0.3) ? [steady('calls', { networkGB: pick([0.1, 0.4]) })] : []),
  ];
  const change: Change = {
    brief: {
      tasks,
      sittings: [{ id: 'work', name: 'Work', hoursPerWeek: 10, tasks: tasks.map(({ id }) => id) }],
    },
  };
  return marketOf(change, parts, dice);
}

/** One platform, two or three drives and up to two network cards. */
function platformOfDrives(dice: Dice): readonly Record<string, unknown>[] {
  const { pick, chance } = dice;
  const one = ['cpu', 'board', 'kit', 'psu', 'case', 'cooler'].map((id) => ({
    ...variant(id, 0, dice),
    ...(id === 'cpu' ? { socket: 'Dunlin', integratedGraphics: { fp32Tflops: 2 }, coolerIncluded: true } : {}),
  }));
  const drives = Array.from({ length: pick([2, 3]) }, (_, n) => {
    const drive = variant(chance(0.25) ? 'disk' : 'ssd', n, dice);
    return drive['interface'] === 'SATA'
      ? drive
      : { ...drive, sustainedWriteMBs: pick([400, 900, 1500, 2600]), ...(chance(0.3) ? { form: 'card' } : {}) };
  });
  const cards = Array.from({ length: pick([0, 1, 2]) }, (_, n) => ({
    ...NETWORK,
    id: `net-${n}`,
    name: `Net ${n}`,
    networkGbitPerS: pick([5, 10, 25]),
  }));
  return [...one, ...drives, ...cards];
}

const NETWORK = {
  kind: 'expansion',
  maker: 'Relaypike',
  purpose: 'network',
  generation: 3,
  lanes: 4,
  slots: 1,
  lengthMm: 160,
  heightMm: 110,
  powerW: 8,
  connectors: {},
};

function marketOf(
  change: Change,
  parts: readonly Record<string, unknown>[],
  dice: Dice,
  coinsOf: (part: string) => number = () => 30 + dice.next() * 220,
): { brief: Brief; context: Context } {
  const { chance } = dice;
  const data = dataOf({ ...change, addParts: [...parts] });
  const { sellers, offers } = shopsFor(
    parts.map(({ id }) => id as string),
    dice,
    coinsOf,
  );
  const catalogue = compileCatalogue({
    ...data,
    parts: data.parts.filter(({ id }) => parts.some((part) => part['id'] === id)),
    regions: [{ ...REGION, taxRounding: chance(0.5) ? 'line' : 'invoice', pricesIncludeTax: chance(0.4) }],
    sellers,
    offers,
  });
  return { brief: briefOf(change), context: contextOf(catalogue, TODAY, usualSettings) };
}
