import type { CatalogueData } from '@/core/model/catalogueSchema';
import type { World } from './answers';

/** What the feed sells: the offers of a catalogue, whose prices it moves from their day on. */
export const worldOf = (catalogue: Pick<CatalogueData, 'parts' | 'offers' | 'regions' | 'sellers'>): World => ({
  parts: new Map(catalogue.parts.map((part) => [part.id as string, part])),
  catalogue,
});
