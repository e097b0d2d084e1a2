import { applicationsOf } from '../../model/catalogue';
import { unknown, idsOf, nameOf, type Check, type Rule } from '../rule';

export const applicationNeeds: Rule = {
  id: 'application-needs',
  holds: "compute stack, operating system and driver are what each application's maker supports",
  compares: 'what the applications of the brief support with the card and the operating system',
  reads: ['graphics', 'system'],
  levels: ['blocks', 'unproven', 'caution', 'note'],
  source: 'application profiles',
  check: ({ parts, brief, catalogue }) => {
    const card = parts.one('graphics');
    const system = parts.one('system');
    const checks: Check[] = [];
    for (const profile of applicationsOf(brief.tasks, catalogue)) {
      const application = profile.name;
      if (card && profile.effects === 'graphics' && profile.computeStacks.length > 0) {
        const has = card.part.computeStacks;
        if (has === undefined)
          checks.push(unknown('application-needs', `whether ${application} runs on the card`, [card, 'computeStacks']));
        else
          checks.push({
            rule: 'application-needs',
            level: profile.computeStacks.some((stack) => has.includes(stack)) ? 'passes' : 'blocks',
            code: 'compute-stack',
            items: idsOf(card),
            application,
            wants: profile.computeStacks,
            card: nameOf(card),
            has,
          });
      }
      if (card && profile.certifiedDriver) {
        if (card.part.certifiedDriver === undefined)
          checks.push(
            unknown('application-needs', `whether ${application} has a certified driver for the card`, [
              card,
              'certifiedDriver',
            ]),
          );
        else
          checks.push({
            rule: 'application-needs',
            level: card.part.certifiedDriver ? 'passes' : 'caution',
            code: 'certified-driver',
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
            rule: 'application-needs',
            level: 'note',
            code: 'no-system',
            items: [],
            application,
            wants,
            adds: ['system'],
          });
        else if (system.part.system === undefined)
          checks.push(unknown('application-needs', `whether ${application} runs on this system`, [system, 'system']));
        else
          checks.push({
            rule: 'application-needs',
            level: wants.includes(system.part.system) ? 'passes' : 'blocks',
            code: 'operating-system',
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
