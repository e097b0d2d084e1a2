import type { PlatformFigures } from '../../rules/platform/figures';
import { watts } from '../format';
import { fails, type WordsOf } from './words';

export const platformWords: WordsOf<PlatformFigures> = {
  sockets: (check) =>
    fails(check)
      ? {
          says: `${check.name} has socket ${check.socket}; ${check.board} has ${check.boardSocket}.`,
          mend: 'Take a processor and a board of one socket.',
        }
      : { says: `${check.name} and ${check.board} both have socket ${check.socket}.` },
  family: (check) =>
    fails(check)
      ? {
          says: `${check.board} does not list the ${check.family} family that ${check.processor} belongs to.`,
          mend: 'Take a board that lists it.',
        }
      : { says: `${check.board} lists the ${check.family} family.` },
  firmware: (check) =>
    fails(check)
      ? {
          says: `${check.processor} needs firmware ${check.minimum}; ${check.board} comes with ${check.has}${check.route === 'without-processor' ? ', and can be flashed without a processor' : ', and needs a processor that already runs to be flashed'}.${check.channel === 'beta' ? ` ${check.takes} is a beta.` : ''}${check.fault ? ` Known of ${check.takes}: ${check.fault}.` : ''}`,
          mend:
            check.route === 'without-processor'
              ? `Flash firmware ${check.takes ?? check.minimum} from a USB stick before the first start.`
              : `Take a board that ships with ${check.minimum}, or one that can be flashed without a processor.`,
        }
      : { says: `${check.board} has firmware ${check.has}; ${check.processor} needs ${check.minimum}.` },
  'cooler-socket': (check) => {
    switch (check.kit) {
      case 'none':
        return {
          says: `${check.cooler} has no mount for socket ${check.socket}.`,
          mend: 'Take a cooler that mounts there.',
        };
      case 'apart':
        return {
          says: `${check.cooler} mounts on ${check.socket} with a kit that is sold apart and is not in the machine.`,
          mend: 'Add the mounting kit.',
        };
      case 'added':
        return { says: `${check.cooler} mounts on ${check.socket} with the kit in the machine.` };
      case 'included':
        return { says: `${check.cooler} mounts on ${check.socket}.` };
    }
  },
  'board-power': (check) => ({
    says: `${check.processor} draws up to ${watts(check.powerW)}; ${check.board} sustains ${watts(check.sustainsW)}.`,
    ...(fails(check) ? { mend: 'Take a board with stronger phases, or hold the processor to that power.' } : {}),
  }),
};
