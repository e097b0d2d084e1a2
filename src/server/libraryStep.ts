import { bumpCatalogue } from '@/store/catalogueStore';
import { writing } from '@/store/database';
import { applyEntries, beginStep, type Entry } from '@/store/lists';
import { now, type Service } from './service';

/** Changes the library's lists as one step that can be undone; all of it or nothing. */
export const libraryStep = (
  service: Service,
  label: string,
  entries: readonly Entry[],
  origin = 'by hand',
): Promise<void> =>
  writing(service.db, async (trx) => {
    await applyEntries(trx, await beginStep(trx, label, origin, now()), entries);
    await bumpCatalogue(trx);
  });
