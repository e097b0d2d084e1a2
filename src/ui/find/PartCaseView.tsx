'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { lookedAtWords } from '@/core/words/effort';
import { coins, number } from '@/core/words/format';
import { caseWords, decidedWords } from '@/core/words/found';
import { keepWatch } from '@/server/actions';
import type { LibraryRow } from '@/server/contract';
import type { Ask, PartReport } from '@/workers/searchApi';
import { useBrief } from '../seat/moment';
import { useCurrency } from '../seat/useSeat';
import { Fold } from '../shared/Fold';
import { PartField } from '../shared/PartField';
import { NotAsked, Working } from './AskButton';
import { FoundSummary, type Look } from './FoundSummary';
import { casing } from './questions';

interface Props {
  readonly ask: Omit<Ask, 'brief'>;
  readonly topic: string;
  readonly look: Look;
  /** The part that is asked about. */
  readonly row: LibraryRow | null;
  readonly onRow: (row: LibraryRow | null) => void;
}

/** Why a part is in the cheapest machine or not, and the price that turns it. */
export function PartCaseView({ ask, topic, look, row, onRow }: Props) {
  const { report, failed, running, begin, stop } = casing.useAsked(
    { ...ask, ...(row ? { part: row.id } : {}) },
    `${topic} part`,
    row !== null,
  );
  return (
    <Box component="section" aria-label="Why this part and not that" sx={{ marginTop: '8px' }}>
      <h3>Why this part and not that</h3>
      <Box className="row" sx={{ gap: '10px', alignItems: 'center', margin: '8px 0 4px' }}>
        <Box className="grow">
          <PartField label="A part of the library" value={row} onPick={onRow} />
        </Box>
        {running ? (
          <Button onClick={stop}>Stop</Button>
        ) : (
          <Button variant="outlined" disabled={row === null} onClick={() => void begin()}>
            Weigh it
          </Button>
        )}
      </Box>
      {!report && !running && !failed && (
        <p className="quiet small">
          The best machine with it beside the best without, and the price at which it would belong.
        </p>
      )}
      <NotAsked failed={failed} />
      {running && <Working label="Weighing the part" waits={report?.state === 'waiting'} />}
      {report && row && <Told report={report} row={row} look={look} />}
    </Box>
  );
}

function Told({ report, row, look }: { report: PartReport; row: LibraryRow; look: Look }) {
  const currency = useCurrency();
  const brief = useBrief();
  const { region } = brief;
  const [watched, setWatched] = useState<string>();
  const { state, done, effort, seconds, landed, having, weighed } = report;
  if (!weighed)
    return (
      <p className="quiet small">
        {state === 'waiting' ? 'Waiting its turn' : done ? 'Stopped' : 'Weighing'}: {lookedAtWords(effort)}, in{' '}
        {number(seconds, 2)} s.
      </p>
    );
  const name = `${row.maker} ${row.name}`;
  const { even, now } = landed;
  const watch = async (targetMinor: number): Promise<void> => {
    const answer = await keepWatch({ what: { kind: 'part', part: row.id, region }, targetMinor });
    setWatched(
      answer.state === 'done'
        ? `${name} is watched for ${coins(targetMinor, currency)}.`
        : `It could not be watched: ${answer.problems.map(({ path, message }) => `${path} ${message}`).join('; ')}.`,
    );
  };
  return (
    <>
      <p className="small" role="status">
        {caseWords(report, name, currency)}{' '}
        {decidedWords(report, brief) ?? (!done ? 'Which demand decides it is being looked for …' : '')}
      </p>
      {even !== undefined && now !== undefined && now > even && (
        <Box className="row wrap" sx={{ gap: '10px', marginTop: '4px' }}>
          <Button size="small" onClick={() => void watch(even)}>
            Tell me when it is at {coins(even, currency)}
          </Button>
          {watched !== undefined && (
            <span className="small" role="status">
              {watched}
            </span>
          )}
        </Box>
      )}
      {having && (
        <Fold summary={<span className="small">The cheapest machine with it</span>}>
          <FoundSummary found={having} title={`With ${name}`} look={look} />
        </Fold>
      )}
    </>
  );
}
