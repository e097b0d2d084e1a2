'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { TextButton } from '../shared/TextButton';
import { useState } from 'react';
import type { SourceReport } from '@/server/contract';
import { useSeat } from '../seat/useSeat';
import type { usePriceState } from './usePrices';

const SIGN: Readonly<Record<SourceReport['state'], string>> = { waiting: '·', asking: '…', done: '▲', failed: '▼' };

/** Asks all sellers again, says how it goes, and seller by seller how it went. */
export function RefreshBar({ prices }: { prices: ReturnType<typeof usePriceState> }) {
  const [open, setOpen] = useState(false);
  const oldest = useSeat((state) =>
    state.bundle.data.offers.reduce((day, offer) => (offer.asOf < day ? offer.asOf : day), '9999'),
  );
  const newest = useSeat((state) =>
    state.bundle.data.offers.reduce((day, offer) => (offer.asOf > day ? offer.asOf : day), ''),
  );
  const { state } = prices;
  const report = state?.running ?? state?.last;
  const ended = report?.sources.filter((source) => source.state === 'done' || source.state === 'failed').length ?? 0;
  const failed = report?.sources.filter((source) => source.state === 'failed') ?? [];
  const simulated = state?.sources.some((source) => source.simulated) ?? false;
  return (
    <Box className="row wrap" sx={{ marginLeft: 'auto', position: 'relative', gap: '10px' }}>
      <span className="small quiet" role="status" aria-label="Prices">
        {state?.running
          ? `asking sellers: ${ended} of ${report?.sources.length ?? 0} answered`
          : newest === ''
            ? 'no prices yet'
            : `prices of ${oldest === newest ? newest : `${oldest} to ${newest}`}${simulated ? ', simulated' : ''}`}
        {prices.busy && !state?.running && (
          <span className="caution"> · another refresh runs: open the page again when it is done</span>
        )}
        {!state?.running && failed.length > 0 && (
          <span className="caution">
            {' '}
            · {failed.length} {failed.length === 1 ? 'source' : 'sources'} did not answer: last good prices stay
          </span>
        )}
      </span>
      {report && (
        <TextButton aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? 'Close' : 'Seller by seller'}
        </TextButton>
      )}
      <Button
        variant="outlined"
        disabled={state === undefined || state.running !== undefined}
        onClick={() => void prices.refresh()}
      >
        Refresh prices
      </Button>
      {open && report && (
        <Box
          className="overlay"
          sx={{ width: 460, maxHeight: 420, overflow: 'auto' }}
          role="dialog"
          aria-label="Seller by seller"
        >
          <p className="quiet small">
            Asked {report.by}, for prices of {report.day}.
            {simulated ? ' The feed is simulated: its prices are made up.' : ''}
          </p>
          {report.message && <p className="small">{report.message}</p>}
          <ul className="small">
            {report.sources.map((source) => (
              <Box component="li" key={source.id} sx={{ padding: '3px 0', borderBottom: '1px solid var(--hair)' }}>
                <span
                  className={source.state === 'failed' ? 'short' : source.state === 'done' ? 'carries' : 'quiet'}
                  aria-hidden="true"
                >
                  {SIGN[source.state]}
                </span>{' '}
                <b>{source.name}</b>{' '}
                {source.state === 'done'
                  ? `${source.read} read, ${source.moved} moved${source.attempts > 1 ? `, at attempt ${source.attempts}` : ''}`
                  : source.state === 'failed'
                    ? `did not answer: ${source.message ?? ''}${source.attempts > 1 ? `, ${source.attempts} times` : ''}. Its last good prices stay.`
                    : source.state === 'asking'
                      ? `is asked${source.attempts > 1 ? ` again, because ${source.message ?? ''}` : ''}`
                      : 'waits'}
                {source.unmatched > 0 && (
                  <div className="quiet">{source.unmatched} products are not in the library.</div>
                )}
                {source.problems.slice(0, 6).map((problem, i) => (
                  <div key={i} className="caution">
                    ◆ {problem.place} {problem.message}
                  </div>
                ))}
                {source.problemCount > 6 && <div className="quiet">and {source.problemCount - 6} more.</div>}
              </Box>
            ))}
          </ul>
        </Box>
      )}
    </Box>
  );
}
