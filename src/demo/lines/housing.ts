import { priced, type Priced } from '../seed';

const SOCKETS = ['Curlew', 'Dunlin', 'Gannet', 'Wren'];
const desktopSockets = SOCKETS.map((socket) => ({ socket, kit: 'included' }));

const curve = (best: number) => [{ rpm: 600, kPerW: Math.round(best * 1.55 * 1000) / 1000 }, { rpm: 1000, kPerW: Math.round(best * 1.2 * 1000) / 1000 }, { rpm: 1500, kPerW: best }];

export function supplies(): Priced[] {
  const anvil = [550, 650, 750, 850, 1000].map((watts) =>
    priced('supply', 'Gatewick', `Anvil ${watts}`, Math.round(28 + watts * 0.115), {
      form: 'ATX', lengthMm: 160, ratedW: watts, tier: 'gold', standard: watts >= 750 ? 'ATX 3.1' : 'ATX 3.0', connectors: { 'board-24': 1, 'processor-8': watts >= 750 ? 2 : 1, 'card-8': watts >= 750 ? 4 : 2, 'card-16': watts >= 650 ? 1 : 0, sata: 8, peripheral: 3 }, modular: true, noiseDbA: 24, warrantyMonths: 120,
    }),
  );
  const hearth = [600, 700, 900].map((watts) =>
    priced('supply', 'Voltarn', `Hearth ${watts}`, Math.round(20 + watts * 0.085), {
      form: 'ATX', lengthMm: 140, ratedW: watts, tier: 'bronze', standard: 'ATX 2.x', connectors: { 'board-24': 1, 'processor-8': watts >= 700 ? 2 : 1, 'card-8': watts >= 700 ? 4 : 2, 'card-16': 0, sata: 6, peripheral: 2 }, modular: false, noiseDbA: 31, warrantyMonths: 60,
    }),
  );
  const calm = [750, 1200].map((watts) =>
    priced('supply', 'Voltarn', `Hearth Calm ${watts}`, Math.round(60 + watts * 0.17), {
      form: 'ATX', lengthMm: watts > 1000 ? 190 : 170, ratedW: watts, tier: 'platinum', standard: 'ATX 3.1', connectors: { 'board-24': 1, 'processor-8': 2, 'card-8': 6, 'card-16': watts > 1000 ? 2 : 1, sata: 12, peripheral: 4 }, modular: true, noiseDbA: 19, warrantyMonths: 120,
    }),
  );
  const small = priced('supply', 'Gatewick', 'Rivet 650', 129, { form: 'SFX', lengthMm: 100, ratedW: 650, tier: 'gold', standard: 'ATX 3.0', connectors: { 'board-24': 1, 'processor-8': 1, 'card-8': 2, 'card-16': 1, sata: 4, peripheral: 1 }, modular: true, noiseDbA: 27, warrantyMonths: 84 });
  const great = [1300, 1600].map((watts) =>
    priced('supply', 'Gatewick', `Anvil Great ${watts}`, Math.round(watts * 0.26), {
      form: 'ATX', lengthMm: 210, ratedW: watts, tier: 'titanium', standard: 'ATX 3.1', connectors: { 'board-24': 1, 'processor-8': 3, 'card-8': 8, 'card-16': 2, sata: 14, peripheral: 4 }, modular: true, noiseDbA: 22, warrantyMonths: 144,
    }),
  );
  const kindle = [450, 550, 650].map((watts) =>
    priced('supply', 'Voltarn', `Kindle ${watts}`, Math.round(14 + watts * 0.075), {
      form: 'ATX', lengthMm: 140, ratedW: watts, tier: 'white', standard: 'ATX 2.x', connectors: { 'board-24': 1, 'processor-8': 1, 'card-8': watts >= 550 ? 2 : 1, 'card-16': 0, sata: 4, peripheral: 2 }, modular: false, noiseDbA: 34, warrantyMonths: 36,
    }),
  );
  const rivets = [450, 750, 850].map((watts) =>
    priced('supply', 'Gatewick', `Rivet ${watts}`, Math.round(64 + watts * 0.11), {
      form: watts > 800 ? 'SFX-L' : 'SFX', lengthMm: watts > 800 ? 130 : 100, ratedW: watts, tier: watts > 700 ? 'platinum' : 'gold', standard: 'ATX 3.0', connectors: { 'board-24': 1, 'processor-8': watts > 700 ? 2 : 1, 'card-8': watts > 700 ? 3 : 2, 'card-16': watts > 600 ? 1 : 0, sata: 4, peripheral: 1 }, modular: true, noiseDbA: 28, warrantyMonths: 84,
    }),
  );
  const silver = [500, 600, 800].map((watts) =>
    priced('supply', 'Gatewick', `Brazier ${watts}`, Math.round(22 + watts * 0.095), {
      form: 'ATX', lengthMm: 150, ratedW: watts, tier: 'silver', standard: 'ATX 3.0', connectors: { 'board-24': 1, 'processor-8': watts >= 800 ? 2 : 1, 'card-8': watts >= 600 ? 4 : 2, 'card-16': watts >= 800 ? 1 : 0, sata: 6, peripheral: 2 }, modular: watts >= 600, noiseDbA: 29, warrantyMonths: 84,
    }),
  );
  return [...anvil, ...hearth, ...calm, small, ...great, ...kindle, ...rivets, ...silver];
}

const mounts = (front: number[], top: number[]) => [
  { side: 'front', radiatorsMm: front, fans: [{ sizeMm: 140, count: Math.max(2, Math.floor(Math.max(...front) / 140)) }, { sizeMm: 120, count: 3 }] },
  { side: 'top', radiatorsMm: top, fans: [{ sizeMm: 120, count: 3 }] },
  { side: 'rear', radiatorsMm: [120], fans: [{ sizeMm: 120, count: 1 }] },
];

export function cases(): Priced[] {
  const usb = [{ gbitPerS: 10, count: 1 }, { gbitPerS: 5, count: 2 }];
  const box = (maker: string, name: string, usd: number, figures: Record<string, unknown>) => priced('case', maker, name, usd, { frame: 'closed', supplyForms: ['ATX'], frontUsb: usb, opticalBays: 0, dustFilters: true, warrantyMonths: 24, uprightCards: false, ...figures });
  const atx = ['Mini-ITX', 'Micro-ATX', 'ATX'];
  const fans = (front: number, rear: number) => [{ side: 'front', sizeMm: 140, count: front }, { side: 'rear', sizeMm: 120, count: rear }];
  return [
    box('Marlhouse', 'Quay', 109, { boardForms: atx, supplyLengthMm: 200, cardLengthMm: 355, cardLengthFrontRadiatorMm: 325, expansionSlots: 7, coolerHeightMm: 172, mounts: mounts([240, 280, 360], [240]), fansIncluded: fans(2, 1), fanPowerW: 6, bays25: 2, bays35: 3, volumeL: 46, damped: true }),
    box('Marlhouse', 'Quay Glass', 119, { boardForms: atx, supplyLengthMm: 200, cardLengthMm: 355, cardLengthFrontRadiatorMm: 325, expansionSlots: 7, coolerHeightMm: 165, mounts: mounts([240, 280, 360], [240]), fansIncluded: fans(2, 1), fanPowerW: 6, bays25: 2, bays35: 2, volumeL: 46, damped: false, variantOf: 'marlhouse-quay' }),
    box('Marlhouse', 'Skiff', 139, { boardForms: ['Mini-ITX'], supplyForms: ['SFX', 'SFX-L'], supplyLengthMm: 130, cardLengthMm: 305, cardLengthFrontRadiatorMm: 305, expansionSlots: 3, coolerHeightMm: 72, mounts: [{ side: 'top', radiatorsMm: [240], fans: [{ sizeMm: 120, count: 2 }] }], fansIncluded: [], fanPowerW: 0, bays25: 2, bays35: 0, volumeL: 14, damped: false }),
    box('Pellbox', 'Low', 79, { boardForms: atx, supplyLengthMm: 170, cardLengthMm: 305, cardLengthFrontRadiatorMm: 280, expansionSlots: 7, coolerHeightMm: 158, mounts: mounts([240], [120]), fansIncluded: fans(1, 1), fanPowerW: 4, bays25: 2, bays35: 2, volumeL: 36, damped: false }),
    box('Pellbox', 'Tall', 169, { boardForms: [...atx, 'E-ATX'], supplyLengthMm: 230, cardLengthMm: 420, cardLengthFrontRadiatorMm: 390, expansionSlots: 8, coolerHeightMm: 185, mounts: mounts([240, 280, 360, 420], [240, 280, 360]), fansIncluded: fans(3, 1), fanPowerW: 9, bays25: 4, bays35: 6, volumeL: 68, damped: true }),
    // sold without fans: the buyer chooses them
    box('Pellbox', 'Bare', 89, { boardForms: [...atx, 'E-ATX'], supplyLengthMm: 220, cardLengthMm: 385, cardLengthFrontRadiatorMm: 355, expansionSlots: 8, coolerHeightMm: 178, mounts: mounts([240, 280, 360, 420], [240, 360]), fansIncluded: [], fanPowerW: 0, bays25: 3, bays35: 3, volumeL: 54, damped: false }),
    box('Pellbox', 'Short', 69, { boardForms: ['Mini-ITX', 'Micro-ATX'], supplyLengthMm: 160, cardLengthMm: 320, cardLengthFrontRadiatorMm: 290, expansionSlots: 4, coolerHeightMm: 160, mounts: mounts([240], [240]), fansIncluded: fans(1, 1), fanPowerW: 4, bays25: 2, bays35: 1, volumeL: 30, damped: false }),
    box('Marlhouse', 'Wharf', 149, { boardForms: [...atx, 'E-ATX'], supplyLengthMm: 220, cardLengthMm: 400, cardLengthFrontRadiatorMm: 370, expansionSlots: 8, coolerHeightMm: 180, mounts: mounts([240, 280, 360, 420], [240, 280, 360]), fansIncluded: fans(2, 1), fanPowerW: 6, bays25: 4, bays35: 4, volumeL: 61, damped: false }),
    box('Marlhouse', 'Skiff Great', 169, { boardForms: ['Mini-ITX'], supplyForms: ['SFX', 'SFX-L'], supplyLengthMm: 130, cardLengthMm: 335, cardLengthFrontRadiatorMm: 335, expansionSlots: 3, coolerHeightMm: 155, mounts: [{ side: 'top', radiatorsMm: [240, 280], fans: [{ sizeMm: 140, count: 2 }] }], fansIncluded: [], fanPowerW: 0, bays25: 3, bays35: 0, volumeL: 19, damped: false, uprightCards: true }),
    box('Pellbox', 'Rack 4', 219, { boardForms: [...atx, 'E-ATX'], supplyLengthMm: 220, cardLengthMm: 340, cardLengthFrontRadiatorMm: 315, expansionSlots: 7, coolerHeightMm: 150, mounts: [{ side: 'front', radiatorsMm: [240, 360], fans: [{ sizeMm: 120, count: 3 }] }, { side: 'rear', radiatorsMm: [], fans: [{ sizeMm: 80, count: 2 }] }], fansIncluded: [{ side: 'front', sizeMm: 120, count: 3 }, { side: 'rear', sizeMm: 80, count: 2 }], fanPowerW: 14, bays25: 2, bays35: 8, opticalBays: 2, volumeL: 34, damped: false }),
    box('Pellbox', 'Frame', 129, { frame: 'open', boardForms: [...atx, 'E-ATX'], supplyLengthMm: 250, cardLengthMm: 450, cardLengthFrontRadiatorMm: 450, expansionSlots: 8, coolerHeightMm: 220, mounts: [{ side: 'side', radiatorsMm: [240, 280, 360], fans: [{ sizeMm: 140, count: 3 }] }], fansIncluded: [], fanPowerW: 0, bays25: 2, bays35: 2, volumeL: 72, damped: false, dustFilters: false, uprightCards: true }),
    box('Marlhouse', 'Lugger', 99, { boardForms: ['Mini-ITX', 'Micro-ATX'], supplyLengthMm: 180, cardLengthMm: 330, cardLengthFrontRadiatorMm: 305, expansionSlots: 5, coolerHeightMm: 166, mounts: mounts([240, 280], [240]), fansIncluded: fans(1, 1), fanPowerW: 4, bays25: 3, bays35: 2, volumeL: 33, damped: true }),
  ];
}

export function cooling(): Priced[] {
  const tower = (name: string, usd: number, heightMm: number, best: number, clearance: number, noise: number) =>
    priced('cooler', 'Northdraft', name, usd, { type: 'tower', sockets: desktopSockets, resistance: curve(best), heightMm, memoryClearanceMm: clearance, fans: 1, powerW: 2, noiseDbA: noise, warrantyMonths: 72 });
  const liquid = (name: string, usd: number, radiatorMm: number, best: number) =>
    priced('cooler', 'Brumeworks', name, usd, { type: 'liquid', sockets: [...desktopSockets, { socket: 'Fulmar', kit: 'apart' }], resistance: curve(best), radiatorMm, fans: Math.floor(radiatorMm / 120), powerW: 8, noiseDbA: 36, warrantyMonths: 60 });
  return [
    tower('Eddy 120', 45, 154, 0.3, 46, 31),
    tower('Eddy 140', 69, 162, 0.22, 42, 30),
    tower('Eddy 140 Twin', 95, 168, 0.17, 36, 29),
    priced('cooler', 'Northdraft', 'Eddy Flat', 59, { type: 'low-profile', sockets: desktopSockets, resistance: curve(0.45), heightMm: 67, memoryClearanceMm: 36, fans: 1, powerW: 2, noiseDbA: 33, warrantyMonths: 72 }),
    priced('cooler', 'Northdraft', 'Eddy Great', 139, { type: 'tower', sockets: [{ socket: 'Fulmar', kit: 'included' }], resistance: curve(0.12), heightMm: 167, memoryClearanceMm: 40, fans: 2, powerW: 4, noiseDbA: 34, warrantyMonths: 72 }),
    priced('cooler', 'Northdraft', 'Eddy 130', 49, { type: 'tower', sockets: [{ socket: 'Dunlin', kit: 'apart' }, { socket: 'Gannet', kit: 'included' }], resistance: curve(0.25), heightMm: 156, memoryClearanceMm: 44, fans: 1, powerW: 2, noiseDbA: 30, warrantyMonths: 72 }),
    tower('Eddy 92', 29, 128, 0.42, 50, 34),
    tower('Eddy 120 Twin', 62, 156, 0.24, 38, 30),
    tower('Eddy 150', 79, 165, 0.2, 44, 28),
    priced('cooler', 'Northdraft', 'Eddy Still', 89, { type: 'passive', sockets: desktopSockets, resistance: [{ rpm: 1, kPerW: 0.62 }], heightMm: 158, memoryClearanceMm: 40, fans: 0, powerW: 0, warrantyMonths: 72 }),
    priced('cooler', 'Northdraft', 'Eddy Ridge', 159, { type: 'tower', sockets: [{ socket: 'Godwit', kit: 'included' }, { socket: 'Fulmar', kit: 'apart' }], resistance: curve(0.11), heightMm: 170, memoryClearanceMm: 39, fans: 2, powerW: 4, noiseDbA: 35, warrantyMonths: 72 }),
    liquid('Haar 120', 69, 120, 0.26),
    liquid('Haar 280', 125, 280, 0.145),
    liquid('Haar 420', 179, 420, 0.105),
    liquid('Haar 240', 109, 240, 0.16),
    liquid('Haar 360', 149, 360, 0.12),
    priced('fan', 'Northdraft', 'Puff 120', 17, { sizeMm: 120, maxRpm: 1500, airflowM3h: 90, pressurePa: 15, noiseDbA: 25, currentA: 0.15, powerW: 1.8, connector: '4-pin' }),
    priced('fan', 'Northdraft', 'Puff 140', 19, { sizeMm: 140, maxRpm: 1300, airflowM3h: 125, pressurePa: 14, noiseDbA: 25, currentA: 0.15, powerW: 1.8, connector: '4-pin' }),
    priced('fan', 'Northdraft', 'Puff 80', 14, { sizeMm: 80, maxRpm: 2200, airflowM3h: 50, pressurePa: 19, noiseDbA: 27, currentA: 0.13, powerW: 1.5, connector: '4-pin' }),
    priced('fan', 'Northdraft', 'Puff 92', 15, { sizeMm: 92, maxRpm: 2000, airflowM3h: 64, pressurePa: 18, noiseDbA: 26, currentA: 0.13, powerW: 1.5, connector: '4-pin' }),
    priced('fan', 'Northdraft', 'Puff 200', 29, { sizeMm: 200, maxRpm: 800, airflowM3h: 180, pressurePa: 8, noiseDbA: 24, currentA: 0.2, powerW: 2.4, connector: '4-pin' }),
    priced('fan', 'Northdraft', 'Gust 120', 26, { sizeMm: 120, linkMm: 10, maxRpm: 2400, airflowM3h: 140, pressurePa: 34, noiseDbA: 33, currentA: 0.25, powerW: 3, connector: '4-pin' }),
    priced('fan', 'Northdraft', 'Gust 140', 28, { sizeMm: 140, linkMm: 10, maxRpm: 2000, airflowM3h: 175, pressurePa: 28, noiseDbA: 33, currentA: 0.26, powerW: 3.1, connector: '4-pin' }),
    priced('fan', 'Brumeworks', 'Lull 140', 14, { sizeMm: 140, maxRpm: 1000, airflowM3h: 95, pressurePa: 7, noiseDbA: 21, currentA: 0.12, powerW: 1.4, connector: '3-pin' }),
    priced('fan', 'Brumeworks', 'Mizzle 120', 9, { sizeMm: 120, maxRpm: 1600, airflowM3h: 88, pressurePa: 12, noiseDbA: 29, currentA: 0.18, powerW: 2.2, connector: '3-pin' }),
    priced('fan', 'Brumeworks', 'Lull 120', 12, { sizeMm: 120, maxRpm: 1200, airflowM3h: 70, pressurePa: 9, noiseDbA: 22, currentA: 0.12, powerW: 1.4, connector: '3-pin' }),
  ];
}

/**
 * What is known of a small real machine that was measured: two threads at 2.5 GHz, the reference core of the model's
 * constants, what its arithmetic was measured to be, and 24 GiB; nothing else is stated, so it stays unknown. It is owned and nowhere for sale.
 */
export const provingBench = (): Priced[] => [
  { ...priced('processor', 'Quillstone', 'Bench two threads 2.5', 0, { family: 'Bench', coreGroups: [{ kind: 'performance', count: 2, threadsPerCore: 1, baseGHz: 2.5, boostGHz: 2.5, allCoreGHz: 2.5, workPerClock: 1 }], fp32PerClock: 58.3, fp64PerClock: 29.9, hashInstructions: false, integratedGraphics: 'none', withdrawn: '2024-01-01', source: 'a virtual machine that was measured' }) },
  { ...priced('memory', 'Quillstone', 'Bench memory', 0, { modules: 1, moduleGiB: 24, withdrawn: '2024-01-01', source: 'a virtual machine that was measured' }) },
  { ...priced('drive', 'Quillstone', 'Bench volume', 0, { withdrawn: '2024-01-01', source: 'a virtual machine that was measured' }) },
];

export function extras(): Priced[] {
  return [
    priced('expansion', 'Lanternmast', 'Beam Two', 295, { purpose: 'capture', generation: 2, lanes: 4, slots: 1, lengthMm: 168, powerW: 12, videoInputs: 2, inputGbitPerS: 12 }),
    priced('expansion', 'Lanternmast', 'Beam Four', 495, { purpose: 'capture', generation: 3, lanes: 8, slots: 1, lengthMm: 180, powerW: 20, videoInputs: 4, inputGbitPerS: 12 }),
    priced('expansion', 'Relaypike', 'Span 10', 99, { purpose: 'network', generation: 3, lanes: 4, slots: 1, lengthMm: 120, powerW: 8, networkGbitPerS: 10 }),
    priced('expansion', 'Relaypike', 'Span 25', 219, { purpose: 'network', generation: 3, lanes: 8, slots: 1, lengthMm: 150, powerW: 16, networkGbitPerS: 25 }),
    priced('expansion', 'Lanternmast', 'Beam One', 169, { purpose: 'capture', generation: 2, lanes: 1, slots: 1, lengthMm: 120, powerW: 7, videoInputs: 1, inputGbitPerS: 3 }),
    priced('expansion', 'Lanternmast', 'Beam Eight', 1290, { purpose: 'capture', generation: 3, lanes: 8, slots: 1, lengthMm: 200, powerW: 28, videoInputs: 8, inputGbitPerS: 6 }),
    priced('expansion', 'Lanternmast', 'Beam Mixed', 395, { purpose: 'capture', generation: 3, lanes: 4, slots: 1, lengthMm: 175, powerW: 16, inputPorts: [{ gbitPerS: 12, count: 1 }, { gbitPerS: 3, count: 4 }] }),
    priced('expansion', 'Lanternmast', 'Beam Wide', 845, { purpose: 'capture', generation: 4, lanes: 8, slots: 1, lengthMm: 190, powerW: 24, videoInputs: 2, inputGbitPerS: 40 }),
    priced('expansion', 'Relaypike', 'Span 2.5', 29, { purpose: 'network', generation: 2, lanes: 1, slots: 1, lengthMm: 80, powerW: 3, networkGbitPerS: 2.5 }),
    priced('expansion', 'Relaypike', 'Span 5', 49, { purpose: 'network', generation: 3, lanes: 1, slots: 1, lengthMm: 85, powerW: 4, networkGbitPerS: 5 }),
    priced('expansion', 'Relaypike', 'Span 100', 529, { purpose: 'network', generation: 4, lanes: 16, slots: 1, lengthMm: 168, powerW: 22, networkGbitPerS: 100 }),
    priced('expansion', 'Relaypike', 'Quiver 4', 59, { purpose: 'storage', generation: 4, lanes: 16, slots: 1, lengthMm: 230, powerW: 3, driveSlots: 4, ownSwitch: false }),
    priced('expansion', 'Relaypike', 'Quiver 8', 429, { purpose: 'storage', generation: 4, lanes: 16, slots: 1, lengthMm: 250, powerW: 18, driveSlots: 8, ownSwitch: true }),
    priced('expansion', 'Relaypike', 'Rack 8', 189, { purpose: 'storage', generation: 3, lanes: 8, slots: 1, lengthMm: 165, powerW: 11, driveSlots: 8, ownSwitch: true }),
    priced('expansion', 'Relaypike', 'Whisper Seven', 69, { purpose: 'wireless', generation: 3, lanes: 1, slots: 1, lengthMm: 95, powerW: 5, wireless: true, wirelessStandard: 'be' }),
    priced('expansion', 'Lanternmast', 'Chime', 119, { purpose: 'sound', generation: 2, lanes: 1, slots: 1, lengthMm: 140, powerW: 6 }),
    priced('mixer', 'Lanternmast', 'Mast Three', 345, { videoInputs: 3, monitorsAll: true, ownEncoding: false, ownRecording: false, powerW: 14 }),
    priced('mixer', 'Lanternmast', 'Mast Eight', 1290, { videoInputs: 8, monitorsAll: true, ownEncoding: true, ownRecording: true, powerW: 38 }),
    priced('expansion', 'Relaypike', 'Whisper', 39, { purpose: 'wireless', generation: 3, lanes: 1, slots: 1, lengthMm: 95, powerW: 4, wireless: true, wirelessStandard: 'ax' }),
    priced('mixer', 'Lanternmast', 'Mast Five', 645, { videoInputs: 5, monitorsAll: true, ownEncoding: true, ownRecording: true, powerW: 25 }),
    priced('display', 'Glasswater', 'Pane 27', 389, { diagonalIn: 27, widthPx: 2560, heightPx: 1440, refreshHz: 120, adaptiveSync: ['Steadyframe'], inputs: [{ kind: 'DisplayPort 1.4', count: 1 }, { kind: 'HDMI 2.0', count: 1 }] }),
    priced('display', 'Glasswater', 'Pane 32', 799, { diagonalIn: 32, widthPx: 3840, heightPx: 2160, refreshHz: 60, adaptiveSync: ['open adaptive sync'], inputs: [{ kind: 'DisplayPort 1.4', count: 1 }, { kind: 'HDMI 2.0', count: 2 }] }),
    ...[[24, 1920, 1080, 60, 129], [24, 1920, 1080, 144, 179], [27, 3840, 2160, 60, 449], [27, 2560, 1440, 165, 329], [32, 2560, 1440, 75, 289], [34, 3440, 1440, 100, 479], [43, 3840, 2160, 60, 649]].map(([diagonalIn = 0, widthPx = 0, heightPx = 0, refreshHz = 0, usd = 0]) =>
      priced('display', 'Glasswater', `Sash ${diagonalIn} ${widthPx} ${refreshHz}`, usd, { diagonalIn, widthPx, heightPx, refreshHz, adaptiveSync: refreshHz > 60 ? ['open adaptive sync'] : [], inputs: [{ kind: widthPx > 2560 ? 'DisplayPort 2.1' : 'DisplayPort 1.4', count: 1 }, { kind: 'HDMI 2.0', count: 1 }] }),
    ),
    priced('display', 'Glasswater', 'Pane 27 Steady', 429, { diagonalIn: 27, widthPx: 2560, heightPx: 1440, refreshHz: 165, adaptiveSync: ['Steadyframe', 'open adaptive sync'], chains: true, inputs: [{ kind: 'DisplayPort 1.4', count: 2 }, { kind: 'HDMI 2.0', count: 1 }] }),
    ...[['Keyrow', 'keyboard', 49], ['Keyrow Quiet', 'keyboard', 69], ['Pebble', 'mouse', 29], ['Pebble Wide', 'mouse', 39], ['Headland', 'headset', 99], ['Hullcam', 'camera for conferences', 79], ['Slate pen', 'drawing tablet', 319]].map(([name = '', purpose = '', usd = 0]) => priced('peripheral', 'Glasswater', String(name), Number(usd), { purpose, ...(purpose === 'keyboard' ? { serves: ['keyboard'] } : purpose === 'mouse' ? { serves: ['pointing'] } : {}) })),
    priced('peripheral', 'Glasswater', 'Trackwheel', 249, { purpose: 'grading panel' }),
    priced('system', 'Slipway', 'System One-seat', 129, { yearly: false, moves: false, secureStart: true }),
    priced('system', 'Slipway', 'System Works', 219, { yearly: false, moves: true, secureStart: true }),
    priced('system', 'Tideglass', 'Open System', 0, { yearly: false, moves: true, secureStart: false }),
    ...[['Reelwright', 'Perpetual seat', 'transferable', 495], ['Spliceyard', 'One-year seat', 'yearly', 265], ['Formglass', 'One-year seat', 'yearly', 1490], ['Meshkeel', 'Tied seat', 'tied', 890], ['Bridgewake', 'Trainer seat', 'tied', 1900], ['Drillyard', 'Metered use', 'metered', 95]].map(([maker = '', name = '', terms = '', usd = 0]) => priced('licence', String(maker), String(name), Number(usd), { application: maker, terms })),
    priced('service', 'Quillstone', 'Bring-in and hand-over', 90, { hours: 2 }),
    priced('service', 'Quillstone', 'Second-day repair on site', 260, { hours: 6, purpose: 'warranty', onSite: true, responseDays: 2, warrantyMonths: 36 }),
    ...([['Riser 20 cm gen 4', 'riser', 45, { generation: 4, lanes: 16 }], ['Riser 30 cm gen 5', 'riser', 79, { generation: 5, lanes: 16 }], ['Power lead, card 16', 'cable', 19, { cableFor: 'power', fromPlug: 'card-8', fromPlugs: 2, toPlug: 'card-16' }], ['Power lead, card 8', 'cable', 12, { cableFor: 'power', fromPlug: 'peripheral', fromPlugs: 2, toPlug: 'card-8' }], ['Power extension, processor 30 cm', 'cable', 9, { cableFor: 'power', fromPlug: 'processor-8', fromPlugs: 1, toPlug: 'processor-8', lengthMm: 300 }], ['Serial data lead 50 cm', 'cable', 5, { cableFor: 'drive data', outlets: 1, lengthMm: 500 }], ['Fan splitter', 'cable', 7, { cableFor: 'fan splitter', outlets: 3 }], ['Glow hub', 'light-controller', 29, { outlets: 6 }]] as const).map(([name, purpose, usd, figures]) => priced('accessory', 'Brumeworks', name, usd, { purpose, ...figures })),
    priced('drive', 'Ketterlode', 'Disc Tray', 49, { interface: 'SATA', form: '5.25"', cellKind: 'optical', capacityGB: 100, seqReadMBs: 54, seqWriteMBs: 36, sustainedWriteMBs: 36, activePowerW: 12, idlePowerW: 1, encryption: false }),
    priced('licence', 'Reelwright', 'One-year seat', 240, { application: 'Reelwright', terms: 'yearly' }),
    priced('service', 'Quillstone', 'Assembly and proof', 140, { hours: 3.5, purpose: 'assembly' }),
    priced('accessory', 'Northdraft', 'Dunlin mount for Eddy 130', 9, { purpose: 'mounting-kit', fitsCooler: 'northdraft-eddy-130', fitsSocket: 'Dunlin' }),
    priced('accessory', 'Brumeworks', 'Fulmar mount for Haar', 12, { purpose: 'mounting-kit', fitsSocket: 'Fulmar' }),
    priced('accessory', 'Northdraft', 'Paste 4 g', 8, { purpose: 'paste' }),
  ];
}
