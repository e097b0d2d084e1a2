import { unknown, idsOf, nameOf, type Rule } from './rule';

/** Compares dotted versions number by number: negative when `a` is older. */
export function compareVersions(a: string, b: string): number {
  const left = a.split('.').map(Number);
  const right = b.split('.').map(Number);
  for (let i = 0; i < Math.max(left.length, right.length); i++) {
    const difference = (left[i] ?? 0) - (right[i] ?? 0);
    if (difference !== 0) return difference;
  }
  return 0;
}

export const firmware: Rule = {
  id: 'firmware',
  holds: "the board's firmware knows the processor",
  compares: 'the firmware the board ships with against the least version this family needs',
  levels: ['blocks', 'unproven', 'caution'],
  source: 'definition',
  check: ({ parts, machine }) => {
    const processor = parts.one('processor');
    const board = parts.one('board');
    const entry = board?.part.processorFamilies?.find((candidate) => candidate.family === processor?.part.family);
    const minimum = entry?.minimumFirmware;
    // no entry is the family rule's business; an entry without a version is supported from the first
    if (!processor || !board || minimum === undefined) return [];
    const has = machine.firmware ?? board.part.shippedFirmware;
    if (has === undefined)
      return [
        unknown('firmware', `whether the board ships with firmware ${minimum} or newer`, [board, 'shippedFirmware']),
      ];
    const flashable = board.part.flashWithoutProcessor;
    const figures = {
      rule: 'firmware',
      code: 'firmware',
      items: idsOf(processor, board),
      processor: nameOf(processor),
      board: nameOf(board),
      minimum,
      has,
      flashable: flashable ?? false,
    } as const;
    if (compareVersions(has, minimum) >= 0) return [{ ...figures, level: 'passes' }];
    if (flashable === undefined)
      return [
        unknown('firmware', `how to bring firmware ${has} to ${minimum} without a processor that runs`, [
          board,
          'flashWithoutProcessor',
        ]),
      ];
    return [{ ...figures, level: flashable ? 'caution' : 'blocks' }];
  },
};
