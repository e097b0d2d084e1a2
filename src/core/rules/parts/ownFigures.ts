import { fullName } from '../../model/fitted';
import { idsOf, nameOf, type Said, type Rule } from '../rule';

export const ownFigures: Rule = {
  id: 'own-figures',
  reads: ['any part'],
  byIdentity: true,
  levels: ['caution'],
  check: ({ parts, catalogue }) => {
    const borrowed = parts.all.flatMap((fitted): Said[] =>
      fitted.part.figuresFrom === undefined
        ? []
        : [
            {
              level: 'caution',
              code: 'borrowed-figures',
              items: idsOf(fitted),
              name: nameOf(fitted),
              from: nameOfPart(catalogue.part(fitted.part.figuresFrom)) ?? fitted.part.figuresFrom,
            },
          ],
    );
    return borrowed.length > 0
      ? borrowed
      : [{ level: 'passes', code: 'own-figures', items: [], count: parts.all.length }];
  },
};

const nameOfPart = (part: Parameters<typeof fullName>[0] | undefined): string | undefined => part && fullName(part);
