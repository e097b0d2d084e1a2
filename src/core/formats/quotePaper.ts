import type { Quote } from '../quote/quote';
import type { Priced } from '../quote/priced';
import { minorDigits, shownCoins, type Currency } from '../units/money';
import { coinsChange, coinsOnly } from '../words/format';
import { quoteNotes, rateWords } from '../words/quote';
import { neutral } from './csv/cells';

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
  const amounts = ({
    netMinor,
    taxMinor,
    grossMinor,
  }: Pick<Quote['lines'][number], 'netMinor' | 'taxMinor' | 'grossMinor'>) =>
    [netMinor, taxMinor, grossMinor].map((minor) => plain(minor, currency));
  return [
    row([
      'line',
      'name',
      'count',
      `${name(taxName)} %`,
      `net ${currency}`,
      `${name(taxName)} ${currency}`,
      `total ${currency}`,
    ]),
    ...quote.lines.map((line, i) =>
      row([i + 1, name(line.name), line.count, percentText(line.taxRate), ...amounts(line)]),
    ),
    ...quote.unpriced.map((part) => row(['', name(part), '', '', 'no price', '', ''])),
    row(['', 'Total', '', '', ...amounts({ ...quote, grossMinor: quote.totalMinor })]),
    '',
  ].join('\n');
}

/** What stays in the workshop: what each line costs, and what is earned on it. */
export function insideCsv({ lines, costMinor, marginMinor, netMinor }: Priced, currency: Currency): string {
  return [
    row(['name', 'count', `cost ${currency}`, `net ${currency}`, `earned ${currency}`]),
    ...lines.map((line) =>
      row([
        name(line.name),
        line.count,
        ...[line.costMinor ?? 0, line.netMinor, line.netMinor - (line.costMinor ?? 0)].map((minor) =>
          plain(minor, currency),
        ),
      ]),
    ),
    row(['Total', '', ...[costMinor, netMinor, marginMinor].map((minor) => plain(minor, currency))]),
    '',
  ].join('\n');
}

const ESCAPED: Readonly<Record<string, string>> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
  "'": '&#39;',
};
/** Text that stands as it is, whatever is in it. */
const text = (said: string): string => said.replace(/[&<>"']/g, (char) => ESCAPED[char] ?? char);

/** A quote as one page that is read and printed without the app: no script, nothing fetched. */
export function quoteHtml(quote: Quote): string {
  const { currency, from, client } = quote;
  const amount = (minor: number): string => `<td class="n">${text(coinsOnly(minor, currency))}</td>`;
  const party = (who: NonNullable<Quote['client']>): string =>
    [
      who.name,
      ...who.address,
      ...(who.taxNumber === undefined ? [] : [who.taxNumber]),
      ...(who.reach === undefined ? [] : [who.reach]),
    ]
      .map((line) => `<bdi>${text(line)}</bdi>`)
      .join('<br>');
  const now = quote.work.some((task) => task.now !== undefined);
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'">
<title>${text(`Quote ${quote.number}, revision ${quote.revision}`)}</title>
<style>
body{font:15px/1.45 system-ui,sans-serif;color:#22262b;background:#f5f3ee;margin:0 auto;padding:32px;max-width:820px}
h1{font-size:22px}h2{font-size:16px;margin:24px 0 4px}
table{border-collapse:collapse;width:100%}th,td{text-align:left;vertical-align:top;padding:4px 8px 4px 0;border-bottom:1px solid #d9d4c8}
.n{text-align:right;font-variant-numeric:tabular-nums;white-space:nowrap;padding-right:0}th.n{padding-left:16px}
tfoot td{font-weight:600}header{display:flex;justify-content:space-between;gap:24px}
@media print{body{background:none;padding:0}tr{break-inside:avoid}}
</style>
</head>
<body>
<header><p>${party(from)}</p>${client ? `<p>${party(client)}</p>` : ''}</header>
<h1>${text(`Quote ${quote.number}, revision ${quote.revision}: `)}<bdi>${text(quote.machine)}</bdi></h1>
<p>${text(quote.on)}</p>
<table>
<thead><tr><th>What</th><th class="n">Pieces</th><th class="n">Net</th><th class="n">${text(quote.taxName)}</th><th class="n">${currency}</th></tr></thead>
<tbody>
${quote.lines
  .map(
    (line) =>
      `<tr><td><bdi>${text(line.name)}</bdi></td><td class="n">${line.count}</td>${amount(line.netMinor)}${amount(line.taxMinor)}${amount(line.grossMinor)}</tr>`,
  )
  .join('\n')}
${quote.unpriced.map((part) => `<tr><td><bdi>${text(part)}</bdi></td><td></td><td colspan="3" class="n">no price</td></tr>`).join('\n')}
</tbody>
<tfoot>
${quote.byRate.map(({ taxRate, netMinor, taxMinor }) => `<tr><td>${text(`${quote.taxName} at ${rateWords(taxRate)}`)}</td><td></td>${amount(netMinor)}${amount(taxMinor)}${amount(netMinor + taxMinor)}</tr>`).join('\n')}
${quote.discount ? `<tr><td><bdi>${text(quote.discount.name)}</bdi>, taken off above</td><td></td><td></td><td></td>${amount(-quote.discount.minor)}</tr>` : ''}
<tr><td>${quote.unpriced.length > 0 ? 'Total of what has a price' : 'Total'}</td><td></td>${amount(quote.netMinor)}${amount(quote.taxMinor)}${amount(quote.totalMinor)}</tr>
</tfoot>
</table>
${quoteNotes(quote)
  .map((note) => `<p>${text(note)}</p>`)
  .join('\n')}
<h2>What it does</h2>
<table>
<thead><tr><th>Work</th><th>asked for</th>${now ? '<th>now</th>' : ''}<th>with this machine</th></tr></thead>
<tbody>
${quote.work.map((task) => `<tr><td><bdi>${text(task.task)}</bdi></td><td>${text(task.needs)}</td>${now ? `<td>${text(task.now ?? '')}</td>` : ''}<td>${text(task.does)}</td></tr>`).join('\n')}
</tbody>
</table>
${
  quote.alternatives.length === 0
    ? ''
    : `<h2>In its place</h2>
<table><tbody>
${quote.alternatives.map((other) => `<tr><td>☐ <bdi>${text(other.name)}</bdi></td>${amount(other.totalMinor)}<td class="n">${text(coinsChange(other.differenceMinor, currency))}</td></tr>`).join('\n')}
</tbody></table>`
}
</body>
</html>
`;
}
