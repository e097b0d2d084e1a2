import type { Register } from '../figures/registers';

/** Constants of the desk base. */
export const DESK = {
  systemGiB: { value: 4, spread: 1.2, unit: 'GiB', source: 'judgement', reasoning: 'Operating system, its services and file cache that should not be squeezed.' },
  tabGiB: { value: 0.12, spread: 1.5, unit: 'GiB/tab', source: 'judgement', reasoning: 'An ordinary page; heavy ones take several times that.' },
  conferenceGiB: { value: 1.5, spread: 1.3, unit: 'GiB', source: 'judgement', reasoning: 'A meeting with a grid of faces.' },
  serialWork: { value: 1.2, spread: 1.4, unit: 'Gwork/s', source: 'judgement', reasoning: 'One busy thread for pointer, windows and a page that is being used.' },
  tabWork: { value: 0.03, spread: 1.5, unit: 'Gwork/s a tab', source: 'judgement', reasoning: 'Background pages are throttled.' },
  conferenceWork: { value: 4, spread: 1.4, unit: 'Gwork/s', source: 'judgement', reasoning: 'Decoding faces, encoding one camera and cleaning the sound.' },
} as const satisfies Register;
