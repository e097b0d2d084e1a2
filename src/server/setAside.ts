import { idIn } from '@/core/units/free';
import { z } from 'zod';
import { ASIDE_PLACES, type AsidePlace, type SetAside } from '@/store/aside';
import { readOwned, readSettings } from '@/store/libraryStore';
import { mendRow, removeRow } from '@/store/mend';
import { readSources, readWatches } from '@/store/priceStore';
import * as projects from '@/store/projectStore';
import type { AsideRow } from './contract';
import { answering, DONE, read, refuse, type Done, type Refused } from './refuse';
import type { Service } from './service';

const WHAT: Readonly<Record<Exclude<AsidePlace, 'documents'>, string>> = {
  parts: 'part',
  offers: 'offer',
  regions: 'region',
  sellers: 'seller',
  applications: 'application',
  rivals: 'branded machine',
  figures: 'figure by hand',
  owned: 'something owned',
  watches: 'watch',
  sources: 'source of prices',
  settings: 'settings of the workshop',
};

/** Every row that cannot be read, with what it is in words. */
export async function rowsSetAside(service: Service): Promise<AsideRow[]> {
  const { aside, data } = await service.catalogue();
  const known = idIn(data.regions);
  const rows: SetAside[] = [...aside];
  const collect = (row: SetAside) => rows.push(row);
  await readOwned(service.db, collect);
  await readSettings(service.db, collect);
  await readSources(service.db, collect);
  await readWatches(service.db, collect);
  const told = rows.map((row) => asTold(row, `${WHAT[row.place as keyof typeof WHAT]} ${row.id}`));
  for (const { id, name, projectName } of await projects.listSeats(service.db)) {
    const here: SetAside[] = [];
    const seat = await projects.readSeat(service.db, id, (row) => here.push(row));
    if (seat && !known(seat.brief.body.region))
      here.push({
        place: 'documents',
        id: seat.brief.id,
        text: JSON.stringify(seat.brief.body),
        problems: [
          {
            path: 'region',
            message: `"${seat.brief.body.region}" is not in the library; import the catalogue that has it, or name another`,
          },
        ],
      });
    for (const row of here)
      told.push(
        asTold(
          row,
          seat && row.id !== seat.brief.id
            ? `draft${nameIn(row.text)} of ${name}, ${projectName}`
            : `brief or draft of ${name}, ${projectName}; without its brief the seat does not open`,
        ),
      );
  }
  return told;
}

/** What a row calls itself, as far as it can be told. */
function nameIn(text: string): string {
  try {
    const { name } = JSON.parse(text) as { name?: unknown };
    return typeof name === 'string' ? ` "${name.length > 40 ? `${name.slice(0, 40)}…` : name}"` : '';
  } catch {
    return '';
  }
}

const asTold = ({ place, id, text, problems }: SetAside, what: string): AsideRow => ({
  place,
  id,
  what,
  text,
  problems: problems.slice(0, MOST_TOLD),
});

/** Problems of one row that are told; the first few say what is wrong with the rest. */
const MOST_TOLD = 5;

const place = z.enum(ASIDE_PLACES);
const MOST_TEXT = 5_000_000;

/** Puts a mended text in the place of a row; it has to read. */
export async function mendSetAside(
  service: Service,
  where: unknown,
  id: string,
  text: string,
): Promise<Done | Refused> {
  return answering(async () => {
    const known = read(place, where);
    if (text.length > MOST_TEXT) refuse('row', `is longer than ${MOST_TEXT / 1e6} million characters`);
    try {
      await mendRow(service.db, known, id, text);
    } catch (error) {
      if (error instanceof SyntaxError) refuse('row', 'is not JSON yet: look for a missing quote, comma or bracket');
      throw error;
    }
    return DONE;
  });
}

export async function dropSetAside(service: Service, where: unknown, id: string): Promise<Done | Refused> {
  return answering(async () => {
    await removeRow(service.db, read(place, where), id);
    return DONE;
  });
}
