import type { MissingFigure } from '../figures/missing';
import { accessoryPurpose, cableUse, cardPurpose } from '../parts/purposes';
import type { Part } from '../parts';
import type { FittedParts } from './fitted';
import type { Item } from './machine';

/** Something of a machine, as far as a missing figure names it. */
interface Named {
  readonly item: Pick<Item, 'id'>;
  readonly part: Pick<Part, 'id'>;
}

export const missingOf = ({ item, part }: Named, ...fields: string[]): MissingFigure[] =>
  fields.map((field) => ({ item: item.id, part: part.id, field }));

/** What cards do not say that may be for anything: each may be what is asked. */
export const cardsUnsaid = (parts: FittedParts): MissingFigure[] =>
  parts.ofKind('expansion').flatMap((card) => (cardPurpose(card.part) ? [] : missingOf(card, 'purpose')));

/** The same of accessories. */
export const accessoriesUnsaid = (parts: FittedParts): MissingFigure[] =>
  parts.ofKind('accessory').flatMap((each) => (accessoryPurpose(each.part) ? [] : missingOf(each, 'purpose')));

/** What accessories do not say that may be a cable for anything. */
export const cablesUnsaid = (parts: FittedParts): MissingFigure[] =>
  parts.ofKind('accessory').flatMap((each) => {
    if (cableUse(each.part)) return [];
    const purpose = accessoryPurpose(each.part);
    return purpose === undefined ? missingOf(each, 'purpose') : purpose === 'cable' ? missingOf(each, 'cableFor') : [];
  });
