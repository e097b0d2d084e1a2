import { contextOf, type Context } from '@/core/assess';
import { catalogueByKind, type Catalogue, type Goods } from '@/core/model/catalogue';
import type { CatalogueData } from '@/core/model/catalogueSchema';
import type { Machine } from '@/core/model/machine';
import type { Settings } from '@/core/model/settings';
import { PART_KINDS, type PartKind } from '@/core/parts';

/** What a worker's answers rest on beside what it is asked. */
export interface Ground {
  /** Of the catalogue: another one is read anew. */
  readonly revision: number;
  readonly today: string;
  readonly settings: Settings;
  /** Machines that something was measured on. */
  readonly machines: readonly Machine[];
}

let context: Context | undefined;
let read: { readonly revision: number; readonly catalogue: Catalogue } | undefined;

const ADDRESS = '/api/catalogue';
const refused = (status: number) => new Error(`the catalogue could not be read (${status})`);
const away = () => new Error('the catalogue could not be read, as the app cannot be reached');

/**
 * All of a kind. The worker waits for it: what it works out asks for parts in the midst of its work, and nobody but the
 * worker stands still meanwhile.
 */
function readKind(kind: PartKind, revision: number): Goods {
  const request = new XMLHttpRequest();
  request.open('GET', `${ADDRESS}/${kind}?revision=${revision}`, false);
  request.responseType = 'json';
  try {
    request.send();
  } catch {
    throw away();
  }
  if (request.status !== 200) throw refused(request.status);
  return request.response as Goods;
}

async function readCatalogue(revision: number): Promise<Catalogue> {
  const response = await fetch(`${ADDRESS}/used?revision=${revision}`).catch(() => {
    throw away();
  });
  if (!response.ok) throw refused(response.status);
  // the app has read it by its schema; reading it so again took five times as long as the JSON
  const used = (await response.json()) as CatalogueData;
  return catalogueByKind(used, PART_KINDS, (kind) => readKind(kind, revision));
}

/** What a worker goes by, once it is loaded. */
export function ready(): Context {
  if (!context) throw new Error('the catalogue is not loaded yet');
  return context;
}

/** Loads a worker with what its answers rest on. */
export async function load({ revision, today, settings, machines }: Ground): Promise<void> {
  // a new setting or measurement changes nothing of the catalogue: it is read again only where it has moved
  if (read?.revision !== revision) read = { revision, catalogue: await readCatalogue(revision) };
  context = contextOf(read.catalogue, today, settings, machines);
}
