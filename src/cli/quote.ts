import { writeFileSync } from 'node:fs';
import { parseText, type Problem } from '@/core/formats/problems';
import { insideCsv, quoteCsv } from '@/core/formats/paper/csv';
import { quotePage } from '@/core/formats/paper/html';
import type { CatalogueData } from '@/core/model/catalogueSchema';
import { unpricedIn, type Quote } from '@/core/quote/document';
import { insideOf } from '@/core/quote/kept';
import { quoteOf } from '@/core/quote/quote';
import { quoteTermsSchema, type QuoteTerms } from '@/core/quote/terms';
import { coins } from '@/core/words/format';
import { notPricedWords, optionOutWords } from '@/core/words/quote';
import { quotePdf } from '@/server/papers/pdf';
import { termsFromWorkshop } from '@/server/quotes/workshop';
import { withService } from './files';
import { openCase, textIn } from './openCase';
import { note, optionsOf, refuse, say } from './say';

export const QUOTE_USE =
  'vane quote CASE.json [--machine ID] [--terms FILE] --out FILE.pdf|csv|json|html [--own FILE.csv]';

const PAPERS = ['pdf', 'csv', 'json', 'html'] as const;
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
  const paper = out === undefined ? undefined : paperOf(out);
  if (out === undefined || !paper)
    return refuse([
      { path: out ?? '--out', message: `names no paper; it ends in ${PAPERS.map((kind) => `.${kind}`).join(', ')}` },
    ]);
  const terms = await termsIn(termsPath);
  if ('problems' in terms) return refuse(terms.problems);
  const opened = await openCase(path, around);
  if ('problems' in opened) return refuse(opened.problems);
  const { file, context } = opened;
  const present = file.machines.find((machine) => machine.present === true);
  const sold = file.machines.filter((machine) => machine !== present);
  const chosen = machineId === undefined ? sold[0] : sold.find(({ id }) => id === machineId);
  if (!chosen)
    return refuse([
      {
        path: machineId ?? path,
        message: `is no machine to sell; there are ${sold.map(({ id }) => id).join(', ') || 'none'}`,
      },
    ]);
  const others = sold.filter((machine) => machine !== chosen);
  const made = quoteOf(
    chosen.name,
    [{ id: chosen.id, brief: file.brief, machine: chosen, present, others, context }],
    terms.value,
  );
  const { currency } = file.region;
  if ('code' in made) return refuse([{ path: chosen.name, message: notPricedWords(made, currency) }]);
  const { quote, inside } = made;
  const papers: [string, string | Buffer][] = [
    [out, await written(quote, paper)],
    ...(own === undefined ? [] : [[own, insideCsv(insideOf(inside, quote), currency)] satisfies [string, string]]),
  ];
  for (const [to, content] of papers)
    try {
      writeFileSync(to, content);
    } catch (error) {
      return refuse([
        { path: to, message: `cannot be written: ${error instanceof Error ? error.message : String(error)}` },
      ]);
    }
  say(`${quote.title}: ${coins(quote.totalMinor, currency)}, written to ${out}`);
  const unpriced = unpricedIn(quote);
  if (unpriced.length > 0) note(`no price for ${unpriced.join(', ')}: it is in no total`);
  for (const option of made.out) note(optionOutWords(option));
  for (const { facts } of made.others)
    if (!quote.alternatives.some(({ id }) => id === facts.machine.id))
      note(`${facts.machine.name} cannot be priced in full and stands in nobody's place`);
  if (inside.missedMinor > 0)
    note(`${coins(inside.missedMinor, currency)} below the total that was asked for, as tax is rounded`);
  if (inside.marginMinor < 0) note(`${coins(-inside.marginMinor, currency)} below what it costs`);
  return unpriced.length > 0 || quote.machines.some(({ lacking }) => lacking.length > 0) ? 3 : 0;
}

/** The terms in a file; without one those of the workshop. */
async function termsIn(path: string | undefined): Promise<{ value: QuoteTerms } | { problems: readonly Problem[] }> {
  if (path === undefined) return withService((service) => termsFromWorkshop(service));
  const given = textIn(path);
  if ('problems' in given) return given;
  const terms = parseText(given.text, quoteTermsSchema);
  return terms.ok
    ? { value: terms.value }
    : { problems: terms.problems.map((problem) => ({ ...problem, path: `${path}: ${problem.path}` })) };
}

async function written(quote: Quote, paper: Paper): Promise<string | Buffer> {
  switch (paper) {
    case 'pdf':
      return quotePdf(quote);
    case 'json':
      return `${JSON.stringify(quote, null, 1)}\n`;
    case 'csv':
      return quoteCsv(quote);
    case 'html':
      return quotePage(quote);
  }
}
