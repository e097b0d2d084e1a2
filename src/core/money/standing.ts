import { z } from 'zod';
import type { Assessment } from '../assess';
import { isoDate } from '../parts/common';
import type { Level } from '../rules/rule';
import { basketFor } from './basketFor';

const count = z.number().int().nonnegative();

/** How a draft stands at a glance: what its basket comes to, and its findings by level. */
export const standingSchema = z.object({ minor: count, blocks: count, unproven: count, caution: count });
export type Standing = z.infer<typeof standingSchema>;

/** How a draft stood on the day somebody marked it as seen. */
export const seenSchema = standingSchema.extend({ on: isoDate });
export type Seen = z.infer<typeof seenSchema>;

export function standingOf(assessment: Assessment): Standing {
  const of = (level: Level) => assessment.findings.filter((finding) => finding.level === level).length;
  return {
    minor: basketFor(assessment).total.landedMinor,
    blocks: of('blocks'),
    unproven: of('unproven'),
    caution: of('caution'),
  };
}
