import { topologyProblems } from '../board/compile';
import { CATALOGUE_FORMAT, catalogueSchema, type CatalogueData, type CatalogueFile } from './catalogueSchema';
import { parseText, pathText, type Parsed, type Problem } from './problems';

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

/** Reads a catalogue file: every problem by path, or the whole file. Nothing in between. */
export function readCatalogue(text: string, known: Known = nothingKnown): Parsed<CatalogueFile> {
  const envelope = text.length < 200 ? text : text.slice(0, 200);
  const parsed = parseText(text, catalogueSchema);
  if (!parsed.ok)
    return parsed.problems.length > 0 && !envelope.includes(CATALOGUE_FORMAT) && parsed.problems[0]?.path !== 'file'
      ? {
          ok: false,
          problems: [
            { path: 'format', message: `is not "${CATALOGUE_FORMAT}": this is not a catalogue file` },
            ...parsed.problems.filter((problem) => problem.path !== 'format'),
          ],
        }
      : parsed;
  const problems = [...duplicates(parsed.value), ...danglings(parsed.value, known), ...boardProblems(parsed.value)];
  return problems.length > 0 ? { ok: false, problems } : parsed;
}

function duplicates(file: CatalogueFile): Problem[] {
  return (['regions', 'sellers', 'applications', 'parts', 'offers', 'rivals'] as const).flatMap((list) => {
    const first = new Map<string, number>();
    return file[list].flatMap((entry, i): Problem[] => {
      const before = first.get(entry.id);
      if (before === undefined) {
        first.set(entry.id, i);
        return [];
      }
      return [
        { path: `${list}[${i}].id`, message: `"${entry.id}" is used already by ${list}[${before}]; ids must differ` },
      ];
    });
  });
}

function danglings(file: CatalogueFile, known: Known): Problem[] {
  const problems: Problem[] = [];
  const has = (list: readonly { id: string }[], also: ReadonlySet<string>) => {
    const ids = new Set(list.map((entry) => entry.id));
    return (id: string) => ids.has(id) || also.has(id);
  };
  const part = has(file.parts, known.parts);
  const seller = has(file.sellers, known.sellers);
  const region = has(file.regions, known.regions);
  const refer = (ok: boolean, path: string, what: string, id: string) => {
    if (!ok)
      problems.push({ path, message: `refers to ${what} "${id}", which is neither in this file nor in the catalogue` });
  };
  file.offers.forEach((offer, i) => {
    refer(part(offer.part), `offers[${i}].part`, 'part', offer.part);
    refer(seller(offer.seller), `offers[${i}].seller`, 'seller', offer.seller);
    refer(region(offer.region), `offers[${i}].region`, 'region', offer.region);
  });
  file.parts.forEach((entry, i) => {
    if (entry.variantOf !== undefined) refer(part(entry.variantOf), `parts[${i}].variantOf`, 'part', entry.variantOf);
    if (entry.kind === 'board')
      entry.testedMemory?.forEach((id, m) => refer(part(id), `parts[${i}].testedMemory[${m}]`, 'part', id));
    if (entry.kind === 'accessory' && entry.fitsCooler !== undefined)
      refer(part(entry.fitsCooler), `parts[${i}].fitsCooler`, 'part', entry.fitsCooler);
  });
  file.rivals.forEach((rival, i) => {
    rival.machine.items.forEach((item, k) =>
      refer(part(item.part), `rivals[${i}].machine.items[${k}].part`, 'part', item.part),
    );
    rival.offers.forEach((offer, k) =>
      refer(region(offer.region), `rivals[${i}].offers[${k}].region`, 'region', offer.region),
    );
  });
  return problems;
}

function boardProblems(file: CatalogueFile): Problem[] {
  return file.parts.flatMap((part, i) =>
    part.kind === 'board' && part.topology
      ? topologyProblems(part.topology).map((problem) => ({
          path: pathText(['parts', i, 'topology', ...problem.path]),
          message: problem.message,
        }))
      : [],
  );
}

export const emptyCatalogue: CatalogueData = {
  regions: [],
  sellers: [],
  applications: [],
  parts: [],
  offers: [],
  rivals: [],
};
