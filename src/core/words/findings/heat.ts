import { EXCURSION_SHARE } from '../../power/policies';
import type { HeatFigures } from '../../rules/heat/figures';
import type { PowerFigures } from '../../rules/power/figures';
import { number, percent, watts } from '../format';
import { fails, type CheckOf, type Words } from './words';

const degrees = (c: number): string => `${number(c)} °C`;

export function heatWords(check: CheckOf<HeatFigures | PowerFigures>): Words {
  const bad = fails(check);
  switch (check.code) {
    case 'cooler-load':
    case 'card-load': {
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
      if (bad)
        return {
          says: `${of} reaches ${degrees(check.limitC)} and ${clock}, at ${watts(check.watts)} of ${watts(check.fullW)}.${inSitting}`,
          mend,
        };
      return {
        says: `${of} settles at ${number(check.tempC)} of ${degrees(check.limitC)} with ${watts(check.watts)}${check.heldBy === 'power' ? `; its power limit ${clock.replace('keeps', 'leaves')}` : ' at full clock'}.`,
      };
    }
    case 'heat-unknown':
      return {
        says:
          check.about === 'case air'
            ? `The air in ${check.part} rises by something between ${number(check.best)} and ${number(check.worst)} K; ${number(check.limit)} K is the most that drives bear.`
            : `${check.part} would settle somewhere between ${number(check.best)} and ${degrees(check.worst)}; its limit is ${degrees(check.limit)}. Figures are unknown.`,
        mend: 'Fill the missing figure in, or take a part that states it.',
      };
    case 'case-air':
      return {
        says: `${watts(check.heatW)} in ${number(check.flowM3h)} m³/h warm the case air by ${number(check.riseK)} K${check.sitting === undefined ? '' : ` in the sitting "${check.sitting}"`}; ${number(check.limitK)} K is the most that drives bear.`,
        ...(bad ? { mend: 'Add fans on the side that has fewer, or take a case with more air.' } : {}),
      };
    case 'noise':
      return {
        says: `${number(check.dbA)} dB(A) at 1 m in the sitting "${check.sitting ?? 'loudest'}"; the brief allows ${number(check.limitDbA)}.${check.loudest === undefined ? '' : ` Loudest is ${check.loudest}.`}`,
        ...(bad ? { mend: 'Take the quietest curve that holds the clock, or quieter parts.' } : {}),
      };
    case 'supply-policy':
      return {
        says:
          check.policy === 'excursion'
            ? `Short excursions reach ${watts(check.asksW * EXCURSION_OF(check.standard))}; ${check.standard ?? 'the supply’s standard'} lets ${check.supply} of ${watts(check.ratedW)} bear ${watts(check.ratedW * EXCURSION_OF(check.standard))}.`
            : check.policy === 'maker'
              ? `The card's maker recommends ${watts(check.asksW)}; ${check.supply} delivers ${watts(check.ratedW)}.`
              : `The chosen multiple of the draw asks for ${watts(check.asksW)}; ${check.supply} delivers ${watts(check.ratedW)}.`,
        ...(bad ? { mend: `Take a supply of ${watts(Math.ceil(check.asksW / 50) * 50)} or more.` } : {}),
      };
    case 'card-power':
      return {
        says: `${check.card} draws ${watts(check.drawW)}; its slot gives ${watts(check.slotW)}${check.inputsW > 0 ? ` and its inputs ${watts(check.inputsW)}` : ''}.`,
        ...(bad ? { mend: 'Look its power inputs up: as it is stated, it cannot be fed.' } : {}),
      };
    case 'spare-input':
      return {
        says: `${check.inputs - check.fed} of the ${check.inputs} processor inputs of ${check.board} stay unfed; ${check.fed === 1 ? 'the one that is fed carries' : `the ${check.fed} that are fed carry`} ${watts(check.carryW)}, ${check.processor} draws up to ${watts(check.drawW)}.`,
        mend: 'It runs so; take a supply with another such plug before raising clocks.',
      };
    case 'mains':
      return {
        says: `From the wall at most ${watts(check.wallW)}; a ${check.volts} V circuit of ${check.amperes === undefined ? 'unknown fuse, 10 A at least,' : `${check.amperes} A`} carries ${watts(check.allowedW)} for hours.`,
        ...(bad ? { mend: 'Give it a circuit of its own, or lower the limits.' } : {}),
      };
  }
}

const EXCURSION_OF = (standard: string | undefined): number =>
  EXCURSION_SHARE[(standard ?? 'ATX 3.1') as keyof typeof EXCURSION_SHARE];
