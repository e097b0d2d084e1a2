import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, join } from 'node:path';
import { backupTo, BadBackup, restoreFrom, type Manifest } from '@/store/backup';
import { listSeats } from '@/store/projectStore';
import { databasePath } from './path.mjs';
import { openService } from './service';
import { rowsSetAside } from './setAside';
import { troubleLine, troubleOf } from './trouble';

const TOLD = ['projects', 'seats', 'documents', 'parts', 'offers', 'price_points', 'owned', 'watches'];

const counted = ({ tables }: Manifest): string =>
  TOLD.map((name) => `${tables[name]?.rows ?? 0} ${name.replace('_', ' ')}`).join(', ');

const now = (): string => new Date().toISOString();

/** The database of this checkout into a file; says what is in it. */
export const backUpFile = async (file: string): Promise<string> =>
  `${file}: ${counted(await backupTo(databasePath(), file, now()))}`;

/** A file into the place of this checkout's database; says what came back, and where the other lies. */
export function putBackFile(file: string): string {
  const { manifest, kept } = restoreFrom(file, databasePath(), now());
  const back = `${file} of ${manifest.at} is back: ${counted(manifest)}`;
  return kept === undefined ? back : `${back}\nwhat was there before lies in ${kept}`;
}

/** A file into a scratch database, all of it read; says what would come back. */
export async function tryFile(file: string): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), 'vane-try-'));
  try {
    const path = join(folder, 'scratch.db');
    const { manifest } = restoreFrom(file, path, now());
    const service = openService(path);
    try {
      const { data } = await service.catalogue();
      const aside = (await rowsSetAside(service)).length;
      const seats = (await listSeats(service.db)).length;
      return `${basename(file)} of ${manifest.at} comes back whole: ${seats} ${seats === 1 ? 'seat' : 'seats'}, ${data.parts.length} parts, ${aside === 0 ? 'nothing' : `${aside} entries`} that cannot be read`;
    } finally {
      await service.close();
    }
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** Why a backup cannot be made or put back, in a sentence; undefined for a mistake of our own. */
export function backupProblem(error: unknown): string | undefined {
  if (error instanceof BadBackup) return error.message;
  const trouble = troubleOf(error);
  return trouble && troubleLine(trouble);
}
