import type { SurplusFigures } from '../../rules/surplus/figures';
import { coins, number, percent, watts } from '../format';
import { fails, type CheckOf, type Words } from './words';

export function surplusWords(check: CheckOf<SurplusFigures>): Words {
  const bad = fails(check);
  const mend = (text: string) => (bad ? { mend: text } : {});
  switch (check.code) {
    case 'surplus-memory':
      return {
        says: `${number(check.hasGib)} GB of memory; the tasks and their programs ask for ${number(check.needsGib)} GB, ${number(check.years)} years of growth included.`,
        ...mend('Half of it would do.'),
      };
    case 'surplus-rate':
      return {
        says: `The tasks use ${check.busiest < 0.01 ? 'less than 1 %' : `up to ${percent(check.busiest)}`} of what memory at ${check.rateMTs} MT/s moves; the standard rate is ${check.standardMTs} MT/s.`,
        ...mend('Slower memory would do the same for this brief.'),
      };
    case 'surplus-supply':
      return {
        says: `${check.supply} delivers ${watts(check.ratedW)}; the machine asks for one of ${watts(check.needsW)}.`,
        ...mend('A smaller supply would do, and run where it is more efficient.'),
      };
    case 'surplus-space':
      return {
        says: `${number(check.hasGB)} GB in the ${check.role} role; the tasks keep ${number(check.needsGB)} GB there, ${number(check.years)} years of growth included.`,
        ...mend('A smaller drive would do.'),
      };
    case 'surplus-graphics-memory':
      return {
        says: `${check.card} has ${number(check.hasGib)} GB; the tasks and their programs ask for ${number(check.needsGib)} GB, ${number(check.years)} years of growth included.`,
        ...mend('A card with less memory would do, as far as memory goes.'),
      };
    case 'surplus-unlocked':
      return {
        says: `The clocks of ${check.processor} may be raised and stay as shipped; ${check.other} does the same for ${coins(check.premiumMinor, check.currency)} less.`,
        ...mend('Take the other, or raise the clocks in Weigh.'),
      };
    case 'surplus-card':
      return bad
        ? {
            says: `Nothing in the brief uses ${check.card}.`,
            mend: 'Leave it out, or say in the brief what it is for.',
          }
        : { says: `The brief uses ${check.card}.` };
    case 'surplus-port':
      return {
        says: `${check.card} has ${check.has} ${check.what === 'displays' ? 'outputs' : 'video inputs'}; the brief asks for ${check.needs}.`,
        ...mend('One with fewer would do.'),
      };
    case 'surplus-fans':
      return {
        says: `${check.keep === 0 ? 'The fans of the case alone' : `${check.keep} of the added fans, ${check.sides.join(' and ')},`} carry the heat of the heaviest sitting: ${number(check.flowM3h)} m³/h, air ${number(check.riseK)} K above the room.`,
        ...mend(`${check.spare === 1 ? 'One of them' : `${check.spare} of them`} could be left out.`),
      };
  }
}
