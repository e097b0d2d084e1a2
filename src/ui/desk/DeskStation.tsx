'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { bringSeat } from '@/server/actions';
import { assess, contextOf, type Assessment } from '@/core/assess';
import { compileCatalogue } from '@/core/model/catalogue';
import { basketFor } from '@/core/versus/basketFor';
import { coins } from '@/core/words/format';
import type { Settings } from '@/core/model/settings';
import { getsText } from '@/core/words/results';
import type { AsideRow, BackupRow, OwnedRow, PriceState, SeatBundle } from '@/server/contract';
import { Beam } from '../shared/Beam';
import { budgetBeam, taskBeam, worstTask } from '../shared/beams';
import { LevelCounts, LOUD } from '../shared/Level';
import { DeskBar } from '../shared/DeskBar';
import { STATIONS, stationPath } from '../seat/stations';
import { AddPresent } from './AddPresent';
import { AsidePanel } from './AsidePanel';
import { BackupsPanel } from './BackupsPanel';
import { Changed } from './Changed';
import { PricesPanel } from './PricesPanel';
import type { RemovedSeat } from './removed';
import { SeatActions } from './SeatActions';
import { OwnedPanel, type Place } from './OwnedPanel';
import { SettingsPanel, type RegionChoice } from './SettingsPanel';
import { StartPanel } from './StartPanel';

/** All projects with their seats: the worst task and the price of each draft, and ways to start. */
export function DeskStation({
  seats,
  owned,
  settings,
  regions,
  prices,
  aside,
  backups,
}: {
  seats: readonly SeatBundle[];
  owned: readonly OwnedRow[];
  settings: Settings;
  regions: readonly RegionChoice[];
  prices: PriceState;
  aside: readonly AsideRow[];
  backups: readonly BackupRow[];
}) {
  const places: Place[] = seats.flatMap((bundle) =>
    bundle.drafts.map((draft) => ({
      seatId: bundle.seat.id,
      draftId: draft.id,
      label: `${bundle.seat.name}, ${draft.body.name}`,
    })),
  );
  const rows = useMemo(
    () =>
      seats.map((bundle) => {
        const context = contextOf(compileCatalogue(bundle.data), bundle.today, bundle.settings, [
          ...bundle.drafts.map((draft) => draft.body),
          ...bundle.measuredElsewhere,
        ]);
        return {
          bundle,
          drafts: bundle.drafts.map((draft) => ({ draft, assessment: assess(draft.body, bundle.brief.body, context) })),
        };
      }),
    [seats],
  );
  const [gone, setGone] = useState<RemovedSeat>();
  const router = useRouter();
  const projects = [...new Map(seats.map((bundle) => [bundle.seat.projectId, bundle.seat.projectName]))];
  return (
    <div className="frame" style={{ gridTemplateRows: '40px minmax(0, 1fr)' }}>
      <DeskBar />
      <main className="station">
        <div className="columns" style={{ gridTemplateColumns: 'minmax(0, 1fr) minmax(300px, 360px)' }}>
          <section className="pane" aria-label="Projects">
            <AsidePanel rows={aside} />
            <Changed rows={rows} watches={prices.watches} />
            {gone && (
              <p className="bar" role="status" style={{ marginBottom: 10 }}>
                {gone.seat.name} is removed, with {gone.drafts.length} {gone.drafts.length === 1 ? 'draft' : 'drafts'}.
                <button
                  type="button"
                  className="link"
                  onClick={() =>
                    void bringSeat(gone).then(() => {
                      setGone(undefined);
                      router.refresh();
                    })
                  }
                >
                  Bring it back
                </button>
              </p>
            )}
            {rows.length === 0 && (
              <>
                <h1>No project yet</h1>
                <p className="quiet">Start from a brief, or open a case or catalogue file at the right.</p>
              </>
            )}
            {rows.length > 0 && (
              <p className="quiet small" style={{ marginBottom: 8 }}>
                Prices are those of each draft’s best basket, landed: tax and shipping in.
              </p>
            )}
            {projects.map(([id, name]) => (
              <section key={id} style={{ marginBottom: 20 }} aria-label={name}>
                <div className="spread" style={{ borderBottom: '1px solid var(--edge)', paddingBottom: 4 }}>
                  <h1>{name}</h1>
                  <a className="small" href={`/api/export/archive?project=${encodeURIComponent(id)}`} download>
                    Archive of the project
                  </a>
                </div>
                {rows
                  .filter((row) => row.bundle.seat.projectId === id)
                  .map((row) => (
                    <SeatRow key={row.bundle.seat.id} bundle={row.bundle} drafts={row.drafts} onGone={setGone} />
                  ))}
              </section>
            ))}
          </section>
          <section className="pane" aria-label="Start">
            <div className="stack" style={{ gap: 18 }}>
              <StartPanel projects={projects.map(([id, name]) => ({ id, name }))} />
              <OwnedPanel owned={owned} places={places} />
              <PricesPanel prices={prices} />
              <SettingsPanel settings={settings} regions={regions} />
              <BackupsPanel backups={backups} kept={settings.backupsKept} />
            </div>
          </section>
        </div>
      </main>
    </div>
  );
}

function SeatRow({
  bundle,
  drafts,
  onGone,
}: {
  onGone: (removed: RemovedSeat) => void;
  bundle: SeatBundle;
  drafts: readonly { draft: SeatBundle['drafts'][number]; assessment: Assessment }[];
}) {
  const { seat, brief } = bundle;
  return (
    <article style={{ padding: '10px 0', borderBottom: '1px solid var(--hair)' }} aria-label={seat.name}>
      <div className="spread">
        <h2 style={{ fontSize: 15 }}>
          <Link href={stationPath(seat.projectId, seat.id, 'brief')}>{seat.name}</Link>
        </h2>
        <span className="row small" style={{ gap: 12 }}>
          {STATIONS.map((station) => (
            <Link key={station.id} href={stationPath(seat.projectId, seat.id, station.id)}>
              {station.name}
            </Link>
          ))}
          <a href={`/api/case/${encodeURIComponent(seat.id)}`} download>
            Case file
          </a>
          <AddPresent seatId={seat.id} />
          <SeatActions seatId={seat.id} onGone={onGone} />
        </span>
      </div>
      <p className="quiet small">
        {brief.body.tasks.length} tasks in {brief.body.sittings.length} sittings
        {brief.body.budgetMinor === undefined
          ? ''
          : `, budget ${coins(brief.body.budgetMinor, drafts[0]?.assessment.facts.price.currency ?? 'USD')}`}
      </p>
      <div
        style={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(250px, 1fr))', gap: 10, marginTop: 6 }}
      >
        {drafts.map(({ draft, assessment }) => (
          <DraftChip
            key={draft.id}
            seatId={seat.id}
            draftId={draft.id}
            name={draft.body.name}
            assessment={assessment}
          />
        ))}
      </div>
    </article>
  );
}

/** A draft at a glance: price, findings, worst task. */
function DraftChip({
  seatId,
  draftId,
  name,
  assessment,
}: {
  seatId: string;
  draftId: string;
  name: string;
  assessment: Assessment;
}) {
  const worst = worstTask(assessment);
  const { price, machine } = assessment.facts;
  const basket = basketFor(assessment);
  const beam = worst && taskBeam(worst.task, worst.result);
  const budget = budgetBeam(assessment);
  const owned = machine.items.length > 0 && machine.items.every((item) => item.owned);
  return (
    <div style={{ border: '1px solid var(--hair)', background: 'var(--sheet)', borderRadius: 3, padding: '6px 10px' }}>
      <span className="spread">
        <b>{name}</b>
        <span className="num">
          {owned
            ? 'owned'
            : `${basket.lowerBound ? 'at least ' : ''}${coins(basket.total.landedMinor, price.currency)}`}
        </span>
      </span>
      <span className="small row wrap" style={{ gap: '0 10px' }}>
        <LevelCounts findings={assessment.findings} levels={LOUD} />
        {budget && !owned && <span className={budget.verdict}>{budget.need}</span>}
      </span>
      <a
        className="small"
        href={`/api/export/bom?seat=${encodeURIComponent(seatId)}&draft=${encodeURIComponent(draftId)}`}
        download
        aria-label={`Bill of materials of ${name}`}
      >
        Bill of materials
      </a>
      {beam && worst && (
        <span style={{ display: 'block', marginTop: 4 }}>
          <span className="small quiet">worst task: {worst.task.name}</span>
          <Beam
            axis={beam.axis}
            band={beam.band}
            verdict={beam.verdict}
            need={beam.need}
            gets={getsText(worst.result)}
            sentence={beam.sentence}
          />
        </span>
      )}
    </div>
  );
}
