import type { Reasons } from '../figures/registers';
import type { INGEST } from './ingestConstants';

/** Why the constants of `INGEST` are what they are. */
export const INGEST_WHY: Reasons<typeof INGEST> = {
  copy: { rows: ['ingest.copy_ram.t1', 'ingest.copy_disk_sync.t1'], judged: 0.35, reasoning: 'Pages are found, filled and handed on: four times what a copy in the caches costs, and up to 3.6 where a file is new on its drive.' },
  network: { reasoning: 'Packets of 9,000 bytes with the card’s help; small packets cost several times that.' },
  checksumFast: { rows: ['ingest.xxh3.t1'], judged: 0.35, reasoning: 'A vector checksum with the reading of its file; all but 0.14 of it is the reading.' },
  checksumStrong: { reasoning: 'Cryptographic sums with processor instructions for them, some two gigabytes a second a core.' },
  checksumPlain: { rows: ['ingest.md5.t1', 'ingest.sha256.t1'], reasoning: 'Cryptographic sums on a processor without instructions for them: MD5 4.8, SHA-256 13.7.' },
  streamSerial: { reasoning: 'One thread’s waiting, waking and book-keeping for a stream.' },
  memoryPasses: { reasoning: 'Every byte is written to memory once and read from it once.' },
  blocksHeld: { reasoning: 'Seconds of data held against a slow moment of the drive.' },
};
