import * as projects from '@/store/projectStore';
import type { TeamBundle } from './contract';
import { todayOf, type Service } from './service';

/** The seats of a project with all that a search over them goes by; undefined when it has none. */
export async function teamBundle(service: Service, projectId: string): Promise<TeamBundle | undefined> {
  const rows = (await projects.listSeats(service.db)).filter((row) => row.projectId === projectId);
  const documents = (await Promise.all(rows.map(({ id }) => projects.readSeat(service.db, id)))).filter(
    (entry) => entry !== undefined,
  );
  const [first] = documents;
  if (!first) return undefined;
  const elsewhere = await projects.measuredElsewhere(service.db, first.seat.id);
  const { revision } = await service.catalogue();
  return {
    seats: documents.map(({ seat, brief, drafts }) => ({
      id: seat.id,
      name: seat.name,
      brief: brief.body,
      drafts: drafts.map(({ body }) => body),
    })),
    measured: [...first.drafts.map(({ body }) => body), ...elsewhere],
    catalogueRevision: revision,
    today: await todayOf(service),
    settings: await service.settings(),
  };
}
