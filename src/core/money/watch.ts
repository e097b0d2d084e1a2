import { priceMinor } from '../units/bounds';
import { z } from 'zod';
import { idText, isoDate, partIdSchema } from '../parts/common';

/** Something whose landed price is waited for. */
export const watchSchema = z.strictObject({
  id: idText,
  what: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('part'), part: partIdSchema, region: idText }),
    z.strictObject({ kind: z.literal('draft'), seat: z.string().max(200), draft: z.string().max(200) }),
  ]),
  targetMinor: priceMinor('must be above 0'),
  since: isoDate,
  fired: z.strictObject({ on: isoDate, minor: priceMinor() }).optional(),
  /** Somebody has seen that it fired. */
  seen: z.boolean().optional(),
});
export type Watch = z.infer<typeof watchSchema>;

/** A watch that fired and that nobody has seen yet. */
export const isNews = (watch: Watch): boolean => watch.fired !== undefined && watch.seen !== true;

/** A watch after a look at the price: it fires once, at the first price that reaches its target. Unknown never fires. */
export const looked = (watch: Watch, minor: number | undefined, today: string): Watch =>
  watch.fired || minor === undefined || minor <= 0 || minor > watch.targetMinor
    ? watch
    : { ...watch, fired: { on: today, minor } };
