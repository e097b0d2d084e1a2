import { briefSchema } from '@/core/model/brief';
import { machineSchema } from '@/core/model/machine';
import { clashesOf, laid } from '@/core/model/places';
import { partWithFigure, readFigure, writeFigure } from './catalogueStore';
import { writing, type Database, type Writer } from './database';
import { insertDraft } from './documents';

/** A step of a seat's history as it is made: what it is called, when, and by which window. */
export interface NewStep {
  readonly label: string;
  readonly at: string;
  /** Empty for what no window made. */
  readonly window: string;
}

/** Remembers a step. It ends what this window had taken back and could have brought again; others keep theirs. */
export async function remember(
  trx: Writer,
  seatId: string,
  { label, at, window }: NewStep,
  target: string,
  before: string | null,
  after: string | null,
): Promise<void> {
  await trx
    .deleteFrom('history')
    .where('seat_id', '=', seatId)
    .where('window', '=', window)
    .where('undone', '=', 1)
    .execute();
  await trx
    .insertInto('history')
    .values({ seat_id: seatId, target, label, before, after, undone: 0, at, window })
    .execute();
}

/** A step that can be taken back. */
export interface StepOffer {
  readonly seq: number;
  readonly label: string;
  readonly at: string;
  /** False for the seat's last step when this window has none of its own. */
  readonly mine: boolean;
}

export interface Steps {
  readonly undo: StepOffer | undefined;
  readonly redo: string | undefined;
}

/** What undo and redo would do next for a window: its own steps; without any, the last one of the seat is offered. */
export async function stepsOf(db: Database, seatId: string, window: string): Promise<Steps> {
  const last = (mine: boolean) =>
    db
      .selectFrom('history')
      .select(['seq', 'label', 'at'])
      .where('seat_id', '=', seatId)
      .where('undone', '=', 0)
      .$if(mine, (query) => query.where('window', '=', window))
      .orderBy('seq', 'desc')
      .executeTakeFirst();
  const own = await last(true);
  const any = own ?? (await last(false));
  const redo = await db
    .selectFrom('history')
    .select('label')
    .where('seat_id', '=', seatId)
    .where('window', '=', window)
    .where('undone', '=', 1)
    .orderBy('seq', 'asc')
    .executeTakeFirst();
  return { undo: any && { ...any, mine: own !== undefined }, redo: redo?.label };
}

/** A value that somebody set since, and that a step would set to another. */
export interface Overwritten {
  readonly place: string;
  readonly now: unknown;
  readonly then: unknown;
}

export type Stepped =
  | { readonly state: 'done'; readonly label: string }
  | { readonly state: 'nothing' }
  /** Something was changed at the same place since: it is told before it goes. Nothing was done. */
  | {
      readonly state: 'overwrites';
      readonly label: string;
      readonly seq: number;
      readonly places: readonly Overwritten[];
    };

export interface StepOptions {
  readonly window: string;
  readonly at: string;
  /** A step by its number: another window's is taken back only when it is named. */
  readonly seq?: number | undefined;
  /** Takes it although something was changed at the same place since. */
  readonly anyway?: boolean | undefined;
}

/**
 * Takes a window's last step back, or the one it took back last forward again. What others changed elsewhere stays; what
 * was changed at the same places since is told first.
 * @throws ZodError when what the step would bring cannot be read any more; then nothing has changed
 */
export async function step(
  db: Database,
  seatId: string,
  direction: 'undo' | 'redo',
  { window, at, seq, anyway = false }: StepOptions,
): Promise<Stepped> {
  return writing(db, async (trx): Promise<Stepped> => {
    const back = direction === 'undo';
    const entry = await trx
      .selectFrom('history')
      .selectAll()
      .where('seat_id', '=', seatId)
      .where('undone', '=', back ? 0 : 1)
      .$if(seq === undefined, (query) => query.where('window', '=', window))
      .$if(seq !== undefined, (query) => query.where('seq', '=', seq ?? 0))
      .orderBy('seq', back ? 'desc' : 'asc')
      .executeTakeFirst();
    if (!entry) return { state: 'nothing' };
    const [from, to] = back ? [entry.after, entry.before] : [entry.before, entry.after];
    const [kind, target = '', field = ''] = entry.target.split(' ');
    const places =
      kind === 'figure'
        ? await putFigure(trx, { part: target, field, from, to, at, anyway })
        : await putDocument(trx, { seatId, id: target, from, to, anyway });
    if (places.length > 0) return { state: 'overwrites', label: entry.label, seq: entry.seq, places };
    await trx
      .updateTable('history')
      .set({ undone: back ? 1 : 0, window })
      .where('seq', '=', entry.seq)
      .execute();
    return { state: 'done', label: entry.label };
  });
}

const valueOf = (text: string | null): unknown => (text === null ? undefined : JSON.parse(text));

interface FigureStep {
  readonly part: string;
  readonly field: string;
  readonly from: string | null;
  readonly to: string | null;
  readonly at: string;
  readonly anyway: boolean;
}

async function putFigure(trx: Writer, { part, field, from, to, at, anyway }: FigureStep): Promise<Overwritten[]> {
  const now = await readFigure(trx, part, field);
  if (now !== from && now !== to && !anyway)
    return [{ place: `${part}/${field}`, now: valueOf(now), then: valueOf(to) }];
  // the part may have come back as another kind, which has no such figure
  if (to !== null) await partWithFigure(trx, part, field, JSON.parse(to));
  await writeFigure(trx, part, field, to, at);
  return [];
}

interface DocumentStep {
  readonly seatId: string;
  readonly id: string;
  readonly from: string | null;
  readonly to: string | null;
  readonly anyway: boolean;
}

async function putDocument(trx: Writer, { seatId, id, from, to, anyway }: DocumentStep): Promise<Overwritten[]> {
  const row = await trx.selectFrom('documents').selectAll().where('id', '=', id).executeTakeFirst();
  const schema = row?.kind === 'brief' ? briefSchema : machineSchema;
  if (to === null) {
    if (row && row.body !== from && !anyway) return [{ place: 'draft', now: 'changed since', then: 'removed' }];
    await trx.deleteFrom('documents').where('id', '=', id).execute();
    return [];
  }
  if (!row) {
    if (from !== null && !anyway) return [{ place: 'draft', now: 'removed since', then: 'brought back' }];
    await insertDraft(trx, seatId, id, JSON.stringify(schema.parse(JSON.parse(to))));
    return [];
  }
  const [was, is, there] = [valueOf(from), valueOf(to), valueOf(row.body)];
  const clashes = row.body === from ? [] : clashesOf(was, is, there);
  if (clashes.length > 0 && !anyway)
    return clashes.map(({ place, mine, stored }) => ({ place, now: stored, then: mine }));
  const body = row.body === from ? to : JSON.stringify(schema.parse(laid(was, is, there)));
  schema.parse(JSON.parse(body));
  await trx
    .updateTable('documents')
    .set({ body, revision: row.revision + 1 })
    .where('id', '=', id)
    .execute();
  return [];
}
