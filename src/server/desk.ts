import { z } from 'zod';
import { counted, firstFree, idIn } from '@/core/units/free';
import { editBrief, editMachine, freshItemId } from '@/core/model/edits';
import { briefSchema } from '@/core/model/brief';
import { fullName } from '@/core/model/fitted';
import { ownedSchema } from '@/core/formats/projectFile';
import { machineSchema } from '@/core/model/machine';
import { settingsSchema } from '@/core/model/settings';
import { readOwned, writeSettings } from '@/store/libraryStore';
import * as projects from '@/store/projectStore';
import type { OwnedRow } from './contract';
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

/** What is owned, with the parts' names. */
export async function ownedRows(service: Service): Promise<OwnedRow[]> {
  const { data } = await service.catalogue();
  const parts = new Map(data.parts.map((part) => [part.id as string, part]));
  return (await readOwned(service.db)).map((entry) => {
    const part = parts.get(entry.part);
    return { ...entry, label: part ? fullName(part) : entry.part, kind: part?.kind };
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
    const step = (label: string) => ({ label, at: now(), window: '' });
    const common = { seatId: seat.seat.id };
    let saved;
    if (part.kind === 'display')
      saved = await projects.saveDocument(service.db, {
        ...common,
        step: step(`${label} stands here`),
        documentId: seat.brief.id,
        base: seat.brief.revision,
        parse: (json) => briefSchema.parse(json),
        change: (brief) => editBrief(brief, { kind: 'set-displays', ownedDisplays: [...brief.ownedDisplays, part.id] }),
      });
    else {
      const draft = seat.drafts.find((candidate) => candidate.id === draftId) ?? seat.drafts[0];
      if (!draft) refuse(id, 'needs a draft to go into');
      saved = await projects.saveDocument(service.db, {
        ...common,
        step: step(`Add ${label}, owned`),
        documentId: draft.id,
        base: draft.revision,
        parse: (json) => machineSchema.parse(json),
        change: (machine) =>
          editMachine(machine, {
            kind: 'add',
            item: { id: freshItemId(machine, part.kind), part: part.id, label, owned: true },
          }),
      });
    }
    if (saved.state !== 'saved') refuse(id, 'could not be put there: the seat changed in between; try again');
    return DONE;
  });
}
