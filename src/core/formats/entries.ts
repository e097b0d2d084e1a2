import { z } from 'zod';
import { rivalSchema } from '../model/rivals';
import { PART_KINDS, partSchemas, type Part, type PartKind } from '../parts';
import { contradictionsOf } from '../parts/contradictions';
import { contradictionWords } from '../words/contradictions';
import { applicationSchema } from '../model/applications';
import { offerSchema, regionSchema, sellerSchema } from '../model/offers';
import { pathText, problemsOf, type Problem } from './problems';

/** Lists of a catalogue file, in an order in which entries refer back only. */
export const CATALOGUE_LISTS = ['regions', 'sellers', 'applications', 'parts', 'offers', 'rivals'] as const;
export type CatalogueList = (typeof CATALOGUE_LISTS)[number];

/** A reference that must lead to an entry of the file or of the catalogue. */
export interface Reference {
  readonly list: 'parts' | 'sellers' | 'regions' | 'applications';
  readonly id: string;
  readonly path: string;
}

/** An entry that may be taken, or what keeps it out; paths are relative to the entry. */
export type CheckedEntry =
  | { readonly ok: true; readonly id: string; readonly value: object; readonly references: readonly Reference[] }
  | { readonly ok: false; readonly problems: readonly Problem[] };

const REFERRED = { parts: 'part', sellers: 'seller', regions: 'region', applications: 'application' } as const;

export const danglingMessage = (list: Reference['list'], id: string): string =>
  `refers to ${REFERRED[list]} "${id}", which is neither in this file nor in the catalogue`;

export const duplicateMessage = (id: string, before: string): string =>
  `"${id}" is used already by ${before}; ids must differ`;

function schemaFor(list: CatalogueList, json: unknown): z.ZodType | Problem {
  switch (list) {
    case 'regions':
      return regionSchema;
    case 'sellers':
      return sellerSchema;
    case 'applications':
      return applicationSchema;
    case 'offers':
      return offerSchema;
    case 'rivals':
      return rivalSchema;
    case 'parts': {
      if (json === null || typeof json !== 'object' || Array.isArray(json))
        return { path: '', message: 'must be an object with the figures of a part' };
      const kind: unknown = 'kind' in json ? json.kind : undefined;
      // asking the kind's own schema is faster than trying a union, and names the field that is wrong
      if (typeof kind === 'string' && Object.hasOwn(partSchemas, kind)) return partSchemas[kind as PartKind];
      return {
        path: 'kind',
        message: `${kind === undefined ? 'is missing' : `${JSON.stringify(kind)} is no kind of part`}; there are ${PART_KINDS.join(', ')}`,
      };
    }
  }
}

function referencesOf(list: CatalogueList, value: object): Reference[] {
  const found: Reference[] = [];
  const refer = (to: Reference['list'], id: string | undefined, ...path: (string | number)[]) => {
    if (id !== undefined) found.push({ list: to, id, path: pathText(path) });
  };
  switch (list) {
    case 'offers': {
      const offer = value as z.infer<typeof offerSchema>;
      refer('parts', offer.part, 'part');
      refer('sellers', offer.seller, 'seller');
      refer('regions', offer.region, 'region');
      break;
    }
    case 'parts': {
      const part = value as Part;
      refer('parts', part.variantOf, 'variantOf');
      refer('parts', part.figuresFrom, 'figuresFrom');
      if (part.kind === 'board') part.testedMemory?.forEach((id, i) => refer('parts', id, 'testedMemory', i));
      if (part.kind === 'memory') part.testedBoards?.forEach((id, i) => refer('parts', id, 'testedBoards', i));
      if (part.kind === 'accessory') refer('parts', part.fitsCooler, 'fitsCooler');
      break;
    }
    case 'rivals': {
      const rival = value as z.infer<typeof rivalSchema>;
      rival.machine.items.forEach((item, i) => refer('parts', item.part, 'machine', 'items', i, 'part'));
      rival.offers.forEach((offer, i) => refer('regions', offer.region, 'offers', i, 'region'));
      break;
    }
    default:
      break;
  }
  return found;
}

/** Checks one entry of a list by itself: its schema, and what inside it cannot be right together. */
export function checkEntry(list: CatalogueList, json: unknown): CheckedEntry {
  const schema = schemaFor(list, json);
  if (!(schema instanceof z.ZodType)) return { ok: false, problems: [schema] };
  const parsed = schema.safeParse(json);
  if (!parsed.success)
    return {
      ok: false,
      problems: problemsOf(parsed.error).map((problem) =>
        problem.path === 'file' ? { ...problem, path: '' } : problem,
      ),
    };
  const value = parsed.data as object & { readonly id: string };
  const problems = list === 'parts' ? partProblems(value as unknown as Part) : [];
  if (problems.length > 0) return { ok: false, problems };
  return { ok: true, id: value.id, value, references: referencesOf(list, value) };
}

/** Contradictions inside a part as problems with the path of the figure to look at first. */
export const partProblems = (part: Part): Problem[] =>
  contradictionsOf(part).map((found) => ({ path: found.field, message: contradictionWords(part.kind, found) }));

/** Path of something inside an entry: "parts[3]" and "lengthMm" make "parts[3].lengthMm". */
export const inside = (place: string, path: string): string =>
  path === '' ? place : path.startsWith('[') ? `${place}${path}` : `${place}.${path}`;
