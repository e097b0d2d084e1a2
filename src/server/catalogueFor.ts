import { allParts } from '@/core/model/catalogue';
import type { CatalogueData } from '@/core/model/catalogueSchema';
import { goodsEverywhere, partsNeeded } from '@/core/model/needed';
import * as projects from '@/store/projectStore';
import type { Service } from './service';

/**
 * The catalogue with only those of its parts that judging the machines of all seats and the rivals reads: what a page's
 * worker begins with, whatever the number of parts. It asks for the others kind by kind.
 */
export async function usedCatalogue(service: Service): Promise<CatalogueData> {
  const { data, compiled } = await service.catalogue();
  const rows = await projects.listSeats(service.db);
  const seats = await Promise.all(rows.map(({ id }) => projects.readSeat(service.db, id)));
  const rivals = data.rivals.map(({ machine }) => machine);
  const used = new Set(
    seats.flatMap((seat) =>
      seat ? partsNeeded(seat.brief.body, [...seat.drafts.map(({ body }) => body), ...rivals], compiled) : [],
    ),
  );
  return {
    ...data,
    ...goodsEverywhere(
      allParts(compiled).filter((part) => used.has(part)),
      compiled,
    ),
  };
}
