import { contextOf, type Context } from '@/core/assess';
import { compileCatalogue, type Catalogue } from '@/core/model/catalogue';
import type { CatalogueData } from '@/core/model/catalogueSchema';
import type { Machine } from '@/core/model/machine';
import type { Settings } from '@/core/model/settings';

let context: Context | undefined;
let read: { readonly url: string; readonly catalogue: Catalogue } | undefined;

async function readCatalogue(url: string): Promise<Catalogue> {
  const response = await fetch(url);
  if (!response.ok) throw new Error(`the catalogue could not be read (${response.status})`);
  // the app has read it by its schema; reading it so again took five times as long as the JSON
  return compileCatalogue((await response.json()) as CatalogueData);
}

/** What a worker goes by, once it is loaded. */
export function ready(): Context {
  if (!context) throw new Error('the catalogue is not loaded yet');
  return context;
}

/** Loads a worker with a catalogue; gives back how many parts it has. */
export async function load(
  url: string,
  today: string,
  settings: Settings,
  measured: readonly Machine[],
): Promise<number> {
  // a new setting or measurement changes nothing of the catalogue: it is read again only where it has moved
  if (read?.url !== url) read = { url, catalogue: await readCatalogue(url) };
  const { catalogue } = read;
  context = contextOf(catalogue, today, settings, measured);
  return catalogue.parts.length;
}
