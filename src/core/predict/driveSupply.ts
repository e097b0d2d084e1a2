import { given, least } from '../figures/derive';
import { DRIVE_ROLES, type DriveRole } from '../figures/resources';
import { fullName, type AnyFitted, type FittedParts } from '../model/fitted';
import { missingOf } from '../model/unsaid';
import type { PartOf } from '../parts';
import { driveFor, keepingDrives } from '../work/flowEnds';
import { averageWrite, fitsCache } from './driveWrites';
import type { LinkOf } from './linkSupply';
import { taughtRate, type Rates, type TaughtRate } from './rates';
import { own, type Supplied } from './supplied';

const MEDIA = {
  seqReadMBs: 'sequential read',
  seqWriteMBs: 'sequential write into its cache',
  sustainedWriteMBs: 'sequential write after its cache',
} as const;

/** What the machine's drives give and take. */
export interface DriveSupply {
  readonly rate: (role: DriveRole, direction: 'read' | 'write') => Supplied | undefined;
  /** Average bytes/s of a run that writes so many bytes to a role's drive, its fast-write cache empty at the start. */
  readonly written: (role: DriveRole, bytes: number) => number | undefined;
  /** What a drive does by itself, whatever its link carries. */
  readonly ofDevice: (item: string, direction: 'up' | 'down', runBytes: number) => Supplied | undefined;
  readonly space: (role: DriveRole) => Supplied | undefined;
}

export function drivesOf(parts: FittedParts, linkOf: LinkOf, rates: Rates): DriveSupply {
  return {
    rate: (role, direction) => {
      const fitted = driveFor({ parts }, role);
      if (!fitted) return undefined;
      const by = rates.drives.get(fitted.part.id)?.[direction];
      const media = mediaOf(fitted, direction === 'read' ? 'seqReadMBs' : 'sustainedWriteMBs', by);
      const link = linkOf(fitted);
      // seen in this machine, a rate needs no stated link
      const through = link.rate === undefined && by?.kind === 'rate' && by.inPlace;
      const known = media.rate && (link.rate ?? (through ? media.rate : undefined));
      return {
        rate:
          media.rate && known ? least(`${direction} ${fullName(fitted.part)}`, 'B/s', [media.rate, known]) : undefined,
        missing: [...media.missing, ...(through ? [] : link.missing)],
        items: [fitted.item.id],
      };
    },
    written: (role, bytes) => {
      const fitted = driveFor({ parts }, role);
      if (!fitted) return undefined;
      const by = rates.drives.get(fitted.part.id)?.write;
      const stated = averageWrite(fitted.part, bytes);
      const link = linkOf(fitted).rate?.value;
      if (stated !== undefined)
        return link === undefined ? undefined : Math.min(stated * (by?.kind === 'factor' ? by.factor.factor : 1), link);
      return by?.kind === 'rate' && by.inPlace && bytes <= by.upToBytes
        ? Math.min(by.bytesPerS, link ?? Infinity)
        : undefined;
    },
    ofDevice: (id, direction, runBytes) => {
      const drive = parts.ofKind('drive').find(({ item }) => item.id === id);
      if (!drive) return undefined;
      const by = rates.drives.get(drive.part.id);
      if (direction === 'up') return mediaOf(drive, 'seqReadMBs', by?.read);
      return mediaOf(drive, fitsCache(drive.part, runBytes) ? 'seqWriteMBs' : 'sustainedWriteMBs', by?.write);
    },
    space: (role) => {
      if (!DRIVE_ROLES.includes(role)) return undefined;
      const drives = keepingDrives(parts).filter((fitted) => fitted.item.roles?.includes(role));
      const serving = drives.length > 0 ? drives : [driveFor({ parts }, role)].filter((found) => found !== undefined);
      if (serving.length === 0) return undefined;
      const unknown = serving.filter((fitted) => fitted.part.capacityGB === undefined);
      const total = serving.reduce((all, fitted) => all + (fitted.part.capacityGB ?? 0) * 1e9, 0);
      return {
        rate:
          unknown.length > 0
            ? undefined
            : given('capacity', total, 'B', 'part', serving.map((fitted) => fullName(fitted.part)).join(' + ')),
        missing: unknown.flatMap((fitted) => missingOf(fitted, 'capacityGB')),
        items: serving.map((fitted) => fitted.item.id),
      };
    },
  };
}

/** A rate of a drive's own, as results correct it; short writes that were seen stand for no long ones. */
function mediaOf(
  fitted: AnyFitted & { readonly part: PartOf<'drive'> },
  field: keyof typeof MEDIA,
  by: TaughtRate | undefined,
): Supplied {
  const stated = own(fitted, field, fitted.part[field], MEDIA[field], 'B/s', 1e6);
  const applies = by?.kind === 'factor' || field === 'seqReadMBs';
  const rate = applies ? taughtRate(MEDIA[field], stated.rate, by) : stated.rate;
  return rate ? { rate, missing: [], items: stated.items } : stated;
}
