import { useEffect, useState } from 'react';
import type { LibraryPage, LibraryRow } from '@/server/contract';

const PAUSE_MS = 120;

/** Parts of the library that a text finds, names and figures alike; undefined while the answer is on its way. */
export function useFoundParts(text: string, limit: number): readonly LibraryRow[] | undefined {
  const wanted = text.trim();
  const [answer, setAnswer] = useState<{ wanted: string; rows: readonly LibraryRow[] }>();
  useEffect(() => {
    if (wanted.length < 2) return;
    const control = new AbortController();
    const timer = setTimeout(() => {
      const q = JSON.stringify({ text: wanted, filters: {}, columns: [], offset: 0, limit });
      fetch(`/api/library?q=${encodeURIComponent(q)}`, { signal: control.signal })
        .then(async (response) => setAnswer({ wanted, rows: ((await response.json()) as LibraryPage).rows }))
        .catch(() => undefined); // an older question was dropped, or the app is away: nothing new is shown
    }, PAUSE_MS);
    return () => {
      clearTimeout(timer);
      control.abort();
    };
  }, [wanted, limit]);
  if (wanted.length < 2) return [];
  return answer?.wanted === wanted ? answer.rows : undefined;
}
