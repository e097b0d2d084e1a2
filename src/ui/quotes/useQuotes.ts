'use client';

import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import type { Workshop } from '@/core/quote/terms';
import type { QuoteDetail, QuoteRisk, QuoteView, Refused } from '@/server/contract';
import { answerOf, readJson, type Answer } from '../shared/asking';

const QUOTES = '/api/quotes';

/** The quotes of a seat; `reload` after anything was changed. */
export function useQuotes(seat: string): {
  answer: Answer<{ quotes: readonly QuoteView[]; workshop: Workshop }>;
  reload: () => Promise<void>;
} {
  const client = useQueryClient();
  const found = useQuery({
    queryKey: [QUOTES, seat],
    queryFn: ({ signal }) =>
      readJson<{ quotes: readonly QuoteView[]; workshop: Workshop }>(
        `${QUOTES}?seat=${encodeURIComponent(seat)}`,
        signal,
      ),
    // clients answer meanwhile
    staleTime: 0,
    refetchOnWindowFocus: true,
  });
  const reload = useCallback(() => client.invalidateQueries({ queryKey: [QUOTES] }), [client]);
  return { answer: answerOf(found), reload };
}

export const paperUrl = (id: string, revision: number, what: string): string =>
  `${QUOTES}/${encodeURIComponent(id)}/${revision}/${what}`;

/** A revision in full; what was shown before stays until the next is there. */
export function useQuoteDetail(
  id: string,
  revision: number,
  turn: string,
): Answer<QuoteDetail | Refused> & {
  readonly busy: boolean;
} {
  const found = useQuery({
    queryKey: [QUOTES, id, revision, 'detail', turn],
    queryFn: ({ signal }) => readJson<QuoteDetail | Refused>(paperUrl(id, revision, 'detail'), signal),
    placeholderData: (before, query) =>
      query?.queryKey[1] === id && query.queryKey[2] === revision ? before : undefined,
  });
  const { data, isPlaceholderData } = found;
  const answer = answerOf<QuoteDetail | Refused>({ ...found, data, isPlaceholderData: false });
  return { ...answer, busy: isPlaceholderData };
}

export function useQuoteRisk(id: string, revision: number, turn: string): Answer<QuoteRisk | Refused> {
  return answerOf(
    useQuery({
      queryKey: [QUOTES, id, revision, 'risk', turn],
      queryFn: ({ signal }) => readJson<QuoteRisk | Refused>(paperUrl(id, revision, 'risk'), signal),
    }),
  );
}
