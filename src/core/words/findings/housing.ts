import type { HousingFigures } from '../../rules/housing/figures';
import type { SolidKind } from '../../clearance/scene';
import type { Side } from '../../parts/case';
import { listed, number } from '../format';
import { fails, type WordsOf } from './words';

/** By how much something is too long or too high; nothing when it is not. */
const tooMuch = (hasMm: number, roomMm: number, how: 'long' | 'high'): string =>
  hasMm > roomMm ? `: ${number(hasMm - roomMm)} mm too ${how}` : '';

export const housingWords: WordsOf<HousingFigures> = {
  'card-length': (check) => ({
    says: `${check.card} is ${number(check.lengthMm)} mm long; ${check.chassis} leaves ${number(check.spaceMm)} mm${check.frontRadiator ? ' behind a front radiator' : ''}${tooMuch(check.lengthMm, check.spaceMm, 'long')}.`,
    ...(fails(check)
      ? {
          mend: `Take a card of ${number(check.spaceMm)} mm at most, or a case with ${number(check.lengthMm)} mm of room.`,
        }
      : {}),
  }),
  'cooler-height': (check) => ({
    says: `${check.cooler} is ${number(check.heightMm)} mm high; ${check.chassis} leaves ${number(check.spaceMm)} mm${tooMuch(check.heightMm, check.spaceMm, 'high')}.`,
    ...(fails(check) ? { mend: `Take a cooler of ${number(check.spaceMm)} mm at most, or a wider case.` } : {}),
  }),
  radiator: (check) =>
    fails(check)
      ? {
          says: `${check.chassis} has no mount for the ${check.radiatorMm} mm radiator of ${check.cooler}.`,
          mend: 'Take a shorter radiator, an air cooler or another case.',
        }
      : {
          says: `${check.chassis} takes the ${check.radiatorMm} mm radiator of ${check.cooler} (${listed(check.sides)}).`,
        },
  'memory-under-cooler': (check) => ({
    says: `${check.kit} is ${number(check.heightMm)} mm high; ${check.cooler} leaves ${number(check.spaceMm)} mm above the slots${tooMuch(check.heightMm, check.spaceMm, 'high')}.`,
    ...(fails(check) ? { mend: 'Take lower modules or a cooler that keeps clear of them.' } : {}),
  }),
  'board-form': (check) => ({
    says: `${check.board} is ${check.form}; ${check.chassis} takes ${listed(check.takes)}.`,
    ...(fails(check) ? { mend: 'Take a larger case or a smaller board.' } : {}),
  }),
  'supply-form': (check) => ({
    says: `${check.supply} is of form ${check.form}; ${check.chassis} takes ${listed(check.takes)}.`,
    ...(fails(check) ? { mend: 'Take a supply of that form.' } : {}),
  }),
  'supply-length': (check) => ({
    says: `${check.supply} is ${number(check.lengthMm)} mm long; ${check.chassis} leaves ${number(check.spaceMm)} mm${tooMuch(check.lengthMm, check.spaceMm, 'long')}.`,
    ...(fails(check) ? { mend: 'Take a shorter supply.' } : {}),
  }),
  'drive-bays': (check) => ({
    says: `${check.drives} ${check.drives === 1 ? 'drive' : 'drives'} of ${check.size}; ${check.chassis} has room for ${check.bays}.`,
    ...(fails(check) ? { mend: 'Take fewer, larger drives or a case with more bays.' } : {}),
  }),
  'card-height': (check) => ({
    says: `${check.card} is ${number(check.heightMm)} mm high; ${check.chassis} leaves ${number(check.spaceMm)} mm above the slots.`,
    ...(fails(check) ? { mend: 'Take a lower card or a wider case.' } : {}),
  }),
  'fan-mounts': (check) => ({
    says: `${check.fans} ${check.fans === 1 ? 'fan' : 'fans'} of ${check.sizeMm} mm added; ${check.chassis} has ${check.places} free ${check.places === 1 ? 'place' : 'places'} of that size.`,
    ...(fails(check) ? { mend: 'Leave fans out, or take their size to the free places.' } : {}),
  }),
  collision: (check) => {
    const [one, other] = check.where.map((kind) => SOLID[kind]);
    return {
      says: `${check.one} (${one}) and ${check.other} (${other}) stand ${number(check.overlapMm)} mm in each other's place.`,
      mend:
        check.level === 'blocks'
          ? 'Take a smaller one of the two, or move one.'
          : 'By drawings of usual boards; measure before you order.',
    };
  },
  clear: (check) => ({
    says: `${check.solids} outlines checked against each other; the nearest two leave ${number(check.leastMm)} mm.`,
  }),
  reach: (check) =>
    fails(check)
      ? {
          says: `To reach ${check.drive}, ${listed(check.comesOff)} must come off first.`,
          mend: 'Put the drive into a slot that nothing covers, or take a lower or upright card.',
        }
      : { says: `${check.drive} can be reached with nothing taken out.` },
  'fan-row': (check) =>
    fails(check)
      ? {
          says: `The ${number(check.radiatorMm)} mm radiator takes the ${SIDE[check.side]} row of ${check.chassis} (${number(check.rowMm)} mm); ${check.displaced === 1 ? 'one fan of the case has' : `${check.displaced} fans of the case have`} no other place.`,
        }
      : { says: `Radiator and fans share the ${number(check.rowMm)} mm of the ${SIDE[check.side]} row.` },
};

const SIDE: Readonly<Record<Side, string>> = {
  front: 'front',
  top: 'upper',
  rear: 'rear',
  bottom: 'lower',
  side: 'side',
};

const SOLID: Readonly<Record<SolidKind, string>> = {
  board: 'board',
  heatsink: 'heatsink by the socket',
  cooler: 'cooler',
  module: 'module',
  card: 'card',
  drive: 'drive on the board',
  'cage drive': 'drive in its cage',
  radiator: 'radiator and fans',
  fan: 'fan',
  supply: 'supply',
  cables: 'plugs and cables',
};
