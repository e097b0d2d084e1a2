import { minorUnits, priceMinor } from '@/core/units/bounds';
import { z } from 'zod';
import { idFrom } from '@/core/formats/csv/rows';
import { rivalSchema } from '@/core/model/rivals';
import { inPhase, plainItem } from '@/core/model/phases';
import * as projects from '@/store/projectStore';
import { answering, read, refuse, type Refused } from './refuse';
import { libraryStep } from './libraryStep';
import { todayOf, type Service } from './service';

const inputSchema = z.object({
  seatId: z.string().max(200),
  draftId: z.string().max(200),
  maker: z.string().max(200),
  name: z.string().max(200),
  priceMinor: priceMinor('must be above 0'),
  shippingMinor: minorUnits(),
  warrantyMonths: z.number().int('must be a whole number of months').positive('must be above 0'),
  onSite: z.boolean(),
});

export interface MadeRival {
  readonly state: 'made';
  readonly id: string;
}

/** A branded machine from a draft: its parts, with what its maker asks in the seat's region. One step of the library. */
export async function makeRival(service: Service, input: unknown): Promise<MadeRival | Refused> {
  return answering(async () => {
    const { seatId, draftId, maker, name, priceMinor, shippingMinor, warrantyMonths, onSite } = read(
      inputSchema,
      input,
    );
    const seat = await projects.readSeat(service.db, seatId);
    const draft = seat?.drafts.find((entry) => entry.id === draftId)?.body;
    if (!seat || !draft) refuse('draft', 'is not there any more');
    if (draft.items.length === 0) refuse('draft', 'has no parts yet; put some in first');
    const id = idFrom(maker.trim(), name.trim());
    const { data } = await service.catalogue();
    if (data.rivals.some((rival) => rival.id === id))
      refuse('name', `"${maker} ${name}" is there already; give this one a name of its own`);
    const machine = inPhase(draft, 'now');
    const rival = read(rivalSchema, {
      id,
      maker,
      name,
      machine: {
        id,
        name: `${maker} ${name}`.slice(0, 80),
        // what somebody owns or paid here says nothing of the branded machine
        items: machine.items.map(({ owned: _owned, handPrice: _hand, paid: _paid, resale: _resale, ...item }) =>
          plainItem(item),
        ),
      },
      offers: [{ region: seat.brief.body.region, priceMinor, shippingMinor, asOf: await todayOf(service) }],
      warrantyMonths,
      onSite,
      notes: [],
    });
    await libraryStep(service, `${maker} ${name}, branded`, [{ list: 'rivals', id, spec: rival }]);
    return { state: 'made' as const, id };
  });
}
