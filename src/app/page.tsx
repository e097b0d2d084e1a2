import { service } from '@/server/instance';
import { allSeats } from '@/server/service';
import { DeskStation } from '@/ui/desk/DeskStation';

export const dynamic = 'force-dynamic';

export default async function DeskPage() {
  return <DeskStation seats={await allSeats(service())} />;
}
