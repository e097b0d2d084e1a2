import { unknown, idsOf, nameOf, type Check, type Rule } from '../rule';

/** Fans of the case, of the cooler and those added, on the board's headers and the splitters in the machine. */
export const fanHeaders: Rule = {
  id: 'fan-headers',
  holds: 'there is a header for every fan, and none carries more current than it may',
  compares: "fans with the board's headers and the splitters added; the current on the fullest header with its limit",
  reads: ['board', 'case', 'cooler', 'fan', 'accessory'],
  levels: ['caution', 'unproven'],
  source: 'definition',
  check: ({ parts }) => {
    const board = parts.one('board');
    const chassis = parts.one('case');
    if (!board) return [];
    const coolers = parts.ofKind('cooler');
    const added = parts.ofKind('fan');
    const unstated = [
      ...(board.part.fanHeaders === undefined ? [[board, 'fanHeaders'] as const] : []),
      ...(chassis && chassis.part.fansIncluded === undefined ? [[chassis, 'fansIncluded'] as const] : []),
      ...coolers.filter(({ part }) => part.fans === undefined).map((cooler) => [cooler, 'fans'] as const),
    ];
    if (board.part.fanHeaders === undefined || unstated.length > 0)
      return [unknown('fan-headers', 'whether there is a header for every fan', ...unstated)];
    const ofCase = chassis?.part.fansIncluded?.reduce((sum, fan) => sum + fan.count, 0) ?? 0;
    const ofCoolers = coolers.reduce((sum, { part }) => sum + (part.fans ?? 0), 0);
    const fans = ofCase + ofCoolers + added.length;
    if (fans === 0) return [];
    const splits = parts
      .ofKind('accessory')
      .filter(({ part }) => part.cableFor === 'fan splitter')
      .reduce((sum, { part }) => sum + Math.max(0, (part.outlets ?? 2) - 1), 0);
    const headers = board.part.fanHeaders;
    const enough = fans <= headers + splits;
    const checks: Check[] = [
      {
        rule: 'fan-headers',
        level: enough ? 'passes' : 'caution',
        code: 'fan-headers',
        items: idsOf(board, ...added),
        fans,
        headers: headers + splits,
        board: nameOf(board),
        adds: ['accessory'],
      },
    ];
    if (!enough || headers === 0) return checks;
    const currents = [
      ...(ofCase > 0 ? [{ fitted: chassis, field: 'fanCurrentA', value: chassis?.part.fanCurrentA }] : []),
      ...coolers.flatMap((cooler) =>
        (cooler.part.fans ?? 0) > 0 ? [{ fitted: cooler, field: 'fanCurrentA', value: cooler.part.fanCurrentA }] : [],
      ),
      ...added.map((fan) => ({ fitted: fan, field: 'currentA', value: fan.part.currentA })),
    ];
    const missing = [
      ...currents.flatMap(({ fitted, field, value }) =>
        value === undefined && fitted ? [[fitted, field] as const] : [],
      ),
      ...(board.part.fanHeaderCurrentA === undefined ? [[board, 'fanHeaderCurrentA'] as const] : []),
    ];
    if (board.part.fanHeaderCurrentA === undefined || missing.length > 0)
      return [...checks, unknown('fan-headers', 'whether the headers carry the current of the fans', ...missing)];
    const fansOnOne = Math.ceil(fans / headers);
    const currentA = fansOnOne * Math.max(...currents.map(({ value }) => value ?? 0));
    const limitA = board.part.fanHeaderCurrentA;
    return [
      ...checks,
      {
        rule: 'fan-headers',
        level: currentA <= limitA + 1e-9 ? 'passes' : 'caution',
        code: 'header-current',
        items: idsOf(board, ...added),
        fansOnOne,
        currentA,
        limitA,
        board: nameOf(board),
      },
    ];
  },
};
