import type { dropSeat } from '@/server/actions';

/** A seat that was taken away, to be brought back. */
export type RemovedSeat = NonNullable<Awaited<ReturnType<typeof dropSeat>>>;
