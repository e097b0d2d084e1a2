import { isLockedLike } from '../parts/lockedLikes';
import { PART_KINDS, type Part, type PartId, type PartKind, type PartOf } from '../parts';
import type { CatalogueData, Offer, Region, Seller } from './catalogueSchema';
import type { ApplicationProfile } from './applications';
import type { RivalModel } from './rivals';

/** A catalogue compiled for questions: the hot path only looks up. */
export interface Catalogue {
  readonly part: (id: string) => Part | undefined;
  /** @throws RangeError where not all parts of the kind are known: what is known is never taken for what there is. */
  readonly ofKind: <K extends PartKind>(kind: K) => readonly PartOf<K>[];
  /** Processors that do what an unlocked one does that nobody raises; known wherever the unlocked one is (`needed.ts`). */
  readonly lockedLikes: (processor: PartOf<'processor'>) => readonly PartOf<'processor'>[];
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

/** Parts and their offers. */
export type Goods = Pick<CatalogueData, 'parts' | 'offers'>;

/** Applications that tasks run in, each once, by id. */
export const applicationsOf = (
  tasks: readonly { readonly application?: string | undefined }[],
  catalogue: Catalogue,
): ApplicationProfile[] =>
  [...new Set(tasks.flatMap((task) => task.application ?? []))].sort().flatMap((id) => catalogue.application(id) ?? []);

/** All parts, kind by kind. */
export const allParts = (catalogue: Pick<Catalogue, 'ofKind'>): readonly Part[] =>
  PART_KINDS.flatMap((kind): readonly Part[] => catalogue.ofKind(kind));

const none: readonly never[] = Object.freeze([]);

/** Parts by id and kind, offers by region and part. */
function indexOf(goods: Goods) {
  const parts = new Map<string, Part>();
  const kinds = new Map<PartKind, Part[]>();
  // regions are few and parts many: no key of both is put together, which took most of the time
  const offers = new Map<string, Map<string, Offer[]>>();
  const add = (more: Goods): void => {
    for (const part of more.parts) {
      parts.set(part.id, part);
      const list = kinds.get(part.kind);
      if (list) list.push(part);
      else kinds.set(part.kind, [part]);
    }
    for (const offer of more.offers) {
      let byPart = offers.get(offer.region);
      if (!byPart) offers.set(offer.region, (byPart = new Map()));
      const list = byPart.get(offer.part);
      if (list) list.push(offer);
      else byPart.set(offer.part, [offer]);
    }
  };
  add(goods);
  return {
    add,
    part: (id: string): Part | undefined => parts.get(id),
    // the map is filled by `part.kind`, so every part under a kind is of that kind
    ofKind: <K extends PartKind>(kind: K) => (kinds.get(kind) ?? none) as unknown as readonly PartOf<K>[],
    put: (kind: PartKind, list: Part[]): void => void kinds.set(kind, list),
    offers: (part: PartId | string, region: string): readonly Offer[] => offers.get(region)?.get(part) ?? none,
  };
}

type Around = Omit<CatalogueData, keyof Goods>;

/** What a catalogue has besides parts and offers. */
function aroundOf(data: Around) {
  const regions = new Map(data.regions.map((region) => [region.id, region]));
  const sellers = new Map(data.sellers.map((seller) => [seller.id, seller]));
  const applications = new Map(data.applications.map((profile) => [profile.id, profile]));
  return {
    region: (id: string) => regions.get(id),
    regions: data.regions,
    seller: (id: string) => sellers.get(id),
    sellers: data.sellers,
    application: (id: string) => applications.get(id),
    applications: data.applications,
    rivals: data.rivals,
  };
}

const likesAmong = (mine: PartOf<'processor'>, processors: readonly PartOf<'processor'>[]) =>
  mine.unlocked === true ? processors.filter((other) => isLockedLike(mine, other)) : none;

/** Indexes catalogue data; later entries do not override earlier ones (the importer refuses duplicates). */
export function compileCatalogue(data: CatalogueData): Catalogue {
  const { part, ofKind, offers } = indexOf(data);
  return {
    part,
    ofKind,
    lockedLikes: (processor) => likesAmong(processor, ofKind('processor')),
    offers,
    ...aroundOf(data),
  };
}

/**
 * A catalogue of which only some parts are known: those that the machines at hand are judged by (`needed.ts`), and all of
 * a few kinds. It judges those machines as the whole one does, and refuses to be searched.
 */
export function knownCatalogue(data: CatalogueData, whole: readonly PartKind[]): Catalogue {
  const known = compileCatalogue(data);
  return {
    ...known,
    ofKind: (kind) => {
      if (!whole.includes(kind)) throw new RangeError(`only some parts of kind "${kind}" are known here`);
      return known.ofKind(kind);
    },
  };
}

/**
 * A catalogue whose parts are read kind by kind, each when it is first asked for. `data` has those that machines at hand
 * are judged by (`needed.ts`); a part that it lacks is looked for in the kinds that are still to be read.
 */
export function catalogueByKind(
  data: CatalogueData,
  kinds: readonly PartKind[],
  read: (kind: PartKind) => Goods,
): Catalogue {
  const index = indexOf(data);
  const given = new Set<Part>(data.parts);
  const unread = new Set(kinds);
  const readNow = (kind: PartKind): void => {
    if (!unread.has(kind)) return;
    const goods = read(kind);
    const before = new Set(index.ofKind(kind).map(({ id }) => id as string));
    index.add({
      parts: goods.parts.filter(({ id }) => !before.has(id)),
      offers: goods.offers.filter(({ part }) => !before.has(part)),
    });
    // in the order of the catalogue, and what was known already as the object that it was
    index.put(
      kind,
      goods.parts.map((part) => index.part(part.id) ?? part),
    );
    unread.delete(kind);
  };
  const ofKind = <K extends PartKind>(kind: K): readonly PartOf<K>[] => {
    readNow(kind);
    return index.ofKind(kind);
  };
  return {
    part: (id) => {
      for (const kind of index.part(id) ? [] : [...unread]) {
        readNow(kind);
        if (index.part(id)) break;
      }
      return index.part(id);
    },
    ofKind,
    // with a processor that was given came those that are like it
    lockedLikes: (processor) =>
      likesAmong(processor, given.has(processor) ? index.ofKind('processor') : ofKind('processor')),
    offers: index.offers,
    ...aroundOf(data),
  };
}
