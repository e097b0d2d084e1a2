import type { Register } from '../figures/registers';

/** Constants of storage bench and ingest; clocks are of the reference core. */
export const INGEST = {
  copy: { value: 1.53, spread: 2.4, unit: 'clocks/B', source: 'measured', rows: ['ingest.copy_ram.t1', 'ingest.copy_disk_sync.t1'], judged: 0.35, reasoning: 'Pages are found, filled and handed on: four times what a copy in the caches costs, and up to 3.6 where a file is new on its drive.' },
  network: { value: 0.5, spread: 1.6, unit: 'clocks/B', source: 'judgement', reasoning: 'Packets of 9,000 bytes with the card’s help; small packets cost several times that.' },
  checksumFast: { value: 0.556, spread: 1.4, unit: 'clocks/B', source: 'measured', rows: ['ingest.xxh3.t1'], judged: 0.35, reasoning: 'A vector checksum with the reading of its file; all but 0.14 of it is the reading.' },
  checksumStrong: { value: 2.2, spread: 1.4, unit: 'clocks/B', source: 'judgement', reasoning: 'Cryptographic sums with processor instructions for them, some two gigabytes a second a core.' },
  checksumPlain: { value: 8.1, spread: 1.75, unit: 'clocks/B', source: 'measured', rows: ['ingest.md5.t1', 'ingest.sha256.t1'], reasoning: 'Cryptographic sums on a processor without instructions for them: MD5 4.8, SHA-256 13.7.' },
  streamSerial: { value: 0.12, spread: 1.5, unit: 'Gwork/s', source: 'judgement', reasoning: 'One thread’s waiting, waking and book-keeping for a stream.' },
  memoryPasses: { value: 2, spread: 1.2, unit: '×', source: 'standard', reasoning: 'Every byte is written to memory once and read from it once.' },
  blocksHeld: { value: 2, spread: 1.3, unit: 's', source: 'judgement', reasoning: 'Seconds of data held against a slow moment of the drive.' },
} as const satisfies Register;
