import { register } from '../figures/registers';

/** Minutes of hands-on work a step takes somebody who has done it before. */
export const MINUTES = register('minutes', {
  case: {
    value: 6,
    spread: 1.5,
    unit: 'min',
    source: 'judgement',
  },
  processor: {
    value: 3,
    spread: 1.4,
    unit: 'min',
    source: 'judgement',
  },
  module: {
    value: 1,
    spread: 1.4,
    unit: 'min',
    source: 'judgement',
  },
  drive: {
    value: 4,
    spread: 1.5,
    unit: 'min',
    source: 'judgement',
  },
  kit: {
    value: 6,
    spread: 1.6,
    unit: 'min',
    source: 'judgement',
  },
  cooler: {
    value: 8,
    spread: 1.6,
    unit: 'min',
    source: 'judgement',
  },
  board: {
    value: 6,
    spread: 1.5,
    unit: 'min',
    source: 'judgement',
  },
  supply: {
    value: 5,
    spread: 1.4,
    unit: 'min',
    source: 'judgement',
  },
  fan: { value: 4, spread: 1.4, unit: 'min', source: 'judgement' },
  cable: {
    value: 2,
    spread: 1.7,
    unit: 'min',
    source: 'judgement',
  },
  card: { value: 4, spread: 1.5, unit: 'min', source: 'judgement' },
  look: { value: 2, spread: 1.5, unit: 'min', source: 'judgement' },
  setting: { value: 3, spread: 1.6, unit: 'min', source: 'judgement' },
  benchLay: { value: 12, spread: 1.5, unit: 'min', source: 'judgement' },
  firstStart: { value: 5, spread: 1.8, unit: 'min', source: 'judgement' },
  flash: { value: 15, spread: 1.5, unit: 'min', source: 'judgement' },
  install: { value: 25, spread: 1.6, unit: 'min', source: 'judgement' },
  drivers: { value: 15, spread: 1.6, unit: 'min', source: 'judgement' },
  backup: { value: 15, spread: 1.8, unit: 'min', source: 'judgement' },
  close: {
    value: 4,
    spread: 1.4,
    unit: 'min',
    source: 'judgement',
  },
});
/** Ways of cables in a case. */
export const CABLES = register('cables', {
  bend: { value: 40, spread: 1.3, unit: 'mm', source: 'judgement' },
  way: { value: 1, spread: 1.15, unit: '× what is measured along the walls', source: 'judgement' },
  behind: { value: 15, spread: 1.3, unit: 'mm', source: 'judgement' },
});
/** Kinds of steps by how long they take. */
export type Pace = keyof typeof MINUTES;
