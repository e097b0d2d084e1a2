import { existsSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { inflateSync } from 'node:zlib';

export type Weight = 400 | 600;

/** Families that come with the app, in the order in which they are asked for a character; the first carries the text. */
const FAMILIES = [
  'source-sans-3',
  'noto-sans-hebrew',
  'noto-sans-arabic',
  'noto-sans-devanagari',
  'noto-sans-thai',
  'noto-sans-sc',
  'gowun-dodum',
] as const;
type Family = (typeof FAMILIES)[number];
const WEIGHTS: Readonly<Partial<Record<Family, readonly Weight[]>>> = { 'source-sans-3': [400, 600] };

/** A file of a family that holds some of its characters. */
export interface Face {
  readonly id: string;
  readonly family: Family;
  readonly subset: string;
  readonly weight: Weight;
}

const PACKAGES = join('node_modules', '@fontsource');
let shelf: string | undefined;

/** Where the packages lie: the app runs in its own folder, the command anywhere. */
const folder = (family: Family): string =>
  join(
    (shelf ??=
      [process.cwd(), join(dirname(process.argv[1] ?? ''), '..')]
        .map((root) => join(root, PACKAGES))
        .find((path) => existsSync(path)) ?? PACKAGES),
    family,
  );

interface Subset {
  readonly family: Family;
  readonly subset: string;
  readonly ranges: readonly (readonly [number, number])[];
}

let subsets: readonly Subset[] | undefined;

/** Which characters each file holds, as the packages say in their `unicode.json`. */
function allSubsets(): readonly Subset[] {
  return (subsets ??= FAMILIES.flatMap((family) => {
    const said = JSON.parse(readFileSync(join(folder(family), 'unicode.json'), 'utf8')) as Record<string, string>;
    return Object.entries(said).map(([subset, text]) => ({
      family,
      subset: subset.replace(/[[\]]/g, ''),
      ranges: text.split(',').map((range): [number, number] => {
        const [low = '0', high = low] = range.trim().slice(2).split('-');
        return [parseInt(low, 16), parseInt(high, 16)];
      }),
    }));
  }));
}

const faces = new Map<number, Subset | undefined>();

/** Han and kana are asked of one family and Hangul of another: each says of the other's that it has them, and lacks some. */
const HANGUL = /\p{Script=Hangul}/u;
const speaks = ({ family }: Subset, codePoint: number): boolean =>
  family === 'noto-sans-sc' || family === 'gowun-dodum'
    ? HANGUL.test(String.fromCodePoint(codePoint)) === (family === 'gowun-dodum')
    : true;

/** The file that a character is drawn from; undefined where none has it. */
export function faceOf(codePoint: number, weight: Weight): Face | undefined {
  if (!faces.has(codePoint))
    faces.set(
      codePoint,
      allSubsets().find(
        (subset) =>
          subset.ranges.some(([low, high]) => codePoint >= low && codePoint <= high) && speaks(subset, codePoint),
      ),
    );
  const found = faces.get(codePoint);
  if (!found) return undefined;
  const { family, subset } = found;
  const there = WEIGHTS[family]?.includes(weight) ? weight : 400;
  return { id: `${family} ${subset} ${there}`, family, subset, weight: there };
}

/** The bytes of a face, as an OpenType font. */
export const faceBytes = ({ family, subset, weight }: Face): Buffer =>
  openType(readFileSync(join(folder(family), 'files', `${family}-${subset}-${weight}-normal.woff`)));

const WOFF_HEAD = 44;
const WOFF_ENTRY = 20;
const SFNT_HEAD = 12;
const SFNT_ENTRY = 16;

/**
 * An OpenType font out of its web form: the same tables, unpacked. Source: W3C WOFF File Format 1.0, sections 3 to 5.
 * @throws RangeError when it is none
 */
export function openType(woff: Buffer): Buffer {
  if (woff.toString('latin1', 0, 4) !== 'wOFF') throw new RangeError('not a font in its web form');
  const count = woff.readUInt16BE(12);
  const head = Buffer.alloc(SFNT_HEAD + SFNT_ENTRY * count);
  woff.copy(head, 0, 4, 8);
  const power = Math.floor(Math.log2(count));
  head.writeUInt16BE(count, 4);
  head.writeUInt16BE(SFNT_ENTRY << power, 6);
  head.writeUInt16BE(power, 8);
  head.writeUInt16BE(SFNT_ENTRY * count - (SFNT_ENTRY << power), 10);
  const tables: Buffer[] = [head];
  let at = head.length;
  for (let i = 0; i < count; i++) {
    const entry = WOFF_HEAD + WOFF_ENTRY * i;
    const [offset, packed, length] = [4, 8, 12].map((field) => woff.readUInt32BE(entry + field)) as [
      number,
      number,
      number,
    ];
    const raw = woff.subarray(offset, offset + packed);
    const table = packed < length ? inflateSync(raw) : raw;
    const place = SFNT_HEAD + SFNT_ENTRY * i;
    woff.copy(head, place, entry, entry + 4);
    head.writeUInt32BE(woff.readUInt32BE(entry + 16), place + 4);
    head.writeUInt32BE(at, place + 8);
    head.writeUInt32BE(table.length, place + 12);
    const gap = (4 - (table.length % 4)) % 4;
    tables.push(table, Buffer.alloc(gap));
    at += table.length + gap;
  }
  return Buffer.concat(tables);
}
