import { expect, test } from 'vitest';
import { unitsKept } from './unitsKept';

const shown = (sentence: string): string => unitsKept(sentence).replaceAll('\u00a0', '_');

test.each([
  [
    'reaches 95 °C and keeps 4.6 of 5.3 GHz, at 172 W of 253 W.',
    'reaches 95_°C and keeps 4.6 of 5.3_GHz, at 172_W of 253_W.',
  ],
  [
    'keeps 1,598 of 1,936 GB beside 64 GB; growing 15 % a year',
    'keeps 1,598 of 1,936_GB beside 64_GB; growing 15_% a year',
  ],
  [
    'takes 26 – 60 min, 2.5 Gb/s, 0.9 GB/s, 38 dB(A), 5600 MT/s',
    'takes 26 – 60_min, 2.5_Gb/s, 0.9_GB/s, 38_dB(A), 5600_MT/s',
  ],
  ['322 W in 28.8 m³/h warm the air by 33.4 K', '322_W in 28.8_m³/h warm the air by 33.4_K'],
  // what only begins like a unit, or follows no number, is none
  ['2 sockets hold 4 modules, 3 hours, 1 Aldmoor, 2 W/m', '2 sockets hold 4 modules, 3 hours, 1 Aldmoor, 2 W/m'],
  ['Quernic Shearwater 24 draws up to 253 W', 'Quernic Shearwater 24 draws up to 253_W'],
  ['Drive A has no slot', 'Drive A has no slot'],
])('%s', (sentence, kept) => {
  expect(shown(sentence)).toBe(kept);
  // nothing but that space is another
  expect(unitsKept(sentence).replaceAll('\u00a0', ' ')).toBe(sentence);
});
