import { assess, contextOf } from '@/core/assess';
import { compileCatalogue } from '@/core/model/catalogue';
import { caseCatalogue, readCase } from '@/core/formats/caseFile';
import { emptyCatalogue } from '@/core/formats/catalogue';
import { catalogueSchema } from '@/core/model/catalogueSchema';
import type { TaskKind } from '@/core/model/tasks';
import { startingTask } from '@/core/work/templates';
import { demoCatalogue } from '@/demo/catalogue';
import { demoSeats } from '@/demo/ninefathom';
import { filmCase, median, parseBaseline } from './baseline';

const parsed = readCase(filmCase);
if (!parsed.ok) throw new Error(parsed.problems.map((problem) => `${problem.path} ${problem.message}`).join('\n'));
const { brief, machines, today } = parsed.value;
const [machine] = machines;
if (!machine) throw new Error('the case file has no machine');
const context = contextOf(compileCatalogue(caseCatalogue(parsed.value, emptyCatalogue)), today);

const parse = parseBaseline();
const remembered = median(() => assess(machine, brief, context));
const searched = median(() => {
  context.placements.clear();
  return assess(machine, brief, context);
});
const line = (what: string, ms: number) =>
  console.log(`${what.padEnd(34)} ${ms.toFixed(3)} ms   ${(ms / parse).toFixed(1)} × parse`);
console.log(
  `case file: ${(filmCase.length / 1000).toFixed(0)} kB, ${machine.items.length} items, ${brief.tasks.length} tasks`,
);
line('JSON.parse of the file', parse);
line('assess, placement remembered', remembered);
line('assess, placement searched anew', searched);

// the heaviest seat of the demo: every trade's task at once, on the machine of the case file
const everything = {
  ...brief,
  tasks: ['edit-play', 'edit-export', 'live', 'scene', 'ingest', 'audio'].map((kind) =>
    startingTask(kind as TaskKind, kind),
  ),
  sittings: [
    {
      id: 'all',
      name: 'All',
      hoursPerWeek: 1,
      tasks: ['edit-play', 'edit-export', 'live', 'scene', 'ingest', 'audio'],
    },
  ],
};
line(
  'assess, six tasks in one sitting',
  median(() => assess(machine, everything, context)),
);

// the desk: every draft of every seat of the demo, placements searched anew
const demo = catalogueSchema.parse(demoCatalogue());
const seats = demoSeats();
const drafts = seats.reduce((all, seat) => all + seat.drafts.length, 0);
const whole = compileCatalogue(demo);
line(
  `assess, ${seats.length} seats with ${drafts} drafts`,
  median(
    () => {
      const fresh = contextOf(whole, today);
      for (const seat of seats) for (const draft of seat.drafts) assess(draft, seat.brief, fresh);
    },
    20,
    1,
    2,
  ),
);
