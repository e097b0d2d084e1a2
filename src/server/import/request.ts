import { z } from 'zod';
import { mappingSchema } from '@/core/formats/csv/mapping';
import { idText } from '@/core/parts/common';
import type { ListCount, StagedProblem } from '@/store/staging';

/** Larger files are refused before they are read. */
export const LARGEST_FILE_BYTES = 2_000_000_000;

/** What a table needs said about it before its rows mean anything. */
export const csvRequestSchema = z.strictObject({
  encoding: z.string().max(40),
  separator: z.string().length(1),
  mapping: mappingSchema,
  /** Region in whose currency a price column is, and as of when. */
  region: idText,
  today: z.string(),
  /** Cells mended here instead of in the file: row → heading → text. */
  fixes: z.record(z.string(), z.record(z.string(), z.string().max(2000))),
  /** Rows left out on purpose. */
  leaveOut: z.array(z.number().int()),
});
export type CsvRequest = z.infer<typeof csvRequestSchema>;

export const importRequestSchema = z.discriminatedUnion('format', [
  z.strictObject({ format: z.literal('catalogue'), path: z.string(), name: z.string().max(300) }),
  z.strictObject({ format: z.literal('archive'), path: z.string(), name: z.string().max(300) }),
  z.strictObject({ format: z.literal('csv'), path: z.string(), name: z.string().max(300), csv: csvRequestSchema }),
]);
export type ImportRequest = z.infer<typeof importRequestSchema>;

/** What a checked file would do. Nothing is written yet. */
export interface DryRun {
  readonly counts: readonly ListCount[];
  readonly problemCount: number;
  readonly problems: readonly StagedProblem[];
  /** Entries or rows read. */
  readonly read: number;
  /** Catalogue revision that the counts hold for. */
  readonly revision: number;
}

export interface Progress {
  readonly bytes: number;
  readonly of: number;
  readonly read: number;
}
