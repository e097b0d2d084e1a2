'use client';

import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableFooter from '@mui/material/TableFooter';
import TableRow from '@mui/material/TableRow';
import type { QuoteChanges, TermChange } from '@/core/quote/changes';
import type { Currency } from '@/core/units/money';
import { coinsChange, coinsOnly } from '@/core/words/format';
import type { QuoteDetail } from '@/server/contract';
import { Section } from '../shared/Section';

const TERM: Readonly<Record<TermChange['term'], string>> = {
  'valid-until': 'holds until',
  deposit: 'with the order, %',
  discount: 'discount',
  tax: 'tax',
  warranty: 'months of warranty',
  'parts-there': 'last part there on',
};

/** What is not as in the revision before, and not as it would be today. */
export function Changes({ detail: { since, today, quote }, revision }: { detail: QuoteDetail; revision: number }) {
  const { currency } = quote;
  return (
    <>
      {since && (
        <Section
          label="What changed"
          gist={`${coinsChange(since.differenceMinor, currency)} since revision ${revision - 1}`}
        >
          <ChangeTable changes={since} currency={currency} heads={['before', 'now']} />
        </Section>
      )}
      {today && (
        <Section label="Quoted and today" gist={`${coinsChange(today.changes.differenceMinor, currency)} today`}>
          <ChangeTable changes={today.changes} currency={currency} heads={['quoted', 'today']} />
        </Section>
      )}
    </>
  );
}

function ChangeTable({
  changes: { lines, terms, differenceMinor },
  currency,
  heads,
}: {
  changes: QuoteChanges;
  currency: Currency;
  heads: readonly [string, string];
}) {
  if (lines.length === 0 && terms.length === 0) return <p className="quiet">Nothing.</p>;
  const side = (entry: QuoteChanges['lines'][number]['before']): string =>
    entry ? `${entry.count > 1 ? `${entry.count} × ` : ''}${coinsOnly(entry.minor, currency)}` : '–';
  return (
    <Table sx={{ maxWidth: 760 }}>
      <TableBody>
        <TableRow>
          <TableCell>{currency}, tax in</TableCell>
          <TableCell align="right">{heads[0]}</TableCell>
          <TableCell align="right">{heads[1]}</TableCell>
          <TableCell align="right">difference</TableCell>
        </TableRow>
        {lines.map((line) => (
          <TableRow key={`${line.seat ?? ''} ${line.name}`}>
            <TableCell>
              {line.seat === undefined ? '' : `${line.seat}: `}
              {line.name}
            </TableCell>
            <TableCell align="right">{side(line.before)}</TableCell>
            <TableCell align="right">{side(line.after)}</TableCell>
            <TableCell align="right">
              {coinsChange((line.after?.minor ?? 0) - (line.before?.minor ?? 0), currency)}
            </TableCell>
          </TableRow>
        ))}
        {terms.map(({ term, before, after }) => (
          <TableRow key={term}>
            <TableCell className="quiet">{TERM[term]}</TableCell>
            <TableCell align="right">{before ?? 'none'}</TableCell>
            <TableCell align="right">{after ?? 'none'}</TableCell>
            <TableCell />
          </TableRow>
        ))}
      </TableBody>
      <TableFooter>
        <TableRow>
          <TableCell colSpan={3}>In all</TableCell>
          <TableCell align="right">{coinsChange(differenceMinor, currency)}</TableCell>
        </TableRow>
      </TableFooter>
    </Table>
  );
}
