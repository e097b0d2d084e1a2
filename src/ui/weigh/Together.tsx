'use client';

import Box from '@mui/material/Box';
import { useState } from 'react';
import { byWorth, MOST_TOGETHER } from '@/core/search/exact/stepWorth';
import { tookWords } from '@/core/words/effort';
import { coins } from '@/core/words/format';
import { fromHereWords, type NearWords } from '@/core/words/near';
import type { StepsReport } from '@/workers/searchApi';
import { AskButton, NotAsked, Working } from '../find/AskButton';
import { NearView } from '../find/NearView';
import { useSearched, useSteps } from '../find/questions';
import { useBrief, useDraft } from '../seat/moment';
import { useCurrency } from '../seat/useSeat';
import { ChoiceRow } from '../shared/ChoiceRow';
import { Fold } from '../shared/Fold';
import { StepsChart } from './StepsChart';

/** Steps that stand there before more are asked for. */
const SHOWN = 3;

/** What the next coin buys when several parts change together. */
export function Together() {
  const draft = useDraft();
  const asked = useSteps(draft, useSearched());
  const { report, failed, running } = asked;
  return (
    <Box className="stack" sx={{ gap: '6px' }}>
      <Box className="row">
        <AskButton label="Try them" asked={asked} />
      </Box>
      {!report && !running && !failed && (
        <p className="quiet small">
          Up to {MOST_TOGETHER} parts change together: the least money for more work, and the most that is saved.
          Proven.
        </p>
      )}
      <NotAsked failed={failed} />
      {running && (
        <Working
          label="Changes tried"
          waits={report?.state === 'waiting'}
          {...(report && report.within > 0 ? { share: report.within / MOST_TOGETHER } : {})}
        />
      )}
      {report && <Told report={report} />}
    </Box>
  );
}

function Told({ report }: { report: StepsReport }) {
  const brief = useBrief();
  const draft = useDraft();
  const currency = useCurrency();
  const [side, setSide] = useState<'up' | 'savings'>('up');
  const { start, up, savings, within, state, effort, seconds, done } = report;
  if (!start)
    return done ? (
      <p className="small short" role="status">
        ▼ {draft.name} has findings that block. Mend it first: there is nothing sound to start from.
      </p>
    ) : null;
  const steps: readonly NearWords[] = side === 'up' ? byWorth(up, start) : [...savings].reverse();
  return (
    <>
      {fromHereWords(report, report, brief, currency).map((line) => (
        <p key={line} className="small">
          {line}
        </p>
      ))}
      {up.length + savings.length > 0 && <StepsChart report={report} />}
      <ChoiceRow
        aria-label="Several parts: direction"
        value={side}
        options={[
          { id: 'up', label: 'More work' },
          { id: 'savings', label: 'Less money' },
        ]}
        onPick={setSide}
      />
      {steps.slice(0, SHOWN).map(shown)}
      {steps.length > SHOWN && (
        <Fold summary={<span className="small">{steps.length - SHOWN} more</span>}>
          {steps.slice(SHOWN).map(shown)}
        </Fold>
      )}
      {steps.length === 0 && done && (
        <p className="quiet small">
          {side === 'up'
            ? 'Nothing near does a twentieth more.'
            : 'Nothing near costs less and still meets what this one does.'}
        </p>
      )}
      <p className="quiet small" role={done ? 'status' : undefined}>
        {state === 'proven' ? 'Proven' : state === 'stopped' ? `Stopped after ${within} of ${MOST_TOGETHER}` : 'Trying'}
        , beside {coins(start.priceMinor, currency)}: {tookWords(effort, seconds)}. Targets that are met stay met.
      </p>
    </>
  );
}

const shown = (near: NearWords) => <NearView key={near.found.priceMinor} near={near} label={labelOf(near)} />;

/** What the ledger says of it. */
const labelOf = ({ changes }: NearWords): string =>
  changes.length === 1 ? (changes[0] ?? '') : `${changes.length} changes: ${changes[0] ?? ''}, …`;
