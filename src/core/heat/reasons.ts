import type { Reasons } from '../figures/registers';
import type { HEAT } from './constants';

/** Why the constants of `HEAT` are what they are. */
export const HEAT_WHY: Reasons<typeof HEAT> = {
  grille: { reasoning: 'A punched grille costs a usual fan about a fifth of its free air.' },
  filter: { reasoning: 'A clean mesh filter costs somewhat more than the grille; a dusty one several times that.' },
  damping: { reasoning: 'A closed front lined with foam takes its air through slits at the edge.' },
  radiator: { reasoning: 'A radiator of usual depth costs about as much as grille and filter together.' },
  leak: { reasoning: 'What intake and exhaust differ by goes through gaps and slot covers, against their resistance.' },
  naturalM3h: { reasoning: 'Warm air rises out of a case without fans; some litres a second through its grilles.' },
  openM3h: {
    reasoning: 'Nothing closes an open frame in: the air around it changes far faster than fans could do it.',
  },
  radiatorFanM3h: {
    reasoning: 'Fans sold with radiators move about what a usual 120 mm fan moves, at twice the pressure.',
  },
  radiatorFanPa: { reasoning: 'Fans sold with radiators are made for pressure.' },
  recirculationTower: {
    reasoning: 'The card lies below the cooler and blows upwards; a fan in front brings fresh air beside it.',
  },
  recirculationFlat: { reasoning: 'A cooler that blows down on the board draws from right above the card.' },
  recirculationRoof: { reasoning: 'A radiator under the roof takes the case’s air, mixed on its way up.' },
  uprightFactor: { reasoning: 'An upright card blows at the side panel, not at the cooler.' },
  passiveReferenceM3h: {
    reasoning: 'Makers state the resistance of a part without fans in a case with a usual draught.',
  },
  passiveExponent: {
    reasoning:
      'Laminar boundary layer over a plate: heat transfer grows with the root of the air speed (Pohlhausen 1921).',
  },
  supplyLossInside: {
    reasoning: 'The supply blows its own loss out at the back; some of it reaches the case through its shell.',
  },
  exhaustedStays: { reasoning: 'A radiator that blows out of the case warms it through its hoses and frame alone.' },
  bothStays: { reasoning: 'A card with fins at both ends blows somewhat less than half of its heat out of the case.' },
  outStays: {
    reasoning: 'A blower sends its air out through the bracket; back plate and board warm the case a little.',
  },
  speedExponent: {
    reasoning: 'Beyond the speeds that are stated; forced convection over fins gives powers of 0.3 to 0.5.',
  },
  leastSpeed: { reasoning: 'Air still rises through fins whose fan stands still.' },
  airAtParts: {
    reasoning:
      'Parts stand between the air that comes in and that which leaves; some of what they warm they see again.',
  },
  clockFloor: {
    reasoning: 'Below a quarter of the clock voltage no longer falls: leakage and uncore remain, and parts shut down.',
  },
  serialKeeps: {
    reasoning: 'One core alone takes a small part of the package’s power; it loses about half of what all cores lose.',
  },
  dampedPanelsDb: {
    reasoning: 'Foam and heavy panels take a little off what is inside; openings let the rest through.',
  },
  usefulRiseK: { reasoning: 'Air that leaves ten kelvin warmer than it came in is what quiet machines are built for.' },
  mostRiseK: {
    reasoning: 'Drives and small parts without coolers of their own are made for air of 40 to 45 °C in a warm room.',
  },
  packageUsual: {
    reasoning: 'Between chip and base plate of a desktop package; small dies twice that, large ones half.',
  },
  packageJPerK: { reasoning: 'Silicon, spreader and base plate weigh some 120 g of copper together, 0.39 J/(g K).' },
  towerJPerK: { reasoning: 'Most of a kilogram of aluminium and copper.' },
  liquidJPerK: { reasoning: 'A quarter of a litre of coolant (4.2 J/(g K)) and a radiator.' },
};
