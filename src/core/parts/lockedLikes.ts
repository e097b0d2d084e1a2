import type { PartOf } from './index';

type Processor = PartOf<'processor'>;

const cores = (part: Processor): number => (part.coreGroups ?? []).reduce((all, group) => all + group.count, 0);
const boost = (part: Processor): number =>
  Math.max(0, ...(part.coreGroups ?? []).map((group) => (group.boostGHz ?? 0) * (group.workPerClock ?? 0)));

/**
 * Whether a processor whose clocks stay as shipped does what an unlocked one does that nobody raises: the same family and
 * socket, as many cores, and no slower.
 */
export const isLockedLike = (mine: Processor, other: Processor): boolean =>
  mine.unlocked === true &&
  other.unlocked === false &&
  mine.family !== undefined &&
  other.family === mine.family &&
  other.socket === mine.socket &&
  cores(other) >= cores(mine) &&
  boost(other) >= boost(mine) &&
  boost(mine) > 0;
