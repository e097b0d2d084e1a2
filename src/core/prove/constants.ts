import { register } from '../figures/registers';

/** What the acceptance of a built machine rests on beside the model's own constants. */
export const PROVE = register('proof', {
  rise: { value: 1, spread: 1.2, unit: '× predicted rise', source: 'judgement' },
  watts: { value: 1, spread: 1.12, unit: '× predicted power', source: 'judgement' },
  clock: { value: 1, spread: 1.06, unit: '× predicted clock', source: 'judgement' },
  fanSpeed: { value: 1, spread: 1.35, unit: '× predicted speed', source: 'judgement' },
  noiseDb: { value: 1, spread: 1.45, unit: '× predicted sound pressure', source: 'judgement' },
  driveMostC: { value: 75, spread: 1.07, unit: '°C', source: 'judgement' },
  driveRiseK: { value: 35, spread: 1.25, unit: 'K over the room at load', source: 'judgement' },
  readingNoise: { value: 1, spread: 1.03, unit: '×', source: 'judgement' },
  // what a mistake does to what the model cannot be asked about
  badPaste: { value: 1.6, spread: 1.2, unit: '× resistance from chip to air', source: 'judgement' },
  stillCooler: { value: 3, spread: 1.4, unit: '× resistance from chip to air', source: 'judgement' },
  reversedAir: { value: 0.35, spread: 1.4, unit: '× air through the case', source: 'judgement' },
  cloggedAir: { value: 0.65, spread: 1.3, unit: '× air through the case', source: 'judgement' },
  stillPump: { value: 8, spread: 1.5, unit: '× resistance from chip to air', source: 'judgement' },
  filmRiseK: { value: 22, spread: 1.3, unit: 'K more at the drive', source: 'judgement' },
  filmKept: { value: 0.45, spread: 1.3, unit: '× rate after its cache', source: 'judgement' },
  filmCached: { value: 0.85, spread: 1.15, unit: '× rate into its cache', source: 'judgement' },
  cardShare: { value: 0.6, spread: 1.2, unit: '× board power', source: 'judgement' },
  processorShare: { value: 0.55, spread: 1.2, unit: '× power kept up', source: 'judgement' },
  // how long a test takes
  warmMin: { value: 20, spread: 1.5, unit: 'min', source: 'judgement' },
  memoryPasses: { value: 4, spread: 1.5, unit: 'passes', source: 'judgement' },
  memoryTraffic: { value: 700, spread: 2, unit: 'bytes moved a byte of memory and pass', source: 'judgement' },
});

/** How often a machine that falls short has each mistake, against the others; only ratios count. */
export const OFTEN = register('mistakes', {
  'narrow-card': { value: 1, spread: 2, unit: 'weight', source: 'judgement' },
  'one-channel': { value: 1, spread: 2, unit: 'weight', source: 'judgement' },
  'profile-off': { value: 2, spread: 2, unit: 'weight', source: 'judgement' },
  paste: { value: 1, spread: 2, unit: 'weight', source: 'judgement' },
  'cooler-still': { value: 1, spread: 2, unit: 'weight', source: 'judgement' },
  'fan-reversed': { value: 1, spread: 2, unit: 'weight', source: 'judgement' },
  'processor-limit': { value: 0.7, spread: 2, unit: 'weight', source: 'judgement' },
  'card-limit': { value: 0.5, spread: 2, unit: 'weight', source: 'judgement' },
  'narrow-drive': { value: 1, spread: 2, unit: 'weight', source: 'judgement' },
  'drive-film': { value: 0.7, spread: 2, unit: 'weight', source: 'judgement' },
  'loose-module': { value: 1, spread: 2, unit: 'weight', source: 'judgement' },
  'unsteady-memory': { value: 1, spread: 2, unit: 'weight', source: 'judgement' },
  'slow-network': { value: 1, spread: 2, unit: 'weight', source: 'judgement' },
});
export type Mistake = keyof typeof OFTEN;
