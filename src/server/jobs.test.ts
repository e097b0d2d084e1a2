import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { expect, test, vi } from 'vitest';
import { demoCatalogue } from '@/demo/catalogue';
import { checkUpload, dropUpload, writeUpload } from './files';
import { keepUpload, requestPath, stagingPath } from './inbox';
import { takenUpload } from '@/store/staging';
import { stillWanted } from './child';
import { cancelJob, jobOutcome, jobState } from './jobs';
import { preparedService } from './tests/prepared';
import { type Service } from './service';

let service: Service;

preparedService({ ...demoCatalogue(), parts: [], offers: [], rivals: [] }, (given) => ({ service } = given));

const upload = (name: string, text: string) => keepUpload(service, name, new Blob([text]).stream());
const reaches = (id: string, state: string) =>
  vi.waitFor(() => expect(jobState(id)?.state).toBe(state), { timeout: 25_000, interval: 20 });

test('a file is checked in a process of its own, then written as it was checked', async () => {
  const given = await upload('demo.json', JSON.stringify({ ...demoCatalogue(), rivals: [] }));
  expect(await checkUpload(service, given.id, undefined)).toEqual({ state: 'started' });
  // nothing can be written before the check is through
  expect(await writeUpload(service, given.id)).toMatchObject({ state: 'refused' });
  await reaches(given.id, 'checked');
  expect((await service.catalogue()).data.parts).toEqual([]);
  expect(await writeUpload(service, given.id)).toEqual({ state: 'started' });
  await reaches(given.id, 'written');
  // the running app notices what the other process wrote
  expect((await service.catalogue()).data.parts.length).toBeGreaterThan(600);
  dropUpload(service, given.id);
  expect(jobState(given.id)).toBeUndefined();
  expect(existsSync(stagingPath(service, given.id))).toBe(false);
});

test('long work says how far it is and is stopped; nothing of it stays, and it can be done again', async () => {
  const given = await upload('large.json', JSON.stringify({ ...demoCatalogue(15_000), offers: [], rivals: [] }));
  await checkUpload(service, given.id, undefined);
  await vi.waitFor(
    () => {
      const job = jobState(given.id);
      expect(job?.state === 'running' && job.progress ? job.progress.bytes : 0).toBeGreaterThan(0);
    },
    { timeout: 25_000, interval: 5 },
  );
  const job = jobState(given.id);
  expect(
    job?.state === 'running' &&
      job.progress &&
      job.progress.bytes <= job.progress.of &&
      job.progress.of === given.bytes,
  ).toBe(true);
  cancelJob(given.id);
  expect(jobState(given.id)).toEqual({ state: 'cancelled' });
  expect((await service.catalogue()).data.parts).toEqual([]);
  await checkUpload(service, given.id, undefined);
  await reaches(given.id, 'checked');
  const again = jobState(given.id);
  expect(again?.state === 'checked' && again.dryRun.counts).toContainEqual({
    list: 'parts',
    added: 15_000,
    changed: 0,
    left: 0,
  });
});

test('a file with problems is not written, and one that cannot be read fails in words', async () => {
  const given = await upload('bad.json', '{"format":"vane-catalogue"');
  await checkUpload(service, given.id, undefined);
  await reaches(given.id, 'checked');
  const job = jobState(given.id);
  expect(job?.state === 'checked' && job.dryRun.problems).toMatchObject([
    { message: expect.stringContaining('cut off') as unknown },
  ]);
  expect(await writeUpload(service, given.id)).toMatchObject({
    state: 'refused',
    problems: [{ message: expect.stringContaining('has 1 problem') as unknown }],
  });
  expect(await checkUpload(service, 'no-such-id', undefined)).toMatchObject({ state: 'refused' });
});

/** What a start of the app forgets. */
const restarted = () => (globalThis as { vaneJobs?: Map<string, unknown> }).vaneJobs?.clear();

test('after a restart it is known what became of an upload: at rest, ended, or written', async () => {
  const given = await upload('demo.json', JSON.stringify({ ...demoCatalogue(), rivals: [] }));
  expect(await jobOutcome(service, given.id)).toBeUndefined();
  await checkUpload(service, given.id, undefined);
  await reaches(given.id, 'checked');
  restarted();
  expect(await jobOutcome(service, given.id)).toEqual({ state: 'ended' });
  // nothing is written without a check that is known
  expect(await writeUpload(service, given.id)).toMatchObject({ state: 'refused' });
  await checkUpload(service, given.id, undefined);
  await reaches(given.id, 'checked');
  await writeUpload(service, given.id);
  await reaches(given.id, 'written');
  restarted();
  expect(await jobOutcome(service, given.id)).toMatchObject({
    state: 'written',
    changed: expect.any(Number) as number,
  });
});

test('an import whose app has ended does not commit behind its back', async () => {
  const given = await upload('demo.json', JSON.stringify({ ...demoCatalogue(), rivals: [] }));
  await checkUpload(service, given.id, undefined);
  await reaches(given.id, 'checked');
  const checked = jobState(given.id);
  const revision = checked?.state === 'checked' ? checked.dryRun.revision : -1;
  const told = JSON.parse(readFileSync(requestPath(service, given.id), 'utf8')) as object;
  writeFileSync(requestPath(service, given.id), JSON.stringify({ ...told, write: { revision } }));
  const job = (parent: string) =>
    spawnSync(process.execPath, ['bin/vane.mjs', 'job', requestPath(service, given.id)], {
      encoding: 'utf8',
      env: { ...process.env, VANE_PARENT: parent },
    });
  // started by a process that is not its parent any more
  expect(job('1').status).not.toBe(0);
  expect((await service.catalogue()).data.parts).toEqual([]);
  expect(await takenUpload(service.db, given.id)).toBeUndefined();
  expect(job(String(process.pid)).stdout).toContain('"say":"written"');
  expect((await service.catalogue()).data.parts.length).toBeGreaterThan(600);
  expect(() => stillWanted()).not.toThrow();
});
