import { troubleLine, troubleOf } from './trouble';
import { z } from 'zod';
import { briefSchema } from '@/core/model/brief';
import { briefEditSchema, editBrief, editMachine, machineEditSchema } from '@/core/model/edits';
import { fullName } from '@/core/model/fitted';
import { machineSchema } from '@/core/model/machine';
import { figureMeta, isNumberField } from '@/core/parts';
import { partWithFigure } from '@/store/catalogueStore';
import * as projects from '@/store/projectStore';
import type { SaveResult, SeatBundle } from './contract';
import { answering, read, refuse, type Refused } from './refuse';
import { seatBundle } from './seatBundle';
import { now, type Service } from './service';

const target = z.strictObject({
  seatId: z.string(),
  documentId: z.string(),
  base: z.number().int(),
  label: z.string().max(300),
});

/** A save whose change is kept by its sender while the database cannot be used. */
async function saving<T>(work: () => Promise<SaveResult<T>>): Promise<SaveResult<T>> {
  return answering(async () => {
    try {
      return await work();
    } catch (error) {
      const trouble = troubleOf(error);
      if (!trouble) throw error;
      return { state: 'trouble' as const, message: troubleLine(trouble) };
    }
  });
}

/** Saves one edit of a kind of document when it was based on the stored revision. */
const saveEdit =
  <T, E>(kind: { body: z.ZodType<T>; edits: z.ZodType<E>; change: (body: T, edit: E) => T }) =>
  (service: Service, input: unknown, edit: unknown): Promise<SaveResult<T>> =>
    saving(async () => {
      const { seatId, documentId, base, label } = read(target, input);
      const wanted = read(kind.edits, edit);
      const result = await projects.saveDocument(service.db, {
        seatId,
        documentId,
        base,
        label,
        at: now(),
        parse: (json) => kind.body.parse(json),
        change: (body) => kind.change(body, wanted),
      });
      return result.state === 'saved'
        ? { state: 'saved', revision: result.revision, steps: await projects.stepsOf(service.db, seatId) }
        : result;
    });

export const saveDraftEdit = saveEdit({ body: machineSchema, edits: machineEditSchema, change: editMachine });
export const saveBriefEdit = saveEdit({ body: briefSchema, edits: briefEditSchema, change: editBrief });

export async function stepSeat(
  service: Service,
  seatId: string,
  direction: 'undo' | 'redo',
): Promise<{ label: string | undefined; bundle: SeatBundle | undefined } | Refused> {
  return answering(async () => {
    const label = await projects.step(service.db, seatId, direction, now());
    return { label, bundle: await seatBundle(service, seatId) };
  });
}

/** Fills in one missing figure of a part by hand. Only single numbers can be typed in this way. */
export async function fillFigure(
  service: Service,
  seatId: string,
  partId: string,
  field: string,
  value: number,
): Promise<{ state: 'filled'; bundle: SeatBundle | undefined } | Refused> {
  const path = `${partId}.${field}`;
  return answering(async () => {
    const part = (await service.catalogue()).data.parts.find((candidate) => candidate.id === partId);
    if (!part) refuse(path, 'is a part that the catalogue does not have');
    if (!isNumberField(part.kind, field)) refuse(path, 'is not a single figure that can be typed in here');
    await partWithFigure(service.db, partId, field, value);
    await projects.setFigure(
      service.db,
      seatId,
      partId,
      field,
      value,
      `${figureMeta(part.kind, field).label} of ${fullName(part)}`,
      now(),
    );
    return { state: 'filled' as const, bundle: await seatBundle(service, seatId) };
  });
}
