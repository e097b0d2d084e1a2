import type { PortFigures } from '../../rules/ports/figures';
import { capitalised, counting, listed, number } from '../format';
import { fails, type WordsOf } from './words';

export const portWords: WordsOf<PortFigures> = {
  'picture-path': (check) =>
    check.from === 'none'
      ? {
          says: `${check.processor} has no graphics of its own and there is no graphics card: no picture.`,
          mend: 'Add a graphics card.',
        }
      : check.from === 'no-output'
        ? {
            says: `${check.processor} has graphics, but ${check.board ?? 'the board'} has no output for it: no picture.`,
            mend: 'Add a graphics card, or take a board with display outputs.',
          }
        : {
            says:
              check.from === 'graphics'
                ? `${check.processor} makes the picture.`
                : `The graphics inside ${check.processor} makes the picture.`,
          },
  'display-outputs': (check) => ({
    says: `${counting(check.displays, 'display')}; ${check.from} drives ${check.outputs}.`,
    ...(fails(check) ? { mend: 'Take a card with more outputs.' } : {}),
  }),
  'fan-headers': (check) => ({
    says: `${counting(check.fans, 'fan')}; ${check.board} has headers for ${check.headers}${fails(check) ? '' : ', splitters counted'}.`,
    ...(fails(check) ? { mend: 'Add a splitter, or leave a fan out.' } : {}),
  }),
  'header-current': (check) => ({
    says: `${check.fansOnOne} ${check.fansOnOne === 1 ? 'fan draws' : 'fans on one header draw'} up to ${number(check.currentA, 2)} A; a header of ${check.board} gives ${number(check.limitA, 2)} A.`,
    ...(fails(check) ? { mend: 'Spread the fans over more headers, or feed them from the supply.' } : {}),
  }),
  'pump-header': (check) =>
    fails(check)
      ? {
          says: `${check.board} has no header for the pump of ${check.cooler}.`,
          mend: 'Set a fan header to full speed for it, or take a board with a pump header.',
        }
      : { says: `${check.board} has a header for the pump of ${check.cooler}.` },
  'light-headers': (check) => ({
    says: `${check.needs} ${check.needs === 1 ? 'light needs' : 'lights need'} a header of ${check.plug.replace(' ', ', ')}; there ${check.has === 1 ? 'is 1' : `are ${check.has}`}${check.other ? ', only such of the other plug, on which lights burn or stay dark' : ''}.`,
    ...(fails(check) ? { mend: 'Add a light controller of that plug, or leave the lights unplugged.' } : {}),
  }),
  'light-programs': (check) => ({
    says: `Lights are set by ${check.programs.length} programs: ${listed(check.programs.map(({ program, parts }) => `${program} (${listed(parts)})`))}.`,
  }),
  'front-ports': (check) => {
    if (!fails(check))
      return { says: `All ${check.ports} front ports of ${check.chassis} have a header of their rate.` };
    const rates = (list: readonly number[]) => listed(list.map((gbit) => `${number(gbit)} Gb/s`));
    const dead =
      check.dead.length > 0
        ? [
            `${check.dead.length === 1 ? 'a front port' : `${check.dead.length} front ports`} of ${check.chassis} (${rates(check.dead)}) ${check.dead.length === 1 ? 'has' : 'have'} no header on ${check.board}`,
          ]
        : [];
    const slowed = check.slowed.map(
      ({ ownGbit, getsGbit }) => `a front port of ${number(ownGbit)} Gb/s runs at ${number(getsGbit)} Gb/s`,
    );
    const text = [...dead, ...slowed].join('; ');
    return {
      says: `${capitalised(text)}.`,
      mend: 'Take a board with those headers, or leave the ports unconnected.',
    };
  },
  'front-audio': (check) =>
    fails(check)
      ? {
          says: `${check.chassis} has audio ports in front; ${check.board} has no header for them.`,
          mend: 'Use the ports at the back, or take a board with the header.',
        }
      : { says: `${check.board} has a header for the front audio ports of ${check.chassis}.` },
  'display-link': (check) => {
    if (check.output === undefined)
      return {
        says: `${check.from} has no free output of a kind that ${check.display} takes.`,
        mend: 'Take a card with such an output, or an adapter that is known to work.',
      };
    return fails(check)
      ? {
          says: `${check.display} runs at ${number(check.getsHz)} of its ${number(check.refreshHz)} Hz on ${check.output} of ${check.from}.`,
          mend: 'Take a card with a newer output.',
        }
      : { says: `${check.display} runs at its ${number(check.refreshHz)} Hz on ${check.output} of ${check.from}.` };
  },
  'adaptive-sync': (check) =>
    fails(check)
      ? {
          says: `${check.display} has ${listed(check.kinds)}; ${check.card} drives ${check.drives.length > 0 ? listed(check.drives) : 'no kind'}.`,
          mend: 'Take a card that drives it, or do without adaptive sync on this display.',
        }
      : { says: `${check.card} drives the adaptive sync of ${check.display}.` },
};
