import { z } from 'zod';

const FORMER = 'later';
const formerMachine = z.looseObject({
  later: z.looseObject({}),
  items: z.array(z.looseObject({ phase: z.enum(['now', 'later']).optional() })),
});

/**
 * A value from a file of a former release as this one reads it: machines had one later phase, and items that were only in
 * one of the two. Everything else is as it was.
 */
export function asNow(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(asNow);
  if (typeof value !== 'object' || value === null) return value;
  const former = formerMachine.safeParse(value);
  if (!former.success) return Object.fromEntries(Object.entries(value).map(([key, entry]) => [key, asNow(entry)]));
  const { later, items, ...rest } = former.data;
  return {
    ...rest,
    phases: [{ id: FORMER, ...later }],
    items: items.map(({ phase, ...item }) => ({
      ...item,
      ...(phase === 'later' ? { from: FORMER } : phase === 'now' ? { until: FORMER } : {}),
    })),
  };
}
