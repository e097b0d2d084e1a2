import type { PaperLine, Quote } from './document';

/** What became of a line from one quote to another. Amounts as the client pays them, minor units. */
export interface LineChange {
  readonly name: string;
  /** Whose machine it is for, where quotes have several. */
  readonly seat: string | undefined;
  readonly before: { readonly count: number; readonly minor: number } | undefined;
  readonly after: { readonly count: number; readonly minor: number } | undefined;
}

/** A term that is not the same. */
export interface TermChange {
  readonly term: 'valid-until' | 'deposit' | 'discount' | 'tax' | 'warranty' | 'parts-there';
  readonly before: string | number | undefined;
  readonly after: string | number | undefined;
}

/** What changed between two quotes; the line changes add up to the difference of the totals. */
export interface QuoteChanges {
  readonly lines: readonly LineChange[];
  readonly terms: readonly TermChange[];
  readonly differenceMinor: number;
}

/** What a line is known by in another quote: its part, or its name where it has none. */
function keyed(quote: Quote): Map<string, { readonly line: PaperLine; readonly seat: string | undefined }> {
  const several = quote.machines.length > 1;
  const found = new Map<string, { line: PaperLine; seat: string | undefined }>();
  for (const line of quote.lines) {
    const machine = quote.machines.find(({ id }) => id === line.machine);
    const seat = several ? machine?.seat : undefined;
    const base = JSON.stringify([
      seat ?? '',
      line.what,
      line.part ?? (line.what === 'machine' ? '' : line.name),
      line.taxRate,
    ]);
    // two lines of the same name stay two
    let key = base;
    for (let n = 2; found.has(key); n++) key = `${base} ${n}`;
    found.set(key, { line, seat });
  }
  return found;
}

/** Line by line and term by term what changed from a quote to a later one, or to what the same would cost today. */
export function quoteChanges(before: Quote, after: Quote): QuoteChanges {
  const [old, now] = [keyed(before), keyed(after)];
  const lines = [...new Set([...old.keys(), ...now.keys()])].flatMap((key): LineChange[] => {
    const [a, b] = [old.get(key), now.get(key)];
    if (a && b && a.line.grossMinor === b.line.grossMinor && a.line.count === b.line.count) return [];
    const side = (entry: typeof a) => entry && { count: entry.line.count, minor: entry.line.grossMinor };
    return [{ name: (b ?? a)?.line.name ?? '', seat: (b ?? a)?.seat, before: side(a), after: side(b) }];
  });
  const rates = ({ byRate }: Quote): string =>
    byRate.map(({ taxRate }) => `${Math.round(taxRate * 1e6) / 1e4} %`).join(', ');
  const terms: [TermChange['term'], (quote: Quote) => string | number | undefined][] = [
    ['valid-until', ({ validUntil }) => validUntil],
    ['deposit', ({ depositPercent }) => depositPercent],
    ['discount', ({ discount }) => discount?.name],
    ['tax', rates],
    ['warranty', ({ warrantyMonths }) => warrantyMonths],
    ['parts-there', ({ partsThereOn }) => partsThereOn],
  ];
  return {
    lines,
    terms: terms.flatMap(([term, of]) => {
      const [a, b] = [of(before), of(after)];
      return a === b ? [] : [{ term, before: a, after: b }];
    }),
    differenceMinor: after.totalMinor - before.totalMinor,
  };
}
