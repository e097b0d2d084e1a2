import { listOf, pieces, quantity } from '../units/bounds';
import { z } from 'zod';
import {
  populationRateSchema,
  count,
  figure,
  figureFromZero,
  flag,
  lanes,
  linkGeneration,
  mediaEngines,
  memoryGeneration,
  moduleKind,
  partBase,
  plainText,
  displayPorts,
} from './common';

/** Cores of one kind. `workPerClock` is relative to a reference core at 1.0. */
export const coreGroupSchema = z.strictObject({
  kind: z.enum(['performance', 'efficiency']),
  count: pieces(4096),
  threadsPerCore: z.number().int().min(1).max(2),
  baseGHz: figure('base clock', 'GHz', 'higher'),
  boostGHz: figure('boost clock', 'GHz', 'higher'),
  allCoreGHz: figure('all-core clock at full power', 'GHz', 'higher'),
  workPerClock: figure('work per clock', '× reference core', 'higher'),
});
export type CoreGroup = z.infer<typeof coreGroupSchema>;

export const memorySupportSchema = z.strictObject({
  generation: memoryGeneration,
  kinds: listOf(moduleKind).min(1),
  rates: listOf(populationRateSchema).min(1),
});

export const integratedGraphicsSchema = z.strictObject({
  fp32Tflops: quantity('TFLOP/s'),
  mediaEngines,
  outputs: displayPorts('display outputs'),
});

export const processorSchema = z.strictObject({
  kind: z.literal('processor'),
  ...partBase,
  socket: plainText(40).optional().meta({ label: 'socket' }),
  family: plainText(40).optional().meta({ label: 'family' }),
  coreGroups: listOf(coreGroupSchema).min(1).optional().meta({ label: 'core groups' }),
  cacheMiB: figure('last-level cache', 'MiB', 'higher'),
  idlePowerW: figure('idle power', 'W', 'lower'),
  basePowerW: figure('base power', 'W', 'lower'),
  maxPowerW: figure('maximum package power', 'W', 'lower'),
  /** Package power it keeps up for hours; the maximum where it has no short power window. */
  sustainedPowerW: figure('power kept up for hours', 'W', 'higher'),
  shortPowerS: figureFromZero('short power window', 's', 'higher'),
  maxTemperatureC: figure('temperature limit', '°C', 'higher'),
  packageKPerW: figure('resistance of the package', 'K/W', 'lower'),
  memory: listOf(memorySupportSchema).optional().meta({ label: 'memory support' }),
  memoryChannels: count('memory channels'),
  memoryLimitGiB: figure('memory limit', 'GiB', 'higher'),
  errorCorrection: flag('error correction'),
  rootLinks: listOf(z.strictObject({ generation: linkGeneration, lanes }))
    .optional()
    .meta({ label: 'root links' }),
  integratedGraphics: z
    .union([z.literal('none'), integratedGraphicsSchema])
    .optional()
    .meta({ label: 'integrated graphics' }),
  coolerIncluded: flag('cooler included'),
  includedCoolerKPerW: figure('resistance of the cooler included', 'K/W', 'lower'),
  includedCoolerNoiseDbA: figure('noise of the cooler included', 'dB(A)', 'lower'),
  unlocked: flag('unlocked'),
  fp32PerClock: figure('FP32 operations per clock and core', '', 'higher'),
  fp64PerClock: figure('FP64 operations per clock and core', '', 'higher'),
  hashInstructions: flag('instructions for strong checksums'),
});
