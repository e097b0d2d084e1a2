import { allParts } from '@/core/model/catalogue';
import { goodsEverywhere, withBeside } from '@/core/model/needed';
import { saleState } from '@/core/parts/onSale';
import { z } from 'zod';
import type { Catalogue } from '@/core/model/catalogue';
import { fullName } from '@/core/model/fitted';
import { readCell } from '@/core/formats/csv/cells';
import { idFrom } from '@/core/formats/csv/rows';
import { partProblems } from '@/core/formats/entries';
import { columnsOf, type Cell } from '@/core/library/columns';
import { lookalikesOf } from '@/core/parts/lookalikes';
import { kindMeanRating, shrunkRating } from '@/core/money/ratings';
import {
  indexLibrary,
  searchLibrary,
  type LibraryAnswer,
  type LibraryIndex,
  type LibraryQuestion,
} from '@/core/library/search';
import { cheapestOffer, sellerOf } from '@/core/money/landed';
import { invoiceOf } from '@/core/money/invoice';
import { BY_HAND } from '@/core/model/offers';
import { plainPolicy } from '@/core/money/policy';
import { PART_KINDS, partSchemas, type Part, type PartKind } from '@/core/parts';
import { fieldsOf, valueAt, withValueAt } from '@/core/parts/fields';
import type { Region } from '@/core/model/catalogueSchema';
import { deskRegion } from '@/core/model/settings';
import { readHandFigures } from '@/store/libraryStore';
import { allUses, type Use } from '@/store/uses';
import { listSteps, originOf, stepLibrary, type LibraryStep, type StepBack } from '@/store/steps';
import { answering, read, refuse, Refusal, type Refused } from './refuse';
import { libraryStep } from './libraryStep';
import { now, todayOf, type Service } from './service';
import type { LibraryPage, PartSheet, SheetField } from './contract';

/** The library of one catalogue revision, ready for questions. */
interface Library {
  /** Cheapest landed price of a part in the desk's region as the desk buys, minor units. */
  readonly landedOf: (part: Part) => number | undefined;
  readonly key: string;
  readonly catalogue: Catalogue;
  readonly index: LibraryIndex;
  readonly region: Region | undefined;
  readonly answers: Map<string, LibraryAnswer>;
  readonly live: { uses: ReadonlyMap<string, readonly Use[]> };
}

const libraries = new WeakMap<Service, Library>();
/** Scrolling asks the same question again and again. */
const REMEMBERED_ANSWERS = 24;

async function libraryOf(service: Service): Promise<Library> {
  const { data, revision, compiled: catalogue } = await service.catalogue();
  const settings = await service.settings();
  const region = deskRegion(data.regions, settings);
  const today = await todayOf(service);
  const policy = region && plainPolicy(region.id, settings, today);
  const key = `${revision} ${JSON.stringify(policy ?? null)}`;
  const uses = await allUses(service.db, data.rivals);
  const known = libraries.get(service);
  if (known?.key === key) {
    if (JSON.stringify([...known.live.uses]) !== JSON.stringify([...uses])) known.answers.clear();
    known.live.uses = uses;
    return known;
  }
  // the index asks for facts while it is built; uses are read through this, because they change without the catalogue
  const live = { uses };
  const landedOf = (part: Part) =>
    region && policy && cheapestOffer(catalogue, part, region, policy)?.landed.landedMinor;
  const index = indexLibrary(data.parts, region?.currency ?? '', (part) => ({
    landedMinor: landedOf(part),
    used: live.uses.get(part.id)?.length ?? 0,
  }));
  const library: Library = { key, catalogue, region, live, answers: new Map(), index, landedOf };
  libraries.set(service, library);
  return library;
}

export const librarySearchSchema = z.object({
  text: z.string().max(300),
  kind: z.enum(PART_KINDS as readonly [PartKind, ...PartKind[]]).optional(),
  filters: z.record(z.string().max(80), z.string().max(200)),
  sort: z.object({ key: z.string().max(80), descending: z.boolean() }).optional(),
  columns: z.array(z.string().max(80)).max(60),
  offset: z.number().int().min(0),
  limit: z.number().int().min(1).max(500),
});
export type LibrarySearch = z.infer<typeof librarySearchSchema>;

function answerOf(library: Library, question: LibraryQuestion): LibraryAnswer {
  const key = JSON.stringify(question);
  const known = library.answers.get(key);
  if (known) return known;
  const answer = searchLibrary(library.index, question);
  if (library.answers.size >= REMEMBERED_ANSWERS) library.answers.delete(library.answers.keys().next().value ?? '');
  library.answers.set(key, answer);
  return answer;
}

/** One window of the grid. */
export async function searchPage(service: Service, search: LibrarySearch): Promise<LibraryPage> {
  const library = await libraryOf(service);
  const { index } = library;
  const today = await todayOf(service);
  const answer = answerOf(library, {
    text: search.text,
    kind: search.kind,
    filters: search.filters,
    sort: search.sort,
  });
  const rows = [...answer.found.subarray(search.offset, search.offset + search.limit)].flatMap((at) => {
    const part = index.parts[at];
    if (!part) return [];
    const columns = columnsOf(part.kind, library.region?.currency ?? '');
    const cells = Object.fromEntries(
      search.columns.map((key): [string, Exclude<Cell, undefined> | null] => [
        key,
        columns.find((column) => column.key === key)?.value(part, index.facts(part)) ?? null,
      ]),
    );
    return [
      {
        id: part.id as string,
        kind: part.kind,
        maker: part.maker,
        name: part.name,
        cells,
        state: saleState(part, today),
      },
    ];
  });
  return {
    total: answer.found.length,
    all: index.parts.length,
    ofKind: answer.ofKind,
    readAs: answer.readAs,
    rows,
    currency: library.region?.currency ?? '',
    regionName: library.region?.name ?? '',
    offset: search.offset,
  };
}

/** Names of the other parts that a part tells of by their id. */
function namesTold(part: Part, catalogue: Catalogue): Record<string, string> {
  const names: Record<string, string> = {};
  for (const value of Object.values(part) as unknown[])
    for (const told of Array.isArray(value) ? (value as unknown[]) : [value]) {
      const other = typeof told === 'string' && told !== part.id ? catalogue.part(told) : undefined;
      if (other) names[other.id] = fullName(other);
    }
  return names;
}

/** Everything the sheet of a part shows. */
export async function partSheet(service: Service, id: string): Promise<PartSheet | undefined> {
  const library = await libraryOf(service);
  const part = library.catalogue.part(id);
  if (!part) return undefined;
  const origin = await originOf(service.db, 'parts', id);
  const hand = new Map(
    (await readHandFigures(service.db)).filter((figure) => figure.part === id).map((figure) => [figure.field, figure]),
  );
  const siblings = library.catalogue.ofKind(part.kind);
  const fields = fieldsOf(part.kind).map((field): SheetField => {
    const figure = hand.get(field.path);
    return { path: field.path, value: valueAt(part, field.path) ?? null, hand: figure ? { at: figure.at } : null };
  });
  const { evidence } = part;
  const kindMean = kindMeanRating(siblings, part.kind);
  const rating =
    evidence?.ratings !== undefined && evidence.meanRating !== undefined && kindMean !== undefined
      ? {
          ratings: evidence.ratings,
          mean: evidence.meanRating,
          shrunk: shrunkRating(evidence.meanRating, evidence.ratings, kindMean),
          kindMean,
        }
      : null;
  const { region } = library;
  const today = await todayOf(service);
  return {
    part,
    names: namesTold(part, library.catalogue),
    fields,
    origin: origin ? { label: origin.label, origin: origin.origin, at: origin.at } : null,
    rating,
    state: saleState(part, await todayOf(service)),
    lookalikes: lookalikesOf(part, siblings).map(({ part: other, differences, because }) => ({
      id: other.id,
      name: `${other.maker} ${other.name}`,
      because,
      differences: differences.map(({ field, here, there }) => ({
        path: field.path,
        here: here ?? null,
        there: there ?? null,
      })),
    })),
    uses: library.live.uses.get(id) ?? [],
    offers: region
      ? library.catalogue.offers(id, region.id).map((offer) => ({
          id: offer.id,
          seller: library.catalogue.seller(offer.seller)?.name ?? offer.seller,
          condition: offer.condition,
          asOf: offer.asOf,
          landedMinor: invoiceOf(sellerOf(offer, library.catalogue), [{ offer, part, count: 1 }], { region, today })
            .landedMinor,
          byHand: offer.seller === BY_HAND.id,
        }))
      : [],
    landedMinor: library.landedOf(part) ?? null,
    goods: goodsEverywhere(withBeside([part], library.catalogue), library.catalogue),
    region: region
      ? { id: region.id, name: region.name, currency: region.currency, pricesIncludeTax: region.pricesIncludeTax }
      : null,
  };
}

export interface Kept {
  readonly state: 'kept';
  readonly id: string;
}
type Changed = Promise<Kept | Refused>;

const MISSING = 'is not in the library any more';

/**
 * A part that somebody made or changed: its schema, and that nothing in it contradicts itself.
 * @throws Refusal with what is wrong
 */
function checkedPart(json: Record<string, unknown>): Part {
  const kind = json['kind'];
  if (typeof kind !== 'string' || !Object.hasOwn(partSchemas, kind)) refuse('kind', 'is no kind of part');
  const part = read<Part>(partSchemas[kind as PartKind] as z.ZodType<Part>, json);
  const problems = partProblems(part);
  if (problems.length > 0) throw new Refusal(problems);
  return part;
}

export const newPartSchema = z.object({
  kind: z.enum(PART_KINDS as readonly [PartKind, ...PartKind[]]),
  maker: z.string().max(200),
  name: z.string().max(200),
  /** Part whose figures are the start. */
  from: z.string().optional(),
  /** `copy` makes them its own; `stand-in` marks them as borrowed (J12). */
  as: z.enum(['new', 'copy', 'stand-in']),
});

/** A part by hand: with nothing but its name, as a copy of another, or with figures borrowed from a stand-in. */
export async function addPart(service: Service, input: unknown): Changed {
  return answering(async () => {
    const { kind, maker, name, from, as } = read(newPartSchema, input);
    const library = await libraryOf(service);
    const source = from === undefined ? undefined : library.catalogue.part(from);
    if (from !== undefined && source?.kind !== kind) refuse('from', `"${from}" is no ${kind} of the library`);
    const id = idFrom(maker.trim(), name.trim());
    if (library.catalogue.part(id))
      refuse('name', `"${maker} ${name}" is in the library already; open it, or give this one a name of its own`);
    const {
      gtin: _gtin,
      partNumber: _number,
      evidence: _evidence,
      withdrawn: _withdrawn,
      announced: _announced,
      onSale: _onSale,
      source: _source,
      figuresFrom: _from,
      ...figures
    } = (source ?? {}) as Partial<Part>;
    const changed = checkedPart({
      ...figures,
      kind,
      id,
      maker,
      name,
      source: source
        ? `by hand, ${as === 'copy' ? 'copied from' : 'figures borrowed from'} ${source.maker} ${source.name}`.slice(
            0,
            200,
          )
        : 'by hand',
      ...(as === 'stand-in' && source ? { figuresFrom: source.id } : {}),
    });
    await libraryStep(service, `${maker} ${name} by hand`, [{ list: 'parts', id, spec: changed }]);
    return { state: 'kept' as const, id };
  });
}

/** Sets one field of a part by hand from what was typed ("900 MB/s", "yes", "TLC"), or from a structure. Empty means unknown. */
export async function setField(
  service: Service,
  id: string,
  path: string,
  value: { text: string } | { structure: unknown },
): Changed {
  return answering(async () => {
    const library = await libraryOf(service);
    const part = library.catalogue.part(id);
    if (!part) refuse(id, MISSING);
    const field = fieldsOf(part.kind).find((candidate) => candidate.path === path);
    if (!field || path === 'id') refuse(path, `is no field of a ${part.kind} that can be changed`);
    const typed =
      'text' in value
        ? readCell(field, value.text, '.', field.unit)
        : { ok: true as const, value: value.structure ?? undefined };
    if (!typed.ok) refuse(path, typed.message);
    if (typed.value === undefined && field.required)
      refuse(path, 'cannot be unknown; a part has at least a maker and a name');
    checkedPart(withValueAt(part, path, typed.value));
    await libraryStep(service, `${field.label} of ${part.maker} ${part.name}`, [
      { list: 'figures', id: `${id} ${path}`, spec: { value: typed.value ?? null, at: now() } },
    ]);
    return { state: 'kept' as const, id };
  });
}

/** Takes a figure set by hand away, so that the file's own stands again. */
export async function resetField(service: Service, id: string, path: string): Changed {
  return answering(async () => {
    const part = (await service.fileCatalogue()).parts.find((candidate) => candidate.id === id);
    const present = (await libraryOf(service)).catalogue.part(id);
    if (!part || !present) refuse(id, MISSING);
    checkedPart(withValueAt(present, path, valueAt(part, path)));
    await libraryStep(service, `File's own figure for ${part.maker} ${part.name}`, [
      { list: 'figures', id: `${id} ${path}`, spec: undefined },
    ]);
    return { state: 'kept' as const, id };
  });
}

/** Takes a part out of the library when nothing uses it. */
export async function removePart(service: Service, id: string): Changed {
  return answering(async () => {
    const library = await libraryOf(service);
    const part = library.catalogue.part(id);
    if (!part) refuse(id, MISSING);
    const uses = library.live.uses.get(id) ?? [];
    if (uses.length > 0)
      refuse(
        id,
        `is used by ${uses
          .map((use) => use.label)
          .slice(0, 3)
          .join(', ')}; take it out there first, or mark it withdrawn`,
      );
    const refers = allParts(library.catalogue).find((other) => other.variantOf === id || other.figuresFrom === id);
    if (refers) refuse(id, `is referred to by ${refers.maker} ${refers.name}`);
    const { data } = await service.catalogue();
    await libraryStep(service, `Removal of ${part.maker} ${part.name}`, [
      ...data.offers
        .filter((offer) => offer.part === id)
        .map((offer) => ({ list: 'offers' as const, id: offer.id, spec: undefined })),
      { list: 'parts' as const, id, spec: undefined },
    ]);
    return { state: 'kept' as const, id };
  });
}

/** Sets the price of a part in the desk's region, as that region quotes prices; nothing takes it away. */
export async function setPrice(service: Service, id: string, priceMinor: number | undefined): Changed {
  return answering(async () => {
    const library = await libraryOf(service);
    const part = library.catalogue.part(id);
    const { region } = library;
    if (!part || !region) refuse(id, MISSING);
    if (priceMinor !== undefined && !(Number.isInteger(priceMinor) && priceMinor > 0))
      refuse('price', 'must be above 0; leave it empty when it is unknown');
    const offerId = `${id.slice(0, 56)}.by-hand.${region.id}`.slice(0, 80);
    const offer = {
      id: offerId,
      part: id,
      seller: BY_HAND.id,
      region: region.id,
      priceMinor,
      shippingMinor: 0,
      condition: 'new',
      asOf: await todayOf(service),
    };
    await libraryStep(service, `Price of ${part.maker} ${part.name}`, [
      ...(library.catalogue.seller(BY_HAND.id) ? [] : [{ list: 'sellers' as const, id: BY_HAND.id, spec: BY_HAND }]),
      { list: 'offers', id: offerId, spec: priceMinor === undefined ? undefined : offer },
    ]);
    return { state: 'kept' as const, id };
  });
}

export const librarySteps = (service: Service): Promise<LibraryStep[]> => listSteps(service.db);
export const stepTheLibrary = (service: Service, direction: 'undo' | 'redo'): Promise<StepBack> =>
  stepLibrary(service.db, direction);
