import type { Locale } from '../../quote/terms';
import { DE } from './de';
import { EN } from './en';
import { numbersOf, type Numbers } from './numbers';
import { saidIn, type Said } from './said';
import type { Phrases } from './words';

const ALL: Readonly<Record<Locale, Phrases>> = { en: EN, de: DE };

/** The words, the sentences and the numbers of a language. */
export function paperWords(locale: Locale): {
  readonly words: Phrases;
  readonly said: Said;
  readonly numbers: Numbers;
} {
  const [words, numbers] = [ALL[locale], numbersOf(locale)];
  return { words, said: saidIn(words, numbers), numbers };
}
