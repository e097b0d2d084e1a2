import { createHash } from 'node:crypto';
import type { ChildProcess } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { sql } from 'kysely';
import { keep, readKept } from '@/store/kept';
import { vaneChild } from './child';
import type { DeskFigures } from './contract';
import { Refusal } from './refuse';
import { todayOf, type Service } from './service';

/**
 * Seats for the desk are assessed in a process of their own, once for each state of the database: whoever opens the desk
 * meanwhile waits for the same answer, and everybody else for nothing. The last answer is kept in the database: an app
 * that starts again has it at once.
 */
interface Desk {
  readonly path: string;
  readonly child: ChildProcess;
  /** Who waits for the answer that is under way, in turn. */
  readonly waiting: { readonly take: (figures: DeskFigures) => void; readonly fail: (error: Error) => void }[];
  answer: { readonly key: string; readonly figures: Promise<DeskFigures> } | undefined;
}

const holder = globalThis as { vaneDesk?: Desk };

/** Which build of the app this is: another one may come to other figures. Undefined while it is being developed. */
function buildId(): string | undefined {
  const file = join(process.cwd(), '.next', 'BUILD_ID');
  return process.env.NODE_ENV === 'production' && existsSync(file) ? readFileSync(file, 'utf8') : undefined;
}
const build = buildId();
const KEPT = 'desk';

/** What the desk's figures rest on, as one text: equal texts, equal figures. */
async function stateOf(service: Service): Promise<string> {
  const hash = createHash('sha256').update(JSON.stringify([build, await todayOf(service)]));
  for (const text of [
    "SELECT key, value FROM meta WHERE key NOT LIKE 'upload:%' AND key NOT LIKE 'kept:%' ORDER BY key",
    // bodies too: a row that another hand has changed keeps its revision
    'SELECT id, body, seat_id, position FROM documents ORDER BY id',
    'SELECT * FROM seats ORDER BY id',
    'SELECT * FROM projects ORDER BY id',
    'SELECT * FROM seen ORDER BY seat_id, draft_id',
    'SELECT * FROM watches ORDER BY id',
    'SELECT * FROM owned ORDER BY id',
    'SELECT * FROM sources ORDER BY id',
  ])
    hash.update(JSON.stringify((await sql.raw(text).execute(service.db)).rows));
  return hash.digest('hex');
}

function start(path: string): Desk {
  const waiting: Desk['waiting'] = [];
  const child = vaneChild(
    ['desk-job'],
    path,
    {
      onLine: (line) => waiting.shift()?.take(line as DeskFigures),
      onEnd: (_code, error) => {
        if (holder.vaneDesk === desk) delete holder.vaneDesk;
        const failure = new Refusal([
          { path: 'desk', message: `cannot be worked out just now${error === '' ? '' : `: ${error}`}; try again` },
        ]);
        for (const { fail } of waiting.splice(0)) fail(failure);
      },
    },
    'asked',
  );
  const desk: Desk = { path, child, waiting, answer: undefined };
  return desk;
}

/** All seats with their drafts' figures. @throws Refusal when they cannot be worked out */
export async function deskFigures(service: Service): Promise<DeskFigures> {
  const key = await stateOf(service);
  const known = holder.vaneDesk?.path === service.path ? holder.vaneDesk.answer : undefined;
  if (known?.key === key) return known.figures;
  const kept = build === undefined ? undefined : await readKept(service.db, KEPT, key);
  if (kept !== undefined) return JSON.parse(kept) as DeskFigures;
  const figures = ask(service, key);
  if (build !== undefined)
    void figures
      // what somebody changed meanwhile may be in it
      .then(async (worked) => (await stateOf(service)) === key && keep(service.db, KEPT, key, JSON.stringify(worked)))
      // who cannot write now works it out again another time
      .catch(() => {});
  return figures;
}

/** Has the desk worked out for one state of the database. */
function ask(service: Service, key: string): Promise<DeskFigures> {
  if (holder.vaneDesk && holder.vaneDesk.path !== service.path) holder.vaneDesk.child.kill();
  const desk = holder.vaneDesk?.path === service.path ? holder.vaneDesk : (holder.vaneDesk = start(service.path));
  if (desk.answer?.key === key) return desk.answer.figures;
  const figures = new Promise<DeskFigures>((take, fail) => {
    desk.waiting.push({ take, fail });
    desk.child.stdin?.write('seats\n');
  });
  desk.answer = { key, figures };
  return figures;
}
