import { readFileSync } from 'node:fs';
import { assess, contextOf } from '@/core/assess';
import { compileCatalogue } from '@/core/catalogue';
import { caseCatalogue, readCase } from '@/core/formats/caseFile';
import { emptyCatalogue } from '@/core/formats/catalogue';

/** Median milliseconds of a call, over batches long enough for the clock. */
function median(run: () => unknown, rounds = 401): number {
  for (let i = 0; i < 300; i++) run();
  const times: number[] = [];
  for (let i = 0; i < rounds; i++) {
    const started = performance.now();
    for (let k = 0; k < 5; k++) run();
    times.push((performance.now() - started) / 5);
  }
  times.sort((a, b) => a - b);
  return times[Math.floor(times.length / 2)] ?? NaN;
}

const text = readFileSync(new URL('./film-desk.case.json', import.meta.url), 'utf8');
const parsed = readCase(text);
if (!parsed.ok) throw new Error(parsed.problems.map((problem) => `${problem.path} ${problem.message}`).join('\n'));
const { brief, machines, today } = parsed.value;
const [machine] = machines;
if (!machine) throw new Error('the case file has no machine');
const context = contextOf(compileCatalogue(caseCatalogue(parsed.value, emptyCatalogue)), today);

const parse = median(() => JSON.parse(text));
const remembered = median(() => assess(machine, brief, context));
const searched = median(() => {
  context.placements.clear();
  return assess(machine, brief, context);
});
const line = (what: string, ms: number) =>
  console.log(`${what.padEnd(34)} ${ms.toFixed(3)} ms   ${(ms / parse).toFixed(1)} × parse`);
console.log(
  `case file: ${(text.length / 1000).toFixed(0)} kB, ${machine.items.length} items, ${brief.tasks.length} tasks`,
);
line('JSON.parse of the file', parse);
line('assess, placement remembered', remembered);
line('assess, placement searched anew', searched);
