import type { HeatFigures } from '../../rules/heat/figures';
import { number, percent, watts } from '../format';
import { fails, type CheckOf, type Words, type WordsOf } from './words';

const degrees = (c: number): string => `${number(c)} °C`;

const coolerLoadWords = (check: CheckOf<HeatFigures, 'cooler-load' | 'card-load'>): Words => {
  const cooler = check.cooler === check.part ? 'its own cooler' : check.cooler;
  const of =
    check.code === 'cooler-load'
      ? `Under ${cooler}${check.cards > 0 ? `, with the ${check.cards === 1 ? 'card' : 'cards'} under load too,` : ''} ${check.part}`
      : `At full load ${check.part}`;
  const clock =
    check.ghz === undefined
      ? `keeps ${percent(check.clock)} of its clock`
      : `keeps ${number(check.ghz)} of ${number(check.ghz / check.clock)} GHz`;
  const inSitting = check.sitting === undefined ? '' : ` The sitting "${check.sitting}" is slowed by it.`;
  const mend =
    check.code === 'cooler-load'
      ? 'Take a cooler with a lower thermal resistance, more air, or a lower power limit.'
      : 'Give the case more air, or take a card with a better cooler or less power.';
  if (check.shutsDown)
    return {
      says: `${of} passes its limit of ${degrees(check.limitC)} even at its lowest clock and would switch off.`,
      mend,
    };
  if (fails(check))
    return {
      says: `${of} reaches ${degrees(check.limitC)} and ${clock}, at ${watts(check.watts)} of ${watts(check.fullW)}.${inSitting}`,
      mend,
    };
  return {
    says: `${of} settles at ${number(check.tempC)} of ${degrees(check.limitC)} with ${watts(check.watts)}${check.heldBy === 'power' ? `; its power limit ${clock.replace('keeps', 'leaves')}` : ' at full clock'}.`,
  };
};

export const heatWords: WordsOf<HeatFigures> = {
  'cooler-load': coolerLoadWords,
  'card-load': coolerLoadWords,
  'heat-unknown': (check) => ({
    says:
      check.about === 'case air'
        ? `The air in ${check.part} rises by something between ${number(check.best)} and ${number(check.worst)} K; ${number(check.limit)} K is the most that drives bear.`
        : `${check.part} would settle somewhere between ${number(check.best)} and ${degrees(check.worst)}; its limit is ${degrees(check.limit)}. Figures are unknown.`,
    mend: 'Fill the missing figure in, or take a part that states it.',
  }),
  'case-air': (check) => ({
    says: `${watts(check.heatW)} in ${number(check.flowM3h)} m³/h warm the case air by ${number(check.riseK)} K${check.sitting === undefined ? '' : ` in the sitting "${check.sitting}"`}; ${number(check.limitK)} K is the most that drives bear.`,
    ...(fails(check) ? { mend: 'Add fans on the side that has fewer, or take a case with more air.' } : {}),
  }),
  noise: (check) => ({
    says: `${number(check.dbA)} dB(A) at 1 m in the sitting "${check.sitting ?? 'loudest'}"; the brief allows ${number(check.limitDbA)}.${check.loudest === undefined ? '' : ` Loudest is ${check.loudest}.`}`,
    ...(fails(check) ? { mend: 'Take the quietest curve that holds the clock, or quieter parts.' } : {}),
  }),
};
