import { NO_LIMITS } from '@/core/search/exact/limits';
import type { Machine } from '@/core/model/machine';
import type {
  CoresReport,
  CostsReport,
  PartReport,
  RepairReport,
  Report,
  StabilityReport,
  StepsReport,
  TwoReport,
} from '@/workers/searchApi';
import { asking } from './asking';

/** The machines for a brief. */
export const finding = asking<Report>('find', (api, ask, tell) => api.find(ask, tell));

/** Why a part is in it, or not. */
export const casing = asking<PartReport>('partCase', (api, ask, tell) => api.partCase(ask, tell));

/** What each of its demands costs. */
export const costing = asking<CostsReport>('costs', (api, ask, tell) => api.costs(ask, tell));

/** What several parts at once would do from a draft on. */
const stepping = asking<StepsReport>('steps', (api, ask, tell) => api.steps(ask, tell));

/** How a draft is mended. */
const mending = asking<RepairReport>('repair', (api, ask, tell) => api.repair(ask, tell));

/** How sure the cheapest machine is the right one. */
export const assuring = asking<StabilityReport>('stability', (api, ask, tell) => api.stability(ask, tell));

/** One machine for all sittings beside two that share them. */
export const halving = asking<TwoReport>('two', (api, ask, tell) => api.two(ask, tell));

/** Processor, board and memory of each socket in the machine that is there. */
export const coring = asking<CoresReport>('cores', (api, ask, tell) => api.cores(ask, tell));

/** Whether machines were asked for and one is there: what is asked next is about it, or about a draft beside it. */
export const useSearched = (): boolean => finding.useLast()?.cheapest.state === 'proven';

/** What is asked of a draft by itself, whatever a search was limited to. */
const ofDraft = (from: Machine) => ({ at: 'likely' as const, limits: NO_LIMITS, from });

/** What several parts of a draft at once would do; begun ahead where that is said. */
export const useSteps = (draft: Machine, ahead: boolean) => stepping.useAsked(ofDraft(draft), 'steps', ahead);

/** How a draft is mended; begun ahead where that is said. */
export const useMending = (draft: Machine, ahead: boolean) => mending.useAsked(ofDraft(draft), 'mend', ahead);
