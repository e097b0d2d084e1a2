'use client';

import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableFooter from '@mui/material/TableFooter';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import type { Margin, QuoteTerms } from '@/core/quote/terms';
import { coinsOnly, number } from '@/core/words/format';
import type { QuoteDetail } from '@/server/contract';
import { Num } from '../shared/phrases';

interface Props {
  readonly detail: QuoteDetail;
  readonly terms: QuoteTerms;
  /** Without it no margin can be changed. */
  readonly onMargin?: (margin: Margin) => void;
}

/** Line by line what it costs the workshop and what the client pays; each column adds up to its total. */
export function Lines({ detail: { quote, inside }, terms: { margin }, onMargin }: Props) {
  const { currency } = quote;
  const seats = quote.machines.length > 1;
  const tax = quote.lines.reduce((sum, { taxMinor }) => sum + taxMinor, 0);
  return (
    <Table sx={{ maxWidth: 980, mt: 1 }} aria-label="Lines">
      <TableHead>
        <TableRow>
          {seats && <TableCell scope="col">Seat</TableCell>}
          <TableCell scope="col">What</TableCell>
          <TableCell align="right" scope="col">
            pieces
          </TableCell>
          <TableCell align="right" scope="col">
            costs, {currency}
          </TableCell>
          {margin.by === 'part' && (
            <TableCell align="right" scope="col">
              above cost
            </TableCell>
          )}
          <TableCell align="right" scope="col">
            client, before tax
          </TableCell>
          <TableCell align="right" scope="col">
            earned
          </TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {inside.lines.map((line, i) => (
          <TableRow key={i}>
            {seats && <TableCell className="quiet">{line.seat ?? 'all'}</TableCell>}
            <TableCell>{line.name}</TableCell>
            <TableCell align="right">{line.count}</TableCell>
            <TableCell align="right">{coinsOnly(line.costMinor, currency)}</TableCell>
            {margin.by === 'part' && (
              <TableCell align="right">
                {line.part === undefined ? (
                  ''
                ) : onMargin ? (
                  <PartShare name={line.name} part={line.part} margin={margin} onMargin={onMargin} />
                ) : (
                  `${margin.parts[line.part] ?? margin.percent} %`
                )}
              </TableCell>
            )}
            <TableCell align="right">{coinsOnly(line.netMinor, currency)}</TableCell>
            <TableCell align="right">{coinsOnly(line.netMinor - line.costMinor, currency)}</TableCell>
          </TableRow>
        ))}
      </TableBody>
      <TableFooter>
        {seats &&
          quote.machines.map((machine) => (
            <TableRow key={machine.id}>
              <TableCell>{machine.seat}</TableCell>
              <TableCell colSpan={margin.by === 'part' ? 4 : 3}>{machine.name}</TableCell>
              <TableCell align="right">{coinsOnly(machine.netMinor, currency)}</TableCell>
              <TableCell />
            </TableRow>
          ))}
        <TableRow>
          {seats && <TableCell />}
          <TableCell colSpan={2}>Before tax</TableCell>
          <TableCell align="right">{coinsOnly(inside.costMinor, currency)}</TableCell>
          {margin.by === 'part' && <TableCell />}
          <TableCell align="right">{coinsOnly(quote.netMinor, currency)}</TableCell>
          <TableCell align="right">{coinsOnly(inside.marginMinor, currency)}</TableCell>
        </TableRow>
        {quote.byRate.map(({ taxRate, taxMinor }) => (
          <TableRow key={taxRate}>
            {seats && <TableCell />}
            <TableCell colSpan={margin.by === 'part' ? 4 : 3}>
              {quote.taxName} at {number(taxRate * 100, 4)} %
            </TableCell>
            <TableCell align="right">{coinsOnly(taxMinor, currency)}</TableCell>
            <TableCell />
          </TableRow>
        ))}
        <TableRow>
          {seats && <TableCell />}
          <TableCell colSpan={margin.by === 'part' ? 4 : 3}>
            <b>The client pays</b>
          </TableCell>
          <TableCell align="right">
            <b>{coinsOnly(quote.netMinor + tax, currency)}</b>
          </TableCell>
          <TableCell />
        </TableRow>
      </TableFooter>
    </Table>
  );
}

interface PartShareProps {
  readonly name: string;
  readonly part: string;
  readonly margin: Extract<Margin, { by: 'part' }>;
  readonly onMargin: (margin: Margin) => void;
}

const PartShare = ({ name, part, margin, onMargin }: PartShareProps) => (
  <Num
    label={`Share above cost of ${name}`}
    value={Number(margin.parts[part] ?? margin.percent)}
    unit="%"
    max={999}
    onChange={(value) =>
      value !== undefined &&
      onMargin({ ...margin, parts: { ...margin.parts, [part]: String(Math.round(value * 1e4) / 1e4) } })
    }
  >
    {`${margin.parts[part] ?? margin.percent} %`}
  </Num>
);
