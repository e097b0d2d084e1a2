'use client';

import { Press } from '../shared/Press';
import Box from '@mui/material/Box';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { basketFor } from '@/core/versus/basketFor';
import { coins, coinsChange, watts } from '@/core/words/format';
import { bareBeam, Beam } from '../shared/Beam';
import { partsTold, workTold } from '@/core/words/glance';
import { Told } from '../shared/Told';
import { budgetBeam } from '@/core/words/beams';
import { levelSummary } from '../shared/Level';
import { seatAddress } from '@/core/model/addresses';
import { phaseOf } from '@/core/model/phases';
import { useAssessment, useWholeDraft } from './moment';
import { useSeat } from './useSeat';
import { Hint } from '../shared/Hint';
import { later } from '../shared/later';
import { PageLink } from '../shared/PageLink';

// what is opened now and then is fetched then
const PowerWhy = later(() => import('./LedgerWhy').then((module) => module.PowerWhy), { soon: true });
const PriceWhy = later(() => import('./LedgerWhy').then((module) => module.PriceWhy), { soon: true });

/** The seat at a glance, on every station: price and what is left, verdicts of work and parts, draw, saved state. */
export function Ledger() {
  const assessment = useAssessment();
  const seat = useSeat((state) => state.bundle.seat);
  const show = useSeat((state) => state.show);
  const saving = useSeat((state) => state.saving.state);
  const waiting = useSeat((state) => state.waiting !== undefined);
  const previewing = useSeat((state) => state.preview !== undefined);
  const revision = useSeat((state) => state.bundle.drafts.find((draft) => draft.id === state.draftId)?.revision);
  const before = useSeat((state) => state.bundle.seen[state.draftId]);
  const news = useSeat((state) => state.bundle.news.length);
  const router = useRouter();
  const [why, setWhy] = useState<'price' | 'power'>();
  const { price, power } = assessment.facts;
  const basket = basketFor(assessment);
  const whole = useWholeDraft();
  const adds = phaseOf(
    whole,
    useSeat((state) => state.phase),
  );
  // the budget is for what is bought first
  const budget = adds ? undefined : budgetBeam(assessment);
  const work = workTold(assessment);
  const openFindings = () => {
    show('findings');
    router.push(seatAddress(seat.projectId, seat.id, 'draft'));
  };
  const status =
    saving === 'saving'
      ? 'saving …'
      : saving === 'failed'
        ? 'not saved yet'
        : waiting
          ? 'waiting for you'
          : previewing
            ? 'preview, not taken'
            : `saved, revision ${revision ?? 0}`;
  return (
    <footer className="ledger" aria-label="Ledger">
      <Box component="span" className="row" sx={{ gap: '10px' }}>
        <Hint says="Landed price of the best basket: tax and shipping in. Show why.">
          <Press
            onClick={() => setWhy('price')}

            aria-haspopup="dialog"
          >
            <b>
              {assessment.facts.machine.items.length === 0 ? (
                'nothing chosen yet'
              ) : (
                <>
                  {adds ? `${adds.name} adds ` : ''}
                  {basket.lowerBound ? 'at least ' : ''}
                  {coins(basket.total.landedMinor, price.currency)} landed
                </>
              )}
            </b>
          </Press>
        </Hint>
        {!adds && !previewing && before && before.minor !== basket.total.landedMinor && (
          <Hint says={`When the desk was last marked as seen, ${before.on}`}>
            <span className="quiet roomy since">
              {coinsChange(basket.total.landedMinor - before.minor, price.currency)} since {before.on}
            </span>
          </Hint>
        )}
        {news > 0 && (
          <PageLink href={seatAddress(seat.projectId, seat.id, 'buy')} className="carries">
            ▲ {news} {news === 1 ? 'watch' : 'watches'} reached
          </PageLink>
        )}
        {budget && (
          <>
            <Box component="span" sx={{ width: 84 }}>
              <Beam {...bareBeam(budget)} />
            </Box>
            <span className="quiet roomy">{budget.need}</span>
          </>
        )}
      </Box>
      <Press
        className="row"
        sx={{ gap: 3 }}
        onClick={openFindings}
        aria-label={`Findings: ${levelSummary(assessment.findings)}. Open the list.`}
      >
        {work && <Told told={work} />}
        <Told told={partsTold(assessment)} />
      </Press>
      <Hint says="Show what draws it.">
        <Press onClick={() => setWhy('power')} aria-haspopup="dialog">
          {power.sustainedOpen ? 'at least ' : ''}
          {watts(power.sustainedW)} sustained<span className="roomy">{`\u00a0· ${watts(power.peakW)} peak`}</span>
        </Press>
      </Hint>
      <Box component="span" className="quiet" sx={{ marginLeft: 'auto' }} role="status" aria-live="polite">
        {status}
      </Box>
      {why === 'price' && <PriceWhy assessment={assessment} onClose={() => setWhy(undefined)} />}
      {why === 'power' && <PowerWhy assessment={assessment} onClose={() => setWhy(undefined)} />}
    </footer>
  );
}
