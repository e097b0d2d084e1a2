import type { Part, PartId, PartKind, PartOf } from '../parts';
import type { CatalogueData, Offer, Region, Seller } from './catalogueSchema';
import type { ApplicationProfile } from './applications';
import type { RivalModel } from './rivals';

/** A catalogue compiled for questions: the hot path only looks up. */
export interface Catalogue {
  readonly part: (id: string) => Part | undefined;
  readonly ofKind: <K extends PartKind>(kind: K) => readonly PartOf<K>[];
  readonly parts: readonly Part[];
  /** Offers of a part in a region, cheapest landed first is the caller's job. */
  readonly offers: (part: string, region: string) => readonly Offer[];
  readonly region: (id: string) => Region | undefined;
  readonly regions: readonly Region[];
  readonly seller: (id: string) => Seller | undefined;
  readonly sellers: readonly Seller[];
  readonly application: (id: string) => ApplicationProfile | undefined;
  readonly applications: readonly ApplicationProfile[];
  readonly rivals: readonly RivalModel[];
}

/** Applications that tasks run in, each once, by id. */
export const applicationsOf = (
  tasks: readonly { readonly application?: string | undefined }[],
  catalogue: Catalogue,
): ApplicationProfile[] =>
  [...new Set(tasks.flatMap((task) => task.application ?? []))].sort().flatMap((id) => catalogue.application(id) ?? []);

const none: readonly never[] = Object.freeze([]);

/** Indexes catalogue data; later entries do not override earlier ones (the importer refuses duplicates). */
export function compileCatalogue(data: CatalogueData): Catalogue {
  const parts = new Map<string, Part>(data.parts.map((part) => [part.id, part]));
  const kinds = new Map<PartKind, Part[]>();
  for (const part of data.parts) {
    const list = kinds.get(part.kind);
    if (list) list.push(part);
    else kinds.set(part.kind, [part]);
  }
  // regions are few and parts many: no key of both is put together, which took most of the time
  const offers = new Map<string, Map<string, Offer[]>>();
  for (const offer of data.offers) {
    let byPart = offers.get(offer.region);
    if (!byPart) offers.set(offer.region, (byPart = new Map()));
    const list = byPart.get(offer.part);
    if (list) list.push(offer);
    else byPart.set(offer.part, [offer]);
  }
  const regions = new Map(data.regions.map((region) => [region.id, region]));
  const sellers = new Map(data.sellers.map((seller) => [seller.id, seller]));
  const applications = new Map(data.applications.map((profile) => [profile.id, profile]));
  return {
    part: (id) => parts.get(id),
    // the map is filled by `part.kind`, so every part under a kind is of that kind
    ofKind: <K extends PartKind>(kind: K) => (kinds.get(kind) ?? none) as unknown as readonly PartOf<K>[],
    parts: data.parts,
    offers: (part: PartId | string, region) => offers.get(region)?.get(part) ?? none,
    region: (id) => regions.get(id),
    regions: data.regions,
    seller: (id) => sellers.get(id),
    sellers: data.sellers,
    application: (id) => applications.get(id),
    applications: data.applications,
    rivals: data.rivals,
  };
}
