import { z } from 'zod';
import type { Assessment } from '../assess';
import { isoDate } from '../parts/common';
import { countByLevel } from '../rules/rule';
import { basketFor } from './basketFor';

const count = z.number().int().nonnegative();

/** How a draft stands at a glance: what its basket comes to, and its findings by level. */
export const standingSchema = z.object({
  minor: count,
  blocks: count,
  /** Tasks that do not run and that fall short; what was kept before the work was judged says nothing of them. */
  stops: count.optional(),
  short: count.optional(),
  unproven: count,
  caution: count,
});
export type Standing = z.infer<typeof standingSchema>;

/** How a draft stood on the day somebody marked it as seen. */
export const seenSchema = standingSchema.extend({ on: isoDate });
export type Seen = z.infer<typeof seenSchema>;

export function standingOf(assessment: Assessment): Standing {
  const { blocks, stops, short, unproven, caution } = countByLevel(assessment.findings);
  return { minor: basketFor(assessment).total.landedMinor, blocks, stops, short, unproven, caution };
}
