import type { ChildProcess } from 'node:child_process';
import { existsSync, rmSync, writeFileSync } from 'node:fs';
import { z } from 'zod';
import { takenUpload } from '@/store/staging';
import { vaneChild } from './child';
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
  /** The app was stopped while it was at work on it; nothing was written. */
  | { readonly state: 'ended' }
  | { readonly state: 'failed'; readonly message: string };

interface Job {
  state: JobState;
  child: ChildProcess | undefined;
}

/** One table of jobs a process, also when a module is loaded again in development. */
const holder = globalThis as { vaneJobs?: Map<string, Job> };
const jobs = (): Map<string, Job> => (holder.vaneJobs ??= new Map());

export const jobState = (id: string): JobState | undefined => jobs().get(id)?.state;

/** What became of the work on an upload, also when it was begun before the app was started. */
export async function jobOutcome(service: Service, id: string): Promise<JobState | undefined> {
  const state = jobState(id);
  if (state) return state;
  const changed = await takenUpload(service.db, id);
  if (changed !== undefined) return { state: 'written', changed, step: undefined };
  return existsSync(requestPath(service, id)) ? { state: 'ended' } : undefined;
}

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
  /** The upload that it works on. */
  id: z.string(),
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
    id,
    database: service.path,
    staging: stagingPath(service, id),
    request,
    ...(write ? { write } : {}),
  };
  const path = requestPath(service, id);
  writeFileSync(path, JSON.stringify(told));
  const job: Job = {
    state: { state: 'running', what: write ? 'writing' : 'checking', progress: undefined },
    child: vaneChild(['job', path], service.path, {
      onLine: (line) => take(job, line),
      onEnd: (code, error) => {
        job.child = undefined;
        if (job.state.state === 'running')
          job.state = {
            state: 'failed',
            message: `the process that reads the file ended with code ${code ?? 'none'}${error === '' ? '' : `: ${error}`}; nothing was written`,
          };
      },
    }),
  };
  jobs().set(id, job);
}

function take(job: Job, line: unknown): void {
  const parsed = lineSchema.safeParse(line);
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
