import { CATALOGUE_FORMAT, type CatalogueData, type CatalogueFile } from '../model/catalogueSchema';
import {
  CATALOGUE_LISTS,
  checkEntry,
  danglingMessage,
  duplicateMessage,
  inside,
  type CatalogueList,
  type Reference,
} from './entries';
import { jsonCutter, type Piece } from './jsonElements';
import { MAX_PROBLEMS, MAX_TEXT, type Parsed, type Problem } from './problems';

/** Ids that may be referred to although the file does not hold them: what the database has already. */
export interface Known {
  readonly parts: ReadonlySet<string>;
  readonly sellers: ReadonlySet<string>;
  readonly regions: ReadonlySet<string>;
  readonly applications: ReadonlySet<string>;
}

export const nothingKnown: Known = {
  parts: new Set(),
  sellers: new Set(),
  regions: new Set(),
  applications: new Set(),
};

/** Where a catalogue file's entries go while it is read: a staging database, or lists in memory. */
export interface CatalogueSink {
  /** Gives back where the id stands already, or undefined when it was new. */
  readonly add: (list: CatalogueList, id: string, value: object, place: string) => string | undefined;
  readonly refer: (reference: Reference, place: string) => void;
  readonly problem: (problem: Problem) => void;
}

/** Reads a catalogue file as it arrives; `push` is given its text in pieces of any length. */
export function catalogueReader(sink: CatalogueSink): { push: (text: string) => boolean; end: () => void } {
  const cutter = jsonCutter();
  const seen = new Set<string>();
  let broken = false;

  const take = (piece: Piece) => {
    switch (piece.kind) {
      case 'broken':
        broken = true;
        sink.problem({ path: piece.path, message: piece.message });
        return;
      case 'value':
        return envelope(piece.key, piece.value);
      case 'element': {
        seen.add(piece.key);
        const place = `${piece.key}[${piece.index}]`;
        const list = CATALOGUE_LISTS.find((name) => name === piece.key);
        // said once, when its first entry comes
        if (!list) return piece.index === 0 ? unknownField(piece.key) : undefined;
        const checked = checkEntry(list, piece.value);
        if (!checked.ok) {
          for (const problem of checked.problems)
            sink.problem({ path: inside(place, problem.path), message: problem.message });
          return;
        }
        const before = sink.add(list, checked.id, checked.value, place);
        if (before !== undefined) sink.problem({ path: `${place}.id`, message: duplicateMessage(checked.id, before) });
        for (const reference of checked.references) sink.refer(reference, inside(place, reference.path));
      }
    }
  };
  const unknownField = (key: string) =>
    sink.problem({
      path: key,
      message: 'is a field that catalogue files do not have; check the spelling or leave it out',
    });
  const envelope = (key: string, value: unknown) => {
    seen.add(key);
    if (key === 'format' && value !== CATALOGUE_FORMAT)
      sink.problem({ path: key, message: `is not "${CATALOGUE_FORMAT}": this is not a catalogue file` });
    else if (key === 'version' && value !== 1)
      sink.problem({ path: key, message: `is ${JSON.stringify(value)}; this release reads version 1` });
    else if (
      key === 'name' &&
      (typeof value !== 'string' || value.trim() === '' || value.length > 80 || /[<>\p{Cc}]/u.test(value))
    )
      sink.problem({ path: key, message: 'must be a plain text of 1 to 80 characters' });
    else if ((CATALOGUE_LISTS as readonly string[]).includes(key) && !Array.isArray(value))
      sink.problem({ path: key, message: 'must be an array' });
    else if (![...CATALOGUE_LISTS, 'format', 'version', 'name'].includes(key)) unknownField(key);
  };
  return {
    push: (text) => {
      cutter.push(text).forEach(take);
      return !broken;
    },
    end: () => {
      cutter.end().forEach(take);
      if (broken) return;
      if (!seen.has('format'))
        sink.problem({ path: 'format', message: `is not "${CATALOGUE_FORMAT}": this is not a catalogue file` });
      for (const key of ['version', 'name', ...CATALOGUE_LISTS])
        if (!seen.has(key))
          sink.problem({ path: key, message: 'is missing; write an empty list where there is nothing' });
    },
  };
}

/** Reads a whole catalogue file: every problem by path, or the whole file. Nothing in between. */
export function readCatalogue(text: string, known: Known = nothingKnown): Parsed<CatalogueFile> {
  if (text.length > MAX_TEXT)
    return {
      ok: false,
      problems: [
        {
          path: 'file',
          message: `has ${Math.round(text.length / 1e6)} million characters; files of up to ${MAX_TEXT / 1e6} million are read`,
        },
      ],
    };
  const problems: Problem[] = [];
  const places = new Map<string, string>();
  const references: { reference: Reference; place: string }[] = [];
  const lists: Record<CatalogueList, object[]> = {
    regions: [],
    sellers: [],
    applications: [],
    parts: [],
    offers: [],
    rivals: [],
  };
  const reader = catalogueReader({
    add: (list, id, value, place) => {
      const before = places.get(`${list} ${id}`);
      if (before !== undefined) return before;
      places.set(`${list} ${id}`, place);
      lists[list].push(value);
      return undefined;
    },
    refer: (reference, place) => references.push({ reference, place }),
    problem: (problem) => problems.push(problem),
  });
  if (reader.push(text)) reader.end();
  // an entry with a problem is not there for others to refer to: only the first cause is named
  for (const { reference, place } of problems.length > 0 ? [] : references)
    if (!places.has(`${reference.list} ${reference.id}`) && !known[reference.list].has(reference.id))
      problems.push({ path: place, message: danglingMessage(reference.list, reference.id) });
  if (problems.length > 0) return { ok: false, problems: problems.slice(0, MAX_PROBLEMS) };
  const { name } = JSON.parse(text) as { name: string };
  // every entry went through its list's schema
  return { ok: true, value: { format: CATALOGUE_FORMAT, version: 1, name, ...(lists as unknown as CatalogueData) } };
}

export const emptyCatalogue: CatalogueData = {
  regions: [],
  sellers: [],
  applications: [],
  parts: [],
  offers: [],
  rivals: [],
};
