import { keepPreviousData, useQueries, useQuery } from '@tanstack/react-query';
import { useCallback, useMemo, useState } from 'react';
import type { LibraryPage, LibraryRow } from '@/server/contract';
import { libraryUrl, readJson, usePaused } from '../shared/asking';
import type { Question } from './question';

/** Rows fetched at once. */
const PAGE = 120;

export interface Pages {
  /** Counts of the last answer; undefined before the first. */
  readonly head: LibraryPage | undefined;
  readonly rowAt: (index: number) => LibraryRow | undefined;
  readonly want: (from: number, to: number) => void;
  readonly waiting: boolean;
  readonly failed: string | undefined;
}

/** What of a question its rows hang on. */
const askedOf = ({ text, kind, filters, sort, columns }: Question, version: number): string =>
  JSON.stringify([text, kind, filters, sort, columns, version]);

/** The grid's rows in windows: what is seen is fetched; while a new question is answered the old rows stay. */
export function usePages(question: Question, version: number): Pages {
  const asked = askedOf(question, version);
  // the question as it stood when nobody was typing
  const paused = usePaused(useMemo(() => ({ asked, question }), [asked])); // oxlint-disable-line react-hooks/exhaustive-deps -- `asked` names all of it
  const query = (page: number) => {
    const { text, kind, filters, sort, columns } = paused.question;
    const url = libraryUrl({
      text,
      filters,
      columns,
      offset: page * PAGE,
      limit: PAGE,
      ...(kind ? { kind } : {}),
      ...(sort ? { sort } : {}),
    });
    return {
      queryKey: ['library', paused.asked, page],
      queryFn: ({ signal }: { signal: AbortSignal }) => readJson<LibraryPage>(url, signal),
      // others may have changed the library since
      staleTime: 0,
    };
  };
  const first = useQuery({ ...query(0), placeholderData: keepPreviousData });
  const [wanted, setWanted] = useState<{ asked: string; pages: readonly number[] }>({ asked: '', pages: [] });
  const further = wanted.asked === paused.asked ? wanted.pages : [];
  const more = useQueries({ queries: further.map(query) });
  const rowsOf = (page: number): readonly LibraryRow[] | undefined =>
    (page === 0 ? first : more[further.indexOf(page)])?.data?.rows;
  const current = paused.asked === asked && !first.isPlaceholderData && first.data !== undefined;
  const want = useCallback(
    (from: number, to: number) => {
      if (!current) return;
      setWanted((before) => {
        const known = before.asked === asked ? before.pages : [];
        const missing = Array.from(
          { length: Math.floor(to / PAGE) - Math.floor(from / PAGE) + 1 },
          (_, i) => Math.floor(from / PAGE) + i,
        ).filter((page) => page > 0 && !known.includes(page));
        return missing.length === 0 ? before : { asked, pages: [...known, ...missing] };
      });
    },
    [current, asked],
  );
  return {
    head: first.data,
    rowAt: (index) => rowsOf(Math.floor(index / PAGE))?.[index % PAGE],
    want,
    waiting: !current,
    failed: [first, ...more].some(({ isError }) => isError)
      ? 'The library cannot be reached; what is shown may be old.'
      : undefined,
  };
}
