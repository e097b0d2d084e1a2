import type { Reasons } from '../figures/registers';
import type { DESK } from './deskConstants';

/** Why the constants of `DESK` are what they are. */
export const DESK_WHY: Reasons<typeof DESK> = {
  systemGiB: { reasoning: 'Operating system, its services and file cache that should not be squeezed.' },
  tabGiB: { reasoning: 'An ordinary page; heavy ones take several times that.' },
  conferenceGiB: { reasoning: 'A meeting with a grid of faces.' },
  serialWork: { reasoning: 'One busy thread for pointer, windows and a page that is being used.' },
  tabWork: { reasoning: 'Background pages are throttled.' },
  conferenceWork: { reasoning: 'Decoding faces, encoding one camera and cleaning the sound.' },
};
