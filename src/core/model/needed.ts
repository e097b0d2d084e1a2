import type { Part, PartKind } from '../parts';
import type { Brief } from './brief';
import { applicationsOf, knownCatalogue, type Catalogue, type Goods } from './catalogue';
import type { CatalogueData } from './catalogueSchema';
import type { Machine } from './machine';

/** Kinds that a page has all parts of: they are chosen from in place, and are few. */
export const WHOLE_ON_PAGES = ['display', 'licence'] as const satisfies readonly PartKind[];

/** A page's catalogue: it judges the machines that the page has, and all others it is told the goods of. */
export const pageCatalogue = (data: CatalogueData): Catalogue => knownCatalogue(data, WHOLE_ON_PAGES);

/** Parts that a brief and its machines name. */
function named(brief: Brief, machines: readonly Machine[]): string[] {
  return [
    ...brief.ownedDisplays,
    ...machines.flatMap((machine) => machine.items.flatMap((item) => [item.part, ...(item.standInRange ?? [])])),
  ];
}

/**
 * The parts of a catalogue that judging machines for a brief reads: those they name, those that rules read beside these, and
 * licences of the brief's applications. Whoever has these, with their offers, says what the whole catalogue would.
 */
export function partsNeeded(brief: Brief, machines: readonly Machine[], catalogue: Catalogue): readonly Part[] {
  const applications = new Set(applicationsOf(brief.tasks, catalogue).map(({ name }) => name));
  return withBeside(
    [
      ...named(brief, machines).flatMap((id) => catalogue.part(id) ?? []),
      ...catalogue.ofKind('licence').filter(({ application }) => application && applications.has(application)),
    ],
    catalogue,
  );
}

/** What rules read beside a part: those that would do its work for less, and the one it has its figures from. */
const besides = (part: Part, catalogue: Catalogue): readonly Part[] => [
  ...(part.kind === 'processor' ? catalogue.lockedLikes(part) : []),
  ...(part.figuresFrom === undefined ? [] : [catalogue.part(part.figuresFrom)].filter((found) => found !== undefined)),
];

/** Parts with all that rules read beside them, each once. */
export const withBeside = (parts: readonly Part[], catalogue: Catalogue): readonly Part[] => [
  ...new Set(parts.flatMap((part) => [part, ...besides(part, catalogue)])),
];

/** Parts, what rules read beside them, and what all of these cost in a region: what is needed to judge a machine of them. */
export function goodsOf(parts: readonly Part[], catalogue: Catalogue, region: string): Goods {
  const all = withBeside(parts, catalogue);
  return { parts: [...all], offers: all.flatMap(({ id }) => catalogue.offers(id, region)) };
}

/** Parts as they are, with their offers in all regions. */
export const goodsEverywhere = (parts: readonly Part[], catalogue: Catalogue): Goods => ({
  parts: [...parts],
  offers: parts.flatMap(({ id }) => catalogue.regions.flatMap((region) => catalogue.offers(id, region.id))),
});
