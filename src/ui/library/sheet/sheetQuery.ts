import type { PartSheet } from '@/server/contract';
import { NotThere, readJson, sheetUrl } from '../../shared/asking';

/** Asks for the sheet of a part, as the library stands at `version`. */
export const sheetQuery = (id: string, version: number) => ({
  queryKey: [sheetUrl(id), version],
  queryFn: ({ signal }: { signal: AbortSignal }) => readJson<PartSheet>(sheetUrl(id), signal),
  // what was changed elsewhere shows when it is opened; a part that is gone is not asked for twice
  staleTime: 0,
  retry: (failures: number, problem: Error) => failures < 1 && !(problem instanceof NotThere),
});
