import type { Reasons } from '../figures/registers';
import type { BUILD } from './buildConstants';

/** Why the constants of `BUILD` are what they are. */
export const BUILD_WHY: Reasons<typeof BUILD> = {
  light: { rows: ['build.c.j1', 'build.c.j2'], judged: 1.2, reasoning: 'Plain C with debug information. Files of one library differ six times from their mean.' },
  usual: { rows: ['build.cpp.j1', 'build.cpp.j2'], judged: 8, reasoning: 'Headers and optimiser.' },
  heavy: { rows: ['build.template.j1', 'build.heavy_four.j1'], judged: 32, reasoning: 'Generated code throughout.' },
  unitSerial: { reasoning: 'Reading the plan and starting the jobs.' },
  lastFile: { rows: ['build.c.j2', 'build.cpp.j2'], reasoning: 'Threads that wait for the last long file: twice what two threads took beyond half of the work, in files.' },
  linkClock: { reasoning: 'The reference core does 2.5 Gwork a second.' },
  traffic: { reasoning: 'Trees and tables that miss the caches.' },
  lightBytes: { rows: ['build.c.j1'], judged: 4000000.0, reasoning: 'Sources and headers the first time, and the object file.' },
  usualBytes: { rows: ['build.cpp.j1'], judged: 4000000.0, reasoning: 'The same with headers of templates.' },
  heavyBytes: { rows: ['build.template.j1', 'build.heavy_four.j1'], judged: 4000000.0, reasoning: 'The same; nearly all of it objects.' },
  objectShare: { rows: ['build.c.j1', 'build.cpp.j1', 'build.template.j1', 'build.heavy_four.j1'], judged: 0.5, reasoning: 'Objects with debug information among what is read and written.' },
  treeTimes: { reasoning: 'Sources with their history, and two builds of them.' },
  guestWork: { reasoning: 'A busy thread of a guest is taken as a reference core.' },
  guestCost: { reasoning: 'Leaving and entering a guest, and its timers.' },
  guestMiB: { reasoning: 'Page tables and devices of a guest.' },
  guestReads: { reasoning: 'Services read about twice what they write.' },
  guestTraffic: { reasoning: 'Services and databases that miss the caches.' },
  overlap: { reasoning: 'Linking waits for the last file.' },
};
