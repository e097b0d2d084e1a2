import type { HousingFigures } from '../../rules/housing/figures';
import type { PlatformFigures } from '../../rules/platform/figures';
import type { SolidKind } from '../../clearance/scene';
import type { Side } from '../../parts/case';
import { listed, number } from '../format';
import { fails, type CheckOf, type Words } from './words';

export function housingWords(check: CheckOf<HousingFigures | PlatformFigures>): Words {
  const bad = fails(check);
  switch (check.code) {
    case 'card-height':
      return {
        says: `${check.card} is ${number(check.heightMm)} mm high; ${check.chassis} leaves ${number(check.spaceMm)} mm above the slots.`,
        ...(bad ? { mend: 'Take a lower card or a wider case.' } : {}),
      };
    case 'fan-mounts':
      return {
        says: `${check.fans} ${check.fans === 1 ? 'fan' : 'fans'} of ${check.sizeMm} mm added; ${check.chassis} has ${check.places} free ${check.places === 1 ? 'place' : 'places'} of that size.`,
        ...(bad ? { mend: 'Leave fans out, or take their size to the free places.' } : {}),
      };
    case 'data-cables':
      return {
        says: `${check.drives} ${check.drives === 1 ? 'drive needs a data cable' : 'drives need a data cable each'}; there ${check.cables === 1 ? 'is 1' : `are ${check.cables}`}.`,
        ...(bad ? { mend: 'Add data cables.' } : {}),
      };
    case 'paste':
      return bad
        ? { says: `${check.cooler} comes without paste and none is in the machine.`, mend: 'Add paste.' }
        : { says: check.from === 'cooler' ? `Paste comes with ${check.cooler}.` : 'Paste is there.' };
    case 'collision': {
      const [one, other] = check.where.map((kind) => SOLID[kind]);
      return {
        says: `${check.one} (${one}) and ${check.other} (${other}) stand ${number(check.overlapMm)} mm in each other's place.`,
        mend:
          check.level === 'blocks'
            ? 'Take a smaller one of the two, or move one.'
            : 'By drawings of usual boards; measure before you order.',
      };
    }
    case 'clear':
      return {
        says: `${check.solids} outlines checked against each other; the nearest two leave ${number(check.leastMm)} mm.`,
      };
    case 'reach':
      return bad
        ? {
            says: `To reach ${check.drive}, ${listed(check.comesOff)} must come off first.`,
            mend: 'Put the drive into a slot that nothing covers, or take a lower or upright card.',
          }
        : { says: `${check.drive} can be reached with nothing taken out.` };
    case 'fan-row':
      return bad
        ? {
            says: `The ${number(check.radiatorMm)} mm radiator takes the ${SIDE[check.side]} row of ${check.chassis} (${number(check.rowMm)} mm); ${check.displaced === 1 ? 'one fan of the case has' : `${check.displaced} fans of the case have`} no other place.`,
          }
        : { says: `Radiator and fans share the ${number(check.rowMm)} mm of the ${SIDE[check.side]} row.` };
  }
}

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
