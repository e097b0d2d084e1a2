import { register } from '../../figures/registers';

/** What the surplus rules rest on. They only ever bring notes, so a wrong judgement here costs a word, not a machine. */
export const SURPLUS = register('surplus', {
  growthPerYear: {
    value: 1.1,
    spread: 1.08,
    unit: '× a year',
    source: 'judgement',
  },
  capacityMargin: {
    value: 2,
    spread: 1.2,
    unit: '×',
    source: 'judgement',
  },
  supplyMargin: {
    value: 1.6,
    spread: 1.15,
    unit: '×',
    source: 'judgement',
  },
  quietTraffic: {
    value: 0.35,
    spread: 1.3,
    unit: 'share',
    source: 'judgement',
  },
});

/** How much a need grows over years of service. */
export const grown = (years: number): number => SURPLUS.growthPerYear.value ** years;

/** Whether a part has less of what another has too much of; what is unknown is not known to be less. */
export const isLess = (had: number | undefined, has: number | undefined): boolean =>
  had !== undefined && has !== undefined && has < had;
