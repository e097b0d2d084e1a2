import type { Writer } from './database';

/** A draft behind the others of its seat. */
export async function insertDraft(trx: Writer, seatId: string, id: string, body: string): Promise<void> {
  const last = await trx
    .selectFrom('documents')
    .select((eb) => eb.fn.max('position').as('position'))
    .where('seat_id', '=', seatId)
    .executeTakeFirst();
  const position = Number(last?.position ?? 0) + 1;
  await trx
    .insertInto('documents')
    .values({ id, seat_id: seatId, kind: 'draft', body, revision: 1, position })
    .execute();
}
