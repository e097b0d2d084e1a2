import { notFound } from 'next/navigation';
import type { ReactNode } from 'react';
import { service } from '@/server/instance';
import { seatBundle } from '@/server/seatBundle';
import { decoded } from '../../answered';
import { orTrouble } from '../../orTrouble';
import { SeatFrame } from '@/ui/seat/SeatFrame';

export const dynamic = 'force-dynamic';

export default async function SeatLayout({
  children,
  params,
}: {
  children: ReactNode;
  params: Promise<{ project: string; seat: string }>;
}) {
  const { project, seat } = await params;
  return orTrouble(async () => {
    const bundle = await seatBundle(service(), decoded(seat));
    if (!bundle || bundle.seat.projectId !== decoded(project)) notFound();
    return <SeatFrame bundle={JSON.stringify(bundle)}>{children}</SeatFrame>;
  });
}
