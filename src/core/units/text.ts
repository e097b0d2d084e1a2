/** Text to compare: without case, accents and compatibility forms, in any script. */
export const folded = (text: string): string => text.normalize('NFKD').replace(/\p{M}/gu, '').toLowerCase();

/** A text without these characters at its end, in one pass: an expression that looks for a run before `$` looks from each of its places. */
export function withoutEnd(text: string, isDropped: (char: string) => boolean): string {
  let end = text.length;
  while (end > 0 && isDropped(text.charAt(end - 1))) end--;
  return text.slice(0, end);
}

/**
 * Characters that are not seen and make a name look like another: they turn the direction of writing, or have no width.
 * Source: Unicode 15, general category Cf, without what is drawn.
 */
const HIDDEN = /[\u00ad\u061c\u180e\u200b-\u200f\u202a-\u202e\u2060-\u206f\ufeff\u{e0000}-\u{e007f}]/gu;
/** Joins letters of some scripts and parts of one sign; between two of them it is part of the spelling. */
const JOINER = /^[\u200c\u200d]$/;
const JOINS =
  /[\p{Script=Arabic}\p{Script=Syriac}\p{Script=Mongolian}\p{Script=Devanagari}\p{Script=Bengali}\p{Script=Sinhala}\p{Script=Malayalam}\p{Script=Kannada}\p{Script=Telugu}\p{Script=Tamil}\p{Extended_Pictographic}\ufe0f]/u;

/** The first character of a text that cannot be seen and changes what is: its code point, and its place from 1. */
export function hiddenIn(text: string): { readonly name: string; readonly place: number } | undefined {
  for (const { 0: char, index } of text.matchAll(HIDDEN)) {
    const around = [[...text.slice(0, index)].at(-1) ?? '', [...text.slice(index + 1)][0] ?? ''];
    if (JOINER.test(char) && around.every((next) => JOINS.test(next))) continue;
    const code = (char.codePointAt(0) ?? 0).toString(16).toUpperCase().padStart(4, '0');
    return { name: `U+${code}`, place: [...text.slice(0, index)].length + 1 };
  }
  return undefined;
}
