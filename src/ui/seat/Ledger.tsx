'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { basketFor } from '@/core/versus/basketFor';
import { coins, coinsChange, watts } from '@/core/words/format';
import { getsText } from '@/core/words/results';
import { Beam, Sign } from '../shared/Beam';
import { budgetBeam, worstTask } from '@/core/words/beams';
import { LevelCounts, levelSummary, LOUD } from '../shared/Level';
import { PowerWhy, PriceWhy } from './LedgerWhy';
import { stationPath } from './stations';
import { useAssessment, useSeat, useWholeDraft } from './store';

/** The seat at a glance, on every station: price, findings, draw, worst task, saved state. */
export function Ledger() {
  const assessment = useAssessment();
  const seat = useSeat((state) => state.bundle.seat);
  const show = useSeat((state) => state.show);
  const saving = useSeat((state) => state.saving.state);
  const waiting = useSeat((state) => state.waiting !== undefined);
  const told = useSeat((state) => state.told);
  const previewing = useSeat((state) => state.preview !== undefined);
  const revision = useSeat((state) => state.bundle.drafts.find((draft) => draft.id === state.draftId)?.revision);
  const before = useSeat((state) => state.bundle.seen[state.draftId]);
  const news = useSeat((state) => state.bundle.news.length);
  const router = useRouter();
  const [why, setWhy] = useState<'price' | 'power'>();
  const { price, power } = assessment.facts;
  const basket = basketFor(assessment);
  const whole = useWholeDraft();
  const adds = useSeat((state) => state.phase) === 'later' && whole.later !== undefined;
  // the budget is for what is bought first
  const budget = adds ? undefined : budgetBeam(assessment);
  const worst = worstTask(assessment);
  const openFindings = () => {
    show('findings');
    router.push(stationPath(seat.projectId, seat.id, 'draft'));
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
      <span className="row" style={{ gap: 10 }}>
        <button
          type="button"
          onClick={() => setWhy('price')}
          title="Landed price of the best basket: tax and shipping in. Show why."
          aria-haspopup="dialog"
        >
          <b>
            {adds ? `${whole.later?.name ?? 'Later'} adds ` : ''}
            {basket.lowerBound ? 'at least ' : ''}
            {coins(basket.total.landedMinor, price.currency)} landed
          </b>
        </button>
        {!adds && !previewing && before && before.minor !== basket.total.landedMinor && (
          <span className="quiet roomy since" title={`When the desk was last marked as seen, ${before.on}`}>
            {coinsChange(basket.total.landedMinor - before.minor, price.currency)} since {before.on}
          </span>
        )}
        {news > 0 && (
          <Link href={stationPath(seat.projectId, seat.id, 'buy')} className="carries">
            ▲ {news} {news === 1 ? 'watch' : 'watches'} reached
          </Link>
        )}
        {budget && (
          <>
            <span style={{ width: 84 }}>
              <Beam axis={budget.axis} band={budget.band} verdict={budget.verdict} sentence={budget.sentence} compact />
            </span>
            <span className="quiet roomy">{budget.need}</span>
          </>
        )}
      </span>
      <button
        type="button"
        className="row"
        style={{ gap: 12 }}
        onClick={openFindings}
        aria-label={`Findings: ${levelSummary(assessment.findings)}. Open the list.`}
      >
        <LevelCounts findings={assessment.findings} levels={[...LOUD, 'note']} />
        <span className="quiet roomy">{assessment.checks.length - assessment.findings.length} passed</span>
      </button>
      <button type="button" onClick={() => setWhy('power')} title="Show what draws it." aria-haspopup="dialog">
        {power.sustainedOpen ? 'at least ' : ''}
        {watts(power.sustainedW)} sustained · {watts(power.peakW)} peak
      </button>
      {worst && (
        <span className="ledgerWorst">
          <Sign verdict={worst.result.verdict} />
          <span className="quiet">worst:</span>
          <span className="cut" title={worst.task.name}>
            {worst.task.name},
          </span>
          <span className={worst.result.verdict}>
            {worst.result.verdict === 'unproven' ? 'unproven' : getsText(worst.result)}
          </span>
        </span>
      )}
      <span className="quiet" style={{ marginLeft: 'auto' }} role="status" aria-live="polite">
        {told ? `${told} · ` : ''}
        {status}
      </span>
      {why === 'price' && <PriceWhy assessment={assessment} onClose={() => setWhy(undefined)} />}
      {why === 'power' && <PowerWhy assessment={assessment} onClose={() => setWhy(undefined)} />}
    </footer>
  );
}
