import { assess, contextOf } from '@/core/assess';
import { compileCatalogue } from '@/core/catalogue';
import { caseCatalogue, readCase } from '@/core/formats/caseFile';
import { emptyCatalogue } from '@/core/formats/catalogue';
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
