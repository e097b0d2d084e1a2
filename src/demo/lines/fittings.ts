import { type Priced, seededBy } from '../seed';

/**
 * Figures that follow from others: a wide case leaves room for high cards, a dear board has more headers. Written as
 * relations, so that no row can contradict another.
 */
export function withFittings({ part, usd }: Priced): Priced {
  return { part: { ...part, ...fittingsOf(part, usd) }, usd };
}

type Figures = Record<string, unknown>;

function fittingsOf(part: Priced['part'], usd: number): Figures {
  switch (part.kind) {
    case 'board':
      return boardFittings(part, usd);
    case 'processor':
      return processorFittings(part);
    case 'graphics':
      return graphicsFittings(part);
    case 'drive':
      return part['cellKind'] === 'magnetic' ? { noiseDbA: Number(part['rpm'] ?? 5400) > 6000 ? 29 : 25 } : {};
    case 'case': {
      // a panel stands about as far from the slots as from the processor
      const coolerMm = Number(part['coolerHeightMm']);
      const lit = part.name.includes('Glass');
      return {
        cardHeightMm: part['frame'] === 'open' ? 200 : Math.max(110, coolerMm - 12),
        fanCurrentA: 0.18,
        frontAudio: true,
        lightHeaders: lit ? 1 : 0,
        ...roomInside(part),
      };
    }
    case 'cooler': {
      const fans = Number(part['fans']);
      return { ...coolerShape(part), fanCurrentA: fans > 0 ? 0.2 : 0, pasteIncluded: usd >= 35, lightHeaders: part['type'] === 'liquid' && usd > 140 ? 1 : 0 };
    }
    case 'supply':
      return cableFittings(part);
    case 'fan':
      return { lightHeaders: 0 };
    case 'expansion':
      // half-height cards are about 69 mm, full ones 111 mm
      return {
        heightMm: Number(part['lengthMm']) <= 150 ? 69 : 111,
        ...(part['driveSlots'] === undefined ? {} : { driveForms: ['M.2 2280', 'M.2 22110'] }),
      };
    case 'system':
      return { system: part.name };
    default:
      return {};
  }
}

/** One maker lets its larger processors draw more for the first minute than they keep up. */
function processorFittings(part: Priced['part']): Figures {
  const max = Number(part['maxPowerW']);
  const base = Number(part['basePowerW']);
  const large = Number(part['memoryChannels']) > 2;
  const windowed = part.maker === 'Quernic' && !large && max > 150;
  return {
    sustainedPowerW: windowed ? Math.max(base, Math.round(max * 0.8)) : max,
    shortPowerS: windowed ? 56 : 0,
    // larger dies pass their heat on over more area
    packageKPerW: large ? 0.045 : max > 150 ? 0.09 : 0.12,
    ...(max <= 150 && !large ? { includedCoolerKPerW: 0.42, includedCoolerNoiseDbA: 37 } : {}),
  };
}

/** Makers size a card's cooler to its power: thicker ones hold it cooler and quieter. */
function graphicsFittings(part: Priced['part']): Figures {
  const watts = Number(part['boardPowerW']);
  const slots = Number(part['slots']);
  const passive = part['cooling'] === 'passive';
  const full = (passive ? 62 : 47 - slots * 3) / watts;
  const kPerW = (factor: number) => Math.round(full * factor * 1000) / 1000;
  return {
    maxTemperatureC: 90,
    ...(passive
      ? { resistance: [{ rpm: 1, kPerW: kPerW(1) }], noiseDbA: 0 }
      : {
          cooling: 'fans',
          resistance: [
            { rpm: 900, kPerW: kPerW(1.5) },
            { rpm: 1600, kPerW: kPerW(1.18) },
            { rpm: 2600, kPerW: kPerW(1) },
          ],
          noiseDbA: Math.round(33 + watts / 38),
        }),
  };
}

/** Dearer supplies come with longer cables, small ones with short ones; one line states none. */
function cableFittings(part: Priced['part']): Figures {
  if (part.name.startsWith('Brazier')) return {};
  const small = part['form'] !== 'ATX';
  const long = ['gold', 'platinum', 'titanium'].includes(String(part['tier']));
  const [board, processor, card, drive] = small ? [300, 400, 400, 350] : long ? [610, 750, 700, 550] : [480, 560, 500, 450];
  const connectors = part['connectors'] as Readonly<Record<string, number>>;
  const lengths = { 'board-24': board, 'processor-8': processor, 'card-8': card, 'card-16': card, sata: drive, peripheral: drive };
  return { cableLengthsMm: Object.fromEntries(Object.entries(lengths).filter(([connector]) => (connectors[connector] ?? 0) > 0)) };
}

/** Fans that come with cases, by size. */
const INCLUDED: Readonly<Record<number, Figures>> = {
  80: { maxRpm: 3000, airflowM3h: 56, pressurePa: 26, noiseDbA: 33 },
  120: { maxRpm: 1300, airflowM3h: 80, pressurePa: 11, noiseDbA: 25 },
  140: { maxRpm: 1200, airflowM3h: 105, pressurePa: 10, noiseDbA: 24 },
};
const TALLEST: Readonly<Record<string, number>> = { 'Mini-ITX': 170, 'Micro-ATX': 244, ATX: 305, 'E-ATX': 305 };

/** Inside measures follow from what the case takes: cards and a fan, the cooler above its tray, the tallest board. */
function roomInside(part: Priced['part']): Figures {
  const forms = part['boardForms'] as readonly string[];
  const boardMm = Math.max(...forms.map((form) => TALLEST[form] ?? 305));
  const small = boardMm < 200;
  const rack = part.name.startsWith('Rack');
  const lengthMm = Number(part['cardLengthMm']) + (small ? 5 : 30) + (rack ? 120 : 0);
  return {
    innerLengthMm: lengthMm,
    innerWidthMm: Number(part['coolerHeightMm']) + 14,
    innerHeightMm: boardMm + (small ? 40 : rack ? 60 : 150),
    supplyPlace: small || rack ? 'front' : 'bottom',
    // one maker gives cables room behind the board, another little; the one that is sold bare does not say
    ...(part['frame'] === 'open' || part.name === 'Bare' ? {} : { behindBoardMm: rack ? 0 : part.maker === 'Marlhouse' ? 24 : boardMm > 300 && Number(part['coolerHeightMm']) > 170 ? 20 : 12 }),
    ...(Number(part['bays35']) > 0 ? { driveCageFromRearMm: lengthMm - 174 } : {}),
    fansIncluded: (part['fansIncluded'] as readonly { sizeMm: number }[]).map((fan) => ({ ...fan, ...INCLUDED[fan.sizeMm] })),
  };
}

/** Outlines of coolers: one tower is as deep as its fins and a fan, two towers hold a fan between them. */
function coolerShape(part: Priced['part']): Figures {
  const best = Math.min(...(part['resistance'] as readonly { kPerW: number }[]).map((point) => point.kPerW));
  switch (part['type']) {
    case 'liquid':
      return { radiatorThicknessMm: 52, depthMm: 78, widthMm: 78, offsetMm: 0, finsAboveBoardMm: 30 };
    case 'low-profile':
      return { depthMm: 112, widthMm: 112, offsetMm: 0, finsAboveBoardMm: 38 };
    default: {
      const widthMm = part['heightMm'] === 128 ? 96 : Number(part['heightMm']) > 160 ? 140 : 124;
      // the better ones are two towers
      return { depthMm: best <= 0.18 ? 137 : best <= 0.25 ? 98 : 76, widthMm, offsetMm: best <= 0.18 ? 0 : 12, finsAboveBoardMm: 50 };
    }
  }
}

/** A drive slot lies above the first card slot, the others between the rows below it. */
function driveRow(slots: readonly Slot[], index: number): number {
  const rows = slots.flatMap((slot) => (slot.kind === 'card' && slot.row !== undefined ? [slot.row] : []));
  const first = Math.min(8, ...rows);
  const nth = slots.slice(0, index).filter((slot) => slot.kind === 'm2').length;
  return nth === 0 ? first - 1 : Math.min(7, first + nth);
}

interface Slot {
  readonly row?: number;
  readonly kind: string;
  readonly on: string;
  readonly lanes?: number;
  readonly id: string;
}

function boardFittings(part: Priced['part'], usd: number): Figures {
  const shipped = String(part['shippedFirmware']);
  const families = part['processorFamilies'] as readonly { minimumFirmware?: string }[];
  const topology = part['topology'] as { slots: readonly Slot[] };
  const large = part['moduleKind'] === 'registered';
  const covered = usd >= 250 && !large;
  const shared = new Set(
    ((part['topology'] as { sharedPorts?: readonly { modes: readonly { lanes: Record<string, number> }[] }[] }).sharedPorts ?? []).flatMap(
      (port) => port.modes.flatMap((mode) => Object.keys(mode.lanes)),
    ),
  );
  return {
    memoryRates: memoryRates(part),
    pumpHeaders: usd >= 150 ? 1 : 0,
    lightHeaders: usd >= 250 ? 3 : usd >= 120 ? 2 : 1,
    frontAudioHeader: true,
    lightHeaders12V: part['form'] === 'Mini-ITX' ? 0 : 1,
    ...(part['wireless'] === true ? { wirelessStandard: part['memoryGeneration'] === 'DDR4' ? 'ac' : usd >= 250 ? 'be' : 'ax' } : {}),
    socketFromRearMm: large ? 120 : 95,
    socketFromTopMm: large ? 95 : part['form'] === 'Mini-ITX' ? 68 : 76,
    sataCables: usd >= 300 ? 4 : 2,
    remoteManagement: large && usd > 1000,
    firmwareVersions: versions(shipped, families.flatMap((entry) => entry.minimumFirmware ?? [])),
    topology: {
      ...topology,
      slots: topology.slots.map((slot, i) => ({
        ...slot,
        // a root slot of a large board splits into four, a desktop's full slot into two or four by its port's modes
        ...(slot.kind === 'card'
          ? { splits: slot.on !== 'cpu' ? 1 : large ? Math.max(1, (slot.lanes ?? 4) / 4) : (slot.lanes ?? 0) >= 16 ? (shared.has(slot.id) ? 2 : usd >= 250 ? 4 : 1) : 1 }
          : {}),
        // the first drive slot of the better boards lies under a cover with a thin pad
        ...(slot.kind === 'm2' ? { atRow: driveRow(topology.slots, i) } : {}),
        ...(slot.kind === 'm2' && covered && topology.slots.findIndex((other) => other.kind === 'm2') === i ? { roomMm: 9, coverComesOff: true } : {}),
      })),
    },
  };
}

/** Rates fall with every module more on a channel, and with ranks: the drivers have more to move. */
function memoryRates(part: Priced['part']): Figures[] {
  const limit = Number(part['memoryRateMTs']);
  const slots = part['memorySlots'] as readonly { channel: string }[];
  const perChannel = slots.length / new Set(slots.map((slot) => slot.channel)).size;
  const old = part['memoryGeneration'] === 'DDR4';
  const step = (share: number, least: number) => Math.min(limit, Math.max(least, Math.round((limit * share) / 400) * 400));
  const one = old
    ? [{ modulesPerChannel: 1, ranks: 2, rateMTs: limit }]
    : [
        { modulesPerChannel: 1, ranks: 1, rateMTs: limit },
        { modulesPerChannel: 1, ranks: 2, rateMTs: step(0.9, 5600) },
      ];
  const two = old
    ? [
        { modulesPerChannel: 2, ranks: 1, rateMTs: Math.min(limit, 3200) },
        { modulesPerChannel: 2, ranks: 2, rateMTs: Math.min(limit, 2666) },
      ]
    : [
        { modulesPerChannel: 2, ranks: 1, rateMTs: step(0.7, 4800) },
        { modulesPerChannel: 2, ranks: 2, rateMTs: step(0.6, 4400) },
      ];
  return perChannel >= 2 ? [...one, ...two] : one;
}

const next = (version: string, by: number): string => {
  const [major = '1', minor = '0'] = version.split('.');
  return `${major}.${String(Number(minor) + by).padStart(2, '0')}`;
};

/** The shipped version, those that brought new families, one after them with a known fault, and a beta. */
function versions(shipped: string, minimums: readonly string[]): Figures[] {
  const newest = [shipped, ...minimums].sort((a, b) => Number(a) - Number(b)).at(-1) ?? shipped;
  const known = [...new Set([shipped, ...minimums])].map((version) => ({ version, channel: 'release' }));
  return [
    ...known,
    { version: next(newest, 5), channel: 'release', fault: 'the first start after it trains the memory for minutes' },
    { version: next(newest, 9), channel: 'beta' },
  ];
}

/** The makers try some pairs and publish them: boards with kits of their generation, kits with boards. */
export function withTestedLists(parts: readonly Priced[]): Priced[] {
  const boards = parts.filter(({ part }) => part.kind === 'board');
  const kits = parts.filter(({ part }) => part.kind === 'memory');
  const match = (board: Priced['part'], kit: Priced['part']) =>
    board['memoryGeneration'] === kit['generation'] && board['moduleKind'] === kit['moduleKind'];
  const tried = (list: string, board: string, kit: string) => seededBy(`${list} ${board} ${kit}`)() < 0.45;
  return parts.map((entry) => {
    const { part } = entry;
    if (part.kind === 'board') {
      const named = (part['testedMemory'] as readonly string[] | undefined) ?? [];
      const more = kits.filter((kit) => match(part, kit.part) && tried('board', part.id, kit.part.id)).map((kit) => kit.part.id);
      return { ...entry, part: { ...part, testedMemory: [...new Set([...named, ...more])] } };
    }
    if (part.kind === 'memory') {
      const testedBoards = boards.filter((board) => match(board.part, part) && tried('kit', board.part.id, part.id)).map((board) => board.part.id);
      return { ...entry, part: { ...part, testedBoards } };
    }
    return entry;
  });
}
