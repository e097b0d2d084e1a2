import type { Reasons } from '../figures/registers';
import type { LINKS } from './links';

/** Why the constants of `LINKS` are what they are. */
export const LINKS_WHY: Reasons<typeof LINKS> = {
  slot: { reasoning: 'Packet headers at 256-byte payloads and flow control cost some 10 to 20 % of the coded rate.' },
  sata: {
    reasoning:
      'A frame of 8,192 bytes carries 16 of its own (Serial ATA 3.0); handshakes and commands between frames take the rest.',
  },
  network: {
    reasoning:
      'Of 1,538 bytes on the line 1,448 are carried, with the usual frames and time stamps (IEEE 802.3, RFC 7323).',
  },
};
