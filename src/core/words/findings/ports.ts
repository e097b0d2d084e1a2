import type { PortFigures } from '../../rules/ports/figures';
import { listed, number } from '../format';
import { fails, type CheckOf, type Words } from './words';

export function portWords(check: CheckOf<PortFigures>): Words {
  const bad = fails(check);
  switch (check.code) {
    case 'fan-headers':
      return {
        says: `${check.fans} fans; ${check.board} has headers for ${check.headers}${bad ? '' : ', splitters counted'}.`,
        ...(bad ? { mend: 'Add a splitter, or leave a fan out.' } : {}),
      };
    case 'header-current':
      return {
        says: `${check.fansOnOne} ${check.fansOnOne === 1 ? 'fan draws' : 'fans on one header draw'} up to ${number(check.currentA, 2)} A; a header of ${check.board} gives ${number(check.limitA, 2)} A.`,
        ...(bad ? { mend: 'Spread the fans over more headers, or feed them from the supply.' } : {}),
      };
    case 'pump-header':
      return bad
        ? {
            says: `${check.board} has no header for the pump of ${check.cooler}.`,
            mend: 'Set a fan header to full speed for it, or take a board with a pump header.',
          }
        : { says: `${check.board} has a header for the pump of ${check.cooler}.` };
    case 'light-headers':
      return {
        says: `${check.needs} ${check.needs === 1 ? 'light needs' : 'lights need'} a header of ${check.plug.replace(' ', ', ')}; there ${check.has === 1 ? 'is 1' : `are ${check.has}`}${check.other ? ', only such of the other plug, on which lights burn or stay dark' : ''}.`,
        ...(bad ? { mend: 'Add a light controller of that plug, or leave the lights unplugged.' } : {}),
      };
    case 'light-programs':
      return {
        says: `Lights are set by ${check.programs.length} programs: ${listed(check.programs.map(({ program, parts }) => `${program} (${listed(parts)})`))}.`,
      };
    case 'front-ports': {
      if (!bad) return { says: `All ${check.ports} front ports of ${check.chassis} have a header of their rate.` };
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
        says: `${text.charAt(0).toUpperCase()}${text.slice(1)}.`,
        mend: 'Take a board with those headers, or leave the ports unconnected.',
      };
    }
    case 'front-audio':
      return bad
        ? {
            says: `${check.chassis} has audio ports in front; ${check.board} has no header for them.`,
            mend: 'Use the ports at the back, or take a board with the header.',
          }
        : { says: `${check.board} has a header for the front audio ports of ${check.chassis}.` };
    case 'display-link':
      if (check.output === undefined)
        return {
          says: `${check.from} has no free output of a kind that ${check.display} takes.`,
          mend: 'Take a card with such an output, or an adapter that is known to work.',
        };
      return bad
        ? {
            says: `${check.display} runs at ${number(check.getsHz)} of its ${number(check.refreshHz)} Hz on ${check.output} of ${check.from}.`,
            mend: 'Take a card with a newer output.',
          }
        : { says: `${check.display} runs at its ${number(check.refreshHz)} Hz on ${check.output} of ${check.from}.` };
    case 'adaptive-sync':
      return bad
        ? {
            says: `${check.display} has ${listed(check.kinds)}; ${check.card} drives ${check.drives.length > 0 ? listed(check.drives) : 'no kind'}.`,
            mend: 'Take a card that drives it, or do without adaptive sync on this display.',
          }
        : { says: `${check.card} drives the adaptive sync of ${check.display}.` };
  }
}
