import { existsSync, readFileSync } from 'node:fs';
import { basename } from 'node:path';
import { addEvidence } from '@/server/evidence';
import { withService } from './files';
import { note, optionsOf, refuse, say } from './say';

/** Gives result files to a draft of this checkout's database, all or none; the exit code. */
export async function giveResults(paths: readonly string[], seat: string, draft: string | undefined): Promise<number> {
  const missing = paths.filter((path) => !existsSync(path));
  if (missing.length > 0) return refuse(missing.map((path) => ({ path, message: 'does not exist' })));
  const files = paths.map((path) => ({ name: basename(path), text: readFileSync(path, 'utf8') }));
  const taken = await withService((service) => addEvidence(service, seat, draft, files));
  if (!taken.ok) return refuse(taken.problems);
  for (const each of taken.notes) note(each);
  say(`${taken.count} ${taken.count === 1 ? 'result' : 'results'} given to ${taken.draft}`);
  return 0;
}

/** `vane evidence FILE…`: result files onto a draft. */
export async function evidenceCommand(args: readonly string[]): Promise<number> {
  const read = optionsOf(args, ['seat', 'draft']);
  if ('problem' in read) return refuse([read.problem]);
  const seat = read.options.get('seat')?.at(-1);
  if (read.rest.length === 0) return refuse([{ path: 'FILE', message: 'is missing; name a result file' }]);
  if (seat === undefined)
    return refuse([{ path: '--seat', message: 'is missing; name the seat whose draft was measured' }]);
  return giveResults(read.rest, seat, read.options.get('draft')?.at(-1));
}
