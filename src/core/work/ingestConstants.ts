import type { Register } from '../figures/registers';

/** Constants of storage bench and ingest; clocks are of the reference core. */
export const INGEST = {
  copy: { value: 0.35, spread: 1.5, unit: 'clocks/B', source: 'judgement', reasoning: 'System calls, page handling and one copy of large blocks.' },
  network: { value: 0.5, spread: 1.6, unit: 'clocks/B', source: 'judgement', reasoning: 'Packets of 9,000 bytes with the card’s help; small packets cost several times that.' },
  checksumFast: { value: 0.35, spread: 1.4, unit: 'clocks/B', source: 'judgement', reasoning: 'Vector checksums run at some ten gigabytes a second a core.' },
  checksumStrong: { value: 2.2, spread: 1.4, unit: 'clocks/B', source: 'judgement', reasoning: 'Cryptographic sums with processor instructions for them, some two gigabytes a second a core.' },
  streamSerial: { value: 0.12, spread: 1.5, unit: 'Gwork/s', source: 'judgement', reasoning: 'One thread’s waiting, waking and book-keeping for a stream.' },
  memoryPasses: { value: 2, spread: 1.2, unit: '×', source: 'standard', reasoning: 'Every byte is written to memory once and read from it once.' },
  blocksHeld: { value: 2, spread: 1.3, unit: 's', source: 'judgement', reasoning: 'Seconds of data held against a slow moment of the drive.' },
} as const satisfies Register;
