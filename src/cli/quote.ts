import { writeFileSync } from 'node:fs';
import { assess } from '@/core/assess';
import { parseText } from '@/core/formats/problems';
import { insideCsv, quoteCsv, quoteHtml } from '@/core/formats/quotePaper';
import type { CatalogueData } from '@/core/model/catalogueSchema';
import { quoteOf } from '@/core/quote/quote';
import { quoteTermsSchema } from '@/core/quote/terms';
import { coins } from '@/core/words/format';
import { notPricedWords, QUOTE_TELLING } from '@/core/words/quote';
import { openCase, textIn } from './openCase';
import { note, optionsOf, refuse, say } from './say';

export const QUOTE_USE = 'vane quote CASE.json --terms FILE [--machine ID] --out FILE.csv|json|html [--own FILE.csv]';

const PAPERS = ['csv', 'json', 'html'] as const;
type Paper = (typeof PAPERS)[number];
const paperOf = (path: string): Paper | undefined => PAPERS.find((paper) => path.endsWith(`.${paper}`));

/** Makes a quote for a machine of a case, its other machines as alternatives, and writes it as a paper. */
export async function quoteCommand(args: readonly string[], around: () => Promise<CatalogueData>): Promise<number> {
  const read = optionsOf(args, ['terms', 'machine', 'out', 'own']);
  if ('problem' in read) return refuse([read.problem]);
  const { options, rest } = read;
  const [path] = rest;
  const [termsPath, out, own, machineId] = (['terms', 'out', 'own', 'machine'] as const).map(
    (name) => options.get(name)?.[0],
  );
  if (path === undefined) return refuse([{ path: 'CASE.json', message: `is missing; use: ${QUOTE_USE}` }]);
  if (termsPath === undefined) return refuse([{ path: '--terms', message: 'is missing; name a file with the terms' }]);
  const paper = out === undefined ? undefined : paperOf(out);
  if (out === undefined || !paper)
    return refuse([
      { path: out ?? '--out', message: `names no paper; it ends in ${PAPERS.map((kind) => `.${kind}`).join(', ')}` },
    ]);
  const given = textIn(termsPath);
  if ('problems' in given) return refuse(given.problems);
  const terms = parseText(given.text, quoteTermsSchema);
  if (!terms.ok)
    return refuse(terms.problems.map((problem) => ({ ...problem, path: `${termsPath}: ${problem.path}` })));
  const opened = await openCase(path, around);
  if ('problems' in opened) return refuse(opened.problems);
  const { file, context } = opened;
  const machines = file.machines.map((machine) => assess(machine, file.brief, context));
  const present = machines.find(({ facts }) => facts.machine.present === true);
  const sold = machines.filter((machine) => machine !== present);
  const chosen = machineId === undefined ? sold[0] : sold.find(({ facts }) => facts.machine.id === machineId);
  if (!chosen)
    return refuse([
      {
        path: machineId ?? path,
        message: `is no machine to sell; there are ${sold.map(({ facts }) => facts.machine.id).join(', ') || 'none'}`,
      },
    ]);
  const made = quoteOf(
    chosen,
    sold.filter((machine) => machine !== chosen),
    present,
    terms.value,
    QUOTE_TELLING,
  );
  const { currency } = chosen.region;
  if ('code' in made) return refuse([{ path: chosen.facts.machine.name, message: notPricedWords(made, currency) }]);
  const { quote, inside } = made;
  const papers: [string, string][] = [
    [
      out,
      paper === 'json' ? `${JSON.stringify(quote, null, 1)}\n` : paper === 'csv' ? quoteCsv(quote) : quoteHtml(quote),
    ],
    ...(own === undefined ? [] : [[own, insideCsv(inside, currency)] satisfies [string, string]]),
  ];
  for (const [to, content] of papers)
    try {
      writeFileSync(to, content);
    } catch (error) {
      return refuse([
        { path: to, message: `cannot be written: ${error instanceof Error ? error.message : String(error)}` },
      ]);
    }
  say(`${quote.machine}: ${coins(quote.totalMinor, currency)}, written to ${out}`);
  if (quote.unpriced.length > 0) note(`no price for ${quote.unpriced.join(', ')}: it is in no total`);
  if (inside.missedMinor > 0)
    note(`${coins(inside.missedMinor, currency)} below the total that was asked for, as tax is rounded`);
  if (inside.marginMinor < 0) note(`${coins(-inside.marginMinor, currency)} below what it costs`);
  return quote.unpriced.length > 0 || quote.lacking.length > 0 ? 3 : 0;
}
