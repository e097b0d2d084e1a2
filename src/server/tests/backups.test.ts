import { readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from 'vitest';
import { demoCatalogue } from '@/demo/catalogue';
import { usualSettings } from '@/core/model/settings';
import { backupDue, backUp, listBackups, tryBackup } from '../backups';
import { saveSettings } from '../desk';
import { newSeat } from '../seats';
import type { Service } from '../service';
import { preparedService } from './prepared';

let service: Service;
let folder: string;
preparedService({ ...demoCatalogue(), rivals: [] }, (given) => ({ service, folder } = given));

test('backups are made, tried and counted; the oldest go', async () => {
  expect(listBackups(service)).toEqual([]);
  await saveSettings(service, { ...usualSettings, backupsKept: 2 });
  await newSeat(service, { project: { name: 'P' }, name: 'Sound room' });
  for (const day of ['2026-05-16', '2026-05-17', '2026-05-18'])
    expect(await backUp(service, `${day}T09:30:00.000Z`)).toMatchObject({ state: 'told' });
  expect(listBackups(service).map(({ at }) => at)).toEqual(['2026-05-18T09:30:00Z', '2026-05-17T09:30:00Z']);
  const [newest] = listBackups(service);
  const tried = await tryBackup(service, newest?.name ?? '');
  expect(tried).toMatchObject({ state: 'told' });
  expect('text' in tried && tried.text).toMatch(/comes back whole: 1 seat, \d+ parts, nothing that cannot be read/);
  // one that somebody wrote into is told
  const path = join(folder, 'test.db.backups', newest?.name ?? '');
  writeFileSync(path, 'spoilt'.repeat(2000));
  expect(await tryBackup(service, newest?.name ?? '')).toMatchObject({
    state: 'refused',
    problems: [{ message: expect.stringContaining('is no database, or is damaged') as string }],
  });
  expect(await tryBackup(service, '../test.db')).toMatchObject({ state: 'refused' });
  expect(readdirSync(join(folder, 'test.db.backups'))).toHaveLength(2);
}, 60_000);

test('a day after the last one the next is due, and none when none are kept', () => {
  expect(backupDue(undefined, 7, '2026-05-18T09:30:00Z')).toBe(true);
  expect(backupDue('2026-05-18T09:30:00Z', 7, '2026-05-19T09:29:59Z')).toBe(false);
  expect(backupDue('2026-05-18T09:30:00Z', 7, '2026-05-19T09:30:00Z')).toBe(true);
  expect(backupDue('2026-05-18T09:30:00Z', 7, '2026-05-01T00:00:00Z')).toBe(false);
  expect(backupDue(undefined, 0, '2026-05-18T09:30:00Z')).toBe(false);
});
