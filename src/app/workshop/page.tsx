import { listBackups } from '@/server/backups';
import { ownedRows } from '@/server/owned';
import { deskFigures } from '@/server/deskProcess';
import { service } from '@/server/instance';
import { priceState } from '@/server/prices/manage';
import { removedSeats } from '@/server/seats';
import { readLogo, readWorkshop } from '@/store/quoteStore';
import { WorkshopStation } from '@/ui/workshop/WorkshopStation';
import { orTrouble } from '../orTrouble';

export const dynamic = 'force-dynamic';

export default function WorkshopPage() {
  return orTrouble(async () => {
    const { data } = await service().catalogue();
    const { seats } = await deskFigures(service());
    return (
      <WorkshopStation
        owned={await ownedRows(service())}
        places={seats.flatMap((seat) =>
          seat.drafts.map((draft) => ({
            seatId: seat.id,
            draftId: draft.id,
            label: `${seat.name}, ${draft.name}`,
          })),
        )}
        settings={await service().settings()}
        workshop={await readWorkshop(service().db)}
        logo={(await readLogo(service().db)) !== undefined}
        regions={data.regions}
        prices={await priceState(service())}
        backups={listBackups(service())}
        removed={await removedSeats(service())}
      />
    );
  });
}
