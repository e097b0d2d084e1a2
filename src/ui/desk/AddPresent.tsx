'use client';

import { useRouter } from 'next/navigation';
import { addPresentMachine } from '@/server/actions';

/** An empty draft for the machine that is there: what is put into it counts as owned. */
export function AddPresent({ seatId }: { seatId: string }) {
  const router = useRouter();
  return (
    <button
      type="button"
      className="link"
      title="An empty draft whose parts count as owned; or open an inventory file at the right"
      onClick={() => void addPresentMachine(seatId).then((path) => path && router.push(path))}
    >
      Add present machine
    </button>
  );
}
