'use client';

import Link from 'next/link';
import { useMemo } from 'react';
import type { Assessment } from '@/core/assess';
import { standingOf } from '@/core/versus/standing';
import { isNews, type Watch } from '@/core/money/watch';
import { coins, coinsChange } from '@/core/words/format';
import { markSeen } from '@/server/actions';
import type { SeatBundle } from '@/server/contract';
import { stationPath } from '../seat/stations';
import { LEVEL_WORD, LOUD } from '../shared/Level';

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
export function Changed({ rows, watches }: { rows: readonly Row[]; watches: readonly Watch[] }) {
  const fired = watches.filter(isNews);
  const changes = useMemo(() => changesOf(rows), [rows]);
  const since = rows.flatMap(({ bundle }) => Object.values(bundle.seen))[0]?.on;
  const never = since === undefined;
  const mark = () =>
    void markSeen(
      rows.flatMap(({ bundle, drafts }) =>
        drafts.map(({ draft, assessment }) => ({
          seatId: bundle.seat.id,
          draftId: draft.id,
          ...standingOf(assessment),
        })),
      ),
    );
  if (rows.length === 0) return null;
  return (
    <section aria-label="What changed" style={{ marginBottom: 14 }}>
      <div className="spread">
        <h2>{never ? 'What changes from now on' : `Since ${since}`}</h2>
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

function changesOf(rows: readonly Row[]): Change[] {
  return rows.flatMap(({ bundle, drafts }) =>
    drafts.flatMap(({ draft, assessment }): Change[] => {
      const before = bundle.seen[draft.id];
      if (!before) return [];
      const { currency } = assessment.facts.price;
      const now = standingOf(assessment);
      const what = [
        ...(before.minor === now.minor
          ? []
          : [`${coinsChange(now.minor - before.minor, currency)} ${currency}, now ${coins(now.minor, currency)}`]),
        ...LOUD.flatMap((level) =>
          // what was not kept then has not changed as far as anybody knows
          before[level] === undefined || before[level] === now[level]
            ? []
            : [`${LEVEL_WORD[level]}: ${before[level]} then, ${now[level] ?? 0} now`],
        ),
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
