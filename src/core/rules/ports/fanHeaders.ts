import { cableUse } from '../../parts/purposes';
import { spreadFans } from '../../power/headers';
import { unknown, idsOf, nameOf, type Said, type Rule } from '../rule';

/** Fans of the case, of the cooler and those added, on the board's headers and the splitters in the machine. */
export const fanHeaders: Rule = {
  id: 'fan-headers',
  reads: ['board', 'case', 'cooler', 'fan', 'accessory'],
  levels: ['caution', 'unproven'],
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
    if (board.part.fanHeaders === undefined || unstated.length > 0) return [unknown('fan-headers', ...unstated)];
    const ofCase = chassis?.part.fansIncluded?.reduce((sum, fan) => sum + fan.count, 0) ?? 0;
    const ofCoolers = coolers.reduce((sum, { part }) => sum + (part.fans ?? 0), 0);
    const fans = ofCase + ofCoolers + added.length;
    if (fans === 0) return [];
    const splitters = parts
      .ofKind('accessory')
      .filter(({ part }) => cableUse(part) === 'fan splitter')
      .map(({ part }) => Math.max(1, part.outlets ?? 2))
      .sort((a, b) => b - a);
    const headers = board.part.fanHeaders;
    const onSplitters = splitters.slice(0, headers);
    const splits = onSplitters.reduce((all, outlets) => all + outlets - 1, 0);
    const enough = fans <= headers + splits;
    const checks: Said[] = [
      {
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
      ...(ofCase > 0
        ? [{ fitted: chassis, field: 'fanCurrentA', value: chassis?.part.fanCurrentA, count: ofCase }]
        : []),
      ...coolers.flatMap((cooler) =>
        (cooler.part.fans ?? 0) > 0
          ? [{ fitted: cooler, field: 'fanCurrentA', value: cooler.part.fanCurrentA, count: cooler.part.fans ?? 0 }]
          : [],
      ),
      ...added.map((fan) => ({ fitted: fan, field: 'currentA', value: fan.part.currentA, count: 1 })),
    ];
    const missing = [
      ...currents.flatMap(({ fitted, field, value }) =>
        value === undefined && fitted ? [[fitted, field] as const] : [],
      ),
      ...(board.part.fanHeaderCurrentA === undefined ? [[board, 'fanHeaderCurrentA'] as const] : []),
    ];
    if (board.part.fanHeaderCurrentA === undefined || missing.length > 0)
      return [...checks, unknown('fan-currents', ...missing)];
    const each = currents.flatMap(({ value, count }) =>
      Array.from({ length: Math.min(count, MOST_FANS) }, () => value ?? 0),
    );
    const { fansOnOne, currentA } = fullestHeader(each, headers, onSplitters);
    const limitA = board.part.fanHeaderCurrentA;
    return [
      ...checks,
      {
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

/** More fans than any machine has; what a file says beyond it decides nothing. */
const MOST_FANS = 64;

/** The fullest header when fans are spread as well as headers and splitters allow. */
function fullestHeader(
  currentsA: readonly number[],
  headers: number,
  splitters: readonly number[],
): { fansOnOne: number; currentA: number } {
  return spreadFans(currentsA, headers, splitters).reduce(
    (most, { fans, currentA }) => (currentA > most.currentA ? { fansOnOne: fans.length, currentA } : most),
    { fansOnOne: 0, currentA: 0 },
  );
}
