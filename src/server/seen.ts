import { z } from 'zod';
import { readSeen, writeSeen } from '@/store/priceStore';
import { todayOf, type Service } from './service';

/** How a draft stood when somebody last looked at the desk. */
export const seenSchema = z.object({
  on: z.string(),
  minor: z.number().int().nonnegative().optional(),
  blocks: z.number().int().nonnegative(),
  unproven: z.number().int().nonnegative(),
  caution: z.number().int().nonnegative(),
});
export type Seen = z.infer<typeof seenSchema>;

const marksSchema = z
  .array(seenSchema.omit({ on: true }).extend({ seatId: z.string().max(200), draftId: z.string().max(200) }))
  .max(2000);

/** Keeps how drafts stand now, so that the desk can say what changed since. */
export async function markDrafts(service: Service, input: unknown): Promise<void> {
  const marks = marksSchema.parse(input);
  const on = await todayOf(service);
  await writeSeen(
    service.db,
    marks.map(({ seatId, draftId, ...mark }) => ({ seat: seatId, draft: draftId, spec: { on, ...mark } })),
  );
}

/** What was seen last, by seat and draft. */
export async function seenDrafts(service: Service): Promise<Record<string, Seen>> {
  const rows = await readSeen(service.db);
  return Object.fromEntries(rows.map((row) => [`${row.seat} ${row.draft}`, seenSchema.parse(row.spec)]));
}
