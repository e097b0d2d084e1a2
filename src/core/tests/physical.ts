import { assess, contextOf, type Assessment } from '../assess';
import { briefSchema } from '../model/brief';
import { compileCatalogue } from '../model/catalogue';
import { machineSchema } from '../model/machine';
import { partSchema, type Part } from '../parts';
import { applicationSchema } from '../model/applications';
import { REGION } from './world';

/**
 * Machines described as one would measure them on the bench (mm, W, lanes, versions, counts), turned into parts. This
 * file knows the parts' schemas and nothing of the rules, so that a rule which reads a figure wrongly is found out.
 */
export interface Sheet {
  readonly chip?: Record<string, unknown>;
  readonly board?: Record<string, unknown>;
  readonly ram?: readonly Record<string, unknown>[];
  readonly cards?: readonly Record<string, unknown>[];
  readonly drives?: readonly Record<string, unknown>[];
  readonly supply?: Record<string, unknown>;
  readonly box?: Record<string, unknown>;
  readonly cooler?: Record<string, unknown>;
  readonly fans?: readonly Record<string, unknown>[];
  readonly screens?: readonly Record<string, unknown>[];
  readonly bits?: readonly Record<string, unknown>[];
  readonly wants?: Record<string, unknown>;
  readonly spare?: { readonly board?: boolean };
}

type Bag = Record<string, unknown>;
const num = (bag: Bag, key: string): number | undefined => bag[key] as number | undefined;
const clean = (bag: Bag): Bag => Object.fromEntries(Object.entries(bag).filter(([, value]) => value !== undefined));

/** "gen 4 x16" as generation and lanes. */
function wired(text: unknown): { generation: number; lanes: number } {
  const match = /^gen (\d) x(\d+)$/.exec(String(text));
  if (!match) throw new Error(`"${String(text)}" is not a link such as "gen 4 x16"`);
  return { generation: Number(match[1]), lanes: Number(match[2]) };
}

const list = (value: unknown): Bag[] => (value as Bag[] | undefined) ?? [];
/** "2 x HDMI 2.0" as a count of a kind. */
const plugs = (value: unknown) =>
  (value as string[] | undefined)?.map((text) => {
    const [count = '', kind = ''] = text.split(' x ');
    return { count: Number(count), kind };
  });
/** "2 x 10 Gb/s", "2 x C 10 Gb/s" as a count of a rate, with the shape of the plug where it is said. */
const ports = (value: unknown) =>
  (value as string[] | undefined)?.map((text) => {
    const [count = '', rate = ''] = text.split(' x ');
    const connector = /^([AC]) /.exec(rate)?.[1];
    return clean({ count: Number(count), gbitPerS: Number.parseFloat(rate.replace(/^[AC] /, '')), connector });
  });
const LEADS: Readonly<Record<string, string>> = {
  'board plug': 'board-24',
  'processor plugs': 'processor-8',
  'card plugs, 8 pins': 'card-8',
  'card plugs, 16 pins': 'card-16',
  'drive plugs': 'sata',
};
const leads = (bag: Bag) =>
  Object.fromEntries(
    Object.entries(LEADS).flatMap(([said, name]) => (bag[said] === undefined ? [] : [[name, bag[said]]])),
  );

/** Rates by how many modules sit on a channel: "1 module: 5600". */
const rates = (value: unknown) =>
  Object.entries((value as Bag | undefined) ?? {}).map(([said, rateMTs]) => ({
    modulesPerChannel: Number.parseInt(said, 10),
    ranks: 2,
    rateMTs,
  }));

function chip(bag: Bag): Bag {
  return {
    kind: 'processor',
    socket: bag['socket'],
    family: bag['family'],
    coreGroups: [
      {
        kind: 'performance',
        count: bag['cores'],
        threadsPerCore: 2,
        baseGHz: 3.4,
        boostGHz: 5,
        allCoreGHz: 4.2,
        workPerClock: 1.4,
      },
    ],
    idlePowerW: 10,
    basePowerW: 65,
    maxPowerW: bag['hottest W'],
    sustainedPowerW: bag['keeps up W'] ?? bag['hottest W'],
    shortPowerS: 0,
    packageKPerW: bag['K a watt inside'] ?? 0.05,
    includedCoolerKPerW: bag['cooler in its box'] ? 0.4 : undefined,
    includedCoolerNoiseDbA: bag['cooler in its box'] ? 36 : undefined,
    maxTemperatureC: bag['may reach °C'],
    memory: [{ generation: bag['RAM'], kinds: [bag['modules are']], rates: rates(bag['RAM MT/s with']) }],
    memoryChannels: bag['channels'],
    memoryLimitGiB: bag['RAM up to GB'],
    errorCorrection: bag['corrects errors'],
    rootLinks: ((bag['links'] as string[] | undefined) ?? [bag['link to cards']]).map(wired),
    integratedGraphics: bag['picture of its own'] ? { fp32Tflops: 0.8, mediaEngines: [], outputs: [] } : 'none',
    coolerIncluded: bag['cooler in its box'],
  };
}

function board(bag: Bag): Bag {
  const cardSockets = list(bag['card sockets']).map((socket, i) => ({
    id: `card-${i + 1}`,
    label: `Card socket ${i + 1}`,
    on: socket['from'] === 'chip' ? 'cpu' : 'hub',
    kind: 'card',
    ...wired(socket['wired']),
    mechanicalLanes: socket['long'],
    row: socket['row'],
    splits: socket['splits in'],
  }));
  const stickSockets = list(bag['stick sockets']).map((socket, i) => ({
    id: `stick-${i + 1}`,
    label: `Stick socket ${i + 1}`,
    on: socket['from'] === 'chip' ? 'cpu' : 'hub',
    kind: 'm2',
    ...wired(socket['wired']),
    lengthsMm: socket['lengths mm'],
    roomMm: socket['under a cover, mm'],
    coverComesOff: socket['cover comes off'],
    atRow: socket['beside row'] ?? i,
  }));
  const sata = Array.from({ length: Number(bag['disk sockets']) }, (_, i) => ({
    id: `disk-${i + 1}`,
    label: `Disk socket ${i + 1}`,
    on: 'hub',
    kind: 'sata',
  }));
  const channels = Number(bag['RAM channels']);
  const perChannel = Number(bag['RAM sockets']) / channels;
  return {
    kind: 'board',
    socket: bag['socket'],
    form: bag['size'],
    memoryGeneration: bag['RAM'],
    moduleKind: bag['modules are'],
    memorySlots: Array.from({ length: channels * perChannel }, (_, i) => {
      const channel = String.fromCharCode(65 + Math.floor(i / perChannel));
      const position = (i % perChannel) + 1;
      // the far socket of each channel first
      return {
        id: `${channel.toLowerCase()}${position}`,
        label: `${channel}${position}`,
        channel,
        position,
        fillOrder: (perChannel - position) * channels + Math.floor(i / perChannel) + 1,
      };
    }),
    moduleLimitGiB: bag['GB a RAM socket'],
    memoryLimitGiB: bag['RAM up to GB'],
    memoryRateMTs: bag['RAM up to MT/s'],
    memoryRates: rates(bag['RAM MT/s with']),
    profileKinds: bag['reads profiles'],
    errorCorrection: bag['corrects errors'],
    topology: {
      hubs: [{ id: 'hub', label: 'Hub', on: 'cpu', ...wired(bag['hub link']) }],
      slots: [...cardSockets, ...stickSockets, ...sata].map(clean),
      exclusions: list(bag['either or']).map((pair) => ({ slot: pair['this'], off: [pair['that']] })),
      integrated: [{ id: 'net', label: 'Network', on: 'hub', kind: 'network', gbitPerS: bag['network Gb/s'] }],
    },
    processorPowerW: bag['carries W for the processor'],
    boardPowerW: 24,
    shippedFirmware: bag['firmware'],
    processorFamilies: Object.entries((bag['knows families from firmware'] as Bag | undefined) ?? {}).map(
      ([family, minimumFirmware]) => ({ family, minimumFirmware }),
    ),
    flashWithoutProcessor: bag['flashes without processor'],
    secondFirmwareChip: false,
    displayOutputs: plugs(bag['picture plugs']),
    rearUsb: ports(bag['ports behind']),
    fanHeaders: bag['fan headers'],
    fanHeaderCurrentA: bag['A a fan header'],
    pumpHeaders: bag['pump headers'],
    lightHeaders: bag['light plugs of 5 V'] ?? 2,
    lightHeaders12V: bag['light plugs of 12 V'],
    wirelessStandard: bag['wireless speaks'],
    frontAudioHeader: true,
    frontUsbHeaders: ports(bag['headers for front ports']),
    powerInputs: leads(bag),
    wireless: bag['wireless'],
    sataCables: bag['disk cables in the box'],
    remoteManagement: bag['managed from afar'],
    heatsinkHeightMm: bag['heatsink mm'] ?? 35,
    socketFromRearMm: bag['socket from the back mm'] ?? 95,
    socketFromTopMm: 75,
    testedMemory: ['ram-1'],
  };
}

function ram(bag: Bag): Bag {
  return {
    kind: 'memory',
    generation: bag['RAM'],
    moduleKind: bag['modules are'],
    errorCorrection: bag['corrects errors'],
    modules: bag['modules'],
    moduleGiB: bag['GB each'],
    ranks: bag['ranks'] ?? 2,
    profileKind: bag['profile'],
    rateMTs: bag['MT/s'],
    casLatency: 36,
    rcd: 38,
    rp: 38,
    ras: 80,
    standardRateMTs: bag['MT/s without profile'],
    heightMm: bag['height mm'],
    modulePowerW: 5,
    testedBoards: ['board'],
  };
}

function card(bag: Bag): Bag {
  const shared = {
    ...(bag['link'] === undefined ? {} : wired(bag['link'])),
    lengthMm: bag['length mm'],
    heightMm: bag['height mm'],
    slots: bag['covers rows'],
    connectors: bag['plugs nobody states'] ? undefined : leads(bag),
  };
  if (bag['for'] !== 'pictures')
    return {
      kind: 'expansion',
      purpose: bag['for'],
      ...shared,
      powerW: bag['draws W'],
      networkGbitPerS: bag['network Gb/s'],
      videoInputs: bag['video inputs'],
      inputPorts: (bag['inputs of Gb/s'] as number[] | undefined)?.map((gbitPerS) => ({ gbitPerS, count: 1 })),
      wirelessStandard: bag['wireless speaks'],
      driveSlots: bag['stick sockets on it'],
      ownSwitch: bag['switch of its own'],
    };
  return {
    kind: 'graphics',
    ...shared,
    idlePowerW: 12,
    boardPowerW: bag['draws W'],
    excursionRatio: 1.5,
    memoryGiB: bag['memory GB'],
    memoryGBs: 500,
    fp32Tflops: 20,
    mediaEngines: [],
    outputs: plugs(bag['picture plugs']),
    maxDisplays: bag['drives screens'] ?? 4,
    computeStacks: bag['stacks'] ?? ['Tesserel'],
    certifiedDriver: false,
    adaptiveSync: bag['sync kinds'] ?? ['open adaptive sync'],
    cooling: bag['no fans of its own'] ? 'passive' : 'fans',
    // its maker made its cooler to its power: so many kelvin warmer than the air around it at full load
    resistance: [
      {
        rpm: bag['no fans of its own'] ? 1 : 2500,
        kPerW: Number(bag['K above the air'] ?? 42) / Number(bag['draws W']),
      },
    ],
    maxTemperatureC: 90,
    noiseDbA: bag['no fans of its own'] ? 0 : (bag['loud dB(A)'] ?? 38),
    exhaust: 'case',
  };
}

function drive(bag: Bag): Bag {
  const stick = bag['stick of mm'] !== undefined;
  const lengths: Readonly<Record<number, string>> = { 30: 'M.2 2230', 80: 'M.2 2280', 110: 'M.2 22110' };
  return {
    kind: 'drive',
    interface: stick ? 'NVMe' : 'SATA',
    ...(stick ? wired(bag['link']) : {}),
    form: stick ? lengths[Number(bag['stick of mm'])] : bag['inches'],
    capacityGB: bag['GB'],
    cellKind: bag['cells'],
    seqReadMBs: bag['reads MB/s'],
    seqWriteMBs: bag['writes MB/s'],
    sustainedWriteMBs: bag['writes MB/s'],
    activePowerW: 7,
    idlePowerW: 1,
    heatsinkHeightMm: stick ? (bag['high with heatsink, mm'] ?? 2) : undefined,
    encryption: bag['encrypts'] ?? false,
    enduranceTBW: bag['TB it may be written'],
    noiseDbA: bag['cells'] === 'magnetic' ? 26 : undefined,
  };
}

function box(bag: Bag): Bag {
  return {
    kind: 'case',
    frame: 'closed',
    boardForms: bag['takes boards'],
    supplyForms: bag['takes supplies'],
    supplyLengthMm: bag['supply room mm'],
    cardLengthMm: bag['card room mm'],
    cardLengthFrontRadiatorMm: bag['card room behind a radiator mm'],
    cardHeightMm: bag['card height room mm'],
    expansionSlots: bag['card rows'],
    coolerHeightMm: bag['cooler room mm'],
    uprightCards: bag['upright mount'],
    mounts: list(bag['mounts']).map((mount) => ({
      side: mount['side'],
      radiatorsMm: mount['radiators mm'],
      fans: Object.entries((mount['fans'] as Bag | undefined) ?? {}).map(([said, count]) => ({
        sizeMm: Number.parseInt(said, 10),
        count,
      })),
    })),
    fansIncluded: list(bag['brings fans']).map((fan) => ({
      side: fan['side'],
      sizeMm: fan['mm'],
      count: fan['count'],
      maxRpm: 1300,
      airflowM3h: fan['m³/h'] ?? (fan['mm'] === 140 ? 105 : fan['mm'] === 120 ? 80 : 45),
      pressurePa: 11,
      noiseDbA: 24,
    })),
    innerLengthMm: Number(bag['card room mm']) + 30,
    innerWidthMm: Number(bag['cooler room mm']) + 14,
    innerHeightMm: bag['inside height mm'] ?? (Number(bag['litres']) < 20 ? 210 : 455),
    supplyPlace: Number(bag['litres']) < 20 ? 'front' : 'bottom',
    driveCageFromRearMm: Number(bag['card room mm']) - 120,
    dustFilters: true,
    damped: false,
    fanCurrentA: 0.18,
    fanPowerW: 5,
    lightHeaders: bag['lights'] ?? 0,
    lightPlug: bag['lights plug'],
    bays25: bag['bays of 2.5 inches'],
    bays35: bag['bays of 3.5 inches'],
    opticalBays: bag['bays of 5.25 inches'],
    frontUsb: ports(bag['ports in front']),
    frontAudio: true,
    volumeL: bag['litres'],
  };
}

function cooler(bag: Bag): Bag {
  return {
    kind: 'cooler',
    type: bag['radiator mm'] === undefined ? 'tower' : 'liquid',
    sockets: Object.entries((bag['mounts on'] as Bag | undefined) ?? {}).map(([socket, kit]) => ({
      socket,
      kit: kit === 'in the box' ? 'included' : 'apart',
    })),
    resistance: [{ rpm: 1500, kPerW: bag['K a watt'] }],
    heightMm: bag['height mm'],
    depthMm: bag['deep mm'] ?? (bag['radiator mm'] === undefined ? 98 : 78),
    widthMm: bag['wide mm'] ?? (bag['radiator mm'] === undefined ? 124 : 78),
    finsAboveBoardMm: bag['fins above the board mm'] ?? 38,
    offsetMm: 10,
    radiatorThicknessMm: 52,
    noiseDbA: bag['loud dB(A)'] ?? 30,
    radiatorMm: bag['radiator mm'],
    memoryClearanceMm: bag['RAM under it mm'],
    fans: bag['fans'],
    fanCurrentA: 0.2,
    pasteIncluded: bag['paste in the box'],
    lightHeaders: 0,
    powerW: 3,
  };
}

/** Parts and items of a sheet, and the brief its wants make. */
export function assessSheet(sheet: Sheet): Assessment {
  const parts: Part[] = [];
  const items: Bag[] = [];
  const put = (id: string, bag: Bag, said: Bag = {}): void => {
    parts.push(
      partSchema.parse(
        clean({
          id,
          maker: 'Tarnholt',
          name: `Bench ${id}`,
          withdrawn: said['withdrawn'],
          onSale: said['on sale'],
          ...bag,
        }),
      ),
    );
    items.push(clean({ id: `${id}-item`, part: id, roles: said['used as'], upright: said['stands upright'] }));
  };
  if (sheet.chip) put('chip', chip(sheet.chip), sheet.chip);
  if (sheet.board) put('board', board(sheet.board), sheet.board);
  if (sheet.board && sheet.spare?.board) items.push({ id: 'board-2-item', part: 'board' });
  sheet.ram?.forEach((bag, i) => put(`ram-${i + 1}`, ram(bag), bag));
  sheet.cards?.forEach((bag, i) => put(`card-${i + 1}`, card(bag), bag));
  sheet.drives?.forEach((bag, i) => put(`drive-${i + 1}`, drive(bag), bag));
  if (sheet.supply)
    put(
      'supply',
      {
        kind: 'supply',
        form: sheet.supply['form'],
        lengthMm: sheet.supply['length mm'],
        ratedW: sheet.supply['gives W'],
        tier: 'gold',
        standard: sheet.supply['made before excursions were thought of'] ? 'ATX 2.x' : 'ATX 3.0',
        noiseDbA: 22,
        connectors: leads(sheet.supply),
      },
      sheet.supply,
    );
  if (sheet.box) put('box', box(sheet.box), sheet.box);
  if (sheet.cooler) put('cooler', cooler(sheet.cooler), sheet.cooler);
  sheet.fans?.forEach((bag, i) =>
    put(
      `fan-${i + 1}`,
      {
        kind: 'fan',
        sizeMm: bag['mm'],
        airflowM3h: 90,
        pressurePa: 12,
        noiseDbA: 24,
        currentA: bag['A'] ?? 0.15,
        powerW: 2,
      },
      bag,
    ),
  );
  sheet.bits?.forEach((bag, i) =>
    put(
      `bit-${i + 1}`,
      {
        kind: 'accessory',
        purpose: bag['what'],
        cableFor: bag['cable for'],
        outlets: num(bag, 'outlets'),
        fromPlug: LEADS[String(bag['takes'])],
        fromPlugs: num(bag, 'takes so many'),
        toPlug: LEADS[String(bag['gives'])],
        fitsSocket: bag['for socket'],
        fitsCooler: bag['for cooler'],
        ...(bag['link'] === undefined ? {} : wired(bag['link'])),
      },
      bag,
    ),
  );
  const screens = (sheet.screens ?? []).map((bag, i) => {
    parts.push(
      partSchema.parse({
        kind: 'display',
        id: `screen-${i + 1}`,
        maker: 'Glasswater',
        name: `Bench screen ${i + 1}`,
        widthPx: bag['px wide'],
        heightPx: bag['px high'],
        refreshHz: bag['Hz'],
        inputs: plugs(bag['picture plugs']),
        adaptiveSync: bag['sync kinds'] ?? [],
      }),
    );
    return `screen-${i + 1}`;
  });
  return assess(
    machineSchema.parse({
      id: 'bench',
      name: 'Bench machine',
      items,
      ...(sheet.wants?.['RAM seated in'] ? { moduleSlots: { 'ram-1-item': sheet.wants['RAM seated in'] } } : {}),
    }),
    brief(sheet.wants ?? {}, screens),
    contextOf(
      compileCatalogue({
        regions: [REGION],
        sellers: [{ id: 'shop', name: 'Parcelwright' }],
        applications: [
          applicationSchema.parse({
            id: 'editor',
            name: 'Reelwright',
            trade: 'edit',
            decode: 'engine',
            rawDecode: 'graphics',
            effects: 'graphics',
            engineEncode: true,
            threadCap: 32,
            cards: { max: 1, gain: 0 },
            computeStacks: ['Tesserel'],
            memoryGiB: { minimum: 8, recommended: 16 },
            graphicsMemoryGiB: { minimum: 4, recommended: 8 },
            ownMemoryGiB: 2,
            ownGraphicsMemoryGiB: 1,
          }),
        ],
        parts,
        offers: parts.map((part) => ({
          id: `${part.id}.shop`,
          part: part.id,
          seller: 'shop',
          region: 'here',
          priceMinor: 100_00,
          shippingMinor: 0,
          condition: 'new' as const,
          asOf: '2026-05-01',
        })),
        rivals: [],
      }),
      '2026-05-18',
    ),
  );
}

function brief(wants: Bag, screens: readonly string[]) {
  const stream = num(wants, 'stream GB/s to the scratch drive');
  const keeps = num(wants, 'GB kept on the active drive');
  const source = {
    codec: 'hevc',
    width: 1920,
    height: 1080,
    fps: 25,
    chroma: '4:2:0',
    bitDepth: 8,
    mbitPerS: 100,
    streams: 1,
    decodeAt: 1,
  };
  const tasks = [
    { kind: 'desk', id: 'desk', name: 'Desk', importance: 1, browserTabs: 10, conferencing: false, otherGiB: 1 },
    ...(stream === undefined
      ? []
      : [
          {
            kind: 'custom',
            id: 'stream',
            name: 'Stream',
            importance: 1,
            mode: 'real-time',
            unit: 's',
            unitsPerS: 1,
            flows: [{ from: 'memory', to: 'scratch', gbytePerS: stream }],
          },
        ]),
    ...(wants['billion parameters served'] === undefined
      ? []
      : [
          {
            kind: 'serve',
            id: 'serve',
            name: 'Serve',
            importance: 1,
            paramsB: wants['billion parameters served'],
            bits: 16,
            layers: 32,
            kvHeads: 8,
            headSize: 128,
            context: 1024,
            users: 1,
            tokensPerS: 1,
            readPerWritten: 1,
          },
        ]),
    ...(wants['pictures taken in'] === undefined
      ? []
      : [
          {
            kind: 'live',
            id: 'live',
            name: 'Live',
            importance: 1,
            inputs: [
              { count: wants['pictures taken in'], width: 3840, height: 2160, fps: 50, chroma: '4:2:2', bitDepth: 10 },
            ],
            via: 'cards',
            width: 1920,
            height: 1080,
            fps: 50,
            layers: 0,
            keyed: 0,
            renditions: [],
            record: 'off',
            recordCodec: 'hevc',
            recordMbitPerS: 20,
            recordPath: 'software',
            keepHours: 0,
            marginPercent: 20,
          },
        ]),
    ...(wants['edits in an application'] || keeps !== undefined
      ? [
          {
            kind: 'edit-play',
            id: 'play',
            name: 'Play',
            importance: 1,
            ...(wants['edits in an application'] ? { application: 'editor' } : {}),
            sources: [source],
            width: 1920,
            height: 1080,
            fps: 25,
            correctionSteps: 2,
            spatialNr: 'off',
            temporalNr: 'off',
            playAt: 1,
            monitoring: false,
            renderCache: false,
            keepHours: (keeps ?? 1) / 45,
          },
        ]
      : []),
  ];
  return briefSchema.parse({
    id: 'bench',
    name: 'Bench',
    region: 'here',
    budgetTaxIncluded: true,
    ...clean({
      budgetMinor: wants['coins'] === undefined ? undefined : Number(wants['coins']) * 100,
      budgetFirm: wants['not a coin more'],
      keeping: wants['copies'],
      router: wants['router speaks'],
      whole: wants['to be whole'],
    }),
    roomC: 24,
    yearsOfService: 4,
    mustHaves: clean({
      displays: wants['screens'],
      displaysPerOutput: wants['screens on a plug'],
      ports: (wants['ports'] as Bag[] | undefined)?.map((port) => ({
        count: port['how many'],
        connector: port['plug'],
        place: port['where'],
        gbitPerS: port['Gb/s'],
      })),
      errorCorrection: wants['errors corrected'],
      networkGbitPerS: wants['network Gb/s'],
      wireless: wants['wireless'],
      videoInputs: wants['video inputs'],
      volumeL: wants['at most litres'],
      fastPorts: wants['fast ports'],
      opticalDrive: wants['optical drive'],
      encryption: wants['encrypted drives'],
      remoteManagement: wants['managed from afar'],
      noiseDbA: wants['at most dB(A)'],
      drivesReachable: wants['drives within reach'],
    }),
    ownedDisplays: screens,
    tasks,
    sittings: [{ id: 'all', name: 'All', hoursPerWeek: 10, tasks: tasks.map((task) => task.id) }],
  });
}
