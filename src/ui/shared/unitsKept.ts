/** Units as sentences write them after a number. */
const UNITS = [
  '%',
  '°C',
  'K',
  'm³/h',
  'dB\\(A\\)',
  'k?Wh?',
  'V',
  'A',
  '[kMGT]i?B(?:/s)?',
  '[MG]b(?:it)?/s',
  'MT/s',
  '[MG]Hz',
  'fps',
  'ms',
  's',
  'min',
  'h',
  'mm',
  'cm',
  'L',
  'kg',
] as const;
const BEFORE_UNIT = new RegExp(`(\\d) (?=(?:${UNITS.join('|')})(?![\\w/]))`, 'g');

/**
 * A sentence in which no line ends between a number and its unit.
 * @example unitsKept('reaches 95 °C') // 'reaches 95\u00a0°C'
 */
export const unitsKept = (sentence: string): string => sentence.replace(BEFORE_UNIT, '$1\u00a0');
