import { readCase, writeCase, type CaseFile } from '@/core/formats/caseFile';
import { firstFree, idIn, numbered } from '@/core/units/free';
import type { Parsed, Problem } from '@/core/formats/problems';
import type { Entry } from '@/store/lists';
import * as projects from '@/store/projectStore';
import { libraryStep } from './libraryStep';
import { todayOf, type Service } from './service';

export interface OpenedCase {
  readonly seatId: string;
  readonly projectId: string;
  readonly machines: number;
}

/** Opens a case file as a seat of its own; what it brings inline is added to the library, nothing there is changed. */
export async function openCase(service: Service, text: string): Promise<Parsed<OpenedCase>> {
  const { data } = await service.catalogue();
  const parsed = readCase(text, new Set(data.parts.map((part) => part.id as string)));
  if (!parsed.ok) return parsed;
  const file = parsed.value;
  const parts = new Map(data.parts.map((part) => [part.id as string, part]));
  const problems: Problem[] = (file.parts ?? [])
    .filter((part) => parts.has(part.id) && JSON.stringify(parts.get(part.id)) !== JSON.stringify(part))
    .map((part) => ({
      path: `parts.${part.id}`,
      message:
        'is in the catalogue with other figures; give it another id in the case file, or import it as a catalogue to change it',
    }));
  const regionKnown = data.regions.find((region) => region.id === file.region.id);
  if (regionKnown && JSON.stringify(regionKnown) !== JSON.stringify(file.region))
    problems.push({ path: 'region', message: `"${file.region.id}" is known with other figures; give it another id` });
  if (problems.length > 0) return { ok: false, problems };

  const has = {
    applications: new Set(data.applications.map((profile) => profile.id)),
    offers: new Set(data.offers.map((offer) => offer.id)),
    sellers: new Set(data.sellers.map((seller) => seller.id)),
  };
  const sellers = [...new Set((file.offers ?? []).map((offer) => offer.seller))].filter((id) => !has.sellers.has(id));
  const entries: Entry[] = [
    ...(regionKnown ? [] : [{ list: 'regions' as const, id: file.region.id, spec: file.region }]),
    ...sellers.map((id) => ({
      list: 'sellers' as const,
      id,
      spec: file.sellers?.find((seller) => seller.id === id) ?? { id, name: id },
    })),
    ...(file.applications ?? [])
      .filter((profile) => !has.applications.has(profile.id))
      .map((profile) => ({ list: 'applications' as const, id: profile.id, spec: profile })),
    ...(file.parts ?? [])
      .filter((part) => !parts.has(part.id))
      .map((part) => ({ list: 'parts' as const, id: part.id as string, spec: part })),
    ...(file.offers ?? [])
      .filter((offer) => !has.offers.has(offer.id))
      .map((offer) => ({ list: 'offers' as const, id: offer.id, spec: offer })),
  ];
  if (entries.length > 0) await libraryStep(service, `Parts of case "${file.name}"`, entries, file.name);
  const seatId = firstFree(numbered(file.brief.id), idIn(await projects.listSeats(service.db)));
  await projects.addSeat(service.db, {
    projectId: 'opened-files',
    projectName: 'Opened from files',
    seatId,
    seatName: file.name,
    brief: file.brief,
    drafts: file.machines,
  });
  return { ok: true, value: { seatId, projectId: 'opened-files', machines: file.machines.length } };
}

/** A seat as a case file, everything it needs inline. */
export async function exportCase(service: Service, seatId: string): Promise<CaseFile | undefined> {
  const seat = await projects.readSeat(service.db, seatId);
  if (!seat) return undefined;
  const { compiled } = await service.catalogue();
  return writeCase(
    `${seat.seat.projectName}, ${seat.seat.name}`.slice(0, 80),
    await todayOf(service),
    seat.brief.body,
    seat.drafts.map((draft) => draft.body),
    compiled,
  );
}
