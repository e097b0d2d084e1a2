'use client';

import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { coins, coinsOnly } from '@/core/words/format';
import type { PartRoomWords, StabilityWords } from '@/core/words/stability';
import type { Ask } from '@/workers/searchApi';
import { useCurrency } from '../seat/useSeat';
import { Sign } from '../shared/Beam';
import { Hint } from '../shared/Hint';
import { AskButton, NotAsked, Took, Working } from './AskButton';
import { assuring } from './questions';

/** What would make another machine the cheapest: prices, figures that nobody states, and constants of the model. */
export function HowSure({ ask, topic }: { ask: Omit<Ask, 'brief'>; topic: string }) {
  const asked = assuring.useAsked(ask, `${topic} sure`, true);
  const { report, failed, running } = asked;
  const words = report?.words;
  return (
    <Box component="section" aria-label="How sure the choice is" sx={{ marginTop: '8px' }}>
      <Box className="spread">
        <h3>How sure the choice is</h3>
        <AskButton label="Look into it" asked={asked} />
      </Box>
      {!report && !running && !failed && (
        <p className="quiet small">
          How far prices may move, and which figure that nobody states or the model takes for granted would lead to
          another machine.
        </p>
      )}
      <NotAsked failed={failed} />
      {running && <Working label="Choices looked at" waits={report?.state === 'waiting'} />}
      {words && <Told words={words} whole={report.state === 'proven'} />}
      <Took report={report} />
    </Box>
  );
}

function Told({ words, whole }: { words: StabilityWords; whole: boolean }) {
  const currency = useCurrency();
  const { chosenMinor, line, parts, prices, missing, constants } = words;
  return (
    <>
      <p className="quiet small">Of the cheapest machine that does the work, {coins(chosenMinor, currency)}.</p>
      {prices && (
        <p className="small">
          <Sign verdict={prices.stable ? 'carries' : 'between'} /> {prices.says}
        </p>
      )}
      {prices?.then.map((swap) => (
        <p key={swap} className="quiet small">
          {swap}
        </p>
      ))}
      {prices && <p className="small">{line}</p>}
      {parts.length > 0 && <Parts parts={parts} />}
      {whole && missing.length === 0 && <p className="small">No figure that is missing keeps a cheaper machine out.</p>}
      {missing.map(({ says, turns }) => (
        <Because key={says} says={says} turns={turns} verdict="unproven" />
      ))}
      {whole && constants.length === 0 && (
        <p className="small">No constant of the model alone leads to another machine.</p>
      )}
      {constants.map(({ says, turns }) => (
        <Because key={says} says={says} turns={turns} verdict="between" />
      ))}
    </>
  );
}

function Parts({ parts }: { parts: readonly PartRoomWords[] }) {
  const currency = useCurrency();
  return (
    <Table size="small" aria-label="Parts of the choice" sx={{ margin: '4px 0 8px' }}>
      <TableHead>
        <TableRow>
          <TableCell>Part, {currency}</TableCell>
          <TableCell align="right">Costs</TableCell>
          <TableCell align="right">Without it</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {parts.map(({ name, minor, moreMinor, stable, then }) => (
          <TableRow key={name}>
            <TableCell>
              <Sign verdict={stable ? 'carries' : 'between'} />{' '}
              <Hint says={then.length === 0 ? 'Nothing does the work without it.' : then.join('; ')}>
                <span>{name}</span>
              </Hint>
              {!stable &&
                then.map((swap) => (
                  <p key={swap} className="quiet small">
                    {swap}
                  </p>
                ))}
            </TableCell>
            <TableCell align="right">{coinsOnly(minor, currency)}</TableCell>
            <TableCell align="right">
              {moreMinor === undefined ? 'no machine' : `+${coinsOnly(moreMinor, currency)}`}
            </TableCell>
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}

function Because({
  says,
  turns,
  verdict,
}: {
  says: string;
  turns: readonly string[];
  verdict: 'between' | 'unproven';
}) {
  return (
    <Box sx={{ margin: '4px 0' }}>
      <p className="small">
        <Sign verdict={verdict} /> {says}
        {turns.length > 0 ? ':' : '.'}
      </p>
      <ul>
        {turns.map((turn) => (
          <li key={turn} className="small">
            {turn}
          </li>
        ))}
      </ul>
    </Box>
  );
}
