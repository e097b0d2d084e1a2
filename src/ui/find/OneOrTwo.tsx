'use client';

import Box from '@mui/material/Box';
import { coins } from '@/core/words/format';
import { sideWords, twoMachinesWords } from '@/core/words/twoMachines';
import type { Ask } from '@/workers/searchApi';
import { useBrief } from '../seat/moment';
import { useCurrency } from '../seat/useSeat';
import { Fold } from '../shared/Fold';
import { AskButton, NotAsked, Took, Working } from './AskButton';
import { FoundSummary, type Look } from './FoundSummary';
import { halving } from './questions';

/** Whether two machines that share the sittings cost less than one for all. */
export function OneOrTwo({ ask, topic, look }: { ask: Omit<Ask, 'brief'>; topic: string; look: Look }) {
  const asked = halving.useAsked(ask, `${topic} two`, true);
  const { report, failed, running } = asked;
  const brief = useBrief();
  const currency = useCurrency();
  return (
    <Box component="section" aria-label="One machine or two" sx={{ marginTop: '8px' }}>
      <Box className="spread">
        <h3>One machine or two</h3>
        <AskButton label="Share the sittings" asked={asked} />
      </Box>
      {!report && !running && !failed && (
        <p className="quiet small">Every way of sharing the sittings between two machines, beside one for all.</p>
      )}
      <NotAsked failed={failed} />
      {running && <Working label="Ways of sharing looked at" waits={report?.state === 'waiting'} />}
      {report && <p className="small">{twoMachinesWords(report, brief, currency)}</p>}
      {report?.two?.map((side) => (
        <Fold
          key={side.sittings.join()}
          summary={
            <span className="small">
              {sideWords(side, brief)}: {coins(side.found.priceMinor, currency)}
            </span>
          }
        >
          <FoundSummary found={side.found} title={sideWords(side, brief)} look={look} />
        </Fold>
      ))}
      <Took report={report} />
    </Box>
  );
}
