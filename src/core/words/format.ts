import { minorDigits, shownCoins, type Currency } from '../units/money';

/**
 * Writes numbers as a language does, with so many decimals at least and at most. A formatter is dear to make, and
 * sentences are full of numbers: each is made once. Source: Unicode CLDR, by the platform's `Intl`.
 */
export function numberWriter(tag: string): (value: number, least: number, most: number) => string {
  const formatters = new Map<number, Intl.NumberFormat>();
  return (value, least, most) => {
    const key = least * 32 + most;
    let known = formatters.get(key);
    if (!known) {
      known = new Intl.NumberFormat(tag, { minimumFractionDigits: least, maximumFractionDigits: most });
      formatters.set(key, known);
    }
    return known.format(value);
  };
}

/**
 * A number as people in the trade read it, with so many decimals at least and at most; one locale for now, the same on
 * server and page. It is what the platform's `Intl` writes for English: that took a page 45 ms to get ready, a twentieth
 * of what it does before it can be used.
 * @example write(1234567.005, 0, 2) // '1,234,567.01'
 */
export function write(value: number, least: number, most: number): string {
  if (!Number.isFinite(value)) return numberWriter('en-US')(value, least, most);
  const [mantissa = '', exponent] = Math.abs(value).toExponential().split('e');
  const digits = mantissa.replace('.', '');
  /** Digits up to the last decimal that is written. */
  const kept = Number(exponent) + 1 + most;
  const up = kept >= 0 && (digits[kept] ?? '0') >= '5' ? 1n : 0n;
  const scaled = BigInt(digits.slice(0, Math.max(0, kept)).padEnd(kept, '0')) + up;
  const text = String(scaled).padStart(most + 1, '0');
  const thousands: string[] = [];
  for (let at = text.length - most; at > 0; at -= 3) thousands.unshift(text.slice(Math.max(0, at - 3), at));
  let end = text.length;
  while (end > text.length - most + least && text[end - 1] === '0') end--;
  const decimals = text.slice(text.length - most, end);
  return `${value < 0 || Object.is(value, -0) ? '-' : ''}${thousands.join(',')}${decimals === '' ? '' : `.${decimals}`}`;
}

/** `digits` significant digits for small numbers, whole numbers from 100 up. */
export function number(value: number, digits = 3): string {
  if (!Number.isFinite(value)) return value > 0 ? 'very many' : 'none';
  const magnitude = Math.abs(value);
  const decimals =
    magnitude === 0 || magnitude >= 100 ? 0 : Math.max(0, digits - 1 - Math.floor(Math.log10(magnitude)));
  return write(value, 0, Math.min(6, decimals));
}

/** An amount with the decimals that its currency has, and without its code where the table's head says it. */
export function coinsOnly(minor: number, currency: Currency): string {
  const digits = minorDigits(currency);
  const text = write(shownCoins(Math.abs(minor), currency), digits, digits);
  return minor < 0 ? `−${text}` : text;
}
export const coins = (minor: number, currency: Currency): string => `${coinsOnly(minor, currency)} ${currency}`;

/** With its sign, also for a gain: "+46.00", "−12.00", "±0". */
export function coinsChange(minor: number, currency: Currency): string {
  if (minor === 0) return '±0';
  return `${minor > 0 ? '+' : ''}${coinsOnly(minor, currency)}`;
}

/** "12.9 GB/s", "950 MB/s". */
export function byteRate(bytesPerS: number): string {
  return bytesPerS >= 1e9
    ? `${number(bytesPerS / 1e9)} GB/s`
    : bytesPerS >= 1e6
      ? `${number(bytesPerS / 1e6)} MB/s`
      : `${number(bytesPerS / 1e3)} kB/s`;
}

/** Drive and footage sizes are decimal: "2 TB". */
export const size = (bytes: number): string =>
  bytes >= 1e12
    ? `${number(bytes / 1e12)} TB`
    : bytes >= 1e9
      ? `${number(bytes / 1e9)} GB`
      : `${number(bytes / 1e6)} MB`;

/** Memory is binary and the trade writes "GB" all the same: 32 GiB reads "32 GB". */
export const memorySize = (bytes: number): string => `${number(bytes / 2 ** 30)} GB`;

/** "4.5 min", "1 h 12 min", from ten hours on whole hours, from three days on days. */
export function duration(seconds: number): string {
  if (seconds < 1) return `${number(seconds * 1000)} ms`;
  if (seconds < 90) return `${number(seconds)} s`;
  const minutes = seconds / 60;
  if (minutes < 90) return minutes < 10 ? `${number(minutes, 2)} min` : `${Math.round(minutes)} min`;
  if (minutes >= 72 * 60) return `${number(minutes / 1440, 2)} days`;
  if (minutes >= 600) return `${Math.round(minutes / 60)} h`;
  const hours = Math.floor(minutes / 60);
  const rest = Math.round(minutes - hours * 60);
  return rest === 60 ? `${hours + 1} h` : rest === 0 ? `${hours} h` : `${hours} h ${rest} min`;
}

/** Units of time with the time from which a range is told in them, s. */
const TIMES: readonly (readonly [from: number, seconds: number, unit: string])[] = [
  [72 * 3600, 86_400, 'days'],
  [90 * 60, 3600, 'h'],
  [90, 60, 'min'],
  [1, 1, 's'],
  [0, 0.001, 'ms'],
];

/**
 * Two times in one unit, that of the later: "0.97 – 4.2 min".
 * @example durationRange(58.4, 252) // '0.97 – 4.2 min'
 */
export function durationRange(low: number, high: number): string {
  const [, seconds, unit] = TIMES.find(([from]) => high >= from) ?? [0, 1, 's'];
  // two digits where the unit is young, whole ones beyond ten
  const shown = (value: number) =>
    value / seconds >= 10 ? String(Math.round(value / seconds)) : number(value / seconds, 2);
  const [a, b] = [shown(low), shown(high)];
  return a === b ? duration(high) : `${a} – ${b} ${unit}`;
}

export const watts = (value: number): string => `${number(value)} W`;
export const times = (ratio: number): string => `×${number(ratio, 2)}`;
export const percent = (share: number): string => `${Math.round(share * 100)} %`;

/** "1 machine", "3 machines". */
export const counting = (value: number, one: string, many = `${one}s`): string =>
  `${number(value)} ${value === 1 ? one : many}`;

/** As a sentence begins: its first letter large. */
export const capitalised = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** "a, b and c". */
export const listed = (words: readonly string[]): string =>
  words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words[words.length - 1] ?? ''}`;

/** A value of a derivation in its unit. */
export function quantity(value: number, unit: string): string {
  switch (unit) {
    case 'B':
      return size(value);
    case 'B/s':
      return byteRate(value);
    case 'FLOP/s':
      return `${number(value / 1e12)} TFLOP/s`;
    case 'FLOP':
      return `${number(value / 1e9)} GFLOP`;
    case 'px':
      return value >= 1e5 ? `${number(value / 1e6)} Mpx` : `${number(value)} px`;
    case 'px/s':
      return `${number(value / 1e6)} Mpx/s`;
    case 'bit':
      return value >= 1e6 ? `${number(value / 1e6)} Mbit` : `${number(value)} bit`;
    case 'bit/s':
      return value >= 1e9 ? `${number(value / 1e9)} Gbit/s` : `${number(value / 1e6)} Mbit/s`;
    case 's':
      return duration(value);
    case 'clocks':
      return `${number(value / 1e9)} Gwork`;
    default:
      return unit === '' ? number(value) : `${number(value)} ${unit}`;
  }
}
