import type { Register } from '../figures/registers';

/** What the heat model rests on. */
export const HEAT = {
  grille: {
    value: 0.00055,
    spread: 1.4,
    unit: 'Pa/(m³/h)² a 120 mm opening',
    source: 'judgement',
    reasoning: 'A punched grille costs a usual fan about a fifth of its free air.',
  },
  filter: {
    value: 0.0007,
    spread: 1.4,
    unit: 'Pa/(m³/h)² a 120 mm opening',
    source: 'judgement',
    reasoning: 'A clean mesh filter costs somewhat more than the grille; a dusty one several times that.',
  },
  damping: {
    value: 0.0016,
    spread: 1.5,
    unit: 'Pa/(m³/h)² a 120 mm opening',
    source: 'judgement',
    reasoning: 'A closed front lined with foam takes its air through slits at the edge.',
  },
  radiator: {
    value: 0.0014,
    spread: 1.3,
    unit: 'Pa/(m³/h)² a 120 mm opening',
    source: 'judgement',
    reasoning: 'A radiator of usual depth costs about as much as grille and filter together.',
  },
  leak: {
    value: 0.45,
    spread: 1.3,
    unit: 'share of the difference',
    source: 'judgement',
    reasoning: 'What intake and exhaust differ by goes through gaps and slot covers, against their resistance.',
  },
  naturalM3h: {
    value: 8,
    spread: 1.4,
    unit: 'm³/h',
    source: 'judgement',
    reasoning: 'Warm air rises out of a case without fans; some litres a second through its grilles.',
  },
  openM3h: {
    value: 420,
    spread: 1.4,
    unit: 'm³/h',
    source: 'judgement',
    reasoning: 'Nothing closes an open frame in: the air around it changes far faster than fans could do it.',
  },
  radiatorFanM3h: {
    value: 85,
    spread: 1.2,
    unit: 'm³/h a 120 mm fan, free',
    source: 'judgement',
    reasoning: 'Fans sold with radiators move about what a usual 120 mm fan moves, at twice the pressure.',
  },
  radiatorFanPa: {
    value: 24,
    spread: 1.2,
    unit: 'Pa',
    source: 'judgement',
    reasoning: 'Fans sold with radiators are made for pressure.',
  },
  recirculationTower: {
    value: 0.3,
    spread: 1.4,
    unit: 'share of the card’s heat',
    source: 'judgement',
    reasoning: 'The card lies below the cooler and blows upwards; a fan in front brings fresh air beside it.',
  },
  recirculationFlat: {
    value: 0.45,
    spread: 1.4,
    unit: 'share of the card’s heat',
    source: 'judgement',
    reasoning: 'A cooler that blows down on the board draws from right above the card.',
  },
  recirculationRoof: {
    value: 0.2,
    spread: 1.4,
    unit: 'share of the card’s heat',
    source: 'judgement',
    reasoning: 'A radiator under the roof takes the case’s air, mixed on its way up.',
  },
  uprightFactor: {
    value: 0.7,
    spread: 1.2,
    unit: '×',
    source: 'judgement',
    reasoning: 'An upright card blows at the side panel, not at the cooler.',
  },
  passiveReferenceM3h: {
    value: 60,
    spread: 1.3,
    unit: 'm³/h',
    source: 'judgement',
    reasoning: 'Makers state the resistance of a part without fans in a case with a usual draught.',
  },
  passiveExponent: {
    value: 0.5,
    spread: 1,
    unit: '',
    source: 'paper',
    reasoning:
      'Laminar boundary layer over a plate: heat transfer grows with the root of the air speed (Pohlhausen 1921).',
  },
  supplyLossInside: {
    value: 0.25,
    spread: 1.5,
    unit: 'share',
    source: 'judgement',
    reasoning: 'The supply blows its own loss out at the back; some of it reaches the case through its shell.',
  },
  exhaustedStays: {
    value: 0.1,
    spread: 1.5,
    unit: 'share',
    source: 'judgement',
    reasoning: 'A radiator that blows out of the case warms it through its hoses and frame alone.',
  },
  bothStays: {
    value: 0.55,
    spread: 1.2,
    unit: 'share',
    source: 'judgement',
    reasoning: 'A card with fins at both ends blows somewhat less than half of its heat out of the case.',
  },
  outStays: {
    value: 0.15,
    spread: 1.4,
    unit: 'share',
    source: 'judgement',
    reasoning: 'A blower sends its air out through the bracket; back plate and board warm the case a little.',
  },
  speedExponent: {
    value: 0.4,
    spread: 1.25,
    unit: '',
    source: 'judgement',
    reasoning: 'Beyond the speeds that are stated; forced convection over fins gives powers of 0.3 to 0.5.',
  },
  leastSpeed: {
    value: 0.05,
    spread: 1.5,
    unit: 'share of full speed',
    source: 'judgement',
    reasoning: 'Air still rises through fins whose fan stands still.',
  },
  airAtParts: {
    value: 0.6,
    spread: 1.3,
    unit: 'share of the rise',
    source: 'judgement',
    reasoning:
      'Parts stand between the air that comes in and that which leaves; some of what they warm they see again.',
  },
  clockFloor: {
    value: 0.25,
    spread: 1,
    unit: 'share of the full clock',
    source: 'judgement',
    reasoning: 'Below a quarter of the clock voltage no longer falls: leakage and uncore remain, and parts shut down.',
  },
  serialKeeps: {
    value: 0.5,
    spread: 1.3,
    unit: 'share',
    source: 'judgement',
    reasoning: 'One core alone takes a small part of the package’s power; it loses about half of what all cores lose.',
  },
  dampedPanelsDb: {
    value: 2,
    spread: 1,
    unit: 'dB',
    source: 'judgement',
    reasoning: 'Foam and heavy panels take a little off what is inside; openings let the rest through.',
  },
  usefulRiseK: {
    value: 10,
    spread: 1.3,
    unit: 'K',
    source: 'judgement',
    reasoning: 'Air that leaves ten kelvin warmer than it came in is what quiet machines are built for.',
  },
  mostRiseK: {
    value: 18,
    spread: 1.2,
    unit: 'K',
    source: 'judgement',
    reasoning: 'Drives and small parts without coolers of their own are made for air of 40 to 45 °C in a warm room.',
  },
  packageUsual: {
    value: 0.09,
    spread: 1.6,
    unit: 'K/W',
    source: 'judgement',
    reasoning: 'Between chip and base plate of a desktop package; small dies twice that, large ones half.',
  },
  packageJPerK: {
    value: 55,
    spread: 1.5,
    unit: 'J/K',
    source: 'judgement',
    reasoning: 'Silicon, spreader and base plate weigh some 120 g of copper together, 0.39 J/(g K).',
  },
  towerJPerK: {
    value: 620,
    spread: 1.5,
    unit: 'J/K',
    source: 'judgement',
    reasoning: 'Most of a kilogram of aluminium and copper.',
  },
  liquidJPerK: {
    value: 1500,
    spread: 1.5,
    unit: 'J/K',
    source: 'judgement',
    reasoning: 'A quarter of a litre of coolant (4.2 J/(g K)) and a radiator.',
  },
} as const satisfies Register;

/** Where a figure is unknown it lies between these: the better and the worse end. Judgement, of parts sold. */
export const BOUNDS = {
  packageKPerW: { best: 0.03, worst: 0.22 },
  tower: { best: 0.09, worst: 0.5 },
  'low-profile': { best: 0.3, worst: 0.75 },
  liquid: { best: 0.06, worst: 0.3 },
  passive: { best: 0.45, worst: 1.2 },
  included: { best: 0.3, worst: 0.75 },
  processorLimitC: { best: 105, worst: 80 },
  cardLimitC: { best: 105, worst: 80 },
  /** Times board power is a rise of 40 … 70 K for a card with fans, which its maker has made to fit. */
  cardRiseK: { best: 40, worst: 75 },
  passiveCardRiseK: { best: 60, worst: 120 },
  caseM3h: { best: 180, worst: 0 },
  /** m³/h and Pa of a fan by its area relative to 120 mm. */
  fanM3h: { best: 140, worst: 50 },
  fanPa: { best: 30, worst: 5 },
} as const;

/** As most boards ship: quiet below 40 °C, all there is at 90 °C. */
export const USUAL_CURVES = {
  cooler: [
    { c: 40, percent: 30 },
    { c: 70, percent: 55 },
    { c: 88, percent: 100 },
  ],
  case: [
    { c: 40, percent: 40 },
    { c: 70, percent: 65 },
    { c: 88, percent: 100 },
  ],
  /** What a card's own firmware does; it is not ours to set. */
  card: [
    { c: 50, percent: 30 },
    { c: 72, percent: 60 },
    { c: 86, percent: 100 },
  ],
} as const;
