/** Figures of which more is better by itself and asks for something else at the same time, by declaration. */
export const ASKS_FOR_MORE: ReadonlySet<string> = new Set([
  'modules',
  'memoryChannels',
  'moduleGiB',
  'bays25',
  'bays35',
  // a part that may run hotter draws and gives off more, which others share
  'maxTemperatureC',
]);

/** Figures that make a machine faster and hotter at once: what is better is a matter of the whole. */
export const FASTER_AND_HOTTER: ReadonlySet<string> = new Set([
  'maxPowerW',
  'sustainedPowerW',
  'basePowerW',
  'idlePowerW',
]);
