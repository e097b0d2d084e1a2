import { register } from '../figures/registers';

/** Constants of builds and guests; clocks are of the reference core. */
export const BUILD = register('builds', {
  light: { value: 2.76, spread: 1.5, unit: 'Gwork/unit', source: 'measured' },
  usual: { value: 6.8, spread: 1.6, unit: 'Gwork/unit', source: 'measured' },
  heavy: { value: 32.4, spread: 1.7, unit: 'Gwork/unit', source: 'measured' },
  unitSerial: { value: 0.004, spread: 1.4, unit: 'share', source: 'judgement' },
  lastFile: { value: 1.47, spread: 2.4, unit: 'files', source: 'measured' },
  linkClock: { value: 2.5, spread: 1, unit: 'Gwork/s', source: 'standard' },
  traffic: { value: 0.6, spread: 1.6, unit: 'B/clock', source: 'judgement' },
  lightBytes: { value: 450000.0, spread: 1.6, unit: 'B/unit', source: 'measured' },
  usualBytes: { value: 1740000.0, spread: 1.6, unit: 'B/unit', source: 'measured' },
  heavyBytes: { value: 10100000.0, spread: 1.6, unit: 'B/unit', source: 'measured' },
  objectShare: { value: 0.71, spread: 1.35, unit: 'share', source: 'measured' },
  treeTimes: { value: 4, spread: 1.4, unit: '×', source: 'judgement' },
  guestWork: { value: 2.5, spread: 1.2, unit: 'Gwork/s a busy thread', source: 'standard' },
  guestCost: { value: 1.08, spread: 1.05, unit: '×', source: 'judgement' },
  guestMiB: { value: 160, spread: 1.4, unit: 'MiB/guest', source: 'judgement' },
  guestReads: { value: 2 / 3, spread: 1.2, unit: 'share', source: 'judgement' },
  guestTraffic: { value: 0.4, spread: 1.6, unit: 'B/clock', source: 'judgement' },
  overlap: { value: 0.05, spread: 1.2, unit: 'share', source: 'judgement' },
});
