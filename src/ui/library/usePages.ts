import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { LibraryPage, LibraryRow } from '@/server/contract';
import type { Question } from './question';

/** Rows fetched at once. */
const PAGE = 120;
/** After the last key before asking: typing a word asks once. */
const PAUSE_MS = 120;

export interface Pages {
  /** Counts of the last answer; undefined before the first. */
  readonly head: LibraryPage | undefined;
  readonly rowAt: (index: number) => LibraryRow | undefined;
  readonly want: (from: number, to: number) => void;
  readonly waiting: boolean;
  readonly failed: string | undefined;
}

/** The grid's rows in windows: what is seen is fetched, an older question's answer is dropped. */
export function usePages(question: Question, version: number): Pages {
  const asked = useMemo(
    () => JSON.stringify([question.text, question.kind, question.filters, question.sort, question.columns, version]),
    [question.text, question.kind, question.filters, question.sort, question.columns, version],
  );
  const [state, setState] = useState<{
    asked: string;
    head: LibraryPage | undefined;
    pages: ReadonlyMap<number, readonly LibraryRow[]>;
  }>({ asked: '', head: undefined, pages: new Map() });
  const [failed, setFailed] = useState<string>();
  const fetching = useRef(new Set<string>());

  const load = useCallback(
    async (page: number) => {
      const key = `${asked} ${page}`;
      if (fetching.current.has(key)) return;
      fetching.current.add(key);
      const { text, kind, filters, sort, columns } = question;
      try {
        const q = JSON.stringify({
          text,
          filters,
          columns,
          offset: page * PAGE,
          limit: PAGE,
          ...(kind ? { kind } : {}),
          ...(sort ? { sort } : {}),
        });
        const response = await fetch(`/api/library?q=${encodeURIComponent(q)}`);
        if (!response.ok) throw new Error(String(response.status));
        const answer = (await response.json()) as LibraryPage;
        setFailed(undefined);
        setState((before) => {
          // an answer to a question that nobody asks any more
          if (before.asked !== asked && page !== 0) return before;
          const pages = new Map(before.asked === asked ? before.pages : []);
          pages.set(page, answer.rows);
          return { asked, head: answer, pages };
        });
      } catch {
        setFailed('The library cannot be reached; what is shown may be old.');
      } finally {
        fetching.current.delete(key);
      }
    },
    // `asked` names everything of the question that matters here
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [asked],
  );

  useEffect(() => {
    const timer = setTimeout(() => void load(0), PAUSE_MS);
    return () => clearTimeout(timer);
  }, [load]);

  const { pages } = state;
  const current = state.asked === asked;
  const want = useCallback(
    (from: number, to: number) => {
      if (!current) return;
      for (let page = Math.floor(from / PAGE); page <= Math.floor(to / PAGE); page++)
        if (!pages.has(page)) void load(page);
    },
    [current, pages, load],
  );
  return {
    head: state.head,
    rowAt: (index) => pages.get(Math.floor(index / PAGE))?.[index % PAGE],
    want,
    waiting: !current,
    failed,
  };
}
