import { z } from 'zod';
import { editBrief, editMachine, freshItemId } from '@/core/model/edits';
import { briefSchema } from '@/core/model/brief';
import { fullName } from '@/core/model/fitted';
import { ownedSchema, type Owned } from '@/core/formats/projectFile';
import { problemsOf } from '@/core/formats/problems';
import { machineSchema } from '@/core/model/machine';
import { settingsSchema } from '@/core/model/settings';
import { bumpCatalogue } from '@/store/catalogueStore';
import { writing } from '@/store/database';
import { readOwned, writeSettings } from '@/store/libraryStore';
import { applyEntries, beginStep } from '@/store/lists';
import * as projects from '@/store/projectStore';
import type { Refused } from './files';
import type { OwnedRow } from './contract';
import { now, type Service } from './service';

type Done = { readonly state: 'done' } | Refused;
const refused = (path: string, message: string): Refused => ({ state: 'refused', problems: [{ path, message }] });

export async function saveSettings(service: Service, input: unknown): Promise<Done> {
  const parsed = settingsSchema.safeParse(input);
  if (!parsed.success) return { state: 'refused', problems: problemsOf(parsed.error) };
  const { data } = await service.catalogue();
  if (parsed.data.region !== undefined && !data.regions.some((region) => region.id === parsed.data.region))
    return refused('region', `"${parsed.data.region}" is not in the catalogue`);
  await writeSettings(service.db, parsed.data);
  return { state: 'done' };
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

async function change(service: Service, label: string, id: string, spec: Owned | undefined): Promise<void> {
  await writing(service.db, async (trx) => {
    await applyEntries(trx, await beginStep(trx, label, 'by hand', now()), [{ list: 'owned', id, spec }]);
    await bumpCatalogue(trx);
  });
}

/** Adds or changes something owned; without an id it is new. */
export async function keepOwned(service: Service, input: unknown): Promise<Done> {
  const parsed = ownedSchema.extend({ id: ownedSchema.shape.id.optional() }).safeParse(input);
  if (!parsed.success) return { state: 'refused', problems: problemsOf(parsed.error) };
  const { data } = await service.catalogue();
  const part = data.parts.find((candidate) => candidate.id === parsed.data.part);
  if (!part) return refused('part', `"${parsed.data.part}" is not in the library; add it there by hand first`);
  const owned = await readOwned(service.db);
  let id = parsed.data.id ?? `owned-${owned.length + 1}`;
  if (parsed.data.id === undefined)
    for (let n = owned.length + 1; owned.some((entry) => entry.id === id); n++) id = `owned-${n + 1}`;
  await change(service, `Owned: ${fullName(part)}`, id, { ...parsed.data, id });
  return { state: 'done' };
}

export async function dropOwned(service: Service, id: string): Promise<Done> {
  const entry = (await ownedRows(service)).find((candidate) => candidate.id === id);
  if (!entry) return refused(id, 'is not on the list any more');
  await change(service, `No longer owned: ${entry.label}`, id, undefined);
  return { state: 'done' };
}

const targetSchema = z.object({ seatId: z.string(), draftId: z.string().optional() });

/** Puts something owned to use: a display stands at a seat, anything else goes into a draft and costs nothing there. */
export async function putOwned(service: Service, id: string, target: unknown): Promise<Done> {
  const parsed = targetSchema.safeParse(target);
  if (!parsed.success) return { state: 'refused', problems: problemsOf(parsed.error) };
  const entry = (await ownedRows(service)).find((candidate) => candidate.id === id);
  const seat = await projects.readSeat(service.db, parsed.data.seatId);
  if (!entry || !seat) return refused(id, 'is not on the list any more');
  const { data } = await service.catalogue();
  const part = data.parts.find((candidate) => candidate.id === entry.part);
  if (!part) return refused(id, 'is a part that the library does not have any more');
  const display = part.kind === 'display';
  const draft = seat.drafts.find((candidate) => candidate.id === parsed.data.draftId) ?? seat.drafts[0];
  if (!display && !draft) return refused(id, 'needs a draft to go into');
  const label = fullName(part);
  const common = { seatId: seat.seat.id, at: now(), label: display ? `${label} stands here` : `Add ${label}, owned` };
  const saved = display
    ? await projects.saveDocument(service.db, {
        ...common,
        documentId: seat.brief.id,
        base: seat.brief.revision,
        parse: (json) => briefSchema.parse(json),
        change: (brief) => editBrief(brief, { kind: 'set-displays', ownedDisplays: [...brief.ownedDisplays, part.id] }),
      })
    : await projects.saveDocument(service.db, {
        ...common,
        documentId: draft?.id ?? '',
        base: draft?.revision ?? 0,
        parse: (json) => machineSchema.parse(json),
        change: (machine) =>
          editMachine(machine, {
            kind: 'add',
            item: { id: freshItemId(machine, part.kind), part: part.id, label, owned: true },
          }),
      });
  return saved.state === 'saved'
    ? { state: 'done' }
    : refused(id, 'could not be put there: the seat changed in between; try again');
}

/** An empty draft for the machine that is there; gives back the address where it is filled. */
export async function addPresentMachine(service: Service, seatId: string): Promise<string | undefined> {
  const seat = await projects.readSeat(service.db, seatId);
  if (!seat) return undefined;
  const used = new Set(seat.drafts.map((draft) => draft.body.id));
  let id = 'present';
  for (let n = 2; used.has(id); n++) id = `present-${n}`;
  const documentId = await projects.addDraft(
    service.db,
    seatId,
    machineSchema.parse({ id, name: 'Present machine', items: [], present: true }),
    'Present machine',
    now(),
  );
  return `/${encodeURIComponent(seat.seat.projectId)}/${encodeURIComponent(seatId)}/draft?draft=${encodeURIComponent(documentId)}`;
}
