import { service } from '@/server/instance';
import { listBackups } from '@/server/backups';
import { deskFigures } from '@/server/deskProcess';
import { priceState } from '@/server/prices/manage';
import { removedSeats } from '@/server/seats';
import type { PriceState } from '@/server/contract';
import { DeskStation } from '@/ui/desk/DeskStation';
import { orTrouble } from './orTrouble';

export const dynamic = 'force-dynamic';

/** What is removed longer ago is brought back in the workshop. */
const LATELY_MS = 15 * 60_000;

function pricesText({ last, sources }: PriceState): string {
  if (sources.length === 0) return 'No source of prices yet';
  if (!last) return 'Prices not asked for yet';
  const silent = last.sources.filter((source) => source.state === 'failed').length;
  return `Prices of ${last.day}${silent > 0 ? `, ${silent} ${silent === 1 ? 'source' : 'sources'} silent` : ''}`;
}

export default function DeskPage() {
  return orTrouble(async () => {
    const { seats, aside, currency } = await deskFigures(service());
    const [newest] = listBackups(service());
    const since = new Date(Date.now() - LATELY_MS).toISOString();
    return (
      <DeskStation
        seats={JSON.stringify(seats)}
        aside={aside}
        removed={(await removedSeats(service())).filter(({ at }) => at > since)}
        elsewhere={{
          prices: pricesText(await priceState(service())),
          backup: newest ? `backup of ${newest.at.slice(0, 10)}` : 'no backup yet',
        }}
        currency={currency}
      />
    );
  });
}
