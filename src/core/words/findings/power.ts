import { EXCURSION_SHARE } from '../../power/policies';
import type { PowerFigures } from '../../rules/power/figures';
import { watts } from '../format';
import { fails, type WordsOf } from './words';

const excursionOf = (standard: string | undefined): number =>
  EXCURSION_SHARE[(standard ?? 'ATX 3.1') as keyof typeof EXCURSION_SHARE];

export const powerWords: WordsOf<PowerFigures> = {
  'supply-peak': (check) => ({
    says: `All parts at their limit draw ${watts(check.peakW)}; ${check.supply} delivers ${watts(check.ratedW)}.`,
    ...(fails(check) ? { mend: `Take a supply of ${watts(Math.ceil(check.peakW / 50) * 50)} or more.` } : {}),
  }),
  'supply-sustained': (check) => ({
    says: `The heaviest sitting draws ${watts(check.sustainedW)}; the share of ${check.supply} that counts for hours is ${watts(check.allowedW)}.`,
    ...(fails(check) ? { mend: 'Take a larger supply, so that it is quiet and lasts.' } : {}),
  }),
  connectors: (check) => ({
    says: `${check.forWhat} ${check.needs === 1 ? 'needs 1 connector' : `need ${check.needs} connectors`} of the kind ${check.connector}; ${check.supply} has ${check.has}.`,
    ...(fails(check) ? { mend: 'Take a supply that has them: one cable for each high-power input.' } : {}),
  }),
  'supply-policy': (check) => ({
    says:
      check.policy === 'excursion'
        ? `Short excursions reach ${watts(check.asksW * excursionOf(check.standard))}; ${check.standard ?? 'the supply’s standard'} lets ${check.supply} of ${watts(check.ratedW)} bear ${watts(check.ratedW * excursionOf(check.standard))}.`
        : check.policy === 'maker'
          ? `The card's maker recommends ${watts(check.asksW)}; ${check.supply} delivers ${watts(check.ratedW)}.`
          : `The chosen multiple of the draw asks for ${watts(check.asksW)}; ${check.supply} delivers ${watts(check.ratedW)}.`,
    ...(fails(check) ? { mend: `Take a supply of ${watts(Math.ceil(check.asksW / 50) * 50)} or more.` } : {}),
  }),
  'card-power': (check) => ({
    says: `${check.card} draws ${watts(check.drawW)}; its slot gives ${watts(check.slotW)}${check.inputsW > 0 ? ` and its inputs ${watts(check.inputsW)}` : ''}.`,
    ...(fails(check) ? { mend: 'Look its power inputs up: as it is stated, it cannot be fed.' } : {}),
  }),
  'spare-input': (check) => ({
    says: `${check.inputs - check.fed} of the ${check.inputs} processor inputs of ${check.board} ${check.inputs - check.fed === 1 ? 'stays' : 'stay'} unfed; ${check.fed === 1 ? 'the one that is fed carries' : `the ${check.fed} that are fed carry`} ${watts(check.carryW)}, ${check.processor} draws up to ${watts(check.drawW)}.`,
    mend: 'It runs so; take a supply with another such plug before raising clocks.',
  }),
  mains: (check) => ({
    says: `From the wall at most ${watts(check.wallW)}; a ${check.volts} V circuit of ${check.amperes === undefined ? 'unknown fuse, 10 A at least,' : `${check.amperes} A`} carries ${watts(check.allowedW)} for hours.`,
    ...(fails(check) ? { mend: 'Give it a circuit of its own, or lower the limits.' } : {}),
  }),
};
