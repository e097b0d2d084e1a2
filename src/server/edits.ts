import { troubleLine, troubleOf } from './trouble';
import { z } from 'zod';
import { briefSchema } from '@/core/model/brief';
import { briefEditSchema, editBrief, editMachine, machineEditSchema } from '@/core/model/edits';
import { fullName } from '@/core/model/fitted';
import { machineSchema } from '@/core/model/machine';
import { figureMeta, isNumberField } from '@/core/parts';
import { partWithFigure } from '@/store/catalogueStore';
import * as history from '@/store/history';
import * as projects from '@/store/projectStore';
import type { SaveResult, SeatBundle, SteppedSeat } from './contract';
import { answering, read, refuse, type Refused } from './refuse';
import { seatBundle } from './seatBundle';
import { now, type Service } from './service';

/** Name that a window gives itself; empty for none. */
const windowName = z.string().max(40).default('');

const target = z.strictObject({
  seatId: z.string(),
  documentId: z.string(),
  base: z.number().int(),
  label: z.string().max(300),
  window: windowName,
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
      const { seatId, documentId, base, label, window } = read(target, input);
      const wanted = read(kind.edits, edit);
      const result = await projects.saveDocument(service.db, {
        seatId,
        documentId,
        base,
        step: { label, at: now(), window },
        parse: (json) => kind.body.parse(json),
        change: (body) => kind.change(body, wanted),
      });
      return result.state === 'saved'
        ? { state: 'saved', revision: result.revision, steps: await history.stepsOf(service.db, seatId, window) }
        : result;
    });

export const saveDraftEdit = saveEdit({ body: machineSchema, edits: machineEditSchema, change: editMachine });
export const saveBriefEdit = saveEdit({ body: briefSchema, edits: briefEditSchema, change: editBrief });

export async function stepSeat(
  service: Service,
  seatId: string,
  direction: 'undo' | 'redo',
  options: unknown = {},
): Promise<SteppedSeat | Refused> {
  return answering(async () => {
    const how = read(stepOptions, options);
    const stepped = await history.step(service.db, seatId, direction, { ...how, at: now() });
    return { stepped, bundle: await seatBundle(service, seatId, how.window) };
  });
}

const stepOptions = z.strictObject({
  window: windowName,
  seq: z.number().int().optional(),
  anyway: z.boolean().optional(),
});

/** Fills in one missing figure of a part by hand. Only single numbers can be typed in this way. */
export async function fillFigure(
  service: Service,
  seatId: string,
  partId: string,
  field: string,
  value: number,
  window = '',
): Promise<{ state: 'filled'; bundle: SeatBundle | undefined } | Refused> {
  const path = `${partId}.${field}`;
  return answering(async () => {
    const part = (await service.catalogue()).data.parts.find((candidate) => candidate.id === partId);
    if (!part) refuse(path, 'is a part that the catalogue does not have');
    if (!isNumberField(part.kind, field)) refuse(path, 'is not a single figure that can be typed in here');
    await partWithFigure(service.db, partId, field, value);
    await projects.setFigure(service.db, seatId, partId, field, value, {
      label: `${figureMeta(part.kind, field).label} of ${fullName(part)}`,
      at: now(),
      window,
    });
    return { state: 'filled' as const, bundle: await seatBundle(service, seatId, window) };
  });
}
