import { rootOf } from '@/core/parts/lookalikes';
import type { Candidate } from '@/core/search/candidates';

/** A line of the tray: a candidate, or a line that opens more of them. */
export type TrayLine<R extends Candidate = Candidate> =
  | { readonly kind: 'part'; readonly id: string; readonly row: R; readonly under: boolean }
  | { readonly kind: 'fold'; readonly id: string; readonly says: string; readonly open: boolean };

/** Gains below this share are none. */
const LEAST_GAIN = 0.005;

/** Whether a candidate has anything for it: it mends, is quicker, does more of the work, or costs less. */
const better = ({ effect }: Candidate): boolean =>
  effect.mended.some(({ level }) => level !== 'note') ||
  effect.met > effect.metBefore ||
  effect.gain > LEAST_GAIN ||
  (effect.priceMinor !== undefined && effect.priceMinor < 0);

/** `id` of the line of a candidate, as the page names it. */
export const candidateId = (part: string): string => `candidate-${part}`;

/** `id` of a line that opens others; the page refers to it, so it holds no space. */
export const foldId = (name: string): string => `fold-${name.replaceAll(' ', '-')}`;

/**
 * Ranked candidates as the tray shows them. Editions of one part (colours, marks) stand under the best ranked of them;
 * what is no better than the part that is there, and what does not fit, folds away behind a line. Whoever narrows the list
 * sees all that is left of it.
 */
export function trayLines<R extends Candidate>(
  rows: readonly R[],
  opened: ReadonlySet<string>,
  narrowed: boolean,
): TrayLine<R>[] {
  const lines: TrayLine<R>[] = [];
  const line = (row: R, under = false) => lines.push({ kind: 'part', id: candidateId(row.part.id), row, under });
  /** A line that opens more of them; gives whether it is open. */
  const fold = (name: string, says: string, always = false): boolean => {
    const id = foldId(name);
    const open = always || opened.has(id);
    lines.push({ kind: 'fold', id, says, open });
    return open;
  };
  const grouped = (list: readonly R[], name: string) => {
    if (narrowed) return list.forEach((row) => line(row));
    const groups = new Map<string, R[]>();
    // the part that is there stands for itself
    for (const row of list) {
      const root = row.current ? `${rootOf(row.part)} now` : rootOf(row.part);
      groups.set(root, [...(groups.get(root) ?? []), row]);
    }
    for (const [root, [lead, ...editions]] of groups) {
      if (lead) line(lead);
      if (editions.length > 0 && fold(`${name} ${root}`, editionsText(editions.length)))
        editions.forEach((row) => line(row, true));
    }
  };
  const fit = rows.filter((row) => row.fits);
  const misfit = rows.filter((row) => !row.fits);
  const replaces = rows.some((row) => row.current);
  const worth = fit.filter((row) => narrowed || !replaces || row.current || better(row));
  const rest = fit.filter((row) => !worth.includes(row));
  grouped(worth, 'editions');
  if (rest.length > 0 && fold('no better', `${rest.length} no better than what is there`))
    grouped(rest, 'editions no better');
  const says = `${misfit.length} ${misfit.length === 1 ? 'does' : 'do'} not fit, and why`;
  if (misfit.length > 0 && fold('misfit', says, narrowed || fit.length === 0)) grouped(misfit, 'editions misfit');
  return lines;
}

const editionsText = (count: number): string => `${count} ${count === 1 ? 'edition' : 'editions'} of it`;
