/** What hangs on one header: fans by their place in the list, and the splitter that they hang on. */
export interface HeaderLoad {
  readonly fans: readonly number[];
  readonly currentA: number;
  /** Which splitter, the one with most outlets first; undefined of a header with one fan. */
  readonly splitter: number | undefined;
}

/**
 * Fans spread as well as headers and splitters allow: the hungriest get a header each, the rest go on the splitters, each
 * on the one with most current to spare. Fans that find no place hang nowhere.
 * @param currentsA A of each fan
 * @param splitters outlets of each splitter, the most first
 * @example spreadFans([0.2, 0.3], 1, [2]).length // 1
 */
export function spreadFans(currentsA: readonly number[], headers: number, splitters: readonly number[]): HeaderLoad[] {
  const used = splitters.slice(0, headers);
  const plain = Math.max(0, headers - used.length);
  const sorted = currentsA
    .map((currentA, fan) => ({ currentA, fan }))
    .sort((a, b) => b.currentA - a.currentA || a.fan - b.fan);
  const loads = [
    ...sorted.slice(0, plain).map(({ currentA, fan }) => ({ fans: [fan], currentA, room: 0, splitter: undefined })),
    ...used.map((outlets, splitter) => ({ fans: [] as number[], currentA: 0, room: outlets, splitter })),
  ];
  for (const { currentA, fan } of sorted.slice(plain)) {
    const on = loads
      .filter(({ room }) => room > 0)
      .reduce<(typeof loads)[number] | undefined>(
        (best, load) => (!best || load.currentA < best.currentA ? load : best),
        undefined,
      );
    if (!on) continue;
    on.fans.push(fan);
    on.room--;
    on.currentA += currentA;
  }
  return loads.map(({ fans, currentA, splitter }) => ({ fans, currentA, splitter }));
}
