import { beforeEach, describe, expect, test } from 'vitest';
import { demoCatalogue } from '@/demo/catalogue';
import type { MachineEdit } from '@/core/model/edits';
import { stepsOf } from '@/store/history';
import { copyDraft, dropDraft } from '../drafts';
import { saveDraftEdit, stepSeat } from '../edits';
import { seatBundle } from '../seatBundle';
import { bringBack, copySeat, dropProject, dropSeat, removedSeats } from '../seats';
import type { Service } from '../service';
import { openService } from '../service';
import { join } from 'node:path';
import { addFilm } from './film';
import { preparedService } from './prepared';

let service: Service;
let folder: string;
preparedService({ ...demoCatalogue(), rivals: [] }, (given) => ({ service, folder } = given), addFilm);

const draft = async () => {
  const [first] = (await seatBundle(service, 'film'))?.drafts ?? [];
  if (!first) throw new Error('the draft is gone');
  return first;
};
/** An edit by a window on top of whatever is stored. */
async function edits(window: string, edit: MachineEdit, label: string) {
  const target = { seatId: 'film', documentId: 'film.film-a', base: (await draft()).revision, label, window };
  expect((await saveDraftEdit(service, target, edit)).state).toBe('saved');
}
const rename = (name: string): MachineEdit => ({ kind: 'rename', name });
const cooler = {
  kind: 'swap',
  item: 'cooler-1',
  part: 'northdraft-eddy-140',
  label: 'Northdraft Eddy 140',
} as unknown as MachineEdit;
const partOf = async (item: string) => (await draft()).body.items.find(({ id }) => id === item)?.part;
async function steps(window: string, direction: 'undo' | 'redo' = 'undo', more: object = {}) {
  const result = await stepSeat(service, 'film', direction, { window, ...more });
  if ('state' in result) throw new Error(JSON.stringify(result.problems));
  return result.stepped;
}
let coolerBefore: string | undefined;
beforeEach(async () => {
  coolerBefore = await partOf('cooler-1');
});

describe('undo', () => {
  test('takes back a window’s own step and leaves the other’s, in whatever order they came', async () => {
    await edits('a', cooler, 'cooler');
    await edits('b', rename('Other'), 'name');
    expect(await steps('a')).toEqual({ state: 'done', label: 'cooler' });
    expect(await partOf('cooler-1')).toBe(coolerBefore);
    expect((await draft()).body.name).toBe('Other');
    expect(await steps('a', 'redo')).toEqual({ state: 'done', label: 'cooler' });
    expect(await partOf('cooler-1')).toBe('northdraft-eddy-140');
    expect((await draft()).body.name).toBe('Other');
    expect(await steps('b')).toEqual({ state: 'done', label: 'name' });
    expect((await draft()).body.name).toBe('Draft A');
    expect(await partOf('cooler-1')).toBe('northdraft-eddy-140');
  });

  test('tells what it would overwrite, does nothing, and does it when that is agreed to', async () => {
    await edits('a', rename('One'), 'one');
    await edits('b', rename('Two'), 'two');
    const asked = await steps('a');
    expect(asked).toMatchObject({
      state: 'overwrites',
      label: 'one',
      places: [{ place: 'name', now: 'Two', then: 'Draft A' }],
    });
    expect((await draft()).body.name).toBe('Two');
    expect(await steps('a', 'undo', { anyway: true })).toEqual({ state: 'done', label: 'one' });
    expect((await draft()).body.name).toBe('Draft A');
  });

  test('a window without steps is offered the last one with when, and takes it back only by its number', async () => {
    await edits('a', cooler, 'cooler');
    const { undo } = await stepsOf(service.db, 'film', 'b');
    expect(undo).toMatchObject({ label: 'cooler', mine: false, at: expect.stringMatching(/^20\d\d-/) as string });
    expect(await steps('b')).toEqual({ state: 'nothing' });
    expect(await steps('b', 'undo', { seq: undo?.seq })).toEqual({ state: 'done', label: 'cooler' });
    expect(await partOf('cooler-1')).toBe(coolerBefore);
    // who took it back can bring it again
    expect(await steps('a', 'redo')).toEqual({ state: 'nothing' });
    expect(await steps('b', 'redo')).toEqual({ state: 'done', label: 'cooler' });
  });

  test('a new edit ends what this window had taken back, not what another had', async () => {
    await edits('a', cooler, 'cooler');
    await edits('b', rename('Two'), 'two');
    await steps('a');
    await edits('b', rename('Three'), 'three');
    expect((await stepsOf(service.db, 'film', 'a')).redo).toBe('cooler');
    await edits('a', { kind: 'remove', item: 'cooler-1' }, 'out');
    expect((await stepsOf(service.db, 'film', 'a')).redo).toBeUndefined();
  });

  test('a draft taken away comes back; one that was changed since it was copied is not taken away unasked', async () => {
    const { id } = await copyDraft(service, 'film', 'film.film-a', 'film', 'a');
    const made = (await seatBundle(service, 'film'))?.drafts.find((entry) => entry.id === id);
    await saveDraftEdit(
      service,
      { seatId: 'film', documentId: id, base: made?.revision ?? 0, label: 'name', window: 'b' },
      rename('Mine'),
    );
    expect(await steps('a')).toMatchObject({ state: 'overwrites', places: [{ place: 'draft' }] });
    await dropDraft(service, 'film', id ?? '', 'c');
    expect(await steps('b')).toMatchObject({ state: 'overwrites', places: [{ now: 'removed since' }] });
    expect(await steps('c')).toMatchObject({ state: 'done', label: 'Removal of Mine' });
    expect((await seatBundle(service, 'film'))?.drafts.find((entry) => entry.id === id)?.body.name).toBe('Mine');
  });
});

describe('what is removed', () => {
  test('a seat comes back after a restart as it was, its undo list and its copies included', async () => {
    await edits('a', cooler, 'cooler');
    const before = await seatBundle(service, 'film');
    expect(await dropSeat(service, 'film')).toMatchObject({ label: 'Film' });
    expect(await seatBundle(service, 'film')).toBeUndefined();
    await service.close();
    service = openService(join(folder, 'test.db'));
    const [removed] = await removedSeats(service);
    expect(await bringBack(service, removed?.id ?? 0)).toEqual({ state: 'done' });
    expect(await seatBundle(service, 'film')).toEqual(before);
    expect(await steps('a')).toEqual({ state: 'done', label: 'cooler' });
    expect(await bringBack(service, removed?.id ?? 0)).toMatchObject({
      problems: [{ message: 'is not kept any more' }],
    });
  });

  test('a project comes back with all its seats; a place that was taken meanwhile is told', async () => {
    await copySeat(service, 'film');
    const gone = await dropProject(service, 'p');
    expect(gone).toMatchObject({ label: 'Project, all 2 seats' });
    await addFilm(service);
    expect(await bringBack(service, gone?.id ?? 0)).toMatchObject({
      problems: [{ message: expect.stringContaining('has its place by now') as string }],
    });
    const again = await dropSeat(service, 'film');
    expect(await bringBack(service, gone?.id ?? 0)).toEqual({ state: 'done' });
    expect(await seatBundle(service, 'film')).toBeDefined();
    expect((await removedSeats(service)).map(({ id }) => id)).toEqual([again?.id]);
    expect(await dropProject(service, 'nothing')).toBeUndefined();
    expect(await dropSeat(service, 'nothing')).toBeUndefined();
  });
});
