import { register } from '../figures/registers';

/** What the heat model rests on. */
export const HEAT = register('heat', {
  grille: {
    value: 0.00055,
    spread: 1.4,
    unit: 'Pa/(m³/h)² a 120 mm opening',
    source: 'judgement',
  },
  filter: {
    value: 0.0007,
    spread: 1.4,
    unit: 'Pa/(m³/h)² a 120 mm opening',
    source: 'judgement',
  },
  damping: {
    value: 0.0016,
    spread: 1.5,
    unit: 'Pa/(m³/h)² a 120 mm opening',
    source: 'judgement',
  },
  radiator: {
    value: 0.0014,
    spread: 1.3,
    unit: 'Pa/(m³/h)² a 120 mm opening',
    source: 'judgement',
  },
  leak: {
    value: 0.45,
    spread: 1.3,
    unit: 'share of the difference',
    source: 'judgement',
  },
  naturalM3h: {
    value: 8,
    spread: 1.4,
    unit: 'm³/h',
    source: 'judgement',
  },
  openM3h: {
    value: 420,
    spread: 1.4,
    unit: 'm³/h',
    source: 'judgement',
  },
  radiatorFanM3h: {
    value: 85,
    spread: 1.2,
    unit: 'm³/h a 120 mm fan, free',
    source: 'judgement',
  },
  radiatorFanPa: {
    value: 24,
    spread: 1.2,
    unit: 'Pa',
    source: 'judgement',
  },
  recirculationTower: {
    value: 0.3,
    spread: 1.4,
    unit: 'share of the card’s heat',
    source: 'judgement',
  },
  recirculationFlat: {
    value: 0.45,
    spread: 1.4,
    unit: 'share of the card’s heat',
    source: 'judgement',
  },
  recirculationRoof: {
    value: 0.2,
    spread: 1.4,
    unit: 'share of the card’s heat',
    source: 'judgement',
  },
  uprightFactor: {
    value: 0.7,
    spread: 1.2,
    unit: '×',
    source: 'judgement',
  },
  passiveReferenceM3h: {
    value: 60,
    spread: 1.3,
    unit: 'm³/h',
    source: 'judgement',
  },
  passiveExponent: {
    value: 0.5,
    spread: 1,
    unit: '',
    source: 'paper',
  },
  supplyLossInside: {
    value: 0.25,
    spread: 1.5,
    unit: 'share',
    source: 'judgement',
  },
  exhaustedStays: {
    value: 0.1,
    spread: 1.5,
    unit: 'share',
    source: 'judgement',
  },
  bothStays: {
    value: 0.55,
    spread: 1.2,
    unit: 'share',
    source: 'judgement',
  },
  outStays: {
    value: 0.15,
    spread: 1.4,
    unit: 'share',
    source: 'judgement',
  },
  speedExponent: {
    value: 0.4,
    spread: 1.25,
    unit: '',
    source: 'judgement',
  },
  leastSpeed: {
    value: 0.05,
    spread: 1.5,
    unit: 'share of full speed',
    source: 'judgement',
  },
  airAtParts: {
    value: 0.6,
    spread: 1.3,
    unit: 'share of the rise',
    source: 'judgement',
  },
  clockFloor: {
    value: 0.25,
    spread: 1,
    unit: 'share of the full clock',
    source: 'judgement',
  },
  serialKeeps: {
    value: 0.5,
    spread: 1.3,
    unit: 'share',
    source: 'judgement',
  },
  dampedPanelsDb: {
    value: 2,
    spread: 1,
    unit: 'dB',
    source: 'judgement',
  },
  usefulRiseK: {
    value: 10,
    spread: 1.3,
    unit: 'K',
    source: 'judgement',
  },
  mostRiseK: {
    value: 18,
    spread: 1.2,
    unit: 'K',
    source: 'judgement',
  },
  packageUsual: {
    value: 0.09,
    spread: 1.6,
    unit: 'K/W',
    source: 'judgement',
  },
  packageJPerK: {
    value: 55,
    spread: 1.5,
    unit: 'J/K',
    source: 'judgement',
  },
  towerJPerK: {
    value: 620,
    spread: 1.5,
    unit: 'J/K',
    source: 'judgement',
  },
  liquidJPerK: {
    value: 1500,
    spread: 1.5,
    unit: 'J/K',
    source: 'judgement',
  },
});

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
