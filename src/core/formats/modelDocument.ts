import { LINKS } from '../board/links';
import { EVIDENCE } from '../evidence/constants';
import { HEAT } from '../heat/constants';
import { CABLES, MINUTES } from '../assemble/constants';
import { OFTEN, PROVE } from '../prove/constants';
import { SURPLUS } from '../rules/surplus/growth';
import { UPGRADE } from '../upgrade/constants';
import { COMMON } from '../work/common';
import type { Constant, Reason, Register, SourceClass } from '../figures/registers';
import type { TaskKind } from '../model/tasks';
import { TRADES } from '../work/templates';
import type { Trade } from '../work/trade';
import { number } from '../words/format';
import { explained } from './reasons';

const cell = (text: string) => text.replaceAll('|', '\\|');

/** Where a value comes from, and how many rows of measurements determine it. */
const sourceOf = ({ source, rows }: Constant & Reason): string =>
  rows === undefined
    ? source
    : rows.includes('*')
      ? `${source}, all rows`
      : `${source}, ${rows.length} ${rows.length === 1 ? 'row' : 'rows'}`;

/** Why it is so, and what was taken for it before there were rows. */
const whyOf = ({ reasoning, judged, value }: Constant & Reason): string =>
  judged === undefined || judged === value
    ? reasoning
    : `${reasoning} Judged as ${judged} before: ${number(Math.max(judged / value, value / judged), 2)} times ${judged > value ? 'too high' : 'too low'}.`;

const registerTable = (register: Register): string[] => [
  '| Constant | Value | Spread | Unit | Source | Why |',
  '| --- | --- | --- | --- | --- | --- |',
  ...Object.entries(register).map(([name, { id }]) => {
    const constant = explained(id);
    return `| ${name} | ${constant.value} | ×÷ ${constant.spread} | ${cell(constant.unit)} | ${sourceOf(constant)} | ${cell(whyOf(constant))} |`;
  }),
  '',
];

const SOURCES: readonly SourceClass[] = ['standard', 'paper', 'measured', 'judgement'];

/** How many constants of each topic come from where. */
function sourcesTable(topics: readonly (readonly [string, Register])[]): string[] {
  const counts = (registers: readonly Register[]): string => {
    const all = registers.flatMap((register) => Object.values(register));
    const numbers = SOURCES.map((source) => all.filter((constant) => constant.source === source).length);
    return [...numbers, all.length, `${Math.round((100 * (numbers[2] ?? 0)) / Math.max(1, all.length))} %`].join(' | ');
  };
  return [
    '| Of | Standard | Paper | Measured | Judgement | All | Measured |',
    '| --- | --- | --- | --- | --- | --- | --- |',
    ...topics.map(([topic, register]) => `| ${topic} | ${counts([register])} |`),
    `| all | ${counts(topics.map(([, register]) => register))} |`,
    '',
  ];
}

const tradeSection = (trade: Trade<TaskKind>): string[] => [
  `## ${trade.name}`,
  '',
  `\`${trade.kind}\`: ${trade.explains}.`,
  '',
  '| Figure | Unit | What it does | Thought through for |',
  '| --- | --- | --- | --- |',
  ...Object.values(trade.figures).map(
    ({ label, unit, explains, valid }) =>
      `| ${cell(label)} | ${unit ?? ''} | ${cell(explains)} | ${valid ? `${valid[0]} to ${valid[1]}` : ''} |`,
  ),
  '',
  ...trade.weaknesses.map((weakness) => `- ${weakness}`),
  '',
];

const INTRODUCTION = `# The model of work

Made from the code by \`npm run model\`. The heat and power that the clocks follow from are told in
[how it works](how-it-works.md), the rules in [rules](rules.md).

## From a task to a prediction

A task becomes **stages**; a stage places demands, a unit of work (frame, buffer, second, run), on **resources**. Units:
processor work in Gwork (10⁹ clocks of the reference core, a thread of 2.5 GHz that was measured), graphics work in peak
FLOP (the stated share of peak is divided out), traffic and streams in bytes, engines in engine-seconds.

- *Serial rate* = work a clock × boost clock of the best core. *Parallel rate* = Σ cores (work a clock × all-core clock),
  fastest cores first, then second threads at their gain, up to the application’s threads. A stage has a serial share on
  the best core and the rest on all that its threads can use (Amdahl 1967).
- *Engines* do so many Mpx/s by codec, chroma, depth and size, and keep so many streams open. Who comes after the last
  session does not run; nothing falls back to software unasked.
- *Several cards*: an application says how many it uses and what share of each further one arrives; a further card on a
  narrower link than the first arrives by as much less. Engines and graphics memory do not add up.
- *Drives*: real-time streams that last are held to the rate after the cache; one whose whole run fits into the fast-write
  cache to the cached rate. A run writes at n ÷ (cached ÷ fast + rest ÷ slow). The cache begins empty.
- *What meets*: a drive serves all its roles and all streams that end at it with one rate each way, a network all that is
  sent over it; graphics inside the processor and the cores share the memory.
- *What is kept*: every task’s bytes once, in however many sittings it runs; what is scratched, of two sittings the larger.
  A role has the room of its drives less what the others keep: the least over all sets of roles, so that it is enough
  exactly when all of it can be laid on the drives (Hall 1935). It grows for as long as the machine is meant to serve.
- *Links*: streams between devices take the placed links; those of one hub share its uplink, real time first, the rest
  max-min fair. What headers leave of a link is below (*Links*); a network carries the same share on the board and
  on a card, and streams take the fastest on a wire.

**Real time.** All real-time tasks of a sitting are served first; a task’s margin on a resource is what the others leave ÷
what it asks. The least margin is its ratio to the target; below 1 frames drop. One thread’s work does not slow another
task’s thread; it counts in the work of all cores. Live pictures, sound and (if asked) scenes must keep their target in
their *worst moments*: demand there is a stated factor above the mean.

**Runs.** Elastic tasks take what is left, less the reserve that a foreground task keeps (two cores, 15 % of the card).
Alone, a unit takes max over resources (perfectly pipelined) plus (1 − overlap) × (sum of its stages − that). Several share
max-min: all grow together until a resource is full.

**Memory.** What all tasks of a sitting hold adds up. What does not fit slows its users by 1 + cost × missing share; models
that learn or answer, and guests, do not run at all when they do not fit. A learning run’s states lie on each card, or in
shards of 1 ÷ cards on each.

**Arithmetic of a card.** FP32, dense half-precision matrix and FP64 rates are told apart. Cards that learn together exchange
2 (n − 1) ÷ n of the gradients, or 3 (n − 1) ÷ n of the weights when these are sharded, over the narrowest of their links.

**Sizes.** Before any part is chosen the same demands give memory as module sets, graphics memory, and drives by role: rates
of real time and of runs within their targets, space grown over the years, writes a day and the rating that lasts. Years of
endurance = rated writes ÷ (writes a day × 365); arrays by level with rebuild time and the chance of an unreadable bit
meanwhile, 1 − (1 − u)^bits.

**Bands.** Every constant has a spread (a factor). Products combine spreads as independent log-normal errors; sums weigh
them by share. A figure outside the range a trade was thought through for widens the band by the root of how far outside,
a third at least, and says so. *What is least sure* is the elasticity of the result along its derivation times the ln of
the constant’s spread.

**Evidence.** Measured ÷ predicted of one kind of work, from runs on one thread, becomes a factor: a normal model on
logarithms with the constant’s spread as prior and the runs’ range (or 16 %) as noise. What is other files, pictures and
programs stays in doubt: four fifths of the constant’s own doubt, a third at least, more where results of one kind lie far
apart. Runs on more threads then give one
factor for what threads bring. Sequential runs of a drive and memory streams on all threads correct the stated rates in the
same way; where nothing is stated the results are the rate, for writes up to the length that was run. A result says which
part it is about. All apply to that machine in full, to machines with the same processor with 10 % more
doubt, of its family with 20 %. Rows marked *check* teach nothing and are held against the prediction.

**Measured constants** come from open programs on one machine: two threads of 2.5 GHz with vectors of 512 bits, virtual,
shared with others. Each is the geometric mean of what its rows say, and a test computes it anew from them; where programs
for the same work differ threefold, its spread holds them or the work has kinds. What rows of two threads cannot tell: a
serial share from threads that only get in each other’s way. Work of independent pieces (files, rays, pictures, frames to
encode) keeps the share that it was judged to have, and a machine’s own results say what its threads bring; work whose
steps wait for each other (adjusting, composing, tables) takes its share from the rows. Meshing took two thirds of the time
on two threads, on one small surface; nothing is concluded from that.

**Held against rows that were not used**, on that machine: without and with what its calibrating rows teach, beside the
values as they were judged before there were rows. Errors are predicted ÷ measured − 1; *inside* is how many lie within low
to high. Its rows repeat within 16 % at the median, so smaller errors say nothing.

| Work | Rows | Judged: median, worst, inside | Measured: median, worst, inside | Taught: median, worst, inside |
| --- | --- | --- | --- | --- |
| Pictures | 11 | 17 %, 47 %, 8 | 17 %, 47 %, 8 | 11 %, 49 %, 9 |
| Surveys | 3 | 93 %, 94 %, 1 | 38 %, 112 %, 3 | 5 %, 124 %, 2 |
| Direct solution | 2 | 22 %, 32 %, 2 | 8 %, 12 %, 2 | 17 %, 19 %, 2 |
| Tables | 8 | 47 %, 753 %, 5 | 28 %, 94 %, 7 | 27 %, 86 %, 6 |
| Learning on cores | 3 | 20 %, 37 %, 3 | 20 %, 37 %, 3 | 20 %, 20 %, 3 |
| Live | 6 | 42 %, 734 %, 2 | 12 %, 47 %, 5 | 17 %, 23 %, 6 |
| Copies | 2 | 772 %, 926 %, 0 | 138 %, 141 %, 1 | 80 %, 84 %, 1 |
| Stills | 5 | 64 %, 80 %, 1 | 15 %, 42 %, 5 | 15 %, 42 %, 5 |
| All | 40 | 36 %, 926 %, 22 | 19 %, 141 %, 34 | 17 %, 124 %, 34 |

Nothing is taught from one kind of work to another: with one machine there is no correlation to show that it would hold.

Above 50 %: features found at twice the side (one program; four times is not enough for it), sums by many groups over
five times the rows (that program leaves the caches), and copies to a new file (2.3 times what copying in memory takes).
Not represented: what is a part of a stage only (cutting columns into steps, reading without copying, a picture copied in
memory).

Known weaknesses of the whole: constants of the graphics side are judgements, because no card was there to measure; one
card’s and the processor’s engines count as one pool of time; caches of processors and small-file work of drives are not
modelled; the unpinned system moves threads as it likes.
`;

/** The model as a page of documentation: derivations, figures with ranges, registers, weaknesses. */
export function modelDocument(): string {
  const trades = Object.values(TRADES) as Trade<TaskKind>[];
  const registers = new Map<Register, string[]>();
  for (const { constants, name } of trades) registers.set(constants, [...(registers.get(constants) ?? []), name]);
  const topics: (readonly [string, Register])[] = [
    ['Shared', COMMON],
    ['Links', LINKS],
    ...[...registers]
      .filter(([register]) => Object.keys(register).length > 0)
      .map(([register, names]) => [names.join('; '), register] as const),
    ['Evidence', EVIDENCE],
    ['Heat, air and noise', HEAT],
    ['Selling what is there', UPGRADE],
    ['Putting it together', MINUTES],
    ['Ways of cables', CABLES],
    ['Proving it', PROVE],
    ['Mistakes of assembly, how often', OFTEN],
    ['Too much of it', SURPLUS],
  ];
  return [
    INTRODUCTION,
    ...trades.flatMap(tradeSection),
    '## Constants',
    '',
    ...sourcesTable(topics),
    'Clocks are of the reference core. The true value is likely within value ÷ spread to value × spread.',
    '',
    ...topics.flatMap(([topic, register]) => [`### ${topic}`, '', ...registerTable(register)]),
  ].join('\n');
}
