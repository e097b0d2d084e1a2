import type { Offer } from '../model/catalogueSchema';
import type { Topology } from '../parts/board';
import { WORK_CASES } from './ruleCasesWork';
import { DESK, FAN, PARTS, PLAY, plus, without, type Change } from '../tests/world';
import { applicationSchema } from '../model/applications';
import { expect } from 'vitest';

const RISER = {
  kind: 'accessory',
  id: 'riser',
  maker: 'Brumeworks',
  name: 'Riser',
  purpose: 'riser',
  generation: 4,
  lanes: 16,
};
const CARRIER = {
  kind: 'expansion',
  id: 'carrier',
  maker: 'Relaypike',
  name: 'Carrier',
  purpose: 'storage',
  generation: 4,
  lanes: 16,
  slots: 1,
  lengthMm: 200,
  heightMm: 110,
  powerW: 5,
  driveSlots: 4,
  ownSwitch: false,
};
const NETCARD = {
  kind: 'expansion',
  id: 'netcard',
  maker: 'Relaypike',
  name: 'Netcard',
  purpose: 'network',
  generation: 4,
  lanes: 4,
  slots: 1,
  lengthMm: 150,
  heightMm: 70,
  powerW: 8,
  networkGbitPerS: 10,
};
const EDITOR = applicationSchema.parse({
  id: 'editor',
  name: 'Spliceyard',
  trade: 'edit',
  decode: 'engine',
  rawDecode: 'graphics',
  effects: 'graphics',
  engineEncode: true,
  threadCap: 32,
  cards: { max: 1, gain: 0 },
  computeStacks: ['Loomwork'],
  memoryGiB: { minimum: 8, recommended: 16 },
  graphicsMemoryGiB: { minimum: 4, recommended: 8 },
  ownMemoryGiB: 2,
  ownGraphicsMemoryGiB: 1,
});
/** Sold by the application's maker. */
const LICENCE = {
  kind: 'licence',
  id: 'licence',
  maker: 'Reelwright',
  name: 'One-year seat',
  application: EDITOR.name,
  terms: 'tied',
};
const EDITOR_BRIEF = { tasks: [{ ...PLAY, application: 'editor' }, DESK] };

const standing =
  (...more: Record<string, unknown>[]) =>
  (items: Record<string, unknown>[]) => [
    ...items.map((item) => (item['id'] === 'card-1' ? { ...item, upright: true } : item)),
    ...more,
  ];
/** A stream from memory to the active drive, in GB/s. */
const ingest = (gbytePerS: number) => ({
  tasks: [
    {
      kind: 'custom',
      id: 'ingest',
      name: 'Ingest',
      importance: 3,
      mode: 'real-time',
      unit: 's',
      unitsPerS: 1,
      flows: [{ from: 'memory', to: 'active', gbytePerS }],
    },
  ],
  sittings: [{ id: 'ship', name: 'Ship', hoursPerWeek: 10, tasks: ['ingest'] }],
});
const BOARD = PARTS.find((part) => part['kind'] === 'board')?.['topology'] as Topology;
const boardWith = (change: (slot: Topology['slots'][number]) => object) => ({
  topology: { ...BOARD, slots: BOARD.slots.map((slot) => ({ ...slot, ...change(slot) })) },
});
const splitBoard = (splits: number) => boardWith((slot) => (slot.kind === 'card' ? { splits } : {}));
const coveredBoard = (roomMm: number) => boardWith((slot) => (slot.kind === 'm2' ? { roomMm } : {}));

/** For each rule a machine that fails (with the exact figures), one with a figure missing, and the one that passes. */
const delivered = (deliveryDays: number) => (offers: Offer[]) => offers.map((offer) => ({ ...offer, deliveryDays }));

export const CASES: Readonly<
  Record<
    string,
    {
      readonly fails?: readonly [Change, object];
      readonly unproven?: readonly [Change, string];
      readonly passes?: Change;
    }
  >
> = {
  ...WORK_CASES,
  'parts-known': {
    fails: [
      { items: plus({ id: 'odd', part: 'vanished', label: 'Old card' }) },
      { level: 'unproven', code: 'part-gone', label: 'Old card' },
    ],
  },
  'own-figures': {
    fails: [
      { parts: { card: { figuresFrom: 'cpu' } } },
      { level: 'caution', code: 'borrowed-figures', name: 'Palisar Test 12', from: 'Halcyte Test 8' },
    ],
  },
  'parts-on-sale': {
    fails: [
      { parts: { card: { withdrawn: '2026-05-01' } } },
      { level: 'caution', code: 'part-withdrawn', date: '2026-05-01' },
    ],
  },
  'parts-complete': {
    fails: [{ items: without('psu-1') }, { level: 'blocks', code: 'part-missing', kind: 'supply' }],
    unproven: [{ items: without('cooler-1'), parts: { cpu: { coolerIncluded: undefined } } }, 'coolerIncluded'],
  },
  socket: {
    fails: [{ parts: { cpu: { socket: 'Gannet' } } }, { level: 'blocks', socket: 'Gannet', boardSocket: 'Dunlin' }],
    unproven: [{ parts: { board: { socket: undefined } } }, 'socket'],
  },
  'processor-family': {
    fails: [{ parts: { cpu: { family: 'Knot' } } }, { level: 'blocks', family: 'Knot' }],
    unproven: [{ parts: { board: { processorFamilies: undefined } } }, 'processorFamilies'],
  },
  firmware: {
    fails: [
      { parts: { board: { shippedFirmware: '1.4', flashWithoutProcessor: false } } },
      { level: 'blocks', minimum: '1.5', has: '1.4', route: 'with-processor', takes: '2.0', channel: 'release' },
    ],
    unproven: [{ parts: { board: { shippedFirmware: undefined } } }, 'shippedFirmware'],
  },
  'memory-generation': {
    fails: [{ parts: { board: { memoryGeneration: 'DDR4' } } }, { level: 'blocks', generation: 'DDR5', wants: 'DDR4' }],
    unproven: [{ parts: { kit: { generation: undefined } } }, 'generation'],
  },
  'module-kind': {
    fails: [
      { parts: { kit: { moduleKind: 'registered' } } },
      { level: 'blocks', moduleKind: 'registered', wants: 'unbuffered' },
    ],
    unproven: [{ parts: { kit: { moduleKind: undefined } } }, 'moduleKind'],
  },
  'profile-kind': {
    fails: [
      { parts: { kit: { profileKind: 'XP' } } },
      { level: 'caution', profile: 'XP', reads: 'EP', effectiveMTs: 4800 },
    ],
    unproven: [{ parts: { board: { profileKinds: undefined } } }, 'profileKinds'],
  },
  'memory-slots': {
    fails: [
      { items: plus({ id: 'kit-2', part: 'kit' }, { id: 'kit-3', part: 'kit' }) },
      { level: 'blocks', modules: 6, slots: 4 },
    ],
    unproven: [{ parts: { kit: { modules: undefined } } }, 'modules'],
  },
  'memory-capacity': {
    fails: [
      { parts: { board: { moduleLimitGiB: 16 } } },
      { level: 'blocks', code: 'module-capacity', gib: 32, limitGib: 16 },
    ],
    unproven: [{ parts: { board: { memoryLimitGiB: undefined } } }, 'memoryLimitGiB'],
  },
  'memory-channels': {
    fails: [{ parts: { kit: { modules: 1 } } }, { level: 'caution', populated: 1, channels: 2, even: false }],
    unproven: [{ parts: { cpu: { memoryChannels: undefined } } }, 'memoryChannels'],
  },
  'memory-rate': {
    fails: [
      { items: plus({ id: 'kit-2', part: 'kit' }) },
      { level: 'caution', processorMTs: 4000, boardMTs: 4400, effectiveMTs: 5600 },
    ],
    unproven: [{ parts: { kit: { ranks: undefined } } }, 'ranks'],
  },
  'mixed-kits': {
    fails: [
      {
        addParts: [
          {
            kind: 'memory',
            id: 'kit-b',
            maker: 'Cinderpath',
            name: 'Other',
            generation: 'DDR5',
            modules: 2,
            moduleGiB: 32,
            ranks: 2,
          },
        ],
        items: plus({ id: 'kit-2', part: 'kit-b' }),
      },
      { level: 'caution', kits: ['Sablerow Test 2x32 5600', 'Cinderpath Other'] },
    ],
  },
  'error-correction': {
    fails: [
      { brief: { mustHaves: { errorCorrection: true } } },
      { level: 'blocks', without: ['Sablerow Test 2x32 5600'] },
    ],
    unproven: [
      {
        brief: { mustHaves: { errorCorrection: true } },
        parts: { kit: { errorCorrection: true }, board: { errorCorrection: undefined } },
      },
      'errorCorrection',
    ],
    passes: { brief: { mustHaves: { errorCorrection: true } }, parts: { kit: { errorCorrection: true } } },
  },
  'card-length': {
    fails: [
      { parts: { card: { lengthMm: 341 } } },
      { level: 'blocks', lengthMm: 341, spaceMm: 340, frontRadiator: false },
    ],
    unproven: [{ parts: { case: { cardLengthMm: undefined } } }, 'cardLengthMm'],
  },
  'device-place': {
    fails: [
      { items: plus({ id: 'ssd-2', part: 'ssd' }, { id: 'ssd-3', part: 'ssd' }) },
      { level: 'blocks', reason: 'taken' },
    ],
    unproven: [{ parts: { card: { slots: undefined } } }, 'slots'],
  },
  link: {
    fails: [
      { parts: { ssd: { generation: 5 } } },
      {
        level: 'caution',
        ownGBs: expect.closeTo((256 * 4) / 65, 9) as number,
        getsGBs: expect.closeTo((128 * 4) / 65, 9) as number,
      },
    ],
    unproven: [{ parts: { card: { lanes: undefined } } }, 'lanes'],
  },
  'cooler-socket': {
    fails: [
      { parts: { cooler: { sockets: [{ socket: 'Dunlin', kit: 'apart' }] } } },
      { level: 'blocks', kit: 'apart', adds: ['accessory'] },
    ],
    unproven: [{ parts: { cooler: { sockets: undefined } } }, 'sockets'],
  },
  'cooler-height': {
    fails: [{ parts: { cooler: { heightMm: 166 } } }, { level: 'blocks', heightMm: 166, spaceMm: 165 }],
    unproven: [{ parts: { cooler: { heightMm: undefined } } }, 'heightMm'],
  },
  'cooler-load': {
    fails: [
      { parts: { cooler: { resistance: [{ rpm: 1000, kPerW: 0.6 }] } } },
      { level: 'caution', code: 'cooler-load', limitC: 95, heldBy: 'heat', shutsDown: false },
    ],
    unproven: [{ parts: { cooler: { resistance: undefined } } }, 'resistance'],
  },
  'card-load': {
    fails: [
      { parts: { card: { resistance: [{ rpm: 2000, kPerW: 0.5 }] } } },
      { level: 'caution', code: 'card-load', limitC: 90, heldBy: 'heat', shutsDown: false },
    ],
    unproven: [{ parts: { card: { resistance: undefined } } }, 'resistance'],
  },
  'case-air': {
    fails: [{ parts: { case: { fansIncluded: [] } } }, { level: 'caution', code: 'case-air', flowM3h: 8, limitK: 18 }],
    unproven: [{ parts: { case: { fansIncluded: undefined } } }, 'fansIncluded'],
  },
  'noise-limit': {
    fails: [{ brief: { mustHaves: { noiseDbA: 20 } } }, { level: 'caution', code: 'noise', limitDbA: 20 }],
    unproven: [{ brief: { mustHaves: { noiseDbA: 60 } }, parts: { cooler: { noiseDbA: undefined } } }, 'noiseDbA'],
    passes: { brief: { mustHaves: { noiseDbA: 60 } } },
  },
  'fan-row': {
    // 360 of the 420 mm in front leave no room for two fans of 140 mm, and no other side takes that size
    fails: [
      { parts: { cooler: { type: 'liquid', radiatorMm: 360 } } },
      { level: 'note', side: 'front', rowMm: 420, radiatorMm: 360, displaced: 2 },
    ],
    passes: { parts: { cooler: { type: 'liquid', radiatorMm: 240 } } },
  },
  clearance: {
    // the cooler's lower edge lies 76 + 130 mm below the board's upper one, the card's back at 165 + 20.32 − 5
    fails: [
      { parts: { cooler: { widthMm: 260 } } },
      { level: 'blocks', code: 'collision', overlapMm: expect.closeTo(25.68, 9) },
    ],
    unproven: [{ parts: { cooler: { widthMm: undefined } } }, 'widthMm'],
  },
  reach: {
    fails: [
      {
        brief: { mustHaves: { drivesReachable: true } },
        parts: { board: boardWith((slot) => (slot.kind === 'm2' ? { atRow: 3 } : {})) },
      },
      { level: 'caution', drive: 'Fenstore Test 1 TB', comesOff: ['Palisar Test 12'] },
    ],
    unproven: [
      {
        brief: { mustHaves: { drivesReachable: true } },
        parts: { board: boardWith((slot) => (slot.kind === 'm2' ? { atRow: undefined } : {})) },
      },
      'topology',
    ],
    passes: { brief: { mustHaves: { drivesReachable: true } } },
  },
  'mains-circuit': {
    // 1378 W ÷ 0.87 (the efficiency at and above full load) from a circuit of 115 V × 15 A × 0.8
    fails: [
      { parts: { card: { boardPowerW: 1200 } } },
      { level: 'caution', code: 'mains', wallW: expect.closeTo(1378 / 0.87, 9), allowedW: 1380 },
    ],
  },
  'radiator-mount': {
    fails: [
      { parts: { cooler: { type: 'liquid', radiatorMm: 420 } } },
      { level: 'blocks', radiatorMm: 420, sides: [] },
    ],
    unproven: [{ parts: { cooler: { type: 'liquid', heightMm: undefined } } }, 'radiatorMm'],
    passes: { parts: { cooler: { type: 'liquid', radiatorMm: 360 } } },
  },
  'memory-under-cooler': {
    fails: [{ parts: { kit: { heightMm: 44 } } }, { level: 'blocks', heightMm: 44, spaceMm: 42 }],
    unproven: [{ parts: { kit: { heightMm: undefined } } }, 'heightMm'],
  },
  'board-form': {
    fails: [{ parts: { board: { form: 'E-ATX' } } }, { level: 'blocks', form: 'E-ATX', takes: ['Micro-ATX', 'ATX'] }],
    unproven: [{ parts: { case: { boardForms: undefined } } }, 'boardForms'],
  },
  'supply-form': {
    fails: [{ parts: { psu: { form: 'SFX' } } }, { level: 'blocks', form: 'SFX', takes: ['ATX'] }],
    unproven: [{ parts: { psu: { form: undefined } } }, 'form'],
  },
  'supply-length': {
    fails: [{ parts: { psu: { lengthMm: 201 } } }, { level: 'blocks', lengthMm: 201, spaceMm: 200 }],
    unproven: [{ parts: { case: { supplyLengthMm: undefined } } }, 'supplyLengthMm'],
  },
  // 120 + 200 + 25 + 10 + 7 + 8 + 6 + 2 W
  'supply-power': {
    fails: [{ parts: { psu: { ratedW: 377 } } }, { level: 'blocks', code: 'supply-peak', peakW: 378, ratedW: 377 }],
    unproven: [{ parts: { card: { boardPowerW: undefined } } }, 'boardPowerW'],
  },
  'supply-connectors': {
    fails: [
      { parts: { card: { connectors: { 'card-16': 2 } } } },
      { level: 'blocks', connector: 'card-16', needs: 2, has: 1 },
    ],
    unproven: [{ parts: { psu: { connectors: undefined } } }, 'connectors'],
  },
  'board-power': {
    fails: [{ parts: { cpu: { maxPowerW: 201 } } }, { level: 'caution', powerW: 201, sustainsW: 200 }],
    unproven: [{ parts: { board: { processorPowerW: undefined } } }, 'processorPowerW'],
  },
  'drive-bays': {
    fails: [{ parts: { case: { bays35: 0 } } }, { level: 'blocks', size: '3.5"', drives: 1, bays: 0 }],
    unproven: [{ parts: { case: { bays35: undefined } } }, 'bays35'],
  },
  'system-drive': {
    fails: [
      { items: (items) => items.map((item) => (item['id'] === 'ssd-1' ? { ...item, roles: ['active'] } : item)) },
      { level: 'caution', drives: 0 },
    ],
    unproven: [{ parts: { ssd: { cellKind: undefined } } }, 'cellKind'],
  },
  'picture-path': {
    fails: [{ items: without('card-1') }, { level: 'blocks', from: 'none' }],
    unproven: [{ items: without('card-1'), parts: { cpu: { integratedGraphics: undefined } } }, 'integratedGraphics'],
  },
  'display-outputs': {
    fails: [
      { brief: { ownedDisplays: ['screen', 'screen', 'screen', 'screen'] } },
      { level: 'blocks', displays: 4, outputs: 3 },
    ],
    unproven: [{ parts: { card: { outputs: undefined } } }, 'outputs'],
  },
  'must-haves': {
    fails: [
      { brief: { mustHaves: { networkGbitPerS: 10 } } },
      { level: 'blocks', code: 'network', hasGbit: 2.5, needsGbit: 10 },
    ],
    unproven: [{ brief: { mustHaves: { wireless: true } }, parts: { board: { wireless: undefined } } }, 'wireless'],
    passes: { brief: { mustHaves: { networkGbitPerS: 2.5, wireless: true, volumeL: 45 } } },
  },
  // 200 Mbit/s for 2 hours is 180 GB, and a system needs 64 beside them
  'drive-space': {
    fails: [
      { parts: { ssd: { capacityGB: 243 } } },
      { level: 'blocks', role: 'active', needsGB: 180, hasGB: 179, othersGB: 64 },
    ],
    passes: { parts: { ssd: { capacityGB: 244 } } },
    unproven: [{ parts: { ssd: { capacityGB: undefined } } }, 'capacityGB'],
  },
  'small-parts': {
    fails: [{ parts: { board: { sataCables: 0 } } }, { level: 'caution', code: 'data-cables', drives: 1, cables: 0 }],
    unproven: [{ parts: { cooler: { pasteIncluded: undefined } } }, 'pasteIncluded'],
    passes: {
      parts: { board: { sataCables: 0 }, cooler: { pasteIncluded: false } },
      addParts: [
        { kind: 'accessory', id: 'lead', maker: 'Brumeworks', name: 'Lead', purpose: 'cable', cableFor: 'drive data' },
        { kind: 'accessory', id: 'paste', maker: 'Northdraft', name: 'Paste', purpose: 'paste' },
      ],
      items: plus({ id: 'lead-1', part: 'lead' }, { id: 'paste-1', part: 'paste' }),
    },
  },
  'memory-order': {
    fails: [
      { machine: { moduleSlots: { 'kit-1': ['a1', 'b1'] } } },
      { level: 'caution', seats: ['A1', 'B1'], wanted: ['A2', 'B2'] },
    ],
    passes: { machine: { moduleSlots: { 'kit-1': ['b2', 'a2'] } } },
  },
  'tested-memory': {
    fails: [
      { parts: { board: { testedMemory: [] }, kit: { testedBoards: ['another'] } } },
      { level: 'note', byBoard: false, byKit: false },
    ],
    unproven: [{ parts: { board: { testedMemory: [] }, kit: { testedBoards: undefined } } }, 'testedBoards'],
    passes: { parts: { board: { testedMemory: [] } } },
  },
  'card-height': {
    fails: [{ parts: { card: { heightMm: 151 } } }, { level: 'blocks', heightMm: 151, spaceMm: 150 }],
    unproven: [{ parts: { card: { heightMm: undefined } } }, 'heightMm'],
  },
  upright: {
    fails: [{ items: standing() }, { level: 'blocks', mount: false, riser: false }],
    unproven: [
      {
        items: standing({ id: 'riser-1', part: 'riser' }),
        addParts: [RISER],
        parts: { case: { uprightCards: undefined } },
      },
      'uprightCards',
    ],
    passes: {
      items: standing({ id: 'riser-1', part: 'riser' }),
      addParts: [RISER],
      parts: { case: { uprightCards: true } },
    },
  },
  'drive-carrier': {
    fails: [
      { items: plus({ id: 'quiver', part: 'carrier' }), addParts: [CARRIER], parts: { board: splitBoard(2) } },
      { level: 'caution', works: 1, has: 4, slot: 'Card slot 2' },
    ],
    unproven: [
      { items: plus({ id: 'quiver', part: 'carrier' }), addParts: [{ ...CARRIER, ownSwitch: undefined }] },
      'ownSwitch',
    ],
    passes: { items: plus({ id: 'quiver', part: 'carrier' }), addParts: [{ ...CARRIER, ownSwitch: true }] },
  },
  'root-links': {
    fails: [
      { parts: { cpu: { rootLinks: [{ generation: 4, lanes: 16 }] } } },
      { level: 'note', slower: [{ slot: 'Card slot 1', generation: 4 }], narrower: [], off: [] },
    ],
    unproven: [{ parts: { cpu: { rootLinks: undefined } } }, 'rootLinks'],
  },
  // the hub's uplink is 4 lanes of generation 4: 512/65 GB/s, of which 85 % arrive
  streams: {
    fails: [
      { brief: ingest(7.2), parts: { ssd: { sustainedWriteMBs: 9000 } }, machine: { pins: { 'ssd-1': 'm2-2' } } },
      {
        level: 'caution',
        code: 'stream',
        devices: ['Fenstore Test 1 TB'],
        needsGBs: 7.2,
        getsGBs: expect.closeTo((512 / 65) * 0.85, 9) as number,
        items: ['ssd-1', 'board-1'],
      },
    ],
    passes: { brief: ingest(6.5), parts: { ssd: { sustainedWriteMBs: 9000 } } },
  },
  uplink: {
    fails: [
      {
        items: plus({ id: 'ssd-2', part: 'ssd' }, { id: 'card-2', part: 'netcard' }),
        addParts: [NETCARD],
      },
      { level: 'note', hub: 'Hub', peakGBs: expect.closeTo(2 * (512 / 65) + 0.6, 9) as number },
    ],
  },
  'drive-heatsink': {
    fails: [
      { parts: { ssd: { heatsinkHeightMm: 11 }, board: coveredBoard(8) } },
      { level: 'blocks', heightMm: 11, roomMm: 8, slot: 'M.2 slot 1' },
    ],
    unproven: [{ parts: { ssd: { heatsinkHeightMm: undefined }, board: coveredBoard(8) } }, 'heatsinkHeightMm'],
    passes: { parts: { ssd: { heatsinkHeightMm: 8 }, board: coveredBoard(8) } },
  },
  'fan-mounts': {
    fails: [
      { items: plus({ id: 'fan-1', part: 'fan' }, { id: 'fan-2', part: 'fan' }), addParts: [FAN] },
      { level: 'blocks', sizeMm: 140, fans: 2, places: 1 },
    ],
    unproven: [
      { items: plus({ id: 'fan-1', part: 'fan' }), addParts: [FAN], parts: { case: { mounts: undefined } } },
      'mounts',
    ],
    passes: { items: plus({ id: 'fan-1', part: 'fan' }), addParts: [FAN] },
  },
  'fan-headers': {
    fails: [{ parts: { board: { fanHeaders: 3 } } }, { level: 'caution', code: 'fan-headers', fans: 4, headers: 3 }],
    unproven: [{ parts: { case: { fanCurrentA: undefined } } }, 'fanCurrentA'],
    passes: {
      parts: { board: { fanHeaders: 3 } },
      addParts: [
        {
          kind: 'accessory',
          id: 'split',
          maker: 'Brumeworks',
          name: 'Splitter',
          purpose: 'cable',
          cableFor: 'fan splitter',
          outlets: 2,
        },
      ],
      items: plus({ id: 'split-1', part: 'split' }),
    },
  },
  'pump-header': {
    fails: [
      { parts: { board: { pumpHeaders: 0 }, cooler: { type: 'liquid', radiatorMm: 360 } } },
      { level: 'caution', headers: 0 },
    ],
    unproven: [
      { parts: { board: { pumpHeaders: undefined }, cooler: { type: 'liquid', radiatorMm: 360 } } },
      'pumpHeaders',
    ],
    passes: { parts: { cooler: { type: 'liquid', radiatorMm: 360 } } },
  },
  'front-ports': {
    fails: [
      { parts: { board: { frontUsbHeaders: [{ gbitPerS: 5, count: 2 }] } } },
      { level: 'caution', dead: [5], slowed: [{ ownGbit: 10, getsGbit: 5 }] },
    ],
    unproven: [{ parts: { board: { frontUsbHeaders: undefined } } }, 'frontUsbHeaders'],
  },
  'light-headers': {
    fails: [{ parts: { case: { lightHeaders: 2 } } }, { level: 'note', needs: 2, has: 1 }],
    unproven: [{ parts: { case: { lightHeaders: 2 }, board: { lightHeaders: undefined } } }, 'lightHeaders'],
    passes: { parts: { case: { lightHeaders: 1 } } },
  },
  // 3840 × 2160 at 144 Hz is 30.7 Gb/s with reduced blanking; DisplayPort 1.4 carries 25.92
  'display-link': {
    fails: [
      { parts: { screen: { refreshHz: 144 } } },
      { level: 'caution', output: 'DisplayPort 1.4', refreshHz: 144, getsHz: 120 },
    ],
    unproven: [{ parts: { screen: { inputs: undefined } } }, 'inputs'],
  },
  'adaptive-sync': {
    fails: [{ parts: { screen: { adaptiveSync: ['Steadyframe'] } } }, { level: 'caution', kinds: ['Steadyframe'] }],
    unproven: [
      { parts: { screen: { adaptiveSync: ['Steadyframe'] }, card: { adaptiveSync: undefined } } },
      'adaptiveSync',
    ],
    passes: { parts: { screen: { adaptiveSync: ['Steadyframe', 'open adaptive sync'] } } },
  },
  'application-needs': {
    fails: [
      { brief: EDITOR_BRIEF, applications: [EDITOR] },
      { level: 'blocks', code: 'compute-stack', wants: ['Loomwork'], has: ['Tesserel'] },
    ],
    unproven: [
      { brief: EDITOR_BRIEF, applications: [EDITOR], parts: { card: { computeStacks: undefined } } },
      'computeStacks',
    ],
    passes: { brief: EDITOR_BRIEF, applications: [{ ...EDITOR, computeStacks: ['Tesserel'] }] },
  },
  licences: {
    fails: [
      { brief: EDITOR_BRIEF, applications: [EDITOR], addParts: [LICENCE] },
      { level: 'note', code: 'licence-missing', application: EDITOR.name },
    ],
    unproven: [
      {
        brief: EDITOR_BRIEF,
        applications: [EDITOR],
        addParts: [{ ...LICENCE, terms: undefined }],
        items: plus({ id: 'licence-1', part: 'licence' }),
      },
      'terms',
    ],
    passes: {
      brief: EDITOR_BRIEF,
      applications: [EDITOR],
      addParts: [LICENCE],
      items: plus({ id: 'licence-1', part: 'licence' }),
    },
  },
  'scratch-cells': {
    fails: [{ parts: { ssd: { cellKind: 'QLC' } } }, { level: 'caution', cells: 'QLC' }],
    unproven: [{ parts: { ssd: { cellKind: undefined } } }, 'cellKind'],
  },
  'surplus-memory': {
    fails: [{}, { level: 'note', code: 'surplus-memory', hasGib: 64, years: 4 }],
    passes: { parts: { kit: { moduleGiB: 16, standardRateMTs: 5600 } } },
  },
  'surplus-graphics': {
    fails: [{}, { level: 'note', code: 'surplus-graphics-memory', hasGib: 12 }],
    passes: { parts: { card: { memoryGiB: 8 } } },
  },
  // 180 GB kept, grown by a tenth a year for four years: 264 GB, twice that is 527
  'surplus-space': {
    fails: [
      { items: (items) => items.map((item) => (item['id'] === 'ssd-1' ? { ...item, roles: ['active'] } : item)) },
      { level: 'note', role: 'active', hasGB: 1000, needsGB: expect.closeTo(180 * 1.1 ** 4, 9) as number },
    ],
    passes: {
      items: (items) => items.map((item) => (item['id'] === 'ssd-1' ? { ...item, roles: ['active'] } : item)),
      parts: { ssd: { capacityGB: 500 } },
    },
  },
  // 378 W at the limit, 1.6 times that is 605
  'surplus-supply': {
    fails: [{}, { level: 'note', ratedW: 750, needsW: 378 }],
    passes: { parts: { psu: { ratedW: 600 } } },
  },
  'surplus-fans': {
    fails: [
      {
        items: plus(...['fan-1', 'fan-2', 'fan-3'].map((id) => ({ id, part: 'fan' }))),
        addParts: [{ ...FAN, sizeMm: 120 }],
      },
      { level: 'note', spare: 3, keep: 0 },
    ],
    passes: {
      items: plus({ id: 'fan-1', part: 'fan' }),
      addParts: [FAN],
      parts: { case: { fansIncluded: [] } },
    },
  },
  'surplus-cards': {
    fails: [
      { items: plus({ id: 'card-2', part: 'netcard' }), addParts: [NETCARD] },
      { level: 'note', code: 'surplus-card', purpose: 'network' },
    ],
    passes: {
      items: plus({ id: 'card-2', part: 'netcard' }),
      addParts: [NETCARD],
      brief: { mustHaves: { networkGbitPerS: 10 } },
    },
  },
  'slots-off': {
    fails: [
      { parts: { card: { slots: 3.5 } } },
      { level: 'note', code: 'slot-off', slot: 'Card slot 2', how: 'covered' },
    ],
  },
  'application-floor': {
    fails: [
      { brief: EDITOR_BRIEF, applications: [EDITOR], parts: { card: { memoryGiB: 6 } } },
      { level: 'caution', what: 'graphics memory', hasGib: 6, minimumGib: 4, recommendedGib: 8 },
    ],
    unproven: [{ brief: EDITOR_BRIEF, applications: [EDITOR], parts: { card: { memoryGiB: undefined } } }, 'memoryGiB'],
    passes: { brief: EDITOR_BRIEF, applications: [EDITOR] },
  },
  'prices-known': {
    fails: [
      {
        items: plus({ id: 'odd', part: 'vanished', label: 'Old card' }),
        brief: { budgetMinor: 200_000 },
      },
      { level: 'unproven', code: 'price-unknown', names: ['Old card'] },
    ],
  },
  delivery: {
    fails: [
      { brief: { neededBy: '2026-05-25' }, offers: delivered(9) },
      { level: 'blocks', code: 'arrives-late', arrives: '2026-05-27', neededBy: '2026-05-25' },
    ],
    passes: { brief: { neededBy: '2026-05-25' }, offers: delivered(7) },
  },
  'offers-sound': {
    fails: [
      { sellers: [{ id: 'shop', name: 'Shop', ratings: 5000, meanRating: 3 }] },
      { level: 'caution', code: 'seller-doubtful', seller: 'Shop', grade: 'doubtful' },
    ],
  },
  'task-figures': { unproven: [{ parts: { card: { fp32Tflops: undefined } } }, 'fp32Tflops'] },
};
