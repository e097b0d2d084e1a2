import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { availableParallelism, cpus, tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import type { Found } from '@/core/evidence/readers';
import type { Problem } from '@/core/formats/problems';
import { number } from '@/core/words/format';
import { workloadWords } from '@/core/words/workload';
import { note, optionsOf, refuse, say } from '../say';
import { unfitness } from './fitness';
import { JOBS, type Job, type Place } from './jobs';
import { Cancelled, installed } from './tools';

const MINUTES = 5;
/** Runs of a measurement: more tell how far it repeats, three are enough. */
const RUNS = 3;

/** Several runs of the same thing as one result: the middle one, with the least and the most. */
export function gathered(runs: readonly (readonly Found[])[]): Found[] {
  const by = new Map<string, Found[]>();
  for (const found of runs.flat()) {
    const key = JSON.stringify(found.workload);
    by.set(key, [...(by.get(key) ?? []), found]);
  }
  return [...by.values()].flatMap((same): Found[] => {
    const sorted = [...same].sort((a, b) => a.value - b.value);
    const [least, most, middle] = [sorted[0], sorted.at(-1), sorted[(sorted.length - 1) >> 1]];
    if (!least || !most || !middle) return [];
    return [sorted.length === 1 ? middle : { ...middle, low: least.value, high: most.value }];
  });
}

interface Plan {
  readonly job: Job;
  readonly command: string;
  readonly runs: number;
}

/** How often each runs within the time: all once, then as often as their share of it allows. */
export function planned(jobs: readonly { job: Job; command: string }[], minutes: number): Plan[] {
  const share = (minutes * 60) / Math.max(1, jobs.length);
  return jobs.map(({ job, command }) => ({
    job,
    command,
    runs: Math.min(RUNS, Math.max(1, Math.floor(share / job.seconds))),
  }));
}

interface Asked {
  readonly minutes: number;
  readonly jobs: readonly Job[];
  readonly out: string;
  readonly anyway: boolean;
  readonly seat: string | undefined;
  readonly draft: string | undefined;
}

/** What the command line asks for, or the first thing in it that is wrong. */
function askedFor(args: readonly string[], today: string): Asked | Problem {
  const read = optionsOf(
    args.filter((arg) => arg !== '--anyway'),
    ['minutes', 'only', 'out', 'seat', 'draft'],
  );
  if ('problem' in read) return read.problem;
  const option = (name: string) => read.options.get(name)?.at(-1);
  const only = read.options.get('only')?.flatMap((list) => list.split(','));
  const minutes = Number(option('minutes') ?? MINUTES);
  const strange = only?.find((id) => JOBS.every((job) => job.id !== id));
  if (strange !== undefined)
    return {
      path: '--only',
      message: `"${strange}" is no measurement; there are ${JOBS.map(({ id }) => id).join(', ')}`,
    };
  if (!(minutes > 0 && minutes <= 600)) return { path: '--minutes', message: 'must be above 0, at most 600' };
  if (read.rest[0] !== undefined) return { path: read.rest[0], message: 'is not understood; see vane --help' };
  return {
    minutes,
    jobs: JOBS.filter(({ id }) => only === undefined || only.includes(id)),
    out: resolve(option('out') ?? `measured-${today}`),
    anyway: args.includes('--anyway'),
    seat: option('seat'),
    draft: option('draft'),
  };
}

/** Jobs with their commands; what is missing is named with the package that brings it. */
function available(jobs: readonly Job[]): { job: Job; command: string }[] {
  return jobs.flatMap((job) => {
    const { needs, what } = job;
    const command = needs ? installed(...needs.commands) : '';
    if (command !== undefined) return [{ job, command }];
    note(`Not measured: ${what}, for want of ${needs?.commands.join(' or ')}. Install the package ${needs?.from}.`);
    return [];
  });
}

/** Runs what is planned, one after the other; a stop, and what fails, keep what was run before. */
async function performed(plan: readonly Plan[], place: Place): Promise<{ results: Found[]; notes: string[] }> {
  const results: Found[] = [];
  const notes: string[] = [];
  for (const [i, { job, command, runs }] of plan.entries()) {
    note(`${i + 1} of ${plan.length}: ${job.what}${runs > 1 ? `, ${runs} runs` : ''}`);
    const done: (readonly Found[])[] = [];
    try {
      await job.before?.(place, command);
      while (done.length < runs && !place.stop.aborted) done.push(await job.once(place, command));
    } catch (error) {
      if (!(error instanceof Cancelled)) {
        const why = `Not measured: ${job.what}; ${error instanceof Error ? error.message : String(error)}`;
        notes.push(why);
        note(why);
      }
    }
    results.push(...gathered(done));
    if (place.stop.aborted) break;
  }
  return { results, notes };
}

/** Does something in a folder of its own that is thrown away, until somebody stops it. */
async function untilStopped<T>(work: (folder: string, stop: AbortSignal) => Promise<T>): Promise<T> {
  const stopping = new AbortController();
  const stop = () => stopping.abort();
  process.once('SIGINT', stop);
  process.once('SIGTERM', stop);
  const folder = mkdtempSync(join(tmpdir(), 'vane-measure-'));
  try {
    return await work(folder, stopping.signal);
  } finally {
    process.off('SIGINT', stop);
    process.off('SIGTERM', stop);
    rmSync(folder, { recursive: true, force: true });
  }
}

/** `vane measure`: runs what is installed, writes the results where the app reads them, and says what is missing. */
export async function measureCommand(args: readonly string[]): Promise<number> {
  const today = new Date().toISOString().slice(0, 10);
  const asked = askedFor(args, today);
  if ('message' in asked) return refuse([asked]);
  const against = await unfitness();
  for (const why of against) note(asked.anyway ? `${ALL_THE_SAME}${why}` : why);
  if (against.length > 0 && !asked.anyway) {
    note('Nothing was measured. With --anyway it is.');
    return 3;
  }
  const plan = planned(available(asked.jobs), asked.minutes);
  if (plan.length === 0) return refuse([{ path: '--only', message: 'leaves nothing that can be measured here' }]);
  mkdirSync(asked.out, { recursive: true });
  const threads = availableParallelism();
  const { results, notes, stopped } = await untilStopped(async (folder, stop) => ({
    ...(await performed(plan, { folder, out: asked.out, threads, stop })),
    stopped: stop.aborted,
  }));
  if (results.length === 0) {
    note(stopped ? 'Stopped before anything was measured.' : 'Nothing could be measured.');
    return 1;
  }
  const told = [...against.map((why) => `${ALL_THE_SAME}${why}`), ...notes];
  const file = join(asked.out, 'vane-measurements.json');
  writeFileSync(
    file,
    JSON.stringify(
      {
        format: 'vane-measurements',
        version: 1,
        machine: `${threads} threads of ${cpus()[0]?.model ?? 'an unknown processor'}`.slice(0, 200),
        ...(told.length > 0 ? { notes: told } : {}),
        results: results.map((result) => ({ ...result, date: today })),
      },
      null,
      1,
    ),
  );
  for (const result of results) say(resultWords(result));
  note(
    `${stopped ? 'Stopped; what was measured until then' : 'All of it'} is in ${file}. Give it on Weigh, Measured and predicted.`,
  );
  if (stopped) return 1;
  if (asked.seat === undefined) return 0;
  const { giveResults } = await import('../evidence');
  return giveResults([file], asked.seat, asked.draft);
}

const ALL_THE_SAME = 'Measured all the same: ';

function resultWords({ workload, value, low, high, unit }: Found): string {
  const range = low === undefined || high === undefined ? '' : ` (${number(low, 4)} to ${number(high, 4)})`;
  return `${workloadWords(workload)}: ${number(value, 4)} ${unit}${range}`;
}
