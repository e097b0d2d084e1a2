import { register } from '../figures/registers';

/** Constants of storage bench and ingest; clocks are of the reference core. */
export const INGEST = register('ingest', {
  copy: { value: 1.53, spread: 2.4, unit: 'clocks/B', source: 'measured' },
  network: { value: 0.5, spread: 1.6, unit: 'clocks/B', source: 'judgement' },
  checksumFast: { value: 0.556, spread: 1.4, unit: 'clocks/B', source: 'measured' },
  checksumStrong: { value: 2.2, spread: 1.4, unit: 'clocks/B', source: 'judgement' },
  checksumPlain: { value: 8.1, spread: 1.75, unit: 'clocks/B', source: 'measured' },
  streamSerial: { value: 0.12, spread: 1.5, unit: 'Gwork/s', source: 'judgement' },
  memoryPasses: { value: 2, spread: 1.2, unit: '×', source: 'standard' },
  blocksHeld: { value: 2, spread: 1.3, unit: 's', source: 'judgement' },
});
