import { assess, contextOf, type Assessment } from '../assess';
import { briefSchema, type Brief } from '../model/brief';
import { compileCatalogue } from '../model/catalogue';
import type { CatalogueData, Offer, Region, Seller } from '../model/catalogueSchema';
import { machineSchema, type Machine } from '../model/machine';
import { usualSettings, type Settings } from '../model/settings';
import { partSchema, type Part } from '../parts';
import type { Topology } from '../parts/board';
import { applicationSchema, type ApplicationProfile } from '../model/applications';

/** A tiny world in which every rule passes; tests change one thing at a time. */
export const REGION: Region = { id: 'here', name: 'Here', currency: 'USD', taxName: 'sales tax', taxRate: 0.075, pricesIncludeTax: false, mainsV: 115, circuitA: 15 };

const engine = (direction: string, codec: string, chroma: string, bitDepth: number, mpxPerS: number, side: number) => ({ direction, codec, chroma, bitDepth, mpxPerS, maxWidth: side, maxHeight: side });

export const PARTS: readonly Record<string, unknown>[] = [
  {
    kind: 'processor', id: 'cpu', maker: 'Halcyte', name: 'Test 8', socket: 'Dunlin', family: 'Tern', coreGroups: [{ kind: 'performance', count: 8, threadsPerCore: 2, baseGHz: 3.5, boostGHz: 5, allCoreGHz: 4, workPerClock: 1.5 }],
    idlePowerW: 10, basePowerW: 65, maxPowerW: 120, sustainedPowerW: 120, shortPowerS: 0, packageKPerW: 0.08, maxTemperatureC: 95, memory: [{ generation: 'DDR5', kinds: ['unbuffered'], rates: [{ modulesPerChannel: 1, ranks: 2, rateMTs: 5600 }, { modulesPerChannel: 2, ranks: 2, rateMTs: 4000 }] }],
    rootLinks: [{ generation: 5, lanes: 16 }, { generation: 4, lanes: 4 }], memoryChannels: 2, memoryLimitGiB: 192, errorCorrection: true, integratedGraphics: 'none', coolerIncluded: false,
  },
  {
    kind: 'board', id: 'board', maker: 'Wexcombe', name: 'Test', socket: 'Dunlin', form: 'ATX', memoryGeneration: 'DDR5', moduleKind: 'unbuffered', moduleLimitGiB: 64, memoryLimitGiB: 256, memoryRateMTs: 7200, memoryRates: [{ modulesPerChannel: 1, ranks: 2, rateMTs: 7200 }, { modulesPerChannel: 2, ranks: 2, rateMTs: 4400 }], profileKinds: ['EP'], errorCorrection: true,
    memorySlots: [{ id: 'a1', label: 'A1', channel: 'A', position: 1, fillOrder: 3 }, { id: 'a2', label: 'A2', channel: 'A', position: 2, fillOrder: 1 }, { id: 'b1', label: 'B1', channel: 'B', position: 1, fillOrder: 4 }, { id: 'b2', label: 'B2', channel: 'B', position: 2, fillOrder: 2 }],
    topology: {
      hubs: [{ id: 'hub', label: 'Hub', on: 'cpu', generation: 4, lanes: 4 }],
      slots: [
        { id: 'card-1', label: 'Card slot 1', on: 'cpu', kind: 'card', generation: 5, lanes: 16, mechanicalLanes: 16, row: 2 },
        { id: 'card-2', label: 'Card slot 2', on: 'hub', kind: 'card', generation: 4, lanes: 4, mechanicalLanes: 16, row: 5 },
        { id: 'm2-1', label: 'M.2 slot 1', on: 'cpu', kind: 'm2', generation: 4, lanes: 4, lengthsMm: [80], atRow: 1 },
        { id: 'm2-2', label: 'M.2 slot 2', on: 'hub', kind: 'm2', generation: 4, lanes: 4, lengthsMm: [80], atRow: 4 },
        { id: 'sata-1', label: 'SATA 1', on: 'hub', kind: 'sata' },
        { id: 'sata-2', label: 'SATA 2', on: 'hub', kind: 'sata' },
      ],
      integrated: [{ id: 'net', label: 'network', on: 'hub', kind: 'network', gbitPerS: 2.5 }],
    },
    processorPowerW: 200, boardPowerW: 25, shippedFirmware: '2.0', processorFamilies: [{ family: 'Tern', minimumFirmware: '1.5' }], flashWithoutProcessor: true, secondFirmwareChip: false, firmwareVersions: [{ version: '2.0', channel: 'release' }, { version: '2.2', channel: 'beta' }], fanHeaders: 5, fanHeaderCurrentA: 1, pumpHeaders: 1, lightHeaders: 1, frontAudioHeader: true, sataCables: 2, socketFromRearMm: 95, socketFromTopMm: 76, heatsinkHeightMm: 40, rearUsb: [{ gbitPerS: 10, count: 4 }], frontUsbHeaders: [{ gbitPerS: 10, count: 1 }, { gbitPerS: 5, count: 2 }], testedMemory: ['kit'], remoteManagement: false, displayOutputs: [{ kind: 'HDMI 2.1', count: 1 }], powerInputs: { 'board-24': 1, 'processor-8': 1 }, wireless: true,
  },
  { kind: 'memory', id: 'kit', maker: 'Sablerow', name: 'Test 2x32 5600', generation: 'DDR5', moduleKind: 'unbuffered', errorCorrection: false, modules: 2, moduleGiB: 32, ranks: 2, profileKind: 'EP', rateMTs: 5600, casLatency: 36, rcd: 38, rp: 38, ras: 80, testedBoards: ['board'], standardRateMTs: 4800, heightMm: 35, modulePowerW: 5 },
  {
    kind: 'graphics', id: 'card', maker: 'Palisar', name: 'Test 12', generation: 4, lanes: 16, lengthMm: 270, heightMm: 130, slots: 2, idlePowerW: 12, boardPowerW: 200, excursionRatio: 1.5, connectors: { 'card-16': 1 }, memoryGiB: 12, memoryGBs: 500, fp32Tflops: 20,
    mediaEngines: [engine('decode', 'hevc', '4:2:0', 10, 1500, 8192), engine('encode', 'hevc', '4:2:0', 10, 800, 4096)], outputs: [{ kind: 'DisplayPort 1.4', count: 3 }], maxDisplays: 3, computeStacks: ['Tesserel'], certifiedDriver: false, adaptiveSync: ['open adaptive sync'], cooling: 'fans', resistance: [{ rpm: 900, kPerW: 0.3 }, { rpm: 2600, kPerW: 0.2 }], maxTemperatureC: 90, noiseDbA: 38, exhaust: 'case',
  },
  { kind: 'drive', id: 'ssd', maker: 'Fenstore', name: 'Test 1 TB', interface: 'NVMe', generation: 4, lanes: 4, form: 'M.2 2280', capacityGB: 1000, seqReadMBs: 7000, seqWriteMBs: 6000, sustainedWriteMBs: 1500, cellKind: 'TLC', heatsinkHeightMm: 0, encryption: true, activePowerW: 7, idlePowerW: 1 },
  { kind: 'drive', id: 'disk', maker: 'Ketterlode', name: 'Test 8 TB', interface: 'SATA', form: '3.5"', capacityGB: 8000, seqReadMBs: 230, seqWriteMBs: 230, sustainedWriteMBs: 190, cellKind: 'magnetic', noiseDbA: 26, encryption: false, activePowerW: 8, idlePowerW: 5 },
  { kind: 'supply', id: 'psu', maker: 'Gatewick', name: 'Test 750', form: 'ATX', lengthMm: 160, ratedW: 750, tier: 'gold', standard: 'ATX 3.0', noiseDbA: 24, connectors: { 'board-24': 1, 'processor-8': 2, 'card-8': 4, 'card-16': 1, sata: 8 } },
  { kind: 'case', id: 'case', maker: 'Marlhouse', name: 'Test', frame: 'closed', boardForms: ['Micro-ATX', 'ATX'], supplyForms: ['ATX'], supplyLengthMm: 200, cardLengthMm: 340, cardLengthFrontRadiatorMm: 310, cardHeightMm: 150, expansionSlots: 7, coolerHeightMm: 165, mounts: [{ side: 'front', radiatorsMm: [240, 360], fans: [{ sizeMm: 140, count: 3 }, { sizeMm: 120, count: 3 }] }, { side: 'top', radiatorsMm: [240], fans: [{ sizeMm: 120, count: 3 }] }, { side: 'rear', fans: [{ sizeMm: 120, count: 1 }] }], fansIncluded: [{ side: 'front', sizeMm: 140, count: 2, maxRpm: 1200, airflowM3h: 105, pressurePa: 10, noiseDbA: 24 }, { side: 'rear', sizeMm: 120, count: 1, maxRpm: 1300, airflowM3h: 80, pressurePa: 11, noiseDbA: 25 }], innerLengthMm: 370, innerHeightMm: 455, innerWidthMm: 185, supplyPlace: 'bottom', driveCageFromRearMm: 215, damped: false, dustFilters: true, fanCurrentA: 0.2, fanPowerW: 6, frontUsb: [{ gbitPerS: 10, count: 1 }, { gbitPerS: 5, count: 2 }], frontAudio: true, opticalBays: 1, uprightCards: false, bays25: 2, bays35: 2, volumeL: 45 },
  { kind: 'cooler', id: 'cooler', maker: 'Northdraft', name: 'Test 140', type: 'tower', sockets: [{ socket: 'Dunlin', kit: 'included' }], resistance: [{ rpm: 1500, kPerW: 0.2 }], heightMm: 160, depthMm: 98, widthMm: 140, offsetMm: 12, finsAboveBoardMm: 50, noiseDbA: 30, memoryClearanceMm: 42, fans: 1, fanCurrentA: 0.2, pasteIncluded: true, powerW: 2 },
  { kind: 'display', id: 'screen', maker: 'Glasswater', name: 'Test 32', widthPx: 3840, heightPx: 2160, refreshHz: 60, inputs: [{ kind: 'DisplayPort 1.4', count: 1 }], adaptiveSync: [] },
];

/** The one shop of this world. */
export const SHOP: Seller = { id: 'shop', name: 'Shop', ratings: 5000, meanRating: 4.5 };

export interface Change {
  /** Field patches by part id; `undefined` takes a figure away. */
  readonly parts?: Readonly<Record<string, Record<string, unknown>>>;
  readonly addParts?: readonly Record<string, unknown>[];
  readonly items?: (items: Record<string, unknown>[]) => Record<string, unknown>[];
  readonly machine?: Record<string, unknown>;
  readonly brief?: Record<string, unknown>;
  readonly today?: string;
  /** Changes the board's topology. */
  readonly boards?: (topology: Topology) => Topology;
  readonly applications?: readonly ApplicationProfile[];
  readonly region?: Partial<Region>;
  readonly sellers?: readonly Seller[];
  readonly offers?: (offers: Offer[]) => Offer[];
}

/** A part of this world with other figures; `undefined` takes one away. */
export const partLike = (id: string, patch: Record<string, unknown> = {}): Part => partSchema.parse(clean({ ...PARTS.find((part) => part['id'] === id), ...patch }));

const clean = (object: Record<string, unknown>): Record<string, unknown> => Object.fromEntries(Object.entries(object).filter(([, value]) => value !== undefined));

export function dataOf(change: Change = {}): CatalogueData {
  const parts: Part[] = [...PARTS, ...(change.addParts ?? [])].map((part) =>
    partSchema.parse(clean({ ...part, ...change.parts?.[part['id'] as string], ...(change.boards && part['kind'] === 'board' ? { topology: change.boards(part['topology'] as Topology) } : {}) })),
  );
  return {
    regions: [{ ...REGION, ...change.region }],
    sellers: [...(change.sellers ?? [SHOP])],
    applications: (change.applications ?? []).map((profile) => applicationSchema.parse(profile)),
    parts,
    offers: (change.offers ?? ((all) => all))(parts.map((part): Offer => ({ id: `${part.id}.shop`, part: part.id, seller: 'shop', region: 'here', priceMinor: 100_00, shippingMinor: 0, condition: 'new' as const, asOf: '2026-05-01' }))),
    rivals: [],
  };
}

const ITEMS: readonly Record<string, unknown>[] = [
  { id: 'cpu-1', part: 'cpu' },
  { id: 'board-1', part: 'board' },
  { id: 'kit-1', part: 'kit' },
  { id: 'card-1', part: 'card' },
  { id: 'ssd-1', part: 'ssd', roles: ['system', 'active', 'scratch'] },
  { id: 'disk-1', part: 'disk', roles: ['archive'] },
  { id: 'psu-1', part: 'psu' },
  { id: 'case-1', part: 'case' },
  { id: 'cooler-1', part: 'cooler' },
];

export const machineOf = (change: Change = {}): Machine => machineSchema.parse({ id: 'machine', name: 'Test machine', items: change.items ? change.items([...ITEMS]) : ITEMS, ...change.machine });

export const SOURCE = { codec: 'hevc', width: 3840, height: 2160, fps: 25, chroma: '4:2:0', bitDepth: 10, mbitPerS: 200, streams: 1, decodeAt: 1 } as const;
export const PLAY = { kind: 'edit-play', id: 'play', name: 'Play', importance: 3, sources: [SOURCE], width: 3840, height: 2160, fps: 25, correctionSteps: 8, spatialNr: 'off', temporalNr: 'off', playAt: 1, monitoring: false, renderCache: false, keepHours: 2 } as const;
export const EXPORT = { kind: 'edit-export', id: 'export', name: 'Export', importance: 3, sources: [SOURCE], width: 3840, height: 2160, fps: 25, correctionSteps: 8, spatialNr: 'off', temporalNr: 'off', outWidth: 3840, outHeight: 2160, outCodec: 'hevc', outChroma: '4:2:0', outBitDepth: 10, outMbitPerS: 50, path: 'engine', preset: 'medium', programmeMin: 10, targetMin: 20 } as const;
export const DESK = { kind: 'desk', id: 'desk', name: 'Desk', importance: 1, browserTabs: 10, conferencing: false, otherGiB: 1 } as const;

export const briefOf = (change: Change = {}): Brief =>
  briefSchema.parse({ id: 'brief', name: 'Test brief', region: 'here', budgetTaxIncluded: true, roomC: 24, yearsOfService: 4, mustHaves: {}, whole: { system: 'owned', keyboard: 'owned', pointing: 'owned' }, ownedDisplays: ['screen'], tasks: [PLAY, DESK], sittings: [{ id: 'both', name: 'Both', hoursPerWeek: 10, tasks: ['play', 'desk'] }], ...change.brief });

export function assessed(change: Change = {}, settings: Settings = usualSettings): Assessment {
  return assess(machineOf(change), briefOf(change), contextOf(compileCatalogue(dataOf(change)), change.today ?? '2026-05-18', settings));
}

/** The items of a machine with one part put in another's place, by item id. */
export const swapped = (item: string, part: string) => (items: Record<string, unknown>[]) => items.map((entry) => (entry['id'] === item ? { ...entry, part } : entry));
export const without = (...ids: string[]) => (items: Record<string, unknown>[]) => items.filter((entry) => !ids.includes(entry['id'] as string));
export const plus = (...more: Record<string, unknown>[]) => (items: Record<string, unknown>[]) => [...items, ...more];

/** A brief that keeps all cores busy: an export in software beside the desk. */
export const BUSY = { tasks: [{ ...EXPORT, path: 'software' }, DESK], sittings: [{ id: 'work', name: 'Work', hoursPerWeek: 10, tasks: ['export', 'desk'] }] };
/** A case fan to add. */
export const FAN = { kind: 'fan', id: 'fan', maker: 'Northdraft', name: 'Fan', sizeMm: 140, airflowM3h: 100, pressurePa: 12, noiseDbA: 24, powerW: 2, currentA: 0.2, lightHeaders: 0 };
