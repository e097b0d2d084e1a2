import type { CostsReport, PartReport, Report } from '@/workers/searchApi';
import { asking } from './asking';

/** The machines for a brief. */
export const finding = asking<Report>((api, ask, tell) => api.find(ask, tell));

/** Why a part is in it, or not. */
export const casing = asking<PartReport>((api, ask, tell) => api.partCase(ask, tell));

/** What each of its demands costs. */
export const costing = asking<CostsReport>((api, ask, tell) => api.costs(ask, tell));
