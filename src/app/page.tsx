import { service } from '@/server/instance';
import { listBackups } from '@/server/backups';
import { ownedRows } from '@/server/desk';
import { priceState } from '@/server/prices/manage';
import { allSeats } from '@/server/seatBundle';
import { rowsSetAside } from '@/server/setAside';
import { DeskStation } from '@/ui/desk/DeskStation';
import { orTrouble } from './orTrouble';

export const dynamic = 'force-dynamic';

export default function DeskPage() {
  return orTrouble(async () => {
    const { data } = await service().catalogue();
    return (
      <DeskStation
        seats={await allSeats(service())}
        owned={await ownedRows(service())}
        settings={await service().settings()}
        regions={data.regions}
        prices={await priceState(service())}
        aside={await rowsSetAside(service())}
        backups={listBackups(service())}
      />
    );
  });
}
