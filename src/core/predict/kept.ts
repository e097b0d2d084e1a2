import { given, sum, type Derivation } from '../figures/derive';
import { DRIVE_ROLES, type DriveRole } from '../figures/resources';
import type { MissingFigure } from '../figures/missing';
import { fullName, type AnyFitted, type FittedParts } from '../model/fitted';
import { missingOf } from '../model/unsaid';
import type { Band } from '../units/band';
import type { Holding } from '../work/stage';
import { servingDrives } from './writes';

/** What the work keeps on the drives of a role, and the room that they have for it. */
export interface Kept {
  readonly role: DriveRole;
  /** Bytes of all tasks. */
  readonly needs: Derivation;
  /** Bytes that are left for the role; undefined where no drive serves it, or a capacity decides that nobody knows. */
  readonly has: Derivation | undefined;
  /** Bytes of these drives that what other roles keep on them takes away. */
  readonly othersBytes: number;
  /** How many times as much could be kept there when all grows alike; undefined where that is not known. */
  readonly times: number | undefined;
  readonly ratio: Band | undefined;
  readonly missing: readonly MissingFigure[];
  readonly items: readonly string[];
}

/** GB below which a system and its updates find no room. Source: judgement. */
export const SYSTEM_LEAST_GB = 64;

/** What is only there while it is worked with: of two sittings the larger. All else stays, whoever works. */
const PASSING: ReadonlySet<DriveRole> = new Set(['scratch']);

/** What lies on drives of each role. */
export type KeptByRole = ReadonlyMap<DriveRole, Derivation>;

/** Tasks that are worked on together, with what each of them holds and keeps. */
interface Together {
  readonly tasks: readonly { readonly task: string; readonly holdings: readonly Holding[] }[];
}

/**
 * Bytes that the work keeps on drives of each role: every task's once, in however many sittings it runs. No rate decides
 * it, so it is known before any task is predicted.
 */
export function keptByRole(sittings: readonly Together[]): KeptByRole {
  const kept = new Map<DriveRole, Derivation>();
  const tasks = sittings.map((sitting) => sitting.tasks);
  const each = [...new Map(tasks.flat().map((task) => [task.task, task])).values()];
  for (const role of DRIVE_ROLES) {
    const sums = (PASSING.has(role) ? tasks : [each]).map((list) =>
      sum(
        `kept on the ${role} drive`,
        'B',
        list.flatMap(({ holdings }) =>
          holdings.flatMap(({ what, bytes }) => (what === `space:${role}` ? [bytes] : [])),
        ),
      ),
    );
    const [most] = sums.sort((a, b) => b.value - a.value);
    if (most && most.value > 0) kept.set(role, most);
  }
  return kept;
}

/** Bytes that lie on any of some drives. */
interface Claim {
  readonly drives: readonly AnyFitted[];
  readonly bytes: number;
}

/**
 * Bytes that drives have left beside what others keep, on these or elsewhere; `unknown` stands for capacities that are not
 * stated. Of all sets of the others it is the least that their drives and these hold together, less what the others keep.
 * Source: Hall's condition (Hall 1935) for bytes, a cut of the flow from roles to drives (Ford and Fulkerson 1956).
 */
export function leftOn(drives: readonly AnyFitted[], others: readonly Claim[], unknown: number): number {
  let left = Infinity;
  for (const those of subsets(others)) left = Math.min(left, roomOf([{ drives }, ...those], unknown) - bytesIn(those));
  return Math.max(0, left);
}

/**
 * How many times as much could be kept before a role finds no room, when all that is kept grows alike and what else is
 * there (the system) does not: of all sets with the role the least of their drives' room ÷ what they keep.
 * 600 GB of one role and 300 of another on a drive of 1,864 GB with 64 GB of a system could be twice as much.
 */
export function timesOver(mine: Claim, growing: readonly Claim[], fixed: readonly Claim[]): number {
  let times = Infinity;
  for (const those of subsets(growing))
    for (const still of subsets(fixed)) {
      const room = roomOf([mine, ...those, ...still], 0) - bytesIn(still);
      times = Math.min(times, room / bytesIn([mine, ...those]));
    }
  return times;
}

function subsets<T>(of: readonly T[]): T[][] {
  return Array.from({ length: 2 ** of.length }, (_, set) => of.filter((_each, i) => (set >> i) & 1));
}
const bytesIn = (claims: readonly Claim[]): number => claims.reduce((all, { bytes }) => all + bytes, 0);
const roomOf = (claims: readonly Pick<Claim, 'drives'>[], unknown: number): number =>
  [...new Set(claims.flatMap(({ drives }) => drives))].reduce((all, { part }) => all + bytesOf(part, unknown), 0);

/** The least that a system needs on its drive, whatever else lies there; one too small for it is for another rule to say. */
export const systemsOwn = (parts: FittedParts): readonly Claim[] =>
  parts
    .ofKind('drive')
    .filter(({ item, part }) => item.roles?.includes('system') && bytesOf(part, Infinity) >= SYSTEM_LEAST_GB * 1e9)
    .slice(0, 1)
    .map((drive) => ({ drives: [drive], bytes: SYSTEM_LEAST_GB * 1e9 }));

/**
 * What is kept by role, and the room for it. A drive of several roles has its room once, and the system its own on it: each
 * role has enough exactly when all that is kept can be laid on the drives.
 */
export function keptOf(parts: FittedParts, kept: KeptByRole): Kept[] {
  const roles = [...kept].map(([role, needs]) => {
    const drives = servingDrives(parts, role);
    return { role, needs, drives, bytes: needs.value };
  });
  return roles.map((mine): Kept => {
    const { role, needs, drives } = mine;
    const items = drives.map(({ item }) => item.id);
    const growing = roles.filter((each) => each !== mine);
    const others = [...systemsOwn(parts), ...growing];
    const [atLeast, atMost] = [leftOn(drives, others, 0), leftOn(drives, others, Infinity)];
    const vague = drives.filter(({ part }) => bytesOf(part, Infinity) === Infinity);
    // what is not known matters only where it decides
    const decides = atLeast < needs.value && atMost >= needs.value;
    if (drives.length === 0 || decides)
      return {
        role,
        needs,
        has: undefined,
        othersBytes: 0,
        times: undefined,
        ratio: undefined,
        missing: (vague.length > 0 ? vague : roles.flatMap((each) => each.drives)).flatMap((fitted) =>
          bytesOf(fitted.part, Infinity) === Infinity ? missingOf(fitted, 'capacityGB') : [],
        ),
        items,
      };
    const left = atLeast >= needs.value ? atLeast : atMost;
    const whole = drives.reduce((all, { part }) => all + bytesOf(part, 0), 0);
    const othersBytes = Math.max(0, whole - left);
    const has = given(
      othersBytes > 0 ? 'what other roles leave' : 'capacity',
      left,
      'B',
      'part',
      drives.map(({ part }) => fullName(part)).join(' + '),
    );
    const likely = left / needs.value;
    return {
      role,
      needs,
      has,
      othersBytes,
      times: roles.some((each) => each.drives.some(({ part }) => bytesOf(part, Infinity) === Infinity))
        ? undefined
        : timesOver(mine, growing, systemsOwn(parts)),
      ratio: { low: likely / needs.spread, likely, high: likely * needs.spread },
      missing: [],
      items,
    };
  });
}

const bytesOf = (part: { readonly kind: string; readonly capacityGB?: number | undefined }, unknown: number): number =>
  part.kind !== 'drive' ? 0 : part.capacityGB === undefined ? unknown : part.capacityGB * 1e9;
