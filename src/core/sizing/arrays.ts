/** How several equal drives are put together. */
export const LEVELS = ['single', 'stripe', 'mirror', 'single parity', 'double parity', 'striped mirrors'] as const;
export type Level = (typeof LEVELS)[number];

/** What is asked of one drive of an array; undefined where the part does not state it. */
export interface Member {
  readonly capacityBytes: number;
  readonly readBytesPerS: number | undefined;
  readonly writeBytesPerS: number | undefined;
  /** Bits that cannot be read ÷ bits read, as the maker states it. */
  readonly unrecoverablePerBit: number | undefined;
}

export interface ArrayLevel {
  readonly level: Level;
  readonly drives: number;
  readonly usableBytes: number;
  /** Large transfers, one at a time. */
  readonly readBytesPerS: number | undefined;
  readonly writeBytesPerS: number | undefined;
  /** Drives that may fail, whichever they are, without loss. */
  readonly survives: number;
  /** Writing one drive anew at the rate of the slower of reading and writing; 0 where there is nothing to rebuild from. */
  readonly rebuildHours: number | undefined;
  /** Chance that something cannot be read while it is rebuilt with nothing else to read it from. */
  readonly lossOnRebuild: number | undefined;
  /** Why it is not safe, where it is not. */
  readonly caution: 'no redundancy' | undefined;
}

/**
 * Chance of at least one unreadable bit among so many: 1 − (1 − u)^bits, computed as −expm1(bits · log1p(−u)) so that
 * small chances keep their digits.
 * @example chanceOfLoss(1e-15, 24e12) // 0.175: four drives of 6 TB
 */
export const chanceOfLoss = (unrecoverablePerBit: number, bytes: number): number =>
  -Math.expm1(bytes * 8 * Math.log1p(-unrecoverablePerBit));

const times = (value: number | undefined, factor: number): number | undefined =>
  value === undefined ? undefined : value * factor;

/** What `drives` equal drives make at each level that they are enough for. */
export function arrayLevels(member: Member, drives: number): ArrayLevel[] {
  const { capacityBytes: size, readBytesPerS: read, writeBytesPerS: write, unrecoverablePerBit: u } = member;
  const slower = read === undefined || write === undefined ? undefined : Math.min(read, write);
  const rebuild = slower === undefined ? undefined : size / slower / 3600;
  const loss = (bytes: number) => (u === undefined ? undefined : chanceOfLoss(u, bytes));
  const level = (
    name: Level,
    data: number,
    gains: { readonly read: number; readonly write: number },
    survives: number,
    lossOnRebuild: number | undefined,
  ): ArrayLevel => ({
    level: name,
    drives: name === 'single' ? 1 : drives,
    usableBytes: size * data,
    readBytesPerS: times(read, gains.read),
    writeBytesPerS: times(write, gains.write),
    survives,
    rebuildHours: survives === 0 ? undefined : rebuild,
    lossOnRebuild,
    caution: survives === 0 ? 'no redundancy' : undefined,
  });
  const found = [level('single', 1, { read: 1, write: 1 }, 0, undefined)];
  if (drives < 2) return found;
  found.push(level('stripe', drives, { read: drives, write: drives }, 0, undefined));
  // every copy can be read at once; all are written
  found.push(level('mirror', 1, { read: drives, write: 1 }, drives - 1, drives === 2 ? loss(size) : 0));
  if (drives >= 3)
    found.push(
      level('single parity', drives - 1, { read: drives - 1, write: drives - 1 }, 1, loss(size * (drives - 1))),
    );
  // what one parity cannot read the other still gives
  if (drives >= 4) found.push(level('double parity', drives - 2, { read: drives - 2, write: drives - 2 }, 2, 0));
  if (drives >= 4 && drives % 2 === 0)
    found.push(level('striped mirrors', drives / 2, { read: drives, write: drives / 2 }, 1, loss(size)));
  return found;
}

/** Least number of equal drives that a level holds so much with. */
export function drivesFor(level: Level, member: Member, bytes: number, most = 24): number | undefined {
  for (let drives = 1; drives <= most; drives++)
    if (
      arrayLevels(member, drives).some(
        (entry) => entry.level === level && entry.usableBytes >= bytes && entry.drives === drives,
      )
    )
      return drives;
  return undefined;
}
