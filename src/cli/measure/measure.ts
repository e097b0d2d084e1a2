import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { availableParallelism, cpus, tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import type { Found } from '@/core/evidence/readers';
import { number } from '@/core/words/format';
import { workloadWords } from '@/core/words/workload';
import { note, optionsOf, refuse, say } from '../say';
import { unfitness } from './fitness';
import { JOBS, type Job } from './jobs';
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

/** `vane measure`: runs what is installed, writes the results where the app reads them, and says what is missing. */
export async function measureCommand(args: readonly string[]): Promise<number> {
  const anyway = args.includes('--anyway');
  const read = optionsOf(
    args.filter((arg) => arg !== '--anyway'),
    ['minutes', 'only', 'out', 'seat', 'draft'],
  );
  if ('problem' in read) return refuse([read.problem]);
  const only = read.options.get('only')?.flatMap((list) => list.split(','));
  const minutes = Number(read.options.get('minutes')?.at(-1) ?? MINUTES);
  const strange = only?.find((id) => JOBS.every((job) => job.id !== id));
  if (strange !== undefined)
    return refuse([
      { path: '--only', message: `"${strange}" is no measurement; there are ${JOBS.map(({ id }) => id).join(', ')}` },
    ]);
  if (!(minutes > 0 && minutes <= 600)) return refuse([{ path: '--minutes', message: 'must be above 0, at most 600' }]);
  if (read.rest.length > 0)
    return refuse([{ path: read.rest[0] ?? '', message: 'is not understood; see vane --help' }]);

  const against = await unfitness();
  if (against.length > 0) {
    for (const why of against) note(anyway ? `Measured all the same: ${why}` : why);
    if (!anyway) {
      note('Nothing was measured. With --anyway it is.');
      return 3;
    }
  }
  const wanted = JOBS.filter(({ id }) => only === undefined || only.includes(id));
  const missing = wanted.filter(({ needs }) => needs && !installed(...needs.commands));
  for (const { what, needs } of missing)
    note(`Not measured: ${what}, for want of ${needs?.commands.join(' or ')}. Install the package ${needs?.from}.`);
  const plan = planned(
    wanted
      .filter((job) => !missing.includes(job))
      .map((job) => ({ job, command: installed(...(job.needs?.commands ?? [])) ?? '' })),
    minutes,
  );
  if (plan.length === 0) return refuse([{ path: '--only', message: 'leaves nothing that can be measured here' }]);

  const out = resolve(read.options.get('out')?.at(-1) ?? `measured-${new Date().toISOString().slice(0, 10)}`);
  mkdirSync(out, { recursive: true });
  const stopping = new AbortController();
  const stop = () => stopping.abort();
  process.once('SIGINT', stop);
  process.once('SIGTERM', stop);
  const work = mkdtempSync(join(tmpdir(), 'vane-measure-'));
  const place = { folder: work, out, threads: availableParallelism(), stop: stopping.signal };
  const results: Found[] = [];
  const notes = anyway ? against.map((why) => `Measured all the same: ${why}`) : [];
  let cancelled = false;
  try {
    for (const [i, { job, command, runs }] of plan.entries()) {
      note(`${i + 1} of ${plan.length}: ${job.what}${runs > 1 ? `, ${runs} runs` : ''}`);
      const done: (readonly Found[])[] = [];
      try {
        await job.before?.(place, command);
        while (done.length < runs && !stopping.signal.aborted) done.push(await job.once(place, command));
      } catch (error) {
        if (!(error instanceof Cancelled)) {
          const why = `Not measured: ${job.what}; ${error instanceof Error ? error.message : String(error)}`;
          notes.push(why);
          note(why);
        }
      }
      // what was run before a stop or a failure is no worse for it
      results.push(...gathered(done));
      if (stopping.signal.aborted) break;
    }
    cancelled = stopping.signal.aborted;
  } finally {
    process.off('SIGINT', stop);
    process.off('SIGTERM', stop);
    rmSync(work, { recursive: true, force: true });
  }
  if (results.length === 0) {
    note(cancelled ? 'Stopped before anything was measured.' : 'Nothing could be measured.');
    return 1;
  }
  const date = new Date().toISOString().slice(0, 10);
  const file = join(out, 'vane-measurements.json');
  writeFileSync(
    file,
    JSON.stringify(
      {
        format: 'vane-measurements',
        version: 1,
        machine: `${place.threads} threads of ${cpus()[0]?.model ?? 'an unknown processor'}`.slice(0, 200),
        ...(notes.length > 0 ? { notes } : {}),
        results: results.map((result) => ({ ...result, date })),
      },
      null,
      1,
    ),
  );
  for (const { workload, value, low, high, unit } of results)
    say(
      `${workloadWords(workload)}: ${number(value, 4)} ${unit}${low === undefined || high === undefined ? '' : ` (${number(low, 4)} to ${number(high, 4)})`}`,
    );
  note(
    `${cancelled ? 'Stopped; what was measured until then' : 'All of it'} is in ${file}. Give it on Weigh, Measured and predicted.`,
  );
  const seat = read.options.get('seat')?.at(-1);
  if (seat === undefined || cancelled) return cancelled ? 1 : 0;
  const { giveResults } = await import('../evidence');
  return giveResults([file], seat, read.options.get('draft')?.at(-1));
}
