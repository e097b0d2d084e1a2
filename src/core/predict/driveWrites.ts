import type { PartOf } from '../parts';

type Drive = Pick<PartOf<'drive'>, 'seqWriteMBs' | 'sustainedWriteMBs' | 'writeCacheGB'>;

/** Whether all of a run fits into the fast-write cache; unknown figures never say so. */
export const fitsCache = ({ seqWriteMBs, writeCacheGB }: Drive, bytes: number): boolean =>
  seqWriteMBs !== undefined && writeCacheGB !== undefined && bytes <= writeCacheGB * 1e9;

/**
 * Average bytes/s of writing so many bytes without a pause: the cache at its own rate, the rest behind it. The cache is
 * taken as empty at the start and not emptied while writing goes on. Undefined when the rate after the cache is unknown.
 * @example averageWrite({ seqWriteMBs: 5000, sustainedWriteMBs: 500, writeCacheGB: 100 }, 300e9) // 7.143e8: 300 GB in 20 + 400 s
 */
export function averageWrite(drive: Drive, bytes: number): number | undefined {
  const { seqWriteMBs, sustainedWriteMBs, writeCacheGB } = drive;
  if (sustainedWriteMBs === undefined) return undefined;
  const after = sustainedWriteMBs * 1e6;
  if (seqWriteMBs === undefined || writeCacheGB === undefined || !(bytes > 0)) return after;
  const cached = Math.min(bytes, writeCacheGB * 1e9);
  return bytes / (cached / Math.max(seqWriteMBs * 1e6, after) + (bytes - cached) / after);
}

/** What a drive that is written at a rate does over time, in s and bytes/s. */
export interface WriteCourse {
  /** When its cache is full; undefined when it never is, or the cache is unknown. */
  readonly fullAfterS: number | undefined;
  readonly before: number;
  readonly after: number;
}

/** The rate that is asked for, until the cache is full and from then on. */
export function writeCourse(drive: Drive, asked: number): WriteCourse | undefined {
  const { seqWriteMBs, sustainedWriteMBs, writeCacheGB } = drive;
  if (sustainedWriteMBs === undefined || !(asked > 0)) return undefined;
  const after = Math.min(asked, sustainedWriteMBs * 1e6);
  if (seqWriteMBs === undefined || writeCacheGB === undefined || after >= asked)
    return { fullAfterS: undefined, before: after, after };
  const before = Math.min(asked, seqWriteMBs * 1e6);
  return { fullAfterS: (writeCacheGB * 1e9) / before, before, after };
}
