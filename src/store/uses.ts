import { draftAddress, seatAddress } from '@/core/model/addresses';
import type { RivalModel } from '@/core/model/rivals';
import type { Database } from './database';

/** A place that uses a part: a draft, a rival machine, the list of owned things. */
export interface Use {
  readonly label: string;
  readonly href: string | undefined;
  /** It stands in for a part that was never published. */
  readonly standsInFor: string | undefined;
}

interface ItemRow {
  readonly part: string;
  readonly standsInFor?: string;
}

/** Every part in use, with where. */
export async function allUses(
  db: Database,
  rivals: readonly RivalModel[],
): Promise<ReadonlyMap<string, readonly Use[]>> {
  const uses = new Map<string, Use[]>();
  const use = (part: string, entry: Use) => {
    const list = uses.get(part);
    if (list) list.push(entry);
    else uses.set(part, [entry]);
  };
  const rows = await db
    .selectFrom('documents')
    .innerJoin('seats', 'seats.id', 'documents.seat_id')
    .select([
      'documents.id',
      'documents.kind',
      'documents.body',
      'seats.id as seat',
      'seats.name',
      'seats.project_id as project',
    ])
    .orderBy('documents.position')
    .orderBy('documents.id')
    .execute();
  for (const row of rows) {
    const body = JSON.parse(row.body) as { name: string; items?: ItemRow[]; ownedDisplays?: string[] };
    const items = body.items ?? (body.ownedDisplays ?? []).map((part) => ({ part }) as ItemRow);
    for (const [part, standsInFor] of new Map(items.map((item) => [item.part, item.standsInFor])))
      use(part, {
        label: row.kind === 'brief' ? `${row.name}, display` : `${row.name}, ${body.name}`,
        href:
          row.kind === 'brief'
            ? seatAddress(row.project, row.seat, 'brief')
            : draftAddress(row.project, row.seat, row.id),
        standsInFor,
      });
  }
  for (const rival of rivals)
    for (const item of rival.machine.items)
      use(item.part, { label: `${rival.maker} ${rival.name}`, href: undefined, standsInFor: item.standsInFor });
  for (const row of await db.selectFrom('owned').select('spec').orderBy('id').execute())
    use((JSON.parse(row.spec) as { part: string }).part, { label: 'owned', href: '/workshop', standsInFor: undefined });
  return uses;
}
