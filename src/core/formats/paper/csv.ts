import { unpricedIn, type Quote } from '../../quote/document';
import type { Inside } from '../../quote/kept';
import { minorDigits, shownCoins, type Currency } from '../../units/money';
import { neutral } from '../csv/cells';

/** An amount as a table on a computer takes it: no separators of thousands. */
const plain = (minor: number, currency: Currency): string => shownCoins(minor, currency).toFixed(minorDigits(currency));

/** A name as a cell that no spreadsheet runs. */
const name = (said: string): string => {
  const safe = neutral(said);
  return /[",\r\n]/.test(safe) ? `"${safe.replaceAll('"', '""')}"` : safe;
};
const row = (cells: readonly (string | number)[]): string => cells.join(',');

/** A rate as a percentage, to four decimals at most. */
const percentText = (rate: number): string => String(Math.round(rate * 1e6) / 1e4);

/** The lines of a quote as CSV, its totals below. */
export function quoteCsv(quote: Quote): string {
  const { currency, taxName } = quote;
  const machineOf = (id: string | undefined): string => {
    const machine = quote.machines.find((entry) => entry.id === id);
    return name(machine?.seat ?? machine?.name ?? '');
  };
  const amounts = ({
    netMinor,
    taxMinor,
    grossMinor,
  }: Pick<Quote['lines'][number], 'netMinor' | 'taxMinor' | 'grossMinor'>) =>
    [netMinor, taxMinor, grossMinor].map((minor) => plain(minor, currency));
  return [
    row([
      'line',
      'for',
      'name',
      'count',
      `${name(taxName)} %`,
      `net ${currency}`,
      `${name(taxName)} ${currency}`,
      `total ${currency}`,
    ]),
    ...quote.lines.map((line, i) =>
      row([i + 1, machineOf(line.machine), name(line.name), line.count, percentText(line.taxRate), ...amounts(line)]),
    ),
    ...unpricedIn(quote).map((part) => row(['', '', name(part), '', '', 'no price', '', ''])),
    row(['', '', 'Total', '', '', ...amounts({ ...quote, grossMinor: quote.totalMinor })]),
    '',
  ].join('\n');
}

/** What stays in the workshop: what each line costs, and what is earned on it. */
export function insideCsv(
  {
    lines,
    costMinor,
    marginMinor,
  }: Pick<Inside, 'costMinor' | 'marginMinor'> & { readonly lines: readonly Inside['lines'][number][] },
  currency: Currency,
): string {
  const netMinor = lines.reduce((sum, line) => sum + line.netMinor, 0);
  return [
    row(['for', 'name', 'count', `cost ${currency}`, `net ${currency}`, `earned ${currency}`]),
    ...lines.map((line) =>
      row([
        name(line.seat ?? ''),
        name(line.name),
        line.count,
        ...[line.costMinor, line.netMinor, line.netMinor - line.costMinor].map((minor) => plain(minor, currency)),
      ]),
    ),
    row(['', 'Total', '', ...[costMinor, netMinor, marginMinor].map((minor) => plain(minor, currency))]),
    '',
  ].join('\n');
}
