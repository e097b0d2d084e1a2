import type { Register } from '../figures/registers';

/** Constants of builds and guests; clocks are of the reference core. */
export const BUILD = {
  light: { value: 2.76, spread: 1.5, unit: 'Gwork/unit', source: 'measured', rows: ['build.c.j1', 'build.c.j2'], judged: 1.2, reasoning: 'Plain C with debug information. Files of one library differ six times from their mean.' },
  usual: { value: 6.8, spread: 1.6, unit: 'Gwork/unit', source: 'measured', rows: ['build.cpp.j1', 'build.cpp.j2'], judged: 8, reasoning: 'Headers and optimiser.' },
  heavy: { value: 32.4, spread: 1.7, unit: 'Gwork/unit', source: 'measured', rows: ['build.template.j1', 'build.heavy_four.j1'], judged: 32, reasoning: 'Generated code throughout.' },
  unitSerial: { value: 0.004, spread: 1.4, unit: 'share', source: 'judgement', reasoning: 'Reading the plan and starting the jobs.' },
  lastFile: { value: 1.47, spread: 2.4, unit: 'files', source: 'measured', rows: ['build.c.j2', 'build.cpp.j2'], reasoning: 'Threads that wait for the last long file: twice what two threads took beyond half of the work, in files.' },
  linkClock: { value: 2.5, spread: 1, unit: 'Gwork/s', source: 'standard', reasoning: 'The reference core does 2.5 Gwork a second.' },
  traffic: { value: 0.6, spread: 1.6, unit: 'B/clock', source: 'judgement', reasoning: 'Trees and tables that miss the caches.' },
  lightBytes: { value: 450000.0, spread: 1.6, unit: 'B/unit', source: 'measured', rows: ['build.c.j1'], judged: 4000000.0, reasoning: 'Sources and headers the first time, and the object file.' },
  usualBytes: { value: 1740000.0, spread: 1.6, unit: 'B/unit', source: 'measured', rows: ['build.cpp.j1'], judged: 4000000.0, reasoning: 'The same with headers of templates.' },
  heavyBytes: { value: 10100000.0, spread: 1.6, unit: 'B/unit', source: 'measured', rows: ['build.template.j1', 'build.heavy_four.j1'], judged: 4000000.0, reasoning: 'The same; nearly all of it objects.' },
  objectShare: { value: 0.71, spread: 1.35, unit: 'share', source: 'measured', rows: ['build.c.j1', 'build.cpp.j1', 'build.template.j1', 'build.heavy_four.j1'], judged: 0.5, reasoning: 'Objects with debug information among what is read and written.' },
  treeTimes: { value: 4, spread: 1.4, unit: '×', source: 'judgement', reasoning: 'Sources with their history, and two builds of them.' },
  guestWork: { value: 2.5, spread: 1.2, unit: 'Gwork/s a busy thread', source: 'standard', reasoning: 'A busy thread of a guest is taken as a reference core.' },
  guestCost: { value: 1.08, spread: 1.05, unit: '×', source: 'judgement', reasoning: 'Leaving and entering a guest, and its timers.' },
  guestMiB: { value: 160, spread: 1.4, unit: 'MiB/guest', source: 'judgement', reasoning: 'Page tables and devices of a guest.' },
  guestReads: { value: 2 / 3, spread: 1.2, unit: 'share', source: 'judgement', reasoning: 'Services read about twice what they write.' },
  guestTraffic: { value: 0.4, spread: 1.6, unit: 'B/clock', source: 'judgement', reasoning: 'Services and databases that miss the caches.' },
  overlap: { value: 0.05, spread: 1.2, unit: 'share', source: 'judgement', reasoning: 'Linking waits for the last file.' },
} as const satisfies Register;
