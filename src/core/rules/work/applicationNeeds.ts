import { applicationsOf } from '../../model/catalogue';
import { unknown, idsOf, nameOf, type Said, type Rule } from '../rule';

export const applicationNeeds: Rule = {
  id: 'application-needs',
  reads: ['graphics', 'system'],
  levels: ['blocks', 'unproven', 'caution', 'note'],
  check: ({ parts, brief, catalogue }) => {
    const card = parts.one('graphics');
    const system = parts.one('system');
    const checks: Said[] = [];
    for (const profile of applicationsOf(brief.tasks, catalogue)) {
      const application = profile.name;
      if (card && profile.effects === 'graphics' && profile.computeStacks.length > 0) {
        const has = card.part.computeStacks;
        if (has === undefined) checks.push(unknown(['application-on-card', application], [card, 'computeStacks']));
        else
          checks.push({
            level: profile.computeStacks.some((stack) => has.includes(stack)) ? 'passes' : 'blocks',
            code: 'compute-stack',
            subject: application,
            items: idsOf(card),
            application,
            wants: profile.computeStacks,
            card: nameOf(card),
            has,
          });
      }
      if (card && profile.certifiedDriver) {
        if (card.part.certifiedDriver === undefined)
          checks.push(unknown(['application-driver', application], [card, 'certifiedDriver']));
        else
          checks.push({
            level: card.part.certifiedDriver ? 'passes' : 'caution',
            code: 'certified-driver',
            subject: application,
            items: idsOf(card),
            application,
            card: nameOf(card),
            has: card.part.certifiedDriver,
          });
      }
      if (profile.systems) {
        const wants = profile.systems;
        if (!system)
          checks.push({
            level: 'note',
            code: 'no-system',
            subject: application,
            items: [],
            application,
            wants,
            adds: ['system'],
          });
        else if (system.part.system === undefined)
          checks.push(unknown(['application-on-system', application], [system, 'system']));
        else
          checks.push({
            level: wants.includes(system.part.system) ? 'passes' : 'blocks',
            code: 'operating-system',
            subject: application,
            items: idsOf(system),
            application,
            wants,
            system: nameOf(system),
          });
      }
    }
    return checks;
  },
};
