import { createHash } from 'node:crypto';
import { sql } from 'kysely';
import type { ChildProcess } from 'node:child_process';
import { vaneChild } from './child';
import type { DeskSeat } from './contract';
import { Refusal } from './refuse';
import type { Service } from './service';

/**
 * Seats for the desk are assessed in a process of their own, once for each state of the database: whoever opens the desk
 * meanwhile waits for the same answer, and everybody else for nothing.
 */
interface Desk {
  readonly path: string;
  readonly child: ChildProcess;
  /** Who waits for the answer that is under way, in turn. */
  readonly waiting: { readonly take: (seats: DeskSeat[]) => void; readonly fail: (error: Error) => void }[];
  answer: { readonly key: string; readonly seats: Promise<DeskSeat[]> } | undefined;
}

const holder = globalThis as { vaneDesk?: Desk };

/** What the desk's figures rest on, as one text: equal texts, equal figures. */
async function stateOf(service: Service): Promise<string> {
  const hash = createHash('sha256');
  for (const text of [
    "SELECT key, value FROM meta WHERE key NOT LIKE 'upload:%' ORDER BY key",
    // bodies too: a row that another hand has changed keeps its revision
    'SELECT id, body, seat_id, position FROM documents ORDER BY id',
    'SELECT * FROM seats ORDER BY id',
    'SELECT * FROM projects ORDER BY id',
    'SELECT * FROM seen ORDER BY seat_id, draft_id',
    'SELECT * FROM watches ORDER BY id',
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
      onLine: (line) => waiting.shift()?.take(line as DeskSeat[]),
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
export async function deskFigures(service: Service): Promise<DeskSeat[]> {
  if (holder.vaneDesk && holder.vaneDesk.path !== service.path) holder.vaneDesk.child.kill();
  const desk = holder.vaneDesk?.path === service.path ? holder.vaneDesk : (holder.vaneDesk = start(service.path));
  const key = await stateOf(service);
  if (desk.answer?.key === key) return desk.answer.seats;
  const seats = new Promise<DeskSeat[]>((take, fail) => {
    desk.waiting.push({ take, fail });
    desk.child.stdin?.write('seats\n');
  });
  desk.answer = { key, seats };
  return seats;
}
