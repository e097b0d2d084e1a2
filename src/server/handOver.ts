import { assess, contextOf } from '@/core/assess';
import { handOverOf } from '@/core/assemble/handOver';
import { handOverBlocks, handOverTitle } from '@/core/formats/paper/handOver';
import { inPhase } from '@/core/model/phases';
import { asPromised } from '@/core/prove/learning';
import { UNNAMED } from '@/core/quote/terms';
import { firstUpgradeTrials } from '@/core/upgrade/firstUpgrade';
import * as projects from '@/store/projectStore';
import { readLogo, readWorkshop } from '@/store/quoteStore';
import { paperPdf } from './papers/pdf';
import { todayOf, type Service } from './service';
import { unhurried } from './unhurried';

/** The sheet that goes with a machine, as a PDF; undefined where there is no such draft. */
export async function handOverPdf(service: Service, seatId: string, draftId: string): Promise<Buffer | undefined> {
  const seat = await projects.readSeat(service.db, seatId);
  const draft = seat?.drafts.find(({ id, body }) => id === draftId || body.id === draftId);
  if (!seat || !draft) return undefined;
  const [{ compiled }, today, settings, workshop, elsewhere] = [
    await service.catalogue(),
    await todayOf(service),
    await service.settings(),
    await readWorkshop(service.db),
    await projects.measuredElsewhere(service.db, seatId),
  ];
  const context = contextOf(compiled, today, settings, [...seat.drafts.map(({ body }) => body), ...elsewhere]);
  const assessment = assess(asPromised(inPhase(draft.body, 'now')), seat.brief.body, context);
  const upgrade = await unhurried(firstUpgradeTrials(assessment.facts.machine, seat.brief.body, context));
  const sheet = handOverOf(assessment, seat.brief.body.name, workshop.from, upgrade);
  return paperPdf(
    {
      title: `Hand-over: ${handOverTitle(sheet)}`,
      kind: 'Hand-over',
      from: (workshop.from ?? UNNAMED).name,
      sheet: workshop.sheet,
      // its words are English only, whatever language the quotes are in
      locale: 'en',
      blocks: handOverBlocks(sheet, assessment),
    },
    await readLogo(service.db),
  );
}
