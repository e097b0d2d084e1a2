import { spawn, type ChildProcess } from 'node:child_process';
import { rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { z } from 'zod';
import { requestPath, stagingPath } from './inbox';
import type { DryRun, ImportRequest, Progress } from './import/request';
import type { Service } from './service';

/**
 * Checking and writing a file run in a process of their own: the app goes on answering, cancelling is ending the process,
 * and what is ended leaves nothing half written.
 */
export type JobState =
  | { readonly state: 'running'; readonly what: 'checking' | 'writing'; readonly progress: Progress | undefined }
  | { readonly state: 'checked'; readonly dryRun: DryRun }
  | { readonly state: 'written'; readonly changed: number; readonly step: number | undefined }
  | { readonly state: 'moved' }
  | { readonly state: 'cancelled' }
  | { readonly state: 'failed'; readonly message: string };

interface Job {
  state: JobState;
  child: ChildProcess | undefined;
}

/** One table of jobs a process, also when a module is loaded again in development. */
const holder = globalThis as { vaneJobs?: Map<string, Job> };
const jobs = (): Map<string, Job> => (holder.vaneJobs ??= new Map());

export const jobState = (id: string): JobState | undefined => jobs().get(id)?.state;

/** What a job process prints, a line each. */
const lineSchema = z.discriminatedUnion('say', [
  z.object({ say: z.literal('progress'), progress: z.custom<Progress>() }),
  z.object({ say: z.literal('checked'), dryRun: z.custom<DryRun>() }),
  z.object({ say: z.literal('written'), changed: z.number(), step: z.number().optional() }),
  z.object({ say: z.literal('moved') }),
]);
export type JobLine = z.infer<typeof lineSchema>;

/** What a job process is told, as a file. */
export const jobRequestSchema = z.object({
  database: z.string(),
  staging: z.string(),
  request: z.custom<ImportRequest>(),
  /** Writes what was checked at this revision; without it, checks. */
  write: z.object({ revision: z.number() }).optional(),
});
export type JobRequest = z.infer<typeof jobRequestSchema>;

export function startJob(service: Service, id: string, request: ImportRequest, write?: { revision: number }): void {
  cancelJob(id);
  const told: JobRequest = {
    database: service.path,
    staging: stagingPath(service, id),
    request,
    ...(write ? { write } : {}),
  };
  const path = requestPath(service, id);
  writeFileSync(path, JSON.stringify(told));
  const child = spawn(process.execPath, [join(process.cwd(), 'bin', 'vane.mjs'), 'job', path], {
    stdio: ['ignore', 'pipe', 'pipe'],
    env: { ...process.env, VANE_DB: service.path },
  });
  const job: Job = { state: { state: 'running', what: write ? 'writing' : 'checking', progress: undefined }, child };
  jobs().set(id, job);
  let errors = '';
  child.stderr.on('data', (chunk: Buffer) => (errors = `${errors}${String(chunk)}`.slice(-2000)));
  createInterface({ input: child.stdout }).on('line', (line) => take(job, line));
  child.on('close', (code) => {
    job.child = undefined;
    if (job.state.state === 'running')
      job.state = {
        state: 'failed',
        message: `the process that reads the file ended with code ${code ?? 'none'}${errors ? `: ${errors.trim().split('\n').at(-1) ?? ''}` : ''}; nothing was written`,
      };
  });
}

function take(job: Job, line: string): void {
  const parsed = lineSchema.safeParse(JSON.parse(line));
  if (!parsed.success || job.state.state === 'cancelled') return;
  const { data } = parsed;
  switch (data.say) {
    case 'progress':
      if (job.state.state === 'running') job.state = { ...job.state, progress: data.progress };
      return;
    case 'checked':
      job.state = { state: 'checked', dryRun: data.dryRun };
      return;
    case 'written':
      job.state = { state: 'written', changed: data.changed, step: data.step };
      return;
    case 'moved':
      job.state = { state: 'moved' };
  }
}

/** Ends a running job; what it had read is thrown away, what it was writing is rolled back. */
export function cancelJob(id: string): void {
  const job = jobs().get(id);
  if (!job?.child) return;
  job.state = { state: 'cancelled' };
  job.child.kill('SIGKILL');
}

export function forgetJob(service: Service, id: string): void {
  cancelJob(id);
  jobs().delete(id);
  for (const path of [stagingPath(service, id), requestPath(service, id)]) rmSync(path, { force: true });
}
