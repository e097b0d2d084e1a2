import type { Told } from '../told';

/** What each rule of this folder is about, for who reads of it; judging needs none of it. */
export const TOLD: Told = {
  'card-load': {
    holds: 'each graphics card stays below its limit for hours, in this case and room',
    compares: "the card's temperature at its board power, in the air that case and room leave it, with its limit",
    source: 'steady-state heat conduction and energy balance of the case air',
  },
  'case-air': {
    holds: 'the air in the case stays near that of the room in the heaviest sitting',
    compares: 'the rise of the case air with what drives and small parts bear',
    source: 'steady flow energy balance; judgement: the limit',
  },
  'cooler-load': {
    holds: 'the cooler holds the processor below its limit for hours, with the cards under load too',
    compares:
      "the processor's temperature at the power it keeps up, in the air that case, room and cards leave it, with its limit",
    source: 'steady-state heat conduction and energy balance of the case air',
  },
  'noise-limit': {
    holds: 'the machine stays within the noise that the brief allows, in its loudest sitting',
    compares: 'sound pressure at 1 m, all sources together, with the limit of the brief',
    source: 'fan laws; addition of energies',
  },
};
