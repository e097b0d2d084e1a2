'use client';

import { useRouter } from 'next/navigation';
import { copySeat, dropSeat } from '@/server/actions';
import type { RemovedSeat } from './removed';

/** Copies a seat to vary it, or takes it away. */
export function SeatActions({ seatId, onGone }: { seatId: string; onGone: (removed: RemovedSeat) => void }) {
  const router = useRouter();
  return (
    <>
      <button type="button" className="link" onClick={() => void copySeat(seatId).then(() => router.refresh())}>
        Copy
      </button>
      <button
        type="button"
        className="link"
        onClick={() =>
          void dropSeat(seatId).then((removed) => {
            if (removed) onGone(removed);
            router.refresh();
          })
        }
      >
        Remove
      </button>
    </>
  );
}
