import { backupProblem, backUpFile, putBackFile, tryFile } from '@/server/backupFile';
import { optionsOf, refuse, say } from './say';

/** Says what was done with a file; what cannot be done is a sentence and the exit code for invalid input. */
async function told(path: string | undefined, work: (file: string) => string | Promise<string>): Promise<number> {
  if (path === undefined) return refuse([{ path: 'FILE', message: 'is missing; name the file of the backup' }]);
  try {
    say(await work(path));
    return 0;
  } catch (error) {
    const message = backupProblem(error);
    if (message === undefined) throw error;
    return refuse([{ path, message }]);
  }
}

/** `vane backup FILE` */
export const backupCommand = (path: string | undefined): Promise<number> => told(path, backUpFile);

/** `vane restore FILE`, and with `--try yes` only into a scratch database. */
export async function restoreCommand(args: readonly string[]): Promise<number> {
  const parsed = optionsOf(args, ['try']);
  if ('problem' in parsed) return refuse([parsed.problem]);
  return told(parsed.rest[0], parsed.options.has('try') ? tryFile : putBackFile);
}
