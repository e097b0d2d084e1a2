import { figureMeta, type PartKind } from '../parts';
import { type Contradiction, SLOT_PITCH_MM } from '../parts/contradictions';
import { number } from './format';

const said = (value: number | string): string => (typeof value === 'number' ? number(value, 5) : value);

/** What cannot be right together, both figures, and the mend. No `default`: a new code does not compile without words. */
export function contradictionWords(kind: PartKind, found: Contradiction): string {
  const { has, against } = found;
  const meta = (field: string | undefined) => figureMeta(kind, field?.replace(/^.*\./, '') ?? '');
  const unit = meta(found.field).unit;
  const figure = (value: number | string) =>
    unit && typeof value === 'number' ? `${said(value)} ${unit}` : said(value);
  const other = meta(found.otherField).label;
  switch (found.code) {
    case 'above':
      return `is ${figure(has)}, above the ${other} of ${figure(against)}; one of the two is wrong, correct it or leave it out`;
    case 'below':
      return found.otherField === undefined
        ? `is ${figure(has)}; it cannot be below ${said(against)}, correct it or leave it out`
        : `is ${figure(has)}, before "${other}" on ${said(against)}; correct one of the two dates`;
    case 'faster-than-link':
      return found.otherField === 'interface'
        ? `is ${figure(has)}, but SATA carries at most ${figure(against)}; correct the figure or the interface`
        : `is ${figure(has)}, but its link carries at most ${figure(against)}; correct the figure, the lanes or the link generation`;
    case 'more-drive-slots-than-lanes':
      return `is ${said(has)} on ${said(against)} lanes; each drive needs a lane unless the card has its own lane switch`;
    case 'thinner-than-its-cooler':
      return `is ${said(has)} slots (${number(Number(has) * SLOT_PITCH_MM, 4)} mm), but its cooler is ${said(against)} mm thick; correct one of the two`;
    case 'rate-above-generation':
      return `is ${said(has)} MT/s, but memory of this generation ends at ${said(against)} MT/s; correct the rate or the generation`;
    case 'draws-more-than-its-inputs':
      return `is ${said(has)} W, but slot and power inputs give at most ${said(against)} W; correct the power or the connectors`;
    case 'spins-without-a-disk':
      return `is ${said(has)} rpm on a drive with ${said(against)} cells; leave the speed out or correct the cell kind`;
    case 'no-radiator':
      return `is missing on a liquid cooler that states a height of ${said(against)} mm; give the radiator's length, or correct the type`;
    case 'more-fans-than-places':
      return `is ${said(has)}, but that side has places for ${said(against)} of this size; correct the count or the mounts`;
    case 'warmer-when-faster':
      return `rises to ${said(has)} K/W at a higher fan speed where ${said(against)} K/W stands at a lower one; correct the points`;
    case 'rating-without-count':
      return `is missing although a mean of ${said(has)} is given; say how many ratings it comes from`;
    case 'topology':
      return said(has);
  }
}
