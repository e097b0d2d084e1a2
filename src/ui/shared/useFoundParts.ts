import { useQuery } from '@tanstack/react-query';
import type { LibraryPage, LibraryRow } from '@/server/contract';
import { libraryUrl, readJson, usePaused } from './asking';

const LEAST_LETTERS = 2;

/** Parts of the library that a text finds, names and figures alike; undefined while the answer is on its way. */
export function useFoundParts(text: string, limit: number): readonly LibraryRow[] | undefined {
  const wanted = text.trim();
  const paused = usePaused(wanted);
  const asked = wanted.length >= LEAST_LETTERS;
  const { data } = useQuery({
    queryKey: ['found parts', paused, limit],
    queryFn: async ({ signal }) =>
      (await readJson<LibraryPage>(libraryUrl({ text: paused, filters: {}, columns: [], offset: 0, limit }), signal))
        .rows,
    enabled: asked && paused === wanted,
    // the library may have changed since somebody looked for the same
    staleTime: 0,
  });
  if (!asked) return [];
  return paused === wanted ? data : undefined;
}
