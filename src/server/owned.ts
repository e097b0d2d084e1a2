import { fullName } from '@/core/model/fitted';
import { readOwned } from '@/store/libraryStore';
import type { OwnedRow } from './contract';
import type { Service } from './service';

/** What is owned, with the parts' names. */
export async function ownedRows(service: Service): Promise<OwnedRow[]> {
  const { data } = await service.catalogue();
  const parts = new Map(data.parts.map((part) => [part.id as string, part]));
  return (await readOwned(service.db)).map((entry) => {
    const part = parts.get(entry.part);
    return { ...entry, label: part ? fullName(part) : entry.part, kind: part?.kind };
  });
}
