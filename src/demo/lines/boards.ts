import { priced, type Priced } from '../seed';

const dimm = (channels: readonly string[], perChannel: number) =>
  channels.flatMap((channel, c) =>
    Array.from({ length: perChannel }, (_, i) => ({
      id: `${channel.toLowerCase()}${i + 1}`,
      label: `${channel}${i + 1}`,
      channel,
      position: i + 1,
      // the far slot of each channel first, as most boards ask
      fillOrder: (perChannel - 1 - i) * channels.length + c + 1,
    })),
  );

const m2 = (id: string, label: string, on: string, generation: number, lengthsMm = [80], extra: Record<string, unknown> = {}) => ({ id, label, on, kind: 'm2', generation, lanes: 4, lengthsMm, ...extra });
const card = (id: string, label: string, on: string, generation: number, lanes: number, mechanicalLanes: number, row: number) => ({ id, label, on, kind: 'card', generation, lanes, mechanicalLanes, row });
const sata = (on: string, count: number) => Array.from({ length: count }, (_, i) => ({ id: `sata-${i + 1}`, label: `SATA ${i + 1}`, on, kind: 'sata' }));
const hub = (id: string, label: string, on: string, generation: number, lanes: number) => ({ id, label, on, generation, lanes });
const net = (gbitPerS: number, on: string) => ({ id: 'net', label: `${gbitPerS} Gb/s network`, on, kind: 'network', gbitPerS });
const usb = (on: string) => ({ id: 'usb', label: 'Rear USB', on, kind: 'usb', gbitPerS: 10 });
const outputs = [{ kind: 'DisplayPort 1.4', count: 1 }, { kind: 'HDMI 2.1', count: 1 }];

const common = (fanHeaders: number) => ({
  fanHeaders,
  fanHeaderCurrentA: 1,
  secondFirmwareChip: false,
  rearUsb: [{ gbitPerS: 10, count: 3, connector: 'A' }, { gbitPerS: 10, count: 1, connector: 'C' }, { gbitPerS: 5, count: 4, connector: 'A' }],
  // ports that the headers feed: the wide one feeds two
  frontUsbHeaders: [{ gbitPerS: 10, count: 1 }, { gbitPerS: 5, count: 2 }],
  warrantyMonths: 36,
});

const ternFamilies = (deep?: string) => [{ family: 'Tern' }, ...(deep ? [{ family: 'Tern Deep', minimumFirmware: deep }] : [{ family: 'Tern Deep' }])];

const gannetFamilies = (kittiwake?: string) => [{ family: 'Petrel' }, { family: 'Shearwater', minimumFirmware: '2.00' }, ...(kittiwake ? [{ family: 'Kittiwake', minimumFirmware: kittiwake }] : [])];

/** Boards of the sockets' other tiers: small, wide, older, and large ones with a slot a channel. */
function more(): Priced[] {
  const desktop = { memoryGeneration: 'DDR5', moduleKind: 'unbuffered' };
  return [
    priced('board', 'Wexcombe', 'Reef 2', 159, {
      socket: 'Dunlin', chipset: 'D-850', form: 'Micro-ATX', onSale: '2025-04-02', ...desktop, memorySlots: dimm(['A', 'B'], 2), moduleLimitGiB: 64, memoryLimitGiB: 256, memoryRateMTs: 6400, profileKinds: ['EP'], errorCorrection: true,
      topology: { hubs: [hub('hub-1', 'Hub', 'cpu', 4, 4)], slots: [card('card-1', 'Card slot 1', 'cpu', 5, 16, 16, 1), card('card-2', 'Card slot 2', 'hub-1', 4, 1, 16, 3), m2('m2-1', 'M.2 slot 1', 'cpu', 5), m2('m2-2', 'M.2 slot 2', 'hub-1', 4), ...sata('hub-1', 4)], integrated: [net(2.5, 'hub-1'), usb('hub-1')] },
      processorPowerW: 160, boardPowerW: 20, shippedFirmware: '1.40', processorFamilies: ternFamilies('1.80'), flashWithoutProcessor: true, displayOutputs: outputs, powerInputs: { 'board-24': 1, 'processor-8': 1 }, wireless: false, heatsinkHeightMm: 31, ...common(4),
    }),
    priced('board', 'Tarnholt', 'Skerry 1', 179, {
      socket: 'Dunlin', chipset: 'D-850', form: 'Mini-ITX', onSale: '2025-06-20', ...desktop, memorySlots: dimm(['A', 'B'], 1), moduleLimitGiB: 64, memoryLimitGiB: 128, memoryRateMTs: 6800, profileKinds: ['EP'], errorCorrection: false,
      topology: { hubs: [hub('hub-1', 'Hub', 'cpu', 4, 4)], slots: [card('card-1', 'Card slot', 'cpu', 5, 16, 16, 1), m2('m2-1', 'M.2 slot 1', 'cpu', 5), m2('m2-2', 'M.2 slot 2', 'hub-1', 4), ...sata('hub-1', 2)], integrated: [net(2.5, 'hub-1'), usb('hub-1')] },
      processorPowerW: 150, boardPowerW: 18, shippedFirmware: '1.20', processorFamilies: ternFamilies('1.62'), flashWithoutProcessor: false, displayOutputs: outputs, powerInputs: { 'board-24': 1, 'processor-8': 1 }, wireless: true, heatsinkHeightMm: 29, ...common(3),
    }),
    priced('board', 'Dunmarrow', 'Cairn 8', 549, {
      socket: 'Dunlin', chipset: 'D-870 pair', form: 'E-ATX', onSale: '2026-02-03', ...desktop, memorySlots: dimm(['A', 'B'], 2), moduleLimitGiB: 64, memoryLimitGiB: 256, memoryRateMTs: 8000, profileKinds: ['EP', 'XP'], errorCorrection: true,
      topology: {
        hubs: [hub('hub-1', 'Hub 1', 'cpu', 4, 4), hub('hub-2', 'Hub 2', 'hub-1', 4, 4)],
        slots: [
          card('card-1', 'Card slot 1', 'cpu', 5, 16, 16, 2), card('card-2', 'Card slot 2', 'cpu', 5, 8, 16, 5), card('card-3', 'Card slot 3', 'hub-2', 4, 4, 16, 7),
          m2('m2-1', 'M.2 slot 1', 'cpu', 5, [80, 110]), m2('m2-2', 'M.2 slot 2', 'cpu', 5), m2('m2-3', 'M.2 slot 3', 'hub-1', 4), m2('m2-4', 'M.2 slot 4', 'hub-1', 4), m2('m2-5', 'M.2 slot 5', 'hub-2', 4), ...sata('hub-2', 8),
        ],
        // the second drive slot takes its lanes from the card slots' port
        sharedPorts: [{ id: 'root', lanes: 16, modes: [{ name: '16 + 0 + 0', lanes: { 'card-1': 16, 'card-2': 0, 'm2-2': 0 } }, { name: '8 + 8 + 0', lanes: { 'card-1': 8, 'card-2': 8, 'm2-2': 0 } }, { name: '8 + 4 + 4', lanes: { 'card-1': 8, 'card-2': 4, 'm2-2': 4 } }] }],
        integrated: [net(10, 'hub-1'), usb('hub-1')],
      },
      processorPowerW: 280, boardPowerW: 38, shippedFirmware: '1.10', processorFamilies: ternFamilies(), flashWithoutProcessor: true, displayOutputs: outputs, powerInputs: { 'board-24': 1, 'processor-8': 2 }, wireless: true, heatsinkHeightMm: 46, ...common(8), secondFirmwareChip: true,
    }),
    priced('board', 'Wexcombe', 'Tideway 3', 199, {
      socket: 'Gannet', chipset: 'G-790', form: 'ATX', onSale: '2022-11-08', ...desktop, memorySlots: dimm(['A', 'B'], 2), moduleLimitGiB: 48, memoryLimitGiB: 192, memoryRateMTs: 6800, profileKinds: ['XP', 'EP'], errorCorrection: false,
      topology: { hubs: [hub('hub-1', 'Hub', 'cpu', 4, 8)], slots: [card('card-1', 'Card slot 1', 'cpu', 5, 16, 16, 2), card('card-2', 'Card slot 2', 'hub-1', 4, 4, 16, 4), card('card-3', 'Card slot 3', 'hub-1', 4, 4, 16, 6), m2('m2-1', 'M.2 slot 1', 'cpu', 4, [80, 110]), m2('m2-2', 'M.2 slot 2', 'hub-1', 4), m2('m2-3', 'M.2 slot 3', 'hub-1', 4, [80], { takesSata: true }), ...sata('hub-1', 6)], exclusions: [{ slot: 'm2-3', off: ['sata-1', 'sata-2'] }], integrated: [net(2.5, 'hub-1'), usb('hub-1')] },
      // shipped before its newest processors existed
      processorPowerW: 241, boardPowerW: 25, shippedFirmware: '1.50', processorFamilies: gannetFamilies('3.10'), flashWithoutProcessor: true, displayOutputs: outputs, powerInputs: { 'board-24': 1, 'processor-8': 2 }, wireless: false, heatsinkHeightMm: 39, ...common(6),
    }),
    priced('board', 'Dunmarrow', 'Moor 7', 389, {
      socket: 'Gannet', chipset: 'G-890', form: 'ATX', onSale: '2026-03-10', ...desktop, memorySlots: dimm(['A', 'B'], 2), moduleLimitGiB: 64, memoryLimitGiB: 256, memoryRateMTs: 8400, profileKinds: ['XP', 'EP'], errorCorrection: true,
      topology: {
        hubs: [hub('hub-1', 'Hub', 'cpu', 4, 8)],
        slots: [card('card-1', 'Card slot 1', 'cpu', 5, 16, 16, 2), card('card-2', 'Card slot 2', 'cpu', 5, 8, 16, 4), card('card-3', 'Card slot 3', 'hub-1', 4, 4, 16, 6), m2('m2-1', 'M.2 slot 1', 'cpu', 5, [80, 110]), m2('m2-2', 'M.2 slot 2', 'cpu', 4), m2('m2-3', 'M.2 slot 3', 'hub-1', 4), m2('m2-4', 'M.2 slot 4', 'hub-1', 4), ...sata('hub-1', 4)],
        sharedPorts: [{ id: 'root', lanes: 16, modes: [{ name: '16 + 0', lanes: { 'card-1': 16, 'card-2': 0 } }, { name: '8 + 8', lanes: { 'card-1': 8, 'card-2': 8 } }] }],
        integrated: [net(10, 'hub-1'), usb('hub-1')],
      },
      processorPowerW: 280, boardPowerW: 32, shippedFirmware: '1.00', processorFamilies: [{ family: 'Shearwater' }, { family: 'Kittiwake' }], flashWithoutProcessor: true, displayOutputs: outputs, powerInputs: { 'board-24': 1, 'processor-8': 2 }, wireless: true, heatsinkHeightMm: 44, ...common(7), secondFirmwareChip: true,
    }),
    priced('board', 'Tarnholt', 'Stack 3', 89, {
      socket: 'Curlew', chipset: 'C-550', form: 'Micro-ATX', onSale: '2020-06-16', withdrawn: '2024-09-30', memoryGeneration: 'DDR4', moduleKind: 'unbuffered', memorySlots: dimm(['A', 'B'], 1), moduleLimitGiB: 32, memoryLimitGiB: 64, memoryRateMTs: 3600, profileKinds: ['XP'], errorCorrection: false,
      topology: { hubs: [hub('hub-1', 'Hub', 'cpu', 3, 4)], slots: [card('card-1', 'Card slot 1', 'cpu', 3, 16, 16, 1), card('card-2', 'Card slot 2', 'hub-1', 2, 1, 1, 3), m2('m2-1', 'M.2 slot', 'cpu', 3), ...sata('hub-1', 4)], integrated: [net(1, 'hub-1'), usb('hub-1')] },
      processorPowerW: 105, boardPowerW: 17, shippedFirmware: '0.60', processorFamilies: [{ family: 'Knot', minimumFirmware: '0.70' }], flashWithoutProcessor: false, displayOutputs: [], powerInputs: { 'board-24': 1, 'processor-8': 1 }, wireless: false, heatsinkHeightMm: 27, ...common(3),
    }),
    priced('board', 'Wexcombe', 'Ridgeback', 1189, {
      socket: 'Godwit', chipset: 'H-900', form: 'E-ATX', onSale: '2025-10-21', memoryGeneration: 'DDR5', moduleKind: 'registered', memorySlots: dimm(['A', 'B', 'C', 'D', 'E', 'F', 'G', 'H'], 1), moduleLimitGiB: 256, memoryLimitGiB: 2048, memoryRateMTs: 6400, profileKinds: ['EP'], errorCorrection: true,
      topology: { hubs: [hub('hub-1', 'Hub', 'cpu', 4, 8)], slots: [...[1, 2, 3, 4, 5, 6, 7].map((row) => card(`card-${row}`, `Card slot ${row}`, 'cpu', 5, row === 7 ? 8 : row % 2 === 1 ? 16 : 8, 16, row)), m2('m2-1', 'M.2 slot 1', 'cpu', 5, [80, 110]), m2('m2-2', 'M.2 slot 2', 'cpu', 5, [80, 110]), m2('m2-3', 'M.2 slot 3', 'hub-1', 4), m2('m2-4', 'M.2 slot 4', 'hub-1', 4), ...sata('hub-1', 8)], integrated: [net(10, 'hub-1'), usb('hub-1')] },
      processorPowerW: 420, boardPowerW: 52, shippedFirmware: '1.00', processorFamilies: [{ family: 'Avocet' }], flashWithoutProcessor: true, displayOutputs: [], powerInputs: { 'board-24': 1, 'processor-8': 3 }, wireless: false, heatsinkHeightMm: 48, ...common(8), secondFirmwareChip: true,
    }),
    priced('board', 'Dunmarrow', 'Keep W', 899, {
      socket: 'Fulmar', chipset: 'F-770', form: 'ATX', onSale: '2025-08-14', memoryGeneration: 'DDR5', moduleKind: 'registered', memorySlots: dimm(['A', 'B', 'C', 'D'], 2), moduleLimitGiB: 128, memoryLimitGiB: 1024, memoryRateMTs: 5200, profileKinds: ['XP'], errorCorrection: true,
      topology: { hubs: [hub('hub-1', 'Hub', 'cpu', 4, 4)], slots: [card('card-1', 'Card slot 1', 'cpu', 5, 16, 16, 1), card('card-2', 'Card slot 2', 'cpu', 5, 16, 16, 3), card('card-3', 'Card slot 3', 'cpu', 5, 16, 16, 5), card('card-4', 'Card slot 4', 'hub-1', 4, 4, 8, 7), m2('m2-1', 'M.2 slot 1', 'cpu', 5), m2('m2-2', 'M.2 slot 2', 'cpu', 4), ...sata('hub-1', 8)], integrated: [net(10, 'hub-1'), usb('hub-1')] },
      processorPowerW: 350, boardPowerW: 44, shippedFirmware: '0.95', processorFamilies: [{ family: 'Skua', minimumFirmware: '1.00' }], flashWithoutProcessor: true, displayOutputs: [], powerInputs: { 'board-24': 1, 'processor-8': 2 }, wireless: false, heatsinkHeightMm: 45, ...common(7),
    }),
    priced('board', 'Tarnholt', 'Inlet 2', 139, {
      socket: 'Wren', chipset: 'W-620', form: 'Micro-ATX', onSale: '2023-06-05', ...desktop, memorySlots: dimm(['A', 'B'], 2), moduleLimitGiB: 48, memoryLimitGiB: 128, memoryRateMTs: 6000, profileKinds: ['EP'], errorCorrection: false,
      topology: { hubs: [hub('hub-1', 'Hub', 'cpu', 4, 4)], slots: [card('card-1', 'Card slot 1', 'cpu', 4, 8, 16, 1), card('card-2', 'Card slot 2', 'hub-1', 3, 1, 1, 3), m2('m2-1', 'M.2 slot 1', 'cpu', 4), m2('m2-2', 'M.2 slot 2', 'hub-1', 3), ...sata('hub-1', 4)], integrated: [net(1, 'hub-1'), usb('hub-1')] },
      processorPowerW: 90, boardPowerW: 15, shippedFirmware: '1.10', processorFamilies: [{ family: 'Linnet' }, { family: 'Siskin', minimumFirmware: '1.45' }], flashWithoutProcessor: false, displayOutputs: outputs, powerInputs: { 'board-24': 1, 'processor-8': 1 }, wireless: false, heatsinkHeightMm: 26, ...common(3),
    }),
  ];
}

export function boards(): Priced[] {
  return [
    ...more(),
    priced('board', 'Wexcombe', 'Reef 4', 289, {
      socket: 'Dunlin', chipset: 'D-870 pair', form: 'ATX', onSale: '2025-02-10', memoryGeneration: 'DDR5', moduleKind: 'unbuffered', memorySlots: dimm(['A', 'B'], 2), moduleLimitGiB: 64, memoryLimitGiB: 256, memoryRateMTs: 7200, profileKinds: ['EP', 'XP'], errorCorrection: true,
      topology: {
        hubs: [hub('hub-1', 'Hub 1', 'cpu', 4, 4), hub('hub-2', 'Hub 2', 'hub-1', 4, 4)],
        slots: [
          card('card-1', 'Card slot 1', 'cpu', 5, 16, 16, 2), card('card-2', 'Card slot 2', 'hub-1', 4, 4, 16, 5), card('card-3', 'Card slot 3', 'hub-2', 3, 1, 16, 7),
          m2('m2-1', 'M.2 slot 1', 'cpu', 5, [80, 110]), m2('m2-2', 'M.2 slot 2', 'cpu', 4), m2('m2-3', 'M.2 slot 3', 'hub-1', 4), m2('m2-4', 'M.2 slot 4', 'hub-2', 4, [80], { takesSata: true }),
          ...sata('hub-2', 4),
        ],
        integrated: [net(5, 'hub-2'), usb('hub-1')],
      },
      processorPowerW: 230, boardPowerW: 28, shippedFirmware: '2.10', processorFamilies: ternFamilies('2.40'), flashWithoutProcessor: true, displayOutputs: outputs, powerInputs: { 'board-24': 1, 'processor-8': 2 }, wireless: true, heatsinkHeightMm: 38, testedMemory: ['sablerow-slate-2x32-5600'], ...common(6),
    }),
    priced('board', 'Tarnholt', 'Skerry 2', 189, {
      socket: 'Dunlin', chipset: 'D-850', form: 'ATX', onSale: '2025-03-15', memoryGeneration: 'DDR5', moduleKind: 'unbuffered', memorySlots: dimm(['A', 'B'], 2), moduleLimitGiB: 48, memoryLimitGiB: 192, memoryRateMTs: 6400, profileKinds: ['EP'], errorCorrection: false,
      topology: {
        hubs: [hub('hub-1', 'Hub', 'cpu', 4, 4)],
        slots: [
          card('card-1', 'Card slot 1', 'cpu', 5, 16, 16, 2), card('card-2', 'Card slot 2', 'hub-1', 4, 4, 16, 4),
          m2('m2-1', 'M.2 slot 1', 'cpu', 4, [80, 110]), m2('m2-2', 'M.2 slot 2', 'hub-1', 4), ...sata('hub-1', 4),
        ],
        // the second card slot and the second drive slot share four lanes of the hub
        exclusions: [{ slot: 'card-2', off: ['m2-2'] }],
        integrated: [net(2.5, 'hub-1'), usb('hub-1')],
      },
      processorPowerW: 170, boardPowerW: 22, shippedFirmware: '1.30', processorFamilies: ternFamilies('1.62'), flashWithoutProcessor: false, displayOutputs: outputs, powerInputs: { 'board-24': 1, 'processor-8': 1 }, wireless: false, heatsinkHeightMm: 32, ...common(4),
    }),
    priced('board', 'Dunmarrow', 'Cairn 6', 359, {
      socket: 'Dunlin', chipset: 'D-870 pair', form: 'ATX', onSale: '2026-01-20', memoryGeneration: 'DDR5', moduleKind: 'unbuffered', memorySlots: dimm(['A', 'B'], 2), moduleLimitGiB: 64, memoryLimitGiB: 256, memoryRateMTs: 8000, profileKinds: ['EP', 'XP'], errorCorrection: true,
      topology: {
        hubs: [hub('hub-1', 'Hub 1', 'cpu', 4, 4), hub('hub-2', 'Hub 2', 'hub-1', 4, 4)],
        slots: [
          card('card-1', 'Card slot 1', 'cpu', 5, 16, 16, 2), card('card-2', 'Card slot 2', 'cpu', 5, 8, 16, 5), card('card-3', 'Card slot 3', 'hub-1', 4, 4, 16, 7),
          m2('m2-1', 'M.2 slot 1', 'cpu', 5, [80, 110]), m2('m2-2', 'M.2 slot 2', 'hub-1', 4), m2('m2-3', 'M.2 slot 3', 'hub-2', 4), m2('m2-4', 'M.2 slot 4', 'hub-2', 4), ...sata('hub-2', 6),
        ],
        sharedPorts: [{ id: 'root', lanes: 16, modes: [{ name: '16 + 0', lanes: { 'card-1': 16, 'card-2': 0 } }, { name: '8 + 8', lanes: { 'card-1': 8, 'card-2': 8 } }] }],
        integrated: [net(10, 'hub-1'), usb('hub-1')],
      },
      processorPowerW: 260, boardPowerW: 34, shippedFirmware: '1.05', processorFamilies: ternFamilies(), flashWithoutProcessor: true, displayOutputs: outputs, powerInputs: { 'board-24': 1, 'processor-8': 2 }, wireless: true, heatsinkHeightMm: 44, ...common(7), secondFirmwareChip: true,
    }),
    priced('board', 'Wexcombe', 'Shoal', 119, {
      socket: 'Curlew', chipset: 'C-570', form: 'ATX', onSale: '2020-03-01', withdrawn: '2024-06-30', memoryGeneration: 'DDR4', moduleKind: 'unbuffered', memorySlots: dimm(['A', 'B'], 2), moduleLimitGiB: 32, memoryLimitGiB: 128, memoryRateMTs: 3600, profileKinds: ['XP'], errorCorrection: false,
      topology: {
        hubs: [hub('hub-1', 'Hub', 'cpu', 3, 4)],
        slots: [card('card-1', 'Card slot 1', 'cpu', 3, 16, 16, 2), card('card-2', 'Card slot 2', 'hub-1', 3, 4, 16, 5), m2('m2-1', 'M.2 slot 1', 'cpu', 3), m2('m2-2', 'M.2 slot 2', 'hub-1', 3, [80], { takesSata: true }), ...sata('hub-1', 6)],
        // the second drive slot takes the lanes of two ports
        exclusions: [{ slot: 'm2-2', off: ['sata-5', 'sata-6'] }],
        integrated: [net(1, 'hub-1'), usb('hub-1')],
      },
      processorPowerW: 140, boardPowerW: 20, shippedFirmware: '0.80', processorFamilies: [{ family: 'Knot', minimumFirmware: '0.70' }], flashWithoutProcessor: false, displayOutputs: [], powerInputs: { 'board-24': 1, 'processor-8': 1 }, wireless: false, heatsinkHeightMm: 30, ...common(4),
    }),
    priced('board', 'Tarnholt', 'Ness 5', 229, {
      socket: 'Gannet', chipset: 'G-790', form: 'ATX', onSale: '2024-10-05', memoryGeneration: 'DDR5', moduleKind: 'unbuffered', memorySlots: dimm(['A', 'B'], 2), moduleLimitGiB: 48, memoryLimitGiB: 192, memoryRateMTs: 7200, profileKinds: ['XP'], errorCorrection: false,
      topology: {
        hubs: [hub('hub-1', 'Hub', 'cpu', 4, 8)],
        slots: [card('card-1', 'Card slot 1', 'cpu', 5, 16, 16, 2), card('card-2', 'Card slot 2', 'hub-1', 4, 4, 16, 5), card('card-3', 'Card slot 3', 'hub-1', 3, 1, 1, 7), m2('m2-1', 'M.2 slot 1', 'cpu', 4, [80, 110]), m2('m2-2', 'M.2 slot 2', 'hub-1', 4), m2('m2-3', 'M.2 slot 3', 'hub-1', 4), ...sata('hub-1', 6)],
        integrated: [net(2.5, 'hub-1'), usb('hub-1')],
      },
      processorPowerW: 253, boardPowerW: 26, shippedFirmware: '3.00', processorFamilies: [...gannetFamilies('3.30')], flashWithoutProcessor: true, displayOutputs: outputs, powerInputs: { 'board-24': 1, 'processor-8': 2 }, wireless: true, heatsinkHeightMm: 40, ...common(6),
    }),
    priced('board', 'Tarnholt', 'Ness 4', 169, {
      socket: 'Gannet', chipset: 'G-760', form: 'Micro-ATX', onSale: '2024-10-05', memoryGeneration: 'DDR4', moduleKind: 'unbuffered', memorySlots: dimm(['A', 'B'], 2), moduleLimitGiB: 32, memoryLimitGiB: 128, memoryRateMTs: 3600, profileKinds: ['XP'], errorCorrection: false,
      topology: {
        hubs: [hub('hub-1', 'Hub', 'cpu', 4, 4)],
        slots: [card('card-1', 'Card slot 1', 'cpu', 5, 16, 16, 1), card('card-2', 'Card slot 2', 'hub-1', 3, 4, 16, 4), m2('m2-1', 'M.2 slot 1', 'cpu', 4), m2('m2-2', 'M.2 slot 2', 'hub-1', 4), ...sata('hub-1', 4)],
        integrated: [net(1, 'hub-1'), usb('hub-1')],
      },
      processorPowerW: 181, boardPowerW: 20, shippedFirmware: '2.00', processorFamilies: gannetFamilies(), flashWithoutProcessor: false, displayOutputs: outputs, powerInputs: { 'board-24': 1, 'processor-8': 1 }, wireless: false, heatsinkHeightMm: 30, ...common(4),
    }),
    priced('board', 'Tarnholt', 'Headland W', 1049, {
      socket: 'Fulmar', chipset: 'F-790', form: 'E-ATX', onSale: '2025-06-01', memoryGeneration: 'DDR5', moduleKind: 'registered', memorySlots: dimm(['A', 'B', 'C', 'D', 'E', 'F', 'G', 'H'], 1), moduleLimitGiB: 256, memoryLimitGiB: 2048, memoryRateMTs: 5600, profileKinds: ['XP'], errorCorrection: true,
      topology: {
        hubs: [hub('hub-1', 'Hub', 'cpu', 4, 8)],
        slots: [...[1, 2, 3, 4, 5, 6, 7].map((row) => card(`card-${row}`, `Card slot ${row}`, 'cpu', 5, row % 2 === 1 ? 16 : 8, 16, row)), m2('m2-1', 'M.2 slot 1', 'cpu', 5, [80, 110]), m2('m2-2', 'M.2 slot 2', 'cpu', 5, [80, 110]), m2('m2-3', 'M.2 slot 3', 'hub-1', 4), ...sata('hub-1', 8)],
        integrated: [net(10, 'hub-1'), usb('hub-1')],
      },
      processorPowerW: 400, boardPowerW: 48, shippedFirmware: '1.00', processorFamilies: [{ family: 'Skua' }], flashWithoutProcessor: true, displayOutputs: [], powerInputs: { 'board-24': 1, 'processor-8': 2 }, wireless: false, heatsinkHeightMm: 46, ...common(8), secondFirmwareChip: true,
    }),
    priced('board', 'Dunmarrow', 'Holm', 199, {
      socket: 'Wren', chipset: 'W-640', form: 'Mini-ITX', onSale: '2025-09-15', memoryGeneration: 'DDR5', moduleKind: 'unbuffered', memorySlots: dimm(['A', 'B'], 1), moduleLimitGiB: 48, memoryLimitGiB: 96, memoryRateMTs: 6400, profileKinds: ['EP'], errorCorrection: false,
      topology: {
        hubs: [hub('hub-1', 'Hub', 'cpu', 4, 4)],
        slots: [card('card-1', 'Card slot', 'cpu', 4, 8, 16, 1), m2('m2-1', 'M.2 slot 1', 'cpu', 4), m2('m2-2', 'M.2 slot 2', 'hub-1', 4), ...sata('hub-1', 2)],
        integrated: [net(2.5, 'hub-1'), usb('hub-1')],
      },
      processorPowerW: 95, boardPowerW: 16, shippedFirmware: '1.00', processorFamilies: [{ family: 'Siskin' }], flashWithoutProcessor: false, displayOutputs: [...outputs, { kind: 'USB-C', count: 1 }], powerInputs: { 'board-24': 1, 'processor-8': 1 }, wireless: true, heatsinkHeightMm: 28, ...common(3),
    }),
  ];
}
