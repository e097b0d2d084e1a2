import { z } from 'zod';
import { standingSchema } from '@/core/versus/standing';
import { isNews } from '@/core/money/watch';
import { readWatches, writeSeen, writeWatches } from '@/store/priceStore';
import { todayOf, type Service } from './service';

const marksSchema = z
  .array(standingSchema.extend({ seatId: z.string().max(200), draftId: z.string().max(200) }))
  .max(2000);

/** Keeps how drafts stand now, so that the desk can say what changed since; watches that fired are no news any more. */
export async function markDrafts(service: Service, input: unknown): Promise<void> {
  const marks = marksSchema.parse(input);
  const on = await todayOf(service);
  const news = (await readWatches(service.db)).filter(isNews);
  await writeWatches(
    service.db,
    news.map((watch) => ({ ...watch, seen: true })),
  );
  await writeSeen(
    service.db,
    marks.map(({ seatId, draftId, ...standing }) => ({ seat: seatId, draft: draftId, seen: { on, ...standing } })),
  );
}
