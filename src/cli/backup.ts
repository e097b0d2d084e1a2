import { BadBackup, backupTo, restoreFrom, type Manifest } from '@/store/backup';
import { databasePath } from '@/server/path';
import { troubleLine, troubleOf } from '@/server/trouble';
import { refuse, say } from './say';

const TOLD = ['projects', 'seats', 'documents', 'parts', 'offers', 'price_points', 'owned', 'watches'];

const counted = ({ tables }: Manifest): string =>
  TOLD.map((name) => `${tables[name]?.rows ?? 0} ${name.replace('_', ' ')}`).join(', ');

/** Runs one of the two; what cannot be done is a sentence and the exit code for invalid input. */
async function told(path: string | undefined, work: (file: string) => Promise<void>): Promise<number> {
  if (path === undefined) return refuse([{ path: 'FILE', message: 'is missing; name the file of the backup' }]);
  try {
    await work(path);
    return 0;
  } catch (error) {
    if (error instanceof BadBackup) return refuse([{ path, message: error.message }]);
    const trouble = troubleOf(error);
    if (trouble) return refuse([{ path, message: troubleLine(trouble) }]);
    throw error;
  }
}

/** `vane backup FILE` */
export const backupCommand = (path: string | undefined): Promise<number> =>
  told(path, async (file) => {
    const manifest = await backupTo(databasePath(), file, new Date().toISOString());
    say(`${file}: ${counted(manifest)}`);
  });

/** `vane restore FILE` */
export const restoreCommand = (path: string | undefined): Promise<number> =>
  told(path, async (file) => {
    const { manifest, kept } = restoreFrom(file, databasePath(), new Date().toISOString());
    say(`${file} of ${manifest.at} is back: ${counted(manifest)}`);
    if (kept !== undefined) say(`what was there before lies in ${kept}`);
  });
