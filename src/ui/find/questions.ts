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
export const finding = asking<Report>((api, ask, tell) => api.find(ask, tell));

/** Why a part is in it, or not. */
export const casing = asking<PartReport>((api, ask, tell) => api.partCase(ask, tell));

/** What each of its demands costs. */
export const costing = asking<CostsReport>((api, ask, tell) => api.costs(ask, tell));

/** What several parts at once would do from a draft on. */
export const stepping = asking<StepsReport>((api, ask, tell) => api.steps(ask, tell));

/** How a draft is mended. */
export const mending = asking<RepairReport>((api, ask, tell) => api.repair(ask, tell));

/** How sure the cheapest machine is the right one. */
export const assuring = asking<StabilityReport>((api, ask, tell) => api.stability(ask, tell));

/** One machine for all sittings beside two that share them. */
export const halving = asking<TwoReport>((api, ask, tell) => api.two(ask, tell));

/** Processor, board and memory of each socket in the machine that is there. */
export const coring = asking<CoresReport>((api, ask, tell) => api.cores(ask, tell));
