import bidiFactory from 'bidi-js';
import { faceOf, type Face, type Weight } from './fonts';

const bidi = bidiFactory();

/** A piece of a line in one face and one direction, in the order in which it is read. */
export interface Run {
  readonly text: string;
  /** Undefined where no face has the character: a box stands for it. */
  readonly face: Face | undefined;
}

/** A word, or a character of a script that is written without spaces, with what follows it before the next. */
interface Piece {
  readonly start: number;
  readonly end: number;
}

const BREAKS_BETWEEN = /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Hangul}\p{Script=Thai}]/u;

/** Where a text may be broken; source: UAX #14, its classes SP, ID and CJ, which is what papers need. */
export function pieces(text: string): Piece[] {
  const found: Piece[] = [];
  let start = 0;
  let before = '';
  let at = 0;
  for (const char of text) {
    const breaks =
      at > start &&
      ((before === ' ' && char !== ' ') || (before !== '' && BREAKS_BETWEEN.test(before) && char !== ' '));
    if (breaks) {
      found.push({ start, end: at });
      start = at;
    }
    before = char;
    at += char.length;
  }
  if (at > start) found.push({ start, end: at });
  return found;
}

export type Measure = (run: Run) => number;

/** A text laid out in lines of at most `width`; each line's runs stand from left to right. */
export function lines(text: string, width: number, weight: Weight, measure: Measure): Run[][] {
  const { levels } = bidi.getEmbeddingLevels(text);
  const widthOf = (start: number, end: number): number =>
    runsOf(text, levels, start, end, weight).reduce((sum, run) => sum + measure(run), 0);
  const spans: Piece[] = [];
  let line: Piece | undefined;
  const take = (piece: Piece): void => {
    const longer: Piece = { start: line?.start ?? piece.start, end: piece.end };
    if (widthOf(longer.start, trimmed(text, longer)) <= width) {
      line = longer;
      return;
    }
    if (line) {
      spans.push(line);
      line = undefined;
      take(piece);
      return;
    }
    // longer than a line by itself: broken where it is full
    let cut = piece.start;
    for (const char of text.slice(piece.start, piece.end)) {
      if (cut > piece.start && widthOf(piece.start, cut + char.length) > width) break;
      cut += char.length;
    }
    if (cut >= piece.end) {
      line = piece;
      return;
    }
    spans.push({ start: piece.start, end: cut });
    take({ start: cut, end: piece.end });
  };
  for (const piece of pieces(text)) take(piece);
  if (line) spans.push(line);
  return spans.map((span) => runsOf(text, levels, span.start, trimmed(text, span), weight));
}

function trimmed(text: string, { start, end }: Piece): number {
  let at = end;
  while (at > start && text[at - 1] === ' ') at--;
  return at;
}

const RIGHT_TO_LEFT: readonly string[] = ['noto-sans-hebrew', 'noto-sans-arabic'];

/**
 * The runs of a line from left to right: each word of a script that runs right to left is one, as the shaper turns the
 * letters of a word but not its words. Source: Unicode Bidirectional Algorithm (UAX #9), rule L2 over runs.
 */
function runsOf(text: string, levels: Uint8Array, start: number, end: number, weight: Weight): Run[] {
  const found: (Run & { readonly level: number })[] = [];
  let at = start;
  for (const char of text.slice(start, end)) {
    const level = levels[at] ?? 0;
    const face = faceOf(char.codePointAt(0) ?? 0, weight);
    const last = found.at(-1);
    const joins =
      last?.level === level &&
      last.face?.id === face?.id &&
      !(level % 2 === 1 && (char === ' ' || last.text.endsWith(' ')));
    if (last && joins) found[found.length - 1] = { ...last, text: last.text + char };
    else found.push({ text: char, face, level });
    at += char.length;
  }
  const most = Math.max(0, ...found.map(({ level }) => level));
  for (let level = most; level >= 1; level--) {
    for (let from = 0; from < found.length; from++) {
      if ((found[from]?.level ?? 0) < level) continue;
      let to = from;
      while (to + 1 < found.length && (found[to + 1]?.level ?? 0) >= level) to++;
      found.splice(from, to - from + 1, ...found.slice(from, to + 1).reverse());
      from = to;
    }
  }
  return found.map(({ text: said, face, level }) => ({
    face,
    text: level % 2 === 1 && !(face && RIGHT_TO_LEFT.includes(face.family)) ? turned(said) : said,
  }));
}

/** Signs between words that run right to left: turned, brackets mirrored. Source: UAX #9, rule L4. */
const turned = (text: string): string =>
  [...text]
    .reverse()
    .map((char) => bidi.getMirroredCharacter(char) ?? char)
    .join('');
