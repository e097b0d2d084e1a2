import { applicationsOf } from '../../model/catalogue';
import { movedHere } from '../../model/machine';
import { licencesFor } from '../../money/software';
import { idsOf, nameOf, unknown, type Said, type Rule } from '../rule';

export const licences: Rule = {
  id: 'licences',
  reads: ['licence', 'board'],
  levels: ['unproven', 'caution', 'note'],
  check: ({ parts, brief, catalogue, machine }) =>
    applicationsOf(brief.tasks, catalogue).flatMap(({ name: application }): Said[] => {
      const here = parts.ofKind('licence').filter(({ part }) => part.application === application);
      const vague = parts.ofKind('licence').filter(({ part }) => part.application === undefined);
      if (here.length === 0 && vague.length > 0)
        return [unknown(['licence-for', application], ...vague.map((licence) => [licence, 'application'] as const))];
      if (licencesFor(application, catalogue).length === 0) return [];
      if (here.length === 0)
        return [
          { level: 'note', code: 'licence-missing', subject: application, items: [], application, adds: ['licence'] },
        ];
      return here.map((licence): Said => {
        const { terms } = licence.part;
        if (terms === undefined) return unknown(['licence-terms', application], [licence, 'terms']);
        // what is tied stays with the machine that it came with
        const stays = terms === 'tied' && movedHere(licence.item, machine, parts.ofKind('board'));
        return {
          level: stays ? 'caution' : 'passes',
          code: 'licence-terms',
          items: idsOf(licence),
          application,
          licence: nameOf(licence),
          terms,
          owned: licence.item.owned === true,
        };
      });
    }),
};
