import { z } from 'zod';
import { idText, plainText } from '../../parts/common';

export const pictureSide = z.number().int().min(16).max(32768);
export const fps = z.number().min(1).max(1000);
export const mbitPerS = z.number().min(0.01).max(200_000);

/** How a run is waited for (J55). Only attended waiting costs time. */
export const WAITING = ['attended', 'background', 'unattended'] as const;
export type Waiting = (typeof WAITING)[number];

/** What every task has, whatever its trade. */
export const taskBase = {
  id: idText,
  name: plainText(80),
  importance: z.number().int().min(1).max(5),
  runsPerWeek: z.number().min(0).max(1e6).optional(),
  /** Keeps a reserve so that the machine stays usable while elastic work runs. */
  foreground: z.boolean().optional(),
  application: idText.optional(),
  /** Whether somebody waits for it, works on beside it, or leaves it to itself; as is usual in its trade when not stated. */
  waiting: z.enum(WAITING).optional(),
  /** Runs whose files stay on the active drive; as is usual in its trade when not stated. */
  keptRuns: z.number().min(0).max(100_000).optional(),
};
