'use client';

import Link from 'next/link';
import { useMemo } from 'react';
import type { Assessment } from '@/core/assess';
import { basketFor } from '@/core/money/basketFor';
import type { Watch } from '@/core/money/watch';
import { coins, coinsChange } from '@/core/words/format';
import { markSeen } from '@/server/actions';
import type { SeatBundle, Seen } from '@/server/contract';
import { stationPath } from '../seat/stations';
import { levelCounts } from '../shared/beams';

interface Row {
  readonly bundle: SeatBundle;
  readonly drafts: readonly { readonly draft: SeatBundle['drafts'][number]; readonly assessment: Assessment }[];
}

interface Change {
  readonly key: string;
  readonly where: string;
  readonly href: string;
  readonly what: string;
}

/** What changed since the desk was last marked as seen: prices, findings, and watches that fired. */
export function Changed({
  rows,
  seen,
  watches,
}: {
  rows: readonly Row[];
  seen: Readonly<Record<string, Seen>>;
  watches: readonly Watch[];
}) {
  const fired = watches.filter((watch) => watch.fired);
  const changes = useMemo(() => changesOf(rows, seen), [rows, seen]);
  const never = Object.keys(seen).length === 0;
  const since = Object.values(seen)[0]?.on;
  const mark = () =>
    void markSeen(
      rows.flatMap(({ bundle, drafts }) =>
        drafts.map(({ draft, assessment }) => {
          const { blocks, unproven, caution } = levelCounts(assessment.findings);
          return {
            seatId: bundle.seat.id,
            draftId: draft.id,
            minor: basketFor(assessment).total.landedMinor,
            blocks,
            unproven,
            caution,
          };
        }),
      ),
    );
  if (rows.length === 0) return null;
  return (
    <section aria-label="What changed" style={{ marginBottom: 14 }}>
      <div className="spread">
        <h2>{never ? 'What changes from now on' : `Since ${since ?? 'last time'}`}</h2>
        <button type="button" className="link small" onClick={mark}>
          {never ? 'Remember how all stand now' : 'Seen'}
        </button>
      </div>
      {fired.map((watch) => {
        const place = placeOf(watch, rows);
        return (
          <p key={watch.id} className="small">
            <span className="carries">▲ Reached:</span>{' '}
            {place.href ? <Link href={place.href}>{place.label}</Link> : place.label} cost{' '}
            {coins(watch.fired?.minor ?? 0, place.currency)} on {watch.fired?.on}, watched for{' '}
            {coins(watch.targetMinor, place.currency)}.
          </p>
        );
      })}
      {changes.map((change) => (
        <p key={change.key} className="small">
          <Link href={change.href}>{change.where}</Link> {change.what}
        </p>
      ))}
      {!never && fired.length + changes.length === 0 && (
        <p className="quiet small">Nothing changed: prices and findings stand as they did.</p>
      )}
      {never && fired.length === 0 && (
        <p className="quiet small">
          Prices, findings and watches that change are told here once you have marked how all stand.
        </p>
      )}
    </section>
  );
}

function changesOf(rows: readonly Row[], seen: Readonly<Record<string, Seen>>): Change[] {
  return rows.flatMap(({ bundle, drafts }) =>
    drafts.flatMap(({ draft, assessment }): Change[] => {
      const before = seen[`${bundle.seat.id} ${draft.id}`];
      if (!before) return [];
      const { blocks, unproven, caution } = levelCounts(assessment.findings);
      const { currency } = assessment.facts.price;
      const minor = basketFor(assessment).total.landedMinor;
      const what = [
        ...(before.minor !== undefined && before.minor !== minor
          ? [`${coinsChange(minor - before.minor, currency)} ${currency}, now ${coins(minor, currency)}`]
          : []),
        ...(
          [
            ['blocks', before.blocks, blocks],
            ['unproven', before.unproven, unproven],
            ['caution', before.caution, caution],
          ] as const
        ).flatMap(([level, was, is]) => (was === is ? [] : [`${level}: ${was} then, ${is} now`])),
      ];
      if (what.length === 0) return [];
      return [
        {
          key: `${bundle.seat.id} ${draft.id}`,
          where: `${bundle.seat.name}, ${draft.body.name}`,
          href: `${stationPath(bundle.seat.projectId, bundle.seat.id, 'buy')}?draft=${encodeURIComponent(draft.id)}`,
          what: what.join('; '),
        },
      ];
    }),
  );
}

function placeOf({ what }: Watch, rows: readonly Row[]) {
  const of = (row: Row | undefined) => row?.drafts[0]?.assessment.facts.price.currency ?? 'USD';
  if (what.kind === 'draft') {
    const row = rows.find(({ bundle }) => bundle.seat.id === what.seat);
    const draft = row?.drafts.find((entry) => entry.draft.id === what.draft);
    return {
      label: row && draft ? `${row.bundle.seat.name}, ${draft.draft.body.name}` : 'a draft that is gone',
      href:
        row &&
        `${stationPath(row.bundle.seat.projectId, row.bundle.seat.id, 'buy')}?draft=${encodeURIComponent(what.draft)}`,
      currency: of(row),
    };
  }
  const regions = rows.flatMap(({ bundle }) => bundle.data.regions);
  const part = rows.flatMap(({ bundle }) => bundle.data.parts).find((entry) => entry.id === what.part);
  return {
    label: part ? `${part.maker} ${part.name}` : what.part,
    href: `/library?part=${encodeURIComponent(what.part)}`,
    currency: regions.find((region) => region.id === what.region)?.currency ?? 'USD',
  };
}
