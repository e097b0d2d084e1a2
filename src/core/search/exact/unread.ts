import type { PartKind } from '../../parts';

/** Figures by kind. */
export type Figures = Readonly<Partial<Record<PartKind, readonly string[]>>>;

/**
 * Figures by kind that no prediction depends on, with whatever parts: what a part takes up, what it is plugged into, what
 * is told of it. Options that differ in nothing else do the same work (`unread.test.ts`).
 */
export const UNREAD = {
  processor: ['socket', 'memoryLimitGiB', 'unlocked', 'shortPowerS'],
  board: [
    'socket',
    'chipset',
    'form',
    'processorPowerW',
    'shippedFirmware',
    'firmwareVersions',
    'flashWithoutProcessor',
    'secondFirmwareChip',
    'displayOutputs',
    'rearUsb',
    'fanHeaders',
    'fanHeaderCurrentA',
    'pumpHeaders',
    'lightHeaders',
    'lightHeaders12V',
    'lightProgram',
    'frontAudioHeader',
    'frontUsbHeaders',
    'powerInputs',
    'wireless',
    'wirelessStandard',
    'socketFromRearMm',
    'socketFromTopMm',
    'sataCables',
    'remoteManagement',
    'heatsinkHeightMm',
  ],
  memory: ['heightMm', 'voltageV', 'casLatency', 'rcd', 'rp', 'ras'],
  graphics: [
    'heightMm',
    'coolerThicknessMm',
    'connectors',
    'recommendedSupplyW',
    'outputs',
    'maxDisplays',
    'adaptiveSync',
  ],
  drive: [
    'cacheMiB',
    'randomReadKiops',
    'randomWriteKiops',
    'enduranceTBW',
    'unrecoverableReadPerBit',
    'noiseDbA',
    'encryption',
  ],
  cooler: [
    'sockets',
    'heightMm',
    'depthMm',
    'widthMm',
    'offsetMm',
    'finsAboveBoardMm',
    'radiatorThicknessMm',
    'memoryClearanceMm',
    'fanCurrentA',
    'lightHeaders',
    'lightPlug',
    'lightProgram',
    'pasteIncluded',
  ],
  case: [
    'boardForms',
    'supplyForms',
    'supplyLengthMm',
    'cardLengthMm',
    'cardLengthFrontRadiatorMm',
    'cardHeightMm',
    'uprightCards',
    'coolerHeightMm',
    'fanCurrentA',
    'lightHeaders',
    'lightPlug',
    'lightProgram',
    'bays25',
    'bays35',
    'opticalBays',
    'frontUsb',
    'frontAudio',
    'innerLengthMm',
    'innerHeightMm',
    'innerWidthMm',
    'behindBoardMm',
    'supplyPlace',
    'driveCageFromRearMm',
    'volumeL',
  ],
  fan: ['linkMm', 'maxRpm', 'currentA', 'lightHeaders', 'lightPlug', 'lightProgram', 'connector'],
} as const satisfies Figures;

/** What bounds that know no cooler do not read: how warm a part gets and how it is housed too. */
export const UNREAD_COLD = {
  ...UNREAD,
  processor: [
    ...UNREAD.processor,
    'idlePowerW',
    'basePowerW',
    'maxPowerW',
    'sustainedPowerW',
    'maxTemperatureC',
    'packageKPerW',
    'coolerIncluded',
    'includedCoolerKPerW',
    'includedCoolerNoiseDbA',
  ],
  board: [...UNREAD.board, 'boardPowerW'],
  memory: [...UNREAD.memory, 'modulePowerW'],
  graphics: [
    ...UNREAD.graphics,
    'lengthMm',
    'slots',
    'idlePowerW',
    'boardPowerW',
    'excursionRatio',
    'cooling',
    'resistance',
    'maxTemperatureC',
    'noiseDbA',
    'exhaust',
  ],
} as const satisfies Figures;

/** The same where graphics have their slots: a thick card takes what others could have. */
export const UNREAD_SEATED: Figures = {
  ...UNREAD_COLD,
  graphics: UNREAD_COLD.graphics.filter((field) => field !== 'slots'),
};

/**
 * Figures of the kinds that have envelopes which bounds do not read while board, case, cooler and supply are still to
 * come. `envelope.test.ts` holds the bounds to that.
 */
export const HOUSING: Figures = {
  graphics: UNREAD_COLD.graphics,
  memory: [...UNREAD_COLD.memory, 'testedBoards'],
};
