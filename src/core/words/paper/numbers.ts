import type { Locale } from '../../quote/terms';
import { minorDigits, shownCoins, type Currency } from '../../units/money';
import { numberWriter } from '../format';

/** Numbers, money, times and dates as a language writes them. */
export interface Numbers {
  /** `digits` significant digits for small numbers, whole numbers from 100 up. */
  readonly number: (value: number, digits?: number) => string;
  readonly coins: (minor: number, currency: Currency) => string;
  /** With its sign, also for a gain. */
  readonly change: (minor: number, currency: Currency) => string;
  readonly day: (iso: string) => string;
  readonly percent: (text: string | number) => string;
  /** Seconds, both in the unit of the later. */
  readonly times: (low: number, high: number) => string;
  readonly bytes: (bytes: number, binary?: boolean) => string;
}

const TAGS: Readonly<Record<Locale, string>> = { en: 'en-US', de: 'de-DE' };
const UNITS: Readonly<Record<Locale, readonly (readonly [from: number, seconds: number, unit: string])[]>> = {
  en: [
    [72 * 3600, 86_400, 'days'],
    [90 * 60, 3600, 'h'],
    [90, 60, 'min'],
    [1, 1, 's'],
    [0, 0.001, 'ms'],
  ],
  de: [
    [72 * 3600, 86_400, 'Tage'],
    [90 * 60, 3600, 'h'],
    [90, 60, 'min'],
    [1, 1, 's'],
    [0, 0.001, 'ms'],
  ],
};

/** How a language writes numbers; source: Unicode CLDR, by the platform's `Intl`. */
export function numbersOf(locale: Locale): Numbers {
  const tag = TAGS[locale];
  const plain = numberWriter(tag);
  const number = (value: number, digits = 3): string => {
    if (!Number.isFinite(value)) return '–';
    const size = Math.abs(value);
    const decimals = size === 0 || size >= 100 ? 0 : Math.max(0, digits - 1 - Math.floor(Math.log10(size)));
    return plain(value, 0, Math.min(6, decimals));
  };
  const coins = (minor: number, currency: Currency): string => {
    const digits = minorDigits(currency);
    const text = plain(shownCoins(Math.abs(minor), currency), digits, digits);
    return minor < 0 ? `−${text}` : text;
  };
  return {
    number,
    coins,
    change: (minor, currency) => (minor === 0 ? '±0' : `${minor > 0 ? '+' : ''}${coins(minor, currency)}`),
    day: (iso) =>
      new Intl.DateTimeFormat(tag, { dateStyle: 'long', timeZone: 'UTC' }).format(new Date(`${iso}T00:00:00Z`)),
    percent: (value) => `${plain(Number(value), 0, 4)} %`,
    times: (low, high) => {
      const [, seconds, unit] = UNITS[locale].find(([from]) => high >= from) ?? [0, 1, 's'];
      const shown = (value: number): string => number(value / seconds, 2);
      const [a, b] = [shown(low), shown(high)];
      return a === b ? `${b} ${unit}` : `${a} – ${b} ${unit}`;
    },
    bytes: (bytes, binary = false) => {
      const giga = bytes / (binary ? 2 ** 30 : 1e9);
      return giga >= 1000 ? `${number(giga / 1000)} TB` : `${number(giga)} GB`;
    },
  };
}
