import type { Locale } from '../../quote/terms';
import { DE } from './de';
import { EN } from './en';
import { numbersOf, type Numbers } from './numbers';
import type { PaperWords } from './words';

const ALL: Readonly<Record<Locale, PaperWords>> = { en: EN, de: DE };

/** The words and the numbers of a language. */
export const paperWords = (locale: Locale): { readonly words: PaperWords; readonly numbers: Numbers } => ({
  words: ALL[locale],
  numbers: numbersOf(locale),
});
