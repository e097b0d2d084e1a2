import type { z } from 'zod';
import { briefSchema } from '@/core/model/brief';
import { machineSchema } from '@/core/model/machine';
import { readJson } from './aside';
import { readSmall } from './catalogueStore';
import type { Database } from './database';
import { readOwned, readSettings } from './libraryStore';
import { readSources, readWatches } from './priceStore';

/** Entries that a change would take away, by list. */
type Gone = ReadonlyMap<string, ReadonlySet<string>>;

/** What a step, taken back or brought again, would take away: entries that are there now and were not on its other side. */
async function goneBy(db: Database, step: number): Promise<Gone> {
  const rows = await db
    .selectFrom('changes')
    .select(['list', 'id'])
    .where('step', '=', step)
    .where('other', 'is', null)
    .execute();
  const gone = new Map<string, Set<string>>();
  for (const { list, id } of rows) gone.set(list, (gone.get(list) ?? new Set()).add(id));
  return gone;
}

/** Names of briefs, drafts, owned things, watches, sources and branded machines that rest on what a step would take away. */
export async function restingOn(db: Database, step: number): Promise<string[]> {
  const gone = await goneBy(db, step);
  const goes = (list: string, id: string | undefined) => id !== undefined && gone.get(list)?.has(id) === true;
  if (['parts', 'regions', 'sellers', 'applications'].every((list) => !gone.has(list))) return [];
  const names: string[] = [];

  const documents = await db
    .selectFrom('documents')
    .innerJoin('seats', 'seats.id', 'documents.seat_id')
    .select(['documents.body', 'documents.kind', 'seats.id as seat', 'seats.name'])
    .orderBy('documents.seat_id')
    .orderBy('documents.position')
    .execute();
  for (const { body, kind, seat, name } of documents) {
    // what came with the step goes with it
    if (goes('seats', seat)) continue;
    if (kind === 'brief') {
      const brief = valueOf(body, briefSchema);
      if (
        brief &&
        (goes('regions', brief.region) ||
          brief.ownedDisplays.some((part) => goes('parts', part)) ||
          brief.tasks.some(({ application }) => goes('applications', application)))
      )
        names.push(`the brief of ${name}`);
    } else {
      const machine = valueOf(body, machineSchema);
      if (machine?.items.some((item) => goes('parts', item.part))) names.push(`${machine.name} of ${name}`);
    }
  }
  for (const { id, part } of await readOwned(db))
    if (!goes('owned', id) && goes('parts', part)) names.push(`${part}, owned`);
  for (const { what } of await readWatches(db))
    if (what.kind === 'part' && (goes('parts', what.part) || goes('regions', what.region)))
      names.push(`the watch on ${what.part}`);
  for (const { name, seller, region } of await readSources(db))
    if (goes('sellers', seller) || goes('regions', region)) names.push(`the source of prices ${name}`);
  for (const rival of await readSmall(db, 'rivals'))
    if (
      !goes('rivals', rival.id) &&
      (rival.machine.items.some((item) => goes('parts', item.part)) ||
        rival.offers.some((offer) => goes('regions', offer.region)))
    )
      names.push(`${rival.maker} ${rival.name}`);
  if (goes('regions', (await readSettings(db)).region)) names.push('the region of the desk');
  return names;
}

const valueOf = <T>(text: string, schema: z.ZodType<T>): T | undefined => {
  const read = readJson(text, schema);
  return 'value' in read ? read.value : undefined;
};
