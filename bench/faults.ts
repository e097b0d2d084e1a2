import { copyFileSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { seeded } from '@/core/tests/mutants';
import { demoCatalogue } from '@/demo/catalogue';
import { importFile } from '@/server/import/importFile';
import { openService } from '@/server/service';
import { fullDisk, killEdits, killImports, killRefreshes, twoWindows } from '@/server/tests/faults';
import { addFilm } from '@/server/tests/film';

// Kills in edits, in imports and in refreshes, a full disk, and two windows that meet: nothing acknowledged may be lost.
// Use: npx tsx bench/faults.ts [KILLS IN EDITS] [KILLS IN IMPORTS, AND IN REFRESHES] [CONFLICTING EDITS]
const [kills = 200, imports = 50, edits = 10_000] = process.argv.slice(2).map(Number);
const folder = mkdtempSync(join(tmpdir(), 'vane-faults-'));
const ready = join(folder, 'ready.db');
const seat = { id: 'film', document: 'film.film-a' };
let failures = 0;

function tell(what: string, lost: readonly string[]): void {
  failures += lost.length;
  console.log(`${what}; lost ${lost.length}`);
  for (const line of lost.slice(0, 5)) console.log(`  ${line}`);
}

/** A database of its own for each attack. */
const fresh = (name: string): string => {
  const path = join(folder, `${name}.db`);
  copyFileSync(ready, path);
  return path;
};

try {
  const service = openService(ready);
  const catalogue = join(folder, 'demo.json');
  writeFileSync(catalogue, JSON.stringify({ ...demoCatalogue(), rivals: [] }));
  await importFile(service, { format: 'catalogue', path: catalogue, name: 'demo.json' });
  await addFilm(service);
  await service.close();

  const killed = await killEdits(fresh('edits'), seat, kills, seeded(1));
  tell(`${killed.kills} kills in edits, ${killed.acknowledged} acknowledged`, killed.lost);

  const more = join(folder, 'more.json');
  writeFileSync(more, JSON.stringify({ ...demoCatalogue(6000), rivals: [] }));
  const imported = await killImports(fresh('imports'), more, 6000, imports, seeded(2));
  tell(`${imported.kills} kills in imports, ${imported.halves} half written`, imported.lost);
  failures += imported.halves;

  const refreshed = await killRefreshes(fresh('refreshes'), folder, imports, seeded(4));
  tell(
    `${refreshed.kills} kills in refreshes, ${refreshed.met} before the end, ${refreshed.halves} of two answers`,
    refreshed.lost,
  );
  failures += refreshed.halves;

  const full = await fullDisk(fresh('full'), seat);
  tell(`a full disk after ${full.saved} edits, ${full.refused ? 'refused' : 'not noticed'}`, full.lost);

  const both = openService(fresh('windows'));
  const met = await twoWindows(both, seat, edits, seeded(3));
  await both.close();
  tell(`${met.edits} edits of two windows, ${met.saved} saved, ${met.asked} kept with both versions`, met.lost);
} finally {
  rmSync(folder, { recursive: true, force: true });
}
if (failures > 0) process.exitCode = 1;
