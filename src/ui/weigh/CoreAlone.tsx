'use client';

import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import type { Assessment } from '@/core/assess';
import { NO_LIMITS } from '@/core/search/exact/limits';
import { coinsChange, coinsOnly, number } from '@/core/words/format';
import { AskButton, NotAsked, Took, Working } from '../find/AskButton';
import { coring } from '../find/questions';
import { Fold } from '../shared/Fold';
import { Heads } from '../shared/Heads';
import { Future } from './Future';

/** Of what a core asks for beside so much is told. */
const MOST_ASKS = 3;

/** Processor, board and memory as one decision: the cheapest of each socket in the machine that is there. */
export function CoreAlone({ present: { assessment } }: { present: { readonly assessment: Assessment } }) {
  const { machine, price, brief } = assessment.facts;
  const { currency } = price;
  const asked = coring.useAsked({ at: 'likely', limits: NO_LIMITS, from: machine }, 'cores');
  const { report, failed, running } = asked;
  return (
    <Box component="section" aria-label="The core alone" className="stack" sx={{ gap: '6px', marginBottom: '8px' }}>
      <p className="quiet small">
        The cheapest processor, board and memory of each socket with which the present machine does no less than now;
        the rest of it stays, cooler and supply where they can.
      </p>
      <Box className="row">
        <AskButton label="Try each socket" asked={asked} />
      </Box>
      <NotAsked failed={failed} />
      {running && <Working label="Sockets tried" waits={report?.state === 'waiting'} />}
      {report && (
        <Table size="small" aria-label="Cores by socket">
          <Heads of={['Socket', `New, ${currency}`, 'Net', 'Work']} />
          <TableBody>
            {report.cores.map(
              ({ socket, current, bought, priceMinor, netMinor, times, asks, opens, machine: core, againstMinor }) => (
                <TableRow key={socket}>
                  <TableCell component="th" scope="row">
                    {socket}
                    {current ? ', as now' : ''}
                    <p className="quiet small">{bought ?? 'nothing is sound and does what is done now'}</p>
                    {againstMinor !== undefined && (
                      <p className="small">New, {coinsChange(againstMinor, currency)} against the socket there is.</p>
                    )}
                    {opens !== undefined && <p className="small">Takes {opens}.</p>}
                    {asks.slice(0, MOST_ASKS).map((line) => (
                      <p key={line} className="small">
                        Asks for: {line}
                      </p>
                    ))}
                    {core && (
                      <Fold summary={<span className="small">How far it goes later</span>}>
                        <Future machine={core} brief={brief} currency={currency} />
                      </Fold>
                    )}
                  </TableCell>
                  <TableCell className="num">
                    {priceMinor === undefined ? '–' : coinsOnly(priceMinor, currency)}
                  </TableCell>
                  <TableCell className="num">{netMinor === undefined ? '–' : coinsOnly(netMinor, currency)}</TableCell>
                  <TableCell className="num">{priceMinor === undefined ? '–' : `${number(times, 3)} ×`}</TableCell>
                </TableRow>
              ),
            )}
          </TableBody>
        </Table>
      )}
      <Took report={report} />
    </Box>
  );
}
