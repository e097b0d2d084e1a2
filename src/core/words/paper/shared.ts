import type { Against } from '../../quote/document';

/** Names of what money does not measure, with their unit. */
export type BesideNames = Readonly<Record<string, readonly [name: string, unit: string]>>;

/** "a, b and c". */
export const joined = (names: readonly string[], and: string): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} ${and} ${names[names.length - 1] ?? ''}`;

/** What one side is better in, both figures beside each other. */
export function besideShown(
  beside: Against['beside'],
  better: 'ours' | 'theirs',
  names: BesideNames,
  { yes, no, to }: { readonly yes: string; readonly no: string; readonly to: string },
  number: (value: number, digits?: number) => string,
): string[] {
  const shown = (value: number | boolean, unit: string): string =>
    typeof value === 'boolean' ? (value ? yes : no) : `${number(value)}${unit === '' ? '' : ` ${unit}`}`;
  return beside.flatMap((entry): string[] => {
    const known = names[entry.id];
    if (!known || entry.better !== better) return [];
    const [name, unit] = known;
    return [`${name} (${shown(entry.ours, unit)} ${to} ${shown(entry.theirs, unit)})`];
  });
}
