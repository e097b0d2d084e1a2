import type { MissingFigure } from '../figures/missing';
import type { Fitted, FittedParts } from '../model/fitted';
import type { DriveThere, MachineFacts } from './machineFacts';
import type { Impossible } from './stage';

/** Items or integrated function a flow's end stands for on this machine: all drives of a role, one of anything else. */
export function flowEnd(end: string, facts: MachineFacts): string[] {
  const { cards, joined } = facts;
  const one = (id: string | undefined) => (id === undefined ? [] : [id]);
  if (end === 'memory') return ['memory'];
  if (end === 'graphics') return one(cards[0]?.item.id);
  if (end === 'capture') return one(joined.capture[0]?.item.id);
  if (end === 'network' || end === 'second network') return one(joined.networks[end === 'network' ? 0 : 1]);
  if (isAwaited(facts, end)) return [];
  const drives = facts.drives.filter((drive) => drive.item.roles?.some((role) => role === end));
  return drives.length > 0 ? drives.map(({ item }) => item.id) : one(serving(facts.drives, end)?.item.id);
}

/** Ends that cards stand for. */
const OF_CARDS: ReadonlySet<string> = new Set(['capture', 'network', 'second network']);

/** What an end comes to that nothing stands for: a part that lacks, or what is not said of cards that may be it. */
export function withoutEnd(
  end: string,
  { joined }: Pick<MachineFacts, 'joined'>,
): { readonly impossible: readonly Impossible[]; readonly missing: readonly MissingFigure[] } {
  const missing = OF_CARDS.has(end) ? joined.unsaid : [];
  return { impossible: missing.length > 0 ? [] : [{ code: 'part-missing', kind: end }], missing };
}

/** Drives that keep work: an optical drive reads and burns discs, and is none. */
export const keepingDrives = (parts: FittedParts): readonly Fitted<'drive'>[] =>
  parts.ofKind('drive').filter(({ part }) => part.cellKind !== 'optical');

/** Whose drives serve a role: its own, else the active one, else the system drive. */
const servedBy = (role: string): readonly string[] => [role, 'active', 'system'];

/** Whether the drive that will serve a role is still to come. */
export function isAwaited({ drives, awaited }: Pick<MachineFacts, 'drives' | 'awaited'>, role: string): boolean {
  if (awaited === undefined || awaited.size === 0) return false;
  for (const wanted of servedBy(role)) {
    if (awaited.has(wanted)) return true;
    if (drives.some((drive) => drive.item.roles?.some((has) => has === wanted))) return false;
  }
  return true;
}

/** Of drives the one that serves a role. */
function serving<D extends DriveThere>(drives: readonly D[], role: string): D | undefined {
  for (const wanted of servedBy(role)) {
    const found = drives.find((drive) => drive.item.roles?.some((has) => has === wanted));
    if (found) return found;
  }
  return drives[0];
}

/** The drive that serves a role. */
export const driveFor = ({ parts }: { readonly parts: FittedParts }, role: string): Fitted<'drive'> | undefined =>
  serving(keepingDrives(parts), role);

/** Drives as trades know them: which there are and what for, the better first, and nothing of what they can do. */
export const drivesThere = (parts: FittedParts): DriveThere[] =>
  keepingDrives(parts).map(({ item: { id, roles } }) => ({ item: { id, roles } }));
