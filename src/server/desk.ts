import { z } from 'zod';
import { draftAddress } from '@/core/model/addresses';
import { counted, firstFree, idIn } from '@/core/units/free';
import { editBrief, editMachine, ONCE, type MachineEdit } from '@/core/model/edits';
import { briefSchema } from '@/core/model/brief';
import { fullName } from '@/core/model/fitted';
import { ownedSchema } from '@/core/formats/projectFile';
import { machineSchema, type Machine } from '@/core/model/machine';
import { editFor } from '@/core/search/candidates';
import { settingsSchema } from '@/core/model/settings';
import { readOwned, writeSettings } from '@/store/libraryStore';
import { ownedRows } from './owned';
import * as projects from '@/store/projectStore';
import type { DraftPlace } from './contract';
import { libraryStep } from './libraryStep';
import { answering, DONE, read, refuse, type Done, type Refused } from './refuse';
import { now, type Service } from './service';

export async function saveSettings(service: Service, input: unknown): Promise<Done | Refused> {
  return answering(async () => {
    const settings = read(settingsSchema, input);
    const { data } = await service.catalogue();
    if (settings.region !== undefined && !data.regions.some(({ id }) => id === settings.region))
      refuse('region', `"${settings.region}" is not in the catalogue`);
    await writeSettings(service.db, settings);
    return DONE;
  });
}

/** Adds or changes something owned; without an id it is new. */
export async function keepOwned(service: Service, input: unknown): Promise<Done | Refused> {
  return answering(async () => {
    const entry = read(ownedSchema.extend({ id: ownedSchema.shape.id.optional() }), input);
    const { data } = await service.catalogue();
    const part = data.parts.find(({ id }) => id === entry.part);
    if (!part) refuse('part', `"${entry.part}" is not in the library; add it there by hand first`);
    const owned = await readOwned(service.db);
    const id = entry.id ?? firstFree(counted('owned', owned.length + 1), idIn(owned));
    await libraryStep(service, `Owned: ${fullName(part)}`, [{ list: 'owned', id, spec: { ...entry, id } }]);
    return DONE;
  });
}

const GONE = 'is not on the list any more';

export async function dropOwned(service: Service, id: string): Promise<Done | Refused> {
  return answering(async () => {
    const entry = (await ownedRows(service)).find((candidate) => candidate.id === id);
    if (!entry) refuse(id, GONE);
    await libraryStep(service, `No longer owned: ${entry.label}`, [{ list: 'owned', id, spec: undefined }]);
    return DONE;
  });
}

const targetSchema = z.object({ seatId: z.string(), draftId: z.string().optional() });

/** Puts something owned to use: a display stands at a seat, anything else goes into a draft and costs nothing there. */
export async function putOwned(service: Service, id: string, target: unknown): Promise<Done | Refused> {
  return answering(async () => {
    const { seatId, draftId } = read(targetSchema, target);
    const entry = (await ownedRows(service)).find((candidate) => candidate.id === id);
    const seat = await projects.readSeat(service.db, seatId);
    if (!entry || !seat) refuse(id, GONE);
    const { data } = await service.catalogue();
    const part = data.parts.find((candidate) => candidate.id === entry.part);
    if (!part) refuse(id, 'is a part that the library does not have any more');
    const label = fullName(part);
    let saved;
    if (part.kind === 'display')
      saved = await projects.saveDocument(service.db, {
        seatId: seat.seat.id,
        step: { label: `${label} stands here`, at: now(), window: '' },
        documentId: seat.brief.id,
        base: seat.brief.revision,
        parse: (json) => briefSchema.parse(json),
        change: (brief) => editBrief(brief, { kind: 'set-displays', ownedDisplays: [...brief.ownedDisplays, part.id] }),
      });
    else {
      const draft = seat.drafts.find((candidate) => candidate.id === draftId) ?? seat.drafts[0];
      if (!draft) refuse(id, 'needs a draft to go into');
      saved = await editDraft(service, seat, draft, `Add ${label}, owned`, (machine) => {
        const edit = editFor(machine, { kind: part.kind }, part);
        return edit.kind === 'add' ? { ...edit, item: { ...edit.item, owned: true } } : edit;
      });
    }
    if (saved.state !== 'saved') refuse(id, 'could not be put there: the seat changed in between; try again');
    return DONE;
  });
}

const editDraft = (
  service: Service,
  seat: projects.SeatDocuments,
  draft: projects.SeatDocuments['drafts'][number],
  label: string,
  edit: (machine: Machine) => MachineEdit,
) =>
  projects.saveDocument(service.db, {
    seatId: seat.seat.id,
    documentId: draft.id,
    base: draft.revision,
    step: { label, at: now(), window: '' },
    parse: (json) => machineSchema.parse(json),
    change: (machine) => editMachine(machine, edit(machine)),
  });

/** Every draft that a part may be put into, seats in the order of the desk. */
export async function draftPlaces(service: Service): Promise<DraftPlace[]> {
  const seats = await projects.listSeats(service.db);
  const documents = await Promise.all(seats.map(({ id }) => projects.readSeat(service.db, id)));
  return documents.flatMap((entry) =>
    (entry?.drafts ?? []).map(({ id, body }) => ({
      seatId: entry?.seat.id ?? '',
      draftId: id,
      label: `${entry?.seat.name ?? ''}, ${body.name}`,
      href: draftAddress(entry?.seat.projectId ?? '', entry?.seat.id ?? '', id),
    })),
  );
}

/** Puts a part of the library into a draft; what a machine has once takes the place of the one that is there. */
export async function putPart(service: Service, id: string, target: unknown): Promise<Done | Refused> {
  return answering(async () => {
    const { seatId, draftId } = read(targetSchema, target);
    const { data } = await service.catalogue();
    const part = data.parts.find((candidate) => candidate.id === id);
    const seat = await projects.readSeat(service.db, seatId);
    const draft = seat?.drafts.find((candidate) => candidate.id === draftId);
    if (!part) refuse(id, 'is a part that the library does not have any more');
    if (!seat || !draft) refuse(id, 'cannot go there: that draft is gone');
    const kindOf = new Map(data.parts.map((entry) => [entry.id, entry.kind]));
    const there = ONCE.has(part.kind)
      ? draft.body.items.find((item) => item.from === undefined && kindOf.get(item.part) === part.kind)
      : undefined;
    const label = fullName(part);
    const saved = await editDraft(
      service,
      seat,
      draft,
      there ? `${label} for ${there.label ?? there.part}` : `Add ${label}`,
      (machine) => editFor(machine, { kind: part.kind, item: there?.id }, part),
    );
    if (saved.state !== 'saved') refuse(id, 'could not be put there: the draft changed in between; try again');
    return DONE;
  });
}
