import { allParts, type Goods } from '@/core/model/catalogue';
import type { CatalogueData } from '@/core/model/catalogueSchema';
import { partsNeeded } from '@/core/model/needed';
import type { Part, PartKind } from '@/core/parts';
import * as projects from '@/store/projectStore';
import type { Service } from './service';

type Known = Awaited<ReturnType<Service['catalogue']>>;

/** Parts with their offers in all regions, in the order of the catalogue. */
function everywhere(parts: readonly Part[], { compiled, data }: Known): Goods {
  return {
    parts: [...parts],
    offers: parts.flatMap(({ id }) => data.regions.flatMap((region) => compiled.offers(id, region.id))),
  };
}

/** All of a kind. */
export const goodsOfKind = (kind: PartKind, known: Known): Goods => everywhere(known.compiled.ofKind(kind), known);

/**
 * The catalogue with only those of its parts that judging the machines of all seats and the rivals reads: what a page's
 * worker begins with, whatever the number of parts. It asks for the others kind by kind.
 */
export async function usedCatalogue(service: Service): Promise<CatalogueData> {
  const known = await service.catalogue();
  const rows = await projects.listSeats(service.db);
  const seats = await Promise.all(rows.map(({ id }) => projects.readSeat(service.db, id)));
  const rivals = known.data.rivals.map(({ machine }) => machine);
  const used = new Set(
    seats.flatMap((seat) =>
      seat ? partsNeeded(seat.brief.body, [...seat.drafts.map(({ body }) => body), ...rivals], known.compiled) : [],
    ),
  );
  return {
    ...known.data,
    ...everywhere(
      allParts(known.compiled).filter((part) => used.has(part)),
      known,
    ),
  };
}
