import type { Check } from '../../rules/rule';
import type { SurplusFigures } from '../../rules/surplus/figures';
import { coins, number, percent, watts } from '../format';
import { fails, type WordsOf } from './words';

const mend = (check: Check, text: string) => (fails(check) ? { mend: text } : {});

export const surplusWords: WordsOf<SurplusFigures> = {
  'surplus-memory': (check) => ({
    says: `${number(check.hasGib)} GB of memory; the tasks and their programs ask for ${number(check.needsGib)} GB, ${number(check.years)} years of growth included.`,
    ...mend(check, 'Half of it would do.'),
  }),
  'surplus-rate': (check) => ({
    says: `The tasks use ${check.busiest < 0.01 ? 'less than 1 %' : `up to ${percent(check.busiest)}`} of what memory at ${check.rateMTs} MT/s moves; the standard rate is ${check.standardMTs} MT/s.`,
    ...mend(check, 'Slower memory would do the same for this brief.'),
  }),
  'surplus-supply': (check) => ({
    says: `${check.supply} delivers ${watts(check.ratedW)}; the machine asks for one of ${watts(check.needsW)}.`,
    ...mend(check, 'A smaller supply would do, and run where it is more efficient.'),
  }),
  'surplus-space': (check) => ({
    says: `${number(check.hasGB)} GB in the ${check.role} role; the tasks keep ${number(check.needsGB)} GB there, ${number(check.years)} years of growth included.`,
    ...mend(check, 'A smaller drive would do.'),
  }),
  'surplus-graphics-memory': (check) => ({
    says: `${check.card} has ${number(check.hasGib)} GB; the tasks and their programs ask for ${number(check.needsGib)} GB, ${number(check.years)} years of growth included.`,
    ...mend(check, 'A card with less memory would do, as far as memory goes.'),
  }),
  'surplus-unlocked': (check) => ({
    says: `The clocks of ${check.processor} may be raised and stay as shipped; ${check.other} does the same for ${coins(check.premiumMinor, check.currency)} less.`,
    ...mend(check, 'Take the other, or raise the clocks in Weigh.'),
  }),
  'surplus-card': (check) =>
    fails(check)
      ? {
          says: `Nothing in the brief uses ${check.card}.`,
          mend: 'Leave it out, or say in the brief what it is for.',
        }
      : { says: `The brief uses ${check.card}.` },
  'surplus-port': (check) => ({
    says: `${check.card} has ${check.has} ${check.what === 'displays' ? 'outputs' : 'video inputs'}; the brief asks for ${check.needs}.`,
    ...mend(check, 'One with fewer would do.'),
  }),
  'surplus-fans': (check) => ({
    says: `${check.keep === 0 ? 'The fans of the case alone' : `${check.keep} of the added fans, ${check.sides.join(' and ')},`} carry the heat of the heaviest sitting: ${number(check.flowM3h)} m³/h, air ${number(check.riseK)} K above the room.`,
    ...mend(check, `${check.spare === 1 ? 'One of them' : `${check.spare} of them`} could be left out.`),
  }),
};
