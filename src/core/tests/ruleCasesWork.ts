import { PARTS, PLAY, plus, SOURCE, swapped, without, type Change } from './world';

/** Cases of rules about the work, the whole machine, money and what feeds a card; as in `ruleCases.ts`. */

const HOPELESS = { ...PLAY, sources: [{ ...SOURCE, streams: 40 }] };
/** Two hours of work a week that write so many GB a second to the active drive. */
const writing = (gbytePerS: number) => ({
  tasks: [
    {
      kind: 'custom',
      id: 'take-in',
      name: 'Take in',
      importance: 3,
      mode: 'real-time',
      unit: 's',
      unitsPerS: 1,
      flows: [{ from: 'memory', to: 'active', gbytePerS }],
    },
  ],
  sittings: [{ id: 'ship', name: 'Ship', hoursPerWeek: 2, tasks: ['take-in'] }],
});
const BACKUP = plus({ id: 'backup-1', part: 'disk', roles: ['backup'] });

export const WORK_CASES: Readonly<
  Record<
    string,
    { readonly fails?: readonly [Change, object]; readonly unproven?: readonly [Change, string]; readonly passes?: Change }
  >
> = {
  work: {
    fails: [
      { brief: { tasks: [HOPELESS], sittings: [] } },
      { level: 'short', code: 'task-result', taskId: 'play', target: 25 },
    ],
    passes: {},
  },
  whole: {
    fails: [
      { brief: { whole: { system: 'wanted', keyboard: 'owned', pointing: 'not needed' } } },
      { level: 'caution', code: 'whole-missing', what: 'system' },
    ],
    passes: {},
  },
  'card-power': {
    fails: [
      { parts: { card: { boardPowerW: 150, connectors: {} } } },
      { level: 'blocks', drawW: 150, slotW: 75, inputsW: 0 },
    ],
    unproven: [{ parts: { card: { boardPowerW: 150, connectors: undefined } } }, 'connectors'],
    passes: { parts: { card: { boardPowerW: 75, connectors: undefined } } },
  },
  copies: {
    // two hours of 200 Mbit/s are 180 GB
    fails: [{ brief: { keeping: 'two' } }, { level: 'blocks', code: 'copies', drives: 0, roomGB: 0 }],
    unproven: [
      {
        brief: { keeping: 'two' },
        items: plus({ id: 'backup-1', part: 'vault', roles: ['backup'] }),
        addParts: [{ kind: 'drive', id: 'vault', maker: 'Ketterlode', name: 'Vault', interface: 'SATA', form: '3.5"', cellKind: 'magnetic' }],
      },
      'capacityGB',
    ],
    passes: { brief: { keeping: 'two' }, items: BACKUP },
  },
  'drive-endurance': {
    // 1 GB/s for two hours a week are 7,200 GB: 1.029 TB a day; 600 TBW last 583 days, 1.6 years of the 4
    fails: [
      { brief: writing(1), parts: { ssd: { enduranceTBW: 600 } } },
      { level: 'caution', code: 'endurance', ratedTB: 600, needsYears: 4 },
    ],
    unproven: [{ brief: writing(1) }, 'enduranceTBW'],
    passes: { brief: writing(1), parts: { ssd: { enduranceTBW: 1600 } } },
  },
  'surplus-unlocked': {
    // 40.00 less, and 7.5 % of it
    fails: [
      {
        parts: { cpu: { unlocked: true } },
        addParts: [{ ...PARTS.find((part) => part['id'] === 'cpu'), id: 'cpu-plain', name: 'Test 8 Plain', unlocked: false }],
        offers: (offers) => offers.map((offer) => (offer.part === 'cpu-plain' ? { ...offer, priceMinor: 60_00 } : offer)),
      },
      { level: 'note', code: 'surplus-unlocked', other: 'Halcyte Test 8 Plain', premiumMinor: 43_00 },
    ],
  },
  budget: {
    fails: [
      { brief: { budgetMinor: 90_000 } },
      // nine parts of 100.00 with 7.5 % tax
      { level: 'caution', code: 'budget', spentMinor: 96_750, budgetMinor: 90_000, firm: false },
    ],
    passes: { brief: { budgetMinor: 100_000 } },
  },
};

/** Machines that were let pass, or refused, and must not be: by rule, what it says of each. */
export const ONCE_WRONG: readonly {
  readonly what: string;
  readonly rule: string;
  readonly change: Change;
  /** Part of what the rule says; undefined when it has nothing to say. */
  readonly says: object | undefined;
}[] = [
  // --- what draws more than slot and inputs give
  { what: '26 W through a slot of 4 lanes without inputs', rule: 'card-power', change: cardIn({ lanes: 4, powerW: 26, connectors: {} }), says: { level: 'blocks', slotW: 25 } },
  { what: '25 W through a slot of 4 lanes', rule: 'card-power', change: cardIn({ lanes: 4, powerW: 25 }), says: { level: 'passes' } },
  { what: 'a card of unknown draw and inputs', rule: 'card-power', change: cardIn({ powerW: undefined }), says: { level: 'unproven' } },
  // --- modules under the processor
  { what: 'registered modules on a board that takes them under a processor that does not', rule: 'module-kind', change: { parts: { kit: { moduleKind: 'registered' }, board: { moduleKind: 'registered' } } }, says: { level: 'blocks', against: 'Halcyte Test 8', wants: 'unbuffered' } },
  { what: 'unbuffered modules under a processor that takes registered ones', rule: 'module-kind', change: { parts: { cpu: { memory: [{ generation: 'DDR5', kinds: ['registered'], rates: [{ modulesPerChannel: 1, ranks: 2, rateMTs: 5600 }] }] } } }, says: { level: 'blocks', wants: 'registered' } },
  { what: 'small-outline modules on a small board', rule: 'module-kind', change: { parts: { kit: { moduleKind: 'small-outline' }, board: { moduleKind: 'small-outline' } } }, says: { level: 'passes', against: 'Halcyte Test 8' } },
  { what: 'a processor that does not say which modules it runs', rule: 'module-kind', change: { parts: { cpu: { memory: undefined } } }, says: { level: 'unproven' } },
  // --- displays
  { what: 'six displays wanted on three outputs', rule: 'display-outputs', change: { brief: { mustHaves: { displays: 6 } } }, says: { level: 'blocks', displays: 6, outputs: 3 } },
  { what: 'six displays on two cards of three outputs', rule: 'display-outputs', change: { brief: { mustHaves: { displays: 6 } }, items: plus({ id: 'card-2', part: 'card' }) }, says: { level: 'passes', outputs: 6 } },
  { what: 'four displays on a card of three and the board, with graphics in the processor', rule: 'display-outputs', change: { brief: { mustHaves: { displays: 4 } }, parts: { cpu: { integratedGraphics: { fp32Tflops: 1 } } } }, says: { level: 'passes', outputs: 4 } },
  { what: 'four displays where nobody knows whether the processor has graphics', rule: 'display-outputs', change: { brief: { mustHaves: { displays: 4 } }, parts: { cpu: { integratedGraphics: undefined } } }, says: { level: 'unproven' } },
  { what: 'six displays chained on three outputs that drive six', rule: 'display-outputs', change: { brief: { mustHaves: { displays: 6, displaysPerOutput: 2 } }, parts: { card: { maxDisplays: 6 } } }, says: { level: 'passes', outputs: 6 } },
  { what: 'six displays chained on three outputs of a card that drives four', rule: 'display-outputs', change: { brief: { mustHaves: { displays: 6, displaysPerOutput: 2 } }, parts: { card: { maxDisplays: 4 } } }, says: { level: 'blocks', outputs: 4 } },
  // --- picture without an output
  { what: 'graphics in the processor on a board without outputs', rule: 'picture-path', change: { items: without('card-1'), parts: { cpu: { integratedGraphics: { fp32Tflops: 1 } }, board: { displayOutputs: [] } } }, says: { level: 'blocks', from: 'no-output' } },
  { what: 'graphics in the processor on a board that does not state its outputs', rule: 'picture-path', change: { items: without('card-1'), parts: { cpu: { integratedGraphics: { fp32Tflops: 1 } }, board: { displayOutputs: undefined } } }, says: { level: 'unproven' } },
  { what: 'graphics in the processor on a board with an output', rule: 'picture-path', change: { items: without('card-1'), parts: { cpu: { integratedGraphics: { fp32Tflops: 1 } } } }, says: { level: 'passes', from: 'processor' } },
  // --- drives
  { what: 'an optical drive as the only drive', rule: 'parts-complete', change: { items: (items) => swapped('ssd-1', 'burner')(without('disk-1')(items)), addParts: [BURNER()] }, says: { level: 'blocks', kind: 'drive' } },
  { what: 'an optical drive and no plug left for it', rule: 'supply-connectors', change: { items: plus({ id: 'burner-1', part: 'burner' }), addParts: [BURNER()], parts: { psu: { connectors: { 'board-24': 1, 'processor-8': 2, 'card-16': 1, sata: 1 } } } }, says: { level: 'blocks', connector: 'sata', needs: 2, has: 1 } },
  { what: 'a drive of unknown form', rule: 'drive-bays', change: { parts: { disk: { form: undefined } } }, says: { level: 'unproven' } },
  { what: 'a system drive of 16 GB', rule: 'system-drive', change: { parts: { ssd: { capacityGB: 16 } } }, says: { level: 'blocks', code: 'system-drive-size', hasGB: 16 } },
  { what: 'a system drive of 128 GB', rule: 'system-drive', change: { parts: { ssd: { capacityGB: 128 } } }, says: { level: 'caution', code: 'system-drive-size' } },
  { what: 'a system drive of unknown size', rule: 'system-drive', change: { parts: { ssd: { capacityGB: undefined } } }, says: { level: 'unproven' } },
  { what: 'a drive that lasts a month', rule: 'drive-endurance', change: { brief: writing(1), parts: { ssd: { enduranceTBW: 31 } } }, says: { level: 'blocks', code: 'endurance' } },
  { what: 'unknown endurance under a few writes', rule: 'drive-endurance', change: { brief: writing(0.01) }, says: undefined },
  { what: 'three copies and one drive that keeps the work called backup too', rule: 'copies', change: { brief: { keeping: 'three' }, items: (items) => items.map((item) => (item['id'] === 'ssd-1' ? { ...item, roles: ['system', 'active', 'scratch', 'backup'] } : item)) }, says: { level: 'blocks', drives: 0 } },
  { what: 'three copies, one of which is elsewhere', rule: 'copies', change: { brief: { keeping: 'three' }, items: BACKUP }, says: { level: 'note', code: 'copies-elsewhere' } },
  { what: 'a second copy that finds no room', rule: 'copies', change: { brief: { keeping: 'two', growthPercent: 500, yearsOfService: 8 }, items: BACKUP }, says: { level: 'blocks', drives: 1 } },
  { what: 'a tall heatsink under a cover that comes off', rule: 'drive-heatsink', change: covered(true), says: { level: 'caution', heightMm: 11, roomMm: 6 } },
  { what: 'a tall heatsink under a cover that stays on', rule: 'drive-heatsink', change: covered(false), says: { level: 'blocks' } },
  // --- fans and lights
  { what: 'nine fans on five headers and one splitter of five', rule: 'fan-headers', change: fans(5, 1), says: { level: 'caution', code: 'header-current', fansOnOne: 5 } },
  { what: 'nine fans on nine headers', rule: 'fan-headers', change: fans(0, 1, 9), says: { level: 'passes', code: 'header-current', fansOnOne: 1 } },
  { what: 'nine fans on five headers and two splitters of three', rule: 'fan-headers', change: fans(3, 2), says: { level: 'passes', code: 'header-current', fansOnOne: 3 } },
  { what: 'lights of 12 V on headers of 5 V', rule: 'light-headers', change: { parts: { case: { lightHeaders: 1, lightPlug: '4-pin 12 V' }, board: { lightHeaders12V: 0 } } }, says: { level: 'blocks', plug: '4-pin 12 V', other: true } },
  { what: 'lights of 5 V on headers of 12 V', rule: 'light-headers', change: { parts: { case: { lightHeaders: 1, lightPlug: '3-pin 5 V' }, board: { lightHeaders: 0, lightHeaders12V: 1 } } }, says: { level: 'blocks', plug: '3-pin 5 V' } },
  { what: 'lights of 12 V on a board that does not say whether it has headers for them', rule: 'light-headers', change: { parts: { case: { lightHeaders: 1, lightPlug: '4-pin 12 V' } } }, says: { level: 'unproven' } },
  { what: 'lights of both plugs, each with its header', rule: 'light-headers', change: { parts: { case: { lightHeaders: 1 }, cooler: { lightHeaders: 1, lightPlug: '4-pin 12 V' }, board: { lightHeaders12V: 1 } } }, says: { level: 'passes', plug: '4-pin 12 V' } },
  { what: 'lights set by two programs', rule: 'light-headers', change: { parts: { case: { lightHeaders: 1, lightProgram: 'Glowmoor' }, board: { lightProgram: 'Hueshore' } } }, says: { level: 'note', code: 'light-programs' } },
  // --- leads, kits and inputs
  { what: 'a lead that makes the plug the card wants', rule: 'supply-connectors', change: lead({ fromPlug: 'card-8', fromPlugs: 2, toPlug: 'card-16' }), says: { level: 'passes', connector: 'card-16', needs: 1, has: 1 } },
  { what: 'a lead that would need more plugs than are free', rule: 'supply-connectors', change: lead({ fromPlug: 'card-8', fromPlugs: 5, toPlug: 'card-16' }), says: { level: 'blocks', connector: 'card-16', has: 0 } },
  { what: 'a power lead that does not say what it makes', rule: 'supply-connectors', change: lead({}), says: { level: 'unproven' } },
  { what: 'a mounting kit for this cooler whose list lacks the socket', rule: 'cooler-socket', change: mounting({ fitsCooler: 'cooler' }), says: { level: 'passes', kit: 'added' } },
  { what: 'a mounting kit for some other cooler', rule: 'cooler-socket', change: mounting({ fitsCooler: 'other' }), says: { level: 'blocks', kit: 'none' } },
  { what: 'a mounting kit for this cooler, whose own list nobody knows', rule: 'cooler-socket', change: { ...mounting({ fitsCooler: 'cooler' }), parts: { cooler: { sockets: undefined } } }, says: { level: 'passes' } },
  { what: 'a second processor input unfed under a processor that one carries', rule: 'supply-connectors', change: { parts: { board: { powerInputs: { 'board-24': 1, 'processor-8': 3 } } } }, says: { level: 'caution', code: 'spare-input', fed: 2, carryW: 470 } },
  { what: 'a second processor input unfed under a processor that needs it', rule: 'supply-connectors', change: { parts: { cpu: { maxPowerW: 300 }, board: { powerInputs: { 'board-24': 1, 'processor-8': 2 } }, psu: { connectors: { 'board-24': 1, 'processor-8': 1, 'card-16': 1, sata: 8 } } } }, says: { level: 'blocks', connector: 'processor-8' } },
  { what: 'no processor input fed at all', rule: 'supply-connectors', change: { parts: { psu: { connectors: { 'board-24': 1, 'card-16': 1, sata: 8 } } } }, says: { level: 'blocks', connector: 'processor-8', has: 0 } },
  // --- unknown rates and wireless
  { what: 'a network card of unknown rate', rule: 'must-haves', change: { brief: { mustHaves: { networkGbitPerS: 10 } }, ...cardIn({ purpose: 'network' }) }, says: { level: 'unproven' } },
  { what: 'a capture card of unknown inputs', rule: 'must-haves', change: { brief: { mustHaves: { videoInputs: 2 } }, ...cardIn({ purpose: 'capture' }) }, says: { level: 'unproven' } },
  { what: 'inputs that are listed by rate', rule: 'must-haves', change: { brief: { mustHaves: { videoInputs: 5 } }, ...cardIn({ purpose: 'capture', inputPorts: [{ gbitPerS: 12, count: 1 }, { gbitPerS: 3, count: 4 }] }) }, says: { level: 'passes', has: 5 } },
  { what: 'a wireless card that does not say so twice', rule: 'must-haves', change: { brief: { mustHaves: { wireless: true } }, ...cardIn({ purpose: 'wireless' }, { board: { wireless: false } }) }, says: { level: 'passes', code: 'wireless', has: true } },
  { what: 'wireless older than the router', rule: 'must-haves', change: { brief: { mustHaves: { wireless: true }, router: 'be' }, parts: { board: { wirelessStandard: 'ac' } } }, says: { level: 'caution', code: 'wireless-standard', has: 'ac' } },
  { what: 'wireless of a standard nobody knows', rule: 'must-haves', change: { brief: { mustHaves: { wireless: true }, router: 'be' } }, says: { level: 'unproven' } },
  { what: 'wireless newer than the router', rule: 'must-haves', change: { brief: { mustHaves: { wireless: true }, router: 'ac' }, parts: { board: { wirelessStandard: 'be' } } }, says: { level: 'passes', code: 'wireless-standard' } },
  // --- ports by connector, place and rate
  { what: 'two rear ports of a connector that the board has', rule: 'must-haves', change: portsWanted({ connector: 'C', place: 'rear', count: 2 }, [{ gbitPerS: 20, count: 2, connector: 'C' }]), says: { level: 'passes', has: 2 } },
  { what: 'the right number of ports with the other connector', rule: 'must-haves', change: portsWanted({ connector: 'C', place: 'rear', count: 2 }, [{ gbitPerS: 20, count: 4, connector: 'A' }]), says: { level: 'blocks', has: 0, needs: 2 } },
  { what: 'ports that do not say their connector', rule: 'must-haves', change: portsWanted({ connector: 'C', place: 'rear', count: 2 }, [{ gbitPerS: 20, count: 4 }]), says: { level: 'unproven' } },
  { what: 'ports at the back that are wanted in front, where one at most could be', rule: 'must-haves', change: portsWanted({ connector: 'A', place: 'front', count: 2 }, [{ gbitPerS: 10, count: 8, connector: 'A' }]), says: { level: 'blocks', has: 0 } },
  // --- root links
  { what: 'a card of 16 lanes under a processor of 8', rule: 'root-links', change: { parts: { cpu: { rootLinks: [{ generation: 4, lanes: 8 }] } } }, says: { level: 'note', narrower: [{ slot: 'Card slot 1', lanes: 8, own: 16 }] } },
  { what: 'a slot of generation 5 on a root link of generation 4', rule: 'root-links', change: { parts: { cpu: { rootLinks: [{ generation: 5, lanes: 16 }, { generation: 3, lanes: 4 }] } } }, says: { level: 'note', slower: [{ slot: 'M.2 slot 1', generation: 3 }] } },
  { what: 'root links that suffice', rule: 'root-links', change: {}, says: { level: 'passes' } },
  // --- unlike cards
  { what: 'an application that runs on the lesser of two cards', rule: 'adaptive-sync', change: { items: plus({ id: 'card-2', part: 'other' }), parts: { screen: { adaptiveSync: ['Steadyframe'] } }, addParts: [OTHER()] }, says: { level: 'passes', drives: ['open adaptive sync', 'Steadyframe'] } },
  // --- money and the whole
  { what: 'a firm budget that is passed', rule: 'budget', change: { brief: { budgetMinor: 90_000, budgetFirm: true } }, says: { level: 'blocks', firm: true } },
  { what: 'a budget before tax', rule: 'budget', change: { brief: { budgetMinor: 90_000, budgetTaxIncluded: false } }, says: { level: 'passes', spentMinor: 90_000 } },
  { what: 'what was not asked', rule: 'whole', change: { brief: { whole: undefined } }, says: { level: 'note', code: 'whole-unasked', what: ['system', 'keyboard', 'pointing'] } },
  { what: 'an owned system that stays with its machine', rule: 'whole', change: { items: plus({ id: 'system-1', part: 'system', owned: true }), addParts: [{ kind: 'system', id: 'system', maker: 'Ringmere', name: 'Desk', moves: false }] }, says: { level: 'caution', code: 'system-stays' } },
  { what: 'an owned system that moves', rule: 'whole', change: { items: plus({ id: 'system-1', part: 'system', owned: true }), addParts: [{ kind: 'system', id: 'system', maker: 'Ringmere', name: 'Desk', moves: true }] }, says: { level: 'passes' } },
];

function cardIn(patch: Record<string, unknown>, parts: Change['parts'] = {}): Change {
  const { id = 'extra', ...rest } = { purpose: 'sound', generation: 3, lanes: 4, slots: 1, lengthMm: 150, heightMm: 110, powerW: 10, ...patch };
  return {
    items: plus({ id: 'extra-1', part: 'extra' }),
    addParts: [Object.fromEntries(Object.entries({ kind: 'expansion', id, maker: 'Relaypike', name: 'Extra', ...rest }).filter(([, value]) => value !== undefined))],
    parts,
  };
}
function BURNER() {
  return { kind: 'drive', id: 'burner', maker: 'Ketterlode', name: 'Burner', interface: 'SATA', form: '5.25"', cellKind: 'optical', capacityGB: 50 };
}
function OTHER() {
  return { kind: 'graphics', id: 'other', maker: 'Vessary', name: 'Other', generation: 4, lanes: 4, lengthMm: 200, heightMm: 110, slots: 1, boardPowerW: 50, connectors: {}, memoryGiB: 4, memoryGBs: 100, fp32Tflops: 4, mediaEngines: [], outputs: [], computeStacks: ['Tesserel'], adaptiveSync: ['Steadyframe'] };
}
function covered(coverComesOff: boolean): Change {
  return {
    parts: { ssd: { heatsinkHeightMm: 11 } },
    boards: (topology) => ({
      ...topology,
      slots: topology.slots.map((slot) => (slot.kind === 'm2' ? { ...slot, roomMm: 6, coverComesOff } : slot)),
    }),
  };
}
/** Nine fans of 0.25 A: three of the case, one of the cooler and five more, on so many headers of 1 A. */
function fans(outlets: number, splitters: number, headers = 5): Change {
  return {
    parts: { board: { fanHeaders: headers }, case: { fanCurrentA: 0.25 }, cooler: { fanCurrentA: 0.25 } },
    addParts: [
      { kind: 'fan', id: 'fan', maker: 'Northdraft', name: 'Fan', sizeMm: 120, airflowM3h: 100, pressurePa: 12, noiseDbA: 24, powerW: 2, currentA: 0.25, lightHeaders: 0 },
      { kind: 'accessory', id: 'split', maker: 'Brumeworks', name: 'Splitter', purpose: 'cable', cableFor: 'fan splitter', ...(outlets > 0 ? { outlets } : {}) },
    ],
    items: (items) => [
      ...items,
      ...Array.from({ length: 5 }, (_, i) => ({ id: `fan-${i + 1}`, part: 'fan' })),
      ...(outlets > 0 ? Array.from({ length: splitters }, (_, i) => ({ id: `split-${i + 1}`, part: 'split' })) : []),
    ],
  };
}
function lead(figures: Record<string, unknown>): Change {
  return {
    parts: { psu: { connectors: { 'board-24': 1, 'processor-8': 2, 'card-8': 4, sata: 8 } } },
    items: plus({ id: 'lead-1', part: 'lead' }),
    addParts: [{ kind: 'accessory', id: 'lead', maker: 'Voltarn', name: 'Lead', purpose: 'cable', cableFor: 'power', ...figures }],
  };
}
function mounting(figures: Record<string, unknown>): Change {
  return {
    parts: { cooler: { sockets: [{ socket: 'Curlew', kit: 'included' }] } },
    items: plus({ id: 'kit-m', part: 'mount' }),
    addParts: [{ kind: 'accessory', id: 'mount', maker: 'Northdraft', name: 'Mounting kit', purpose: 'mounting-kit', fitsSocket: 'Dunlin', ...figures }],
  };
}
function portsWanted(demand: Record<string, unknown>, rearUsb: readonly Record<string, unknown>[]): Change {
  return { brief: { mustHaves: { ports: [{ gbitPerS: 10, ...demand }] } }, parts: { board: { rearUsb } } };
}
