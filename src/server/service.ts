import type { SetAside } from '@/store/aside';
import { compileCatalogue, type Catalogue } from '@/core/model/catalogue';
import type { CatalogueData } from '@/core/model/catalogueSchema';
import type { Settings } from '@/core/model/settings';
import { catalogueRevision, emptyMemo, fixedToday, fixToday, readCatalogueData } from '@/store/catalogueStore';
import { openDatabase, type Database } from '@/store/database';
import { readSettings } from '@/store/libraryStore';
import { databasePath } from './path.mjs';

/** The library as it stands; compiled for questions when one is asked, once a revision. */
export interface CatalogueNow {
  readonly data: CatalogueData;
  readonly revision: number;
  readonly compiled: Catalogue;
  /** Rows of it that cannot be read. */
  readonly aside: readonly SetAside[];
}

function catalogueNow(data: CatalogueData, revision: number, aside: readonly SetAside[]): CatalogueNow {
  let compiled: Catalogue | undefined;
  return {
    data,
    revision,
    aside,
    get compiled() {
      return (compiled ??= compileCatalogue(data));
    },
  };
}

/** What this process knows: the open database and the catalogue as last read. */
export interface Service {
  readonly db: Database;
  /** Where the database lies: importing and looking things up open it again. */
  readonly path: string;
  readonly catalogue: () => Promise<CatalogueNow>;
  /** The catalogue as files said it, without what was filled in by hand. */
  readonly fileCatalogue: () => Promise<CatalogueData>;
  readonly settings: () => Promise<Settings>;
  readonly close: () => Promise<void>;
}

/** Opens the database; the catalogue is read again whenever its revision has moved, also when another process moved it. */
export function openService(path: string = databasePath()): Service {
  const { db, close } = openDatabase(path);
  let cached: CatalogueNow | undefined;
  /** The reading that is under way: whoever asks meanwhile gets the same. */
  let reading: { readonly revision: number; readonly catalogue: Promise<CatalogueNow> } | undefined;
  const memo = emptyMemo();
  const readAt = async (revision: number): Promise<CatalogueNow> => {
    const aside: SetAside[] = [];
    const data = await readCatalogueData(db, 'with-hand-figures', memo, (row) => aside.push(row));
    return catalogueNow(data, revision, aside);
  };
  return {
    db,
    path,
    close,
    fileCatalogue: () => readCatalogueData(db, 'files'),
    settings: () => readSettings(db),
    catalogue: async () => {
      const revision = await catalogueRevision(db);
      if (cached?.revision === revision) return cached;
      if (reading?.revision !== revision) {
        const mine = { revision, catalogue: readAt(revision) };
        reading = mine;
        mine.catalogue.then(
          (read) => {
            if (reading === mine) [cached, reading] = [read, undefined];
          },
          () => {
            if (reading === mine) reading = undefined;
          },
        );
      }
      return reading.catalogue;
    },
  };
}

export async function todayOf(service: Service): Promise<string> {
  return (await fixedToday(service.db)) ?? new Date().toISOString().slice(0, 10);
}

export const now = (): string => new Date().toISOString();

/** Holds a database to one day: what a demo or a test shows stays the same. */
export const fixDemoDay = (service: Service, today: string): Promise<void> => fixToday(service.db, today);
