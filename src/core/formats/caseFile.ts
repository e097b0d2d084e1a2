import { z } from 'zod';
import { topologyProblems } from '../parts/topology';
import { briefSchema } from '../model/brief';
import { machineSchema } from '../model/machine';
import { isoDate, plainText } from '../parts/common';
import { partSchema } from '../parts';
import { applicationSchema } from '../model/applications';
import { offerSchema, regionSchema, sellerSchema } from '../model/offers';
import { applicationsOf, type Catalogue } from '../model/catalogue';
import type { CatalogueData } from '../model/catalogueSchema';
import { partsNeeded } from '../model/needed';
import { compareText } from '../parts/order';
import { asNow } from './former';
import { parseText, pathText, type Parsed, type Problem } from './problems';

export const CASE_FORMAT = 'vane-case';

/**
 * A brief, its region and one or more machines. Parts stand inline in `parts` or are named by an id that the reader's
 * catalogue has; inline parts need no catalogue.
 */
export const caseSchema = z.strictObject({
  format: z.literal(CASE_FORMAT),
  version: z.literal(1),
  name: plainText(80),
  today: isoDate,
  region: regionSchema,
  brief: briefSchema,
  machines: z.array(machineSchema).min(1).max(50),
  parts: z.array(partSchema).optional(),
  offers: z.array(offerSchema).optional(),
  /** Sellers of those offers, with what they ship for and how far they can be relied on. */
  sellers: z.array(sellerSchema).optional(),
  applications: z.array(applicationSchema).optional(),
});
export type CaseFile = z.infer<typeof caseSchema>;

/** Reads a case file. Parts that are in neither the file nor `known` are a problem: nothing is guessed. */
export function readCase(text: string, known: ReadonlySet<string> = new Set()): Parsed<CaseFile> {
  const parsed = parseText(text, caseSchema, asNow);
  if (!parsed.ok) return parsed;
  const file = parsed.value;
  const problems: Problem[] = [];
  const parts = new Set<string>();
  (file.parts ?? []).forEach((part, i) => {
    if (parts.has(part.id))
      problems.push({ path: `parts[${i}].id`, message: `"${part.id}" is used twice; ids must differ` });
    parts.add(part.id);
    if (part.kind === 'board' && part.topology)
      for (const problem of topologyProblems(part.topology))
        problems.push({ path: pathText(['parts', i, 'topology', ...problem.path]), message: problem.message });
  });
  const machineIds = new Set<string>();
  file.machines.forEach((machine, m) => {
    if (machineIds.has(machine.id))
      problems.push({ path: `machines[${m}].id`, message: `"${machine.id}" is used twice; ids must differ` });
    machineIds.add(machine.id);
    machine.items.forEach((item, i) => {
      if (!parts.has(item.part) && !known.has(item.part))
        problems.push({
          path: `machines[${m}].items[${i}].part`,
          message: `refers to part "${item.part}", which is neither in this file nor in the catalogue`,
        });
    });
  });
  (file.offers ?? []).forEach((offer, i) => {
    if (!parts.has(offer.part) && !known.has(offer.part))
      problems.push({
        path: `offers[${i}].part`,
        message: `refers to part "${offer.part}", which is neither in this file nor in the catalogue`,
      });
  });
  if (file.brief.region !== file.region.id)
    problems.push({
      path: 'brief.region',
      message: `is "${file.brief.region}" but the file's region is "${file.region.id}"`,
    });
  return problems.length > 0 ? { ok: false, problems } : parsed;
}

/** A catalogue for a case: its own parts and offers before those of the catalogue around it. */
export function caseCatalogue(file: CaseFile, around: CatalogueData): CatalogueData {
  const own = new Set((file.parts ?? []).map((part) => part.id as string));
  const ownSellers = new Set((file.sellers ?? []).map((seller) => seller.id));
  const ownApplications = new Set((file.applications ?? []).map((profile) => profile.id));
  return {
    ...around,
    regions: [file.region, ...around.regions.filter((region) => region.id !== file.region.id)],
    parts: [...(file.parts ?? []), ...around.parts.filter((part) => !own.has(part.id))],
    sellers: [...(file.sellers ?? []), ...around.sellers.filter((seller) => !ownSellers.has(seller.id))],
    offers: [...(file.offers ?? []), ...around.offers.filter((offer) => !own.has(offer.part))],
    applications: [
      ...(file.applications ?? []),
      ...around.applications.filter((profile) => !ownApplications.has(profile.id)),
    ],
  };
}

/** Writes a case with everything it needs inline, so that it opens anywhere. */
export function writeCase(
  name: string,
  today: string,
  brief: CaseFile['brief'],
  machines: CaseFile['machines'],
  around: Catalogue,
): CaseFile {
  const region = around.region(brief.region);
  if (!region) throw new RangeError(`the brief's region "${brief.region}" is not in the catalogue`);
  const parts = [...partsNeeded(brief, machines, around)].sort((a, b) => compareText(a.id, b.id));
  const offers = parts.flatMap(({ id }) => around.offers(id, region.id));
  const sellers = new Set(offers.map((offer) => offer.seller));
  return {
    format: CASE_FORMAT,
    version: 1,
    name,
    today,
    region,
    brief,
    machines,
    parts,
    offers,
    sellers: around.sellers.filter((seller) => sellers.has(seller.id)),
    applications: applicationsOf(brief.tasks, around),
  };
}
