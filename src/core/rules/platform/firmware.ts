import { firmwarePlan } from '../../firmware/plan';
import { unknown, idsOf, nameOf, type Rule } from '../rule';

export const firmware: Rule = {
  id: 'firmware',
  reads: ['processor', 'board'],
  levels: ['blocks', 'unproven', 'caution'],
  mendedBy: ['newer firmware'],
  check: ({ parts, machine }) => {
    const processor = parts.one('processor');
    const board = parts.one('board');
    if (!processor || !board) return [];
    const plan = firmwarePlan(board.part, processor.part, machine.firmware);
    // no entry is the family rule's business; an entry without a version is supported from the first
    if (plan.needs === undefined) return [];
    if (plan.has === undefined) return [unknown(['firmware-shipped', plan.needs], [board, 'shippedFirmware'])];
    if (plan.route === 'unknown')
      return [unknown(['firmware-path', plan.has, plan.needs], [board, 'flashWithoutProcessor'])];
    return [
      {
        code: 'firmware',
        level: plan.route === 'not-needed' ? 'passes' : plan.route === 'without-processor' ? 'caution' : 'blocks',
        items: idsOf(processor, board),
        processor: nameOf(processor),
        board: nameOf(board),
        minimum: plan.needs,
        has: plan.has,
        route: plan.route === 'not-needed' ? 'none' : plan.route,
        takes: plan.takes?.version,
        channel: plan.takes?.channel,
        fault: plan.takes?.fault,
      },
    ];
  },
};
