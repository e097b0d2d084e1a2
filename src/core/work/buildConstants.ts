import type { Register } from '../figures/registers';

/** Constants of builds and guests; clocks are of the reference core. */
export const BUILD = {
  light: { value: 1.2, spread: 1.5, unit: 'Gwork/unit', source: 'judgement', reasoning: 'Languages without generated headers: some half a second a file.' },
  usual: { value: 8, spread: 1.6, unit: 'Gwork/unit', source: 'judgement', reasoning: 'Headers and optimiser: some three seconds a file.' },
  heavy: { value: 32, spread: 1.7, unit: 'Gwork/unit', source: 'judgement', reasoning: 'Generated code throughout: more than ten seconds a file.' },
  unitSerial: { value: 0.004, spread: 1.4, unit: 'share', source: 'judgement', reasoning: 'Reading the plan and starting the jobs.' },
  linkClock: { value: 2.5, spread: 1, unit: 'Gwork/s', source: 'standard', reasoning: 'The reference core does 2.5 Gwork a second.' },
  traffic: { value: 0.6, spread: 1.6, unit: 'B/clock', source: 'judgement', reasoning: 'Trees and tables that miss the caches.' },
  unitBytes: { value: 4e6, spread: 1.6, unit: 'B/unit', source: 'judgement', reasoning: 'Sources, headers the first time, and the object file.' },
  objectShare: { value: 0.5, spread: 1.4, unit: 'share', source: 'judgement', reasoning: 'Objects are about half of what is read and written.' },
  treeTimes: { value: 4, spread: 1.4, unit: '×', source: 'judgement', reasoning: 'Sources with their history, and two builds of them.' },
  guestWork: { value: 2.5, spread: 1.2, unit: 'Gwork/s a busy thread', source: 'standard', reasoning: 'A busy thread of a guest is taken as a reference core.' },
  guestCost: { value: 1.08, spread: 1.05, unit: '×', source: 'judgement', reasoning: 'Leaving and entering a guest, and its timers.' },
  guestMiB: { value: 160, spread: 1.4, unit: 'MiB/guest', source: 'judgement', reasoning: 'Page tables and devices of a guest.' },
  guestReads: { value: 2 / 3, spread: 1.2, unit: 'share', source: 'judgement', reasoning: 'Services read about twice what they write.' },
  guestTraffic: { value: 0.4, spread: 1.6, unit: 'B/clock', source: 'judgement', reasoning: 'Services and databases that miss the caches.' },
  overlap: { value: 0.05, spread: 1.2, unit: 'share', source: 'judgement', reasoning: 'Linking waits for the last file.' },
} as const satisfies Register;
