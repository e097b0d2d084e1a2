'use client';

import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { useState } from 'react';
import type { Shelf } from '@/core/search/spares';
import type { Currency } from '@/core/units/money';
import { coinsOnly, listed } from '@/core/words/format';
import { shelfWords, sparesWords } from '@/core/words/team';
import { sparesOf, type SeatMachine } from '../find/searchWorker';
import { Heads } from '../shared/Heads';
import { TextButton } from '../shared/TextButton';

/** Which few parts on one shelf stand in for all desks; worked out when somebody asks. */
export function SharedSpares({
  machines,
  seatOf,
  currency,
}: {
  machines: readonly SeatMachine[];
  seatOf: (machine: number) => string;
  currency: Currency;
}) {
  const [shelves, setShelves] = useState<readonly Shelf[] | 'waiting' | 'ended' | 'failed'>();
  const ask = (): void => {
    setShelves('waiting');
    sparesOf(machines).then(
      (found) => setShelves(found ?? 'ended'),
      () => setShelves('failed'),
    );
  };
  if (shelves === undefined || shelves === 'ended')
    return (
      <p className="small">
        <TextButton onClick={ask}>Which spares would do for all desks?</TextButton>
      </p>
    );
  if (shelves === 'waiting') return <p className="quiet small">Trying each part in each machine …</p>;
  if (shelves === 'failed') return <p className="short small">The spares could not be worked out.</p>;
  return (
    <Box component="section" aria-label="Spares for all desks" sx={{ my: 1 }}>
      <p className="small">{sparesWords(shelves, currency)}</p>
      <Table size="small" aria-label="Spares on one shelf">
        <Heads of={['Spare', 'Stands in at', `Price, ${currency}`]} words={['Stands in at']} />
        <TableBody>
          {shelves.flatMap((shelf) => {
            const { kind, spares, lacks } = shelfWords(shelf, seatOf);
            return [
              ...spares.map(({ name, seats, priceMinor }) => (
                <TableRow key={`${kind} ${name}`}>
                  <TableCell component="th" scope="row">
                    {name} <span className="quiet small">{kind}</span>
                  </TableCell>
                  <TableCell className="small">
                    {seats.length === machines.length ? `all ${seats.length}` : listed(seats)}
                  </TableCell>
                  <TableCell className="num">{coinsOnly(priceMinor, currency)}</TableCell>
                </TableRow>
              )),
              ...(lacks === undefined
                ? []
                : [
                    <TableRow key={`${kind} lacks`}>
                      <TableCell component="th" scope="row" className="unproven small">
                        ○ {kind}
                      </TableCell>
                      <TableCell className="small" colSpan={2}>
                        {lacks}
                      </TableCell>
                    </TableRow>,
                  ]),
            ];
          })}
        </TableBody>
      </Table>
      <p className="quiet small">Of the parts that stand in these machines; every one was tried in every place.</p>
    </Box>
  );
}
