import type { CandidateLine } from '@/core/words/candidateLine';

/** A line of the tray: a candidate, or a line that opens more of them. */
export type TrayLine =
  | {
      readonly kind: 'part';
      readonly id: string;
      readonly row: CandidateLine;
      /** It stands under another edition of the same part. */
      readonly under: boolean;
    }
  | { readonly kind: 'fold'; readonly id: string; readonly says: string; readonly open: boolean };

/** `id` of the line of a candidate, as the page names it. */
export const candidateId = (part: string): string => `candidate-${part}`;

/** `id` of a line that opens others; the page refers to it, so it holds no space. */
export const foldId = (name: string): string => `fold-${name.replaceAll(' ', '-')}`;

/**
 * Ranked candidates as the tray shows them. Editions of one part (colours, marks) stand under the best ranked of them;
 * what is no better than the part that is there, and what does not fit, folds away behind a line. Whoever narrows the list
 * sees all that is left of it.
 */
export function trayLines(rows: readonly CandidateLine[], opened: ReadonlySet<string>, narrowed: boolean): TrayLine[] {
  const lines: TrayLine[] = [];
  const line = (row: CandidateLine, under = false) =>
    lines.push({ kind: 'part', id: candidateId(row.part), row, under });
  /** A line that opens more of them; gives whether it is open. */
  const fold = (name: string, says: string, always = false): boolean => {
    const id = foldId(name);
    const open = always || opened.has(id);
    lines.push({ kind: 'fold', id, says, open });
    return open;
  };
  const grouped = (list: readonly CandidateLine[], name: string) => {
    if (narrowed) return list.forEach((row) => line(row));
    const groups = new Map<string, CandidateLine[]>();
    for (const row of list) {
      // the part that is there stands for itself
      const root = row.current ? `${row.root} now` : row.root;
      const group = groups.get(root);
      if (group) group.push(row);
      else groups.set(root, [row]);
    }
    for (const [root, [lead, ...editions]] of groups) {
      if (lead) line(lead);
      if (editions.length > 0 && fold(`${name} ${root}`, editionsText(editions.length)))
        editions.forEach((row) => line(row, true));
    }
  };
  const replaces = rows.some((row) => row.current);
  const isWorth = (row: CandidateLine) => narrowed || !replaces || row.current || row.better;
  const worth = rows.filter((row) => row.fits && isWorth(row));
  const rest = rows.filter((row) => row.fits && !isWorth(row));
  const misfit = rows.filter((row) => !row.fits);
  grouped(worth, 'editions');
  if (rest.length > 0 && fold('no better', `${rest.length} no better than what is there`))
    grouped(rest, 'editions no better');
  const says = `${misfit.length} ${misfit.length === 1 ? 'does' : 'do'} not fit, and why`;
  if (misfit.length > 0 && fold('misfit', says, narrowed || worth.length + rest.length === 0))
    grouped(misfit, 'editions misfit');
  return lines;
}

const editionsText = (count: number): string => `${count} ${count === 1 ? 'edition' : 'editions'} of it`;

/** Candidates that are explained together: those of one screen, about. */
const SHEET = 16;

/** The sheets that ranked candidates are explained by: the ids on the sheet of each, by its own id. */
export function sheetsOf(rows: readonly CandidateLine[]): ReadonlyMap<string, readonly string[]> {
  const sheets = new Map<string, readonly string[]>();
  for (let from = 0; from < rows.length; from += SHEET) {
    const sheet = rows.slice(from, from + SHEET).map(({ part }) => part);
    for (const part of sheet) sheets.set(part, sheet);
  }
  return sheets;
}
