import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from 'vitest';
import { seeded } from '@/core/tests/mutants';
import { demoCatalogue } from '@/demo/catalogue';
import { openService, type Service } from '../service';
import { fullDisk, killEdits, killImports, killRefreshes, twoWindows } from './faults';
import { addFilm } from './film';
import { preparedService } from './prepared';

let service: Service;
let folder: string;
preparedService({ ...demoCatalogue(), rivals: [] }, (given) => ({ service, folder } = given), addFilm);
const SEAT = { id: 'film', document: 'film.film-a' };
const path = () => join(folder, 'test.db');

test('a process that is killed in the middle of its edits loses none that it acknowledged', async () => {
  await service.close();
  const { acknowledged, lost } = await killEdits(path(), SEAT, 3, seeded(1));
  service = openService(path());
  expect(lost).toEqual([]);
  // each run said at least one before it was killed, however slow the machine is
  expect(acknowledged).toBeGreaterThanOrEqual(3);
});

test('an import that is killed is whole or not at all, and holds nothing up', async () => {
  const file = join(folder, 'more.json');
  writeFileSync(file, JSON.stringify({ ...demoCatalogue(2000), rivals: [] }));
  await service.close();
  const { halves, lost } = await killImports(path(), file, 2000, 3, seeded(1));
  service = openService(path());
  expect([halves, lost]).toEqual([0, []]);
});

test('a refresh that is killed leaves the prices of one answer, and its place is free', async () => {
  await service.close();
  const { met, halves, lost } = await killRefreshes(path(), folder, 3, seeded(1));
  service = openService(path());
  expect([halves, lost]).toEqual([0, []]);
  expect(met).toBeGreaterThan(0);
});

test('edits of two windows: each is saved, laid beside the other’s, or kept with both versions', async () => {
  const { edits, saved, asked, lost } = await twoWindows(service, SEAT, 400, seeded(1));
  expect(lost).toEqual([]);
  expect(saved + asked).toBe(edits);
  // both ways are among them, or this proves nothing
  expect(Math.min(saved, asked)).toBeGreaterThan(20);
});

test('a full disk refuses what it cannot keep, and what was kept is whole', async () => {
  await service.close();
  const { saved, refused, lost } = await fullDisk(path(), SEAT);
  service = openService(path());
  expect(lost).toEqual([]);
  expect(refused).toBe(true);
  expect(saved).toBeGreaterThan(0);
});
