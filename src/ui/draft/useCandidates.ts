'use client';

import { useMemo } from 'react';
import type { Brief } from '@/core/model/brief';
import type { Machine } from '@/core/model/machine';
import type { Position } from '@/core/search/candidates';
import type { CandidateLine } from '@/core/words/candidateLine';
import type { CandidateRow } from '@/workers/api';
import { useBrief, useDraft } from '../seat/moment';
import { useWorker } from '../seat/worker';
import { identity } from '../shared/identity';
import type { Answer } from '../shared/asking';
import { sheetsOf } from './trayList';

/** A position that candidates are looked at for. */
export interface Place {
  readonly key: string;
  readonly draft: Machine;
  readonly brief: Brief;
  readonly position: Position;
  /** The candidates that are explained together with each. */
  readonly sheets: ReadonlyMap<string, readonly string[]>;
}

const NONE: readonly CandidateLine[] = [];

/** Every candidate for a position by name and price, and the place that each is explained for. */
export function useCandidates(position: Position | undefined) {
  const draft = useDraft();
  const brief = useBrief();
  const key = position && `tray ${identity(draft)} ${identity(brief)} ${JSON.stringify(position)}`;
  const answer = useWorker(key, async (api) => (position ? api.candidates(draft, brief, position) : []));
  const rows = answer.state === 'ready' ? answer.value : NONE;
  const place = useMemo<Place | undefined>(
    () => (position && key !== undefined ? { key, draft, brief, position, sheets: sheetsOf(rows) } : undefined),
    [key, draft, brief, position, rows],
  );
  return { answer, rows, place };
}

/** What the candidates on the sheet of one do. */
export function useExplained(place: Place | undefined, part: string | undefined): Answer<readonly CandidateRow[]> {
  const sheet = part === undefined ? undefined : place?.sheets.get(part);
  return useWorker(sheet && place && `explained ${place.key} ${sheet[0] ?? ''}`, async (api) =>
    sheet && place ? api.explained(place.draft, place.brief, place.position, sheet) : [],
  );
}

/** What one candidate does, once it is known. */
export function useExplanation(place: Place, part: string | undefined): CandidateRow | undefined {
  const answer = useExplained(place, part);
  return answer.state === 'ready' ? answer.value.find((row) => row.part.id === part) : undefined;
}
