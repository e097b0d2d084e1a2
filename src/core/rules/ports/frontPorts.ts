import { unknown, idsOf, nameOf, type Said, type Rule } from '../rule';
import { frontCables, plugIn } from './plugs';

/** The fastest port gets the fastest header: any other pairing leaves some port slower and none faster. */
export const frontPorts: Rule = {
  id: 'front-ports',
  reads: ['case', 'board', 'accessory'],
  levels: ['caution', 'note', 'unproven'],
  check: ({ parts }) => {
    const chassis = parts.one('case');
    const board = parts.one('board');
    if (!chassis || !board) return [];
    const { frontUsb, frontAudio } = chassis.part;
    const { frontUsbHeaders, frontAudioHeader } = board.part;
    const checks: Said[] = [];
    const names = { chassis: nameOf(chassis), board: nameOf(board) };
    if (frontUsb === undefined || (frontUsb.length > 0 && frontUsbHeaders === undefined))
      checks.push(
        unknown(
          'front-ports',
          ...(frontUsb === undefined ? [[chassis, 'frontUsb'] as const] : []),
          ...(frontUsbHeaders === undefined ? [[board, 'frontUsbHeaders'] as const] : []),
        ),
      );
    else if (frontUsb.length > 0) {
      const ports = plugIn(frontUsb, frontUsbHeaders ?? [], frontCables(parts));
      const dead = ports.flatMap(({ port, getsGbit }) => (getsGbit === undefined ? [port.gbitPerS] : []));
      const slowed = ports.flatMap(({ port, getsGbit }) =>
        getsGbit !== undefined && getsGbit < port.gbitPerS ? [{ ownGbit: port.gbitPerS, getsGbit }] : [],
      );
      checks.push({
        level: dead.length > 0 ? 'caution' : slowed.length > 0 ? 'note' : 'passes',
        code: 'front-ports',
        items: idsOf(chassis, board),
        ...names,
        dead,
        slowed,
        ports: ports.length,
      });
    }
    if (frontAudio === true) {
      if (frontAudioHeader === undefined) checks.push(unknown('front-audio', [board, 'frontAudioHeader']));
      else
        checks.push({
          level: frontAudioHeader ? 'passes' : 'caution',
          code: 'front-audio',
          items: idsOf(chassis, board),
          ...names,
        });
    }
    return checks;
  },
};
