import { beforeEach, describe, expect, test, vi } from 'vitest';
import { usualSettings } from '@/core/model/settings';
import { briefOf, dataOf, machineOf } from '@/core/tests/world';
import { type MachineEdit, editBrief, editMachine } from '@/core/model/edits';
import type { SeatBundle } from '@/server/contract';

/** A server in memory that keeps revisions as the real one does; the network can be cut. */
const server = vi.hoisted(() => ({
  bundle: undefined as unknown,
  calls: [] as string[],
  down: false,
  beforeSave: undefined as (() => void) | undefined,
  beforeLoad: undefined as (() => void) | undefined,
  /** Steps that were asked for, and what comes of the next. */
  steps: [] as unknown[],
  stepped: { state: 'done', label: 'an edit' } as object,
}));

vi.mock('@/server/actions', () => {
  const now = () => server.bundle as SeatBundle;
  const save =
    (kind: 'brief' | 'draft') => async (target: { documentId: string; base: number; label: string }, edit: unknown) => {
      if (server.down) throw new Error('network');
      server.calls.push(`${target.label} on ${target.base}`);
      const hook = server.beforeSave;
      server.beforeSave = undefined;
      hook?.();
      const stored = kind === 'brief' ? now().brief : now().drafts.find((draft) => draft.id === target.documentId);
      if (!stored) return { state: 'gone' };
      if (stored.revision !== target.base) return { state: 'stale', revision: stored.revision, body: stored.body };
      if ((edit as { name?: string }).name === 'refuse me')
        return { state: 'refused', problems: [{ path: 'name', message: 'is refused' }] };
      const revision = stored.revision + 1;
      server.bundle =
        kind === 'brief'
          ? { ...now(), brief: { ...now().brief, revision, body: editBrief(now().brief.body, edit as never) } }
          : {
              ...now(),
              drafts: now().drafts.map((draft) =>
                draft.id === target.documentId
                  ? { ...draft, revision, body: editMachine(draft.body, edit as MachineEdit) }
                  : draft,
              ),
            };
      return {
        state: 'saved',
        revision,
        steps: { undo: { seq: 1, label: target.label, at: '2026-05-18T07:00:00Z', mine: true }, redo: undefined },
      };
    };
  return {
    saveDraftEdit: save('draft'),
    saveBriefEdit: save('brief'),
    loadSeat: async () => {
      const hook = server.beforeLoad;
      server.beforeLoad = undefined;
      hook?.();
      return now();
    },
    stepSeat: async (_seat: string, direction: string, options: object) => {
      server.steps.push([direction, options]);
      return { stepped: server.stepped, bundle: now() };
    },
    fillFigure: async () => ({ state: 'refused', problems: [{ path: 'x', message: 'no' }] }),
    copyDraft: async () => ({ bundle: now(), id: undefined }),
    dropDraft: async () => now(),
  };
});

const { createSeatStore } = await import('./store');
const { assessmentOf } = await import('./useSeat');

const bundleOf = (): SeatBundle => ({
  seat: { id: 's', name: 'Seat', projectId: 'p', projectName: 'Project' },
  brief: { id: 's.brief', revision: 1, body: briefOf() },
  measuredElsewhere: [],
  drafts: [
    { id: 's.a', revision: 1, body: machineOf() },
    { id: 's.b', revision: 4, body: { ...machineOf(), id: 'b', name: 'Other' } },
  ],
  data: dataOf(),
  catalogueRevision: 1,
  today: '2026-05-18',
  settings: usualSettings,
  steps: { undo: undefined, redo: undefined },
  seen: {},
  owned: [],
  news: [],
});

let store: ReturnType<typeof createSeatStore>;
const rename = (name: string): MachineEdit => ({ kind: 'rename', name });
const nameOf = (id = 's.a') => store.getState().bundle.drafts.find((draft) => draft.id === id)?.body.name;
const idle = () => vi.waitFor(() => expect(store.getState().saving.state).not.toBe('saving'));

beforeEach(() => {
  server.bundle = bundleOf();
  server.calls = [];
  server.down = false;
  server.steps = [];
  server.stepped = { state: 'done', label: 'an edit' };
  server.beforeSave = undefined;
  server.beforeLoad = undefined;
  store = createSeatStore(bundleOf());
});

/** Somebody else saves a draft in between. */
const elsewhere = (id: string, edit: MachineEdit) => {
  const now = server.bundle as SeatBundle;
  server.bundle = {
    ...now,
    drafts: now.drafts.map((draft) =>
      draft.id === id ? { ...draft, revision: draft.revision + 1, body: editMachine(draft.body, edit) } : draft,
    ),
  };
};

describe('edits', () => {
  test('show at once and are saved with the revision they were based on', async () => {
    store.getState().editDraft(rename('One'), 'first');
    expect(nameOf()).toBe('One');
    await idle();
    expect(server.calls).toEqual(['first on 1']);
    expect(store.getState().bundle.drafts[0]?.revision).toBe(2);
    expect(store.getState().bundle.steps.undo?.label).toBe('first');
  });

  test('made quickly one after the other are saved in their order, each on the one before', async () => {
    store.getState().editDraft(rename('One'), 'first');
    store.getState().editDraft(rename('Two'), 'second');
    store.getState().editBrief({ kind: 'set-budget', budgetMinor: 5 }, 'budget');
    await idle();
    expect(server.calls).toEqual(['first on 1', 'second on 2', 'budget on 1']);
    expect((server.bundle as SeatBundle).drafts[0]?.body.name).toBe('Two');
    expect((server.bundle as SeatBundle).brief.body.budgetMinor).toBe(5);
  });

  test('of the draft that is selected leave the others alone', async () => {
    store.getState().selectDraft('s.b');
    store.getState().editDraft(rename('Changed'), 'x');
    await idle();
    expect(nameOf('s.a')).toBe('Test machine');
    expect(server.calls).toEqual(['x on 4']);
  });
});

describe('somebody else saved in between', () => {
  test('at another place: both changes hold, and nobody is asked', async () => {
    elsewhere('s.a', { kind: 'memory-profile', profile: 'off' });
    store.getState().editDraft(rename('Mine'), 'mine');
    await idle();
    expect(store.getState().waiting).toBeUndefined();
    expect((server.bundle as SeatBundle).drafts[0]).toMatchObject({
      revision: 3,
      body: { name: 'Mine', memoryProfile: 'off' },
    });
    expect(nameOf()).toBe('Mine');
    expect(store.getState().bundle.drafts[0]?.body.memoryProfile).toBe('off');
  });

  test('to the same: that is no clash either', async () => {
    elsewhere('s.a', rename('Mine'));
    store.getState().editDraft(rename('Mine'), 'mine');
    await idle();
    expect(store.getState().waiting).toBeUndefined();
    expect(nameOf()).toBe('Mine');
  });

  test('again and again: it is tried on what is stored each time', async () => {
    let more = 4;
    const again = () => {
      elsewhere('s.a', { kind: 'memory-profile', profile: more % 2 === 0 ? 'off' : 'on' });
      if (--more > 0) server.beforeSave = again;
    };
    server.beforeSave = again;
    store.getState().editDraft(rename('Mine'), 'mine');
    await vi.waitFor(() => expect((server.bundle as SeatBundle).drafts[0]?.body.name).toBe('Mine'));
    expect(more).toBe(0);
  });
});

describe('the same place changed in two windows', () => {
  beforeEach(async () => {
    elsewhere('s.a', rename('Theirs'));
    store.getState().editDraft(rename('Mine'), 'mine');
    await idle();
  });

  test('the edit is kept while what is stored is shown, with both versions', () => {
    expect(store.getState().waiting).toMatchObject({
      edits: [{ label: 'mine' }],
      clashes: [{ place: 'name', mine: 'Mine', stored: 'Theirs' }],
    });
    expect(nameOf()).toBe('Theirs');
    expect(store.getState().unsaved()).toBe(true);
  });

  test('goes on top of the other change when asked to', async () => {
    store.getState().putOnTop();
    expect(nameOf()).toBe('Mine');
    await idle();
    expect(store.getState().waiting).toBeUndefined();
    expect((server.bundle as SeatBundle).drafts[0]).toMatchObject({ revision: 3, body: { name: 'Mine' } });
    expect(store.getState().unsaved()).toBe(false);
  });

  test('is left out when asked to', () => {
    store.getState().forget();
    expect(store.getState().waiting).toBeUndefined();
    expect(nameOf()).toBe('Theirs');
  });

  test('can be overtaken again, and is offered again', async () => {
    server.beforeSave = () => elsewhere('s.a', rename('Theirs again'));
    store.getState().putOnTop();
    await idle();
    expect(store.getState().waiting).toMatchObject({ clashes: [{ mine: 'Mine', stored: 'Theirs again' }] });
  });

  test('is not dropped by the next edit, which is saved', async () => {
    store.getState().editDraft({ kind: 'memory-profile', profile: 'off' }, 'next');
    await idle();
    expect((server.bundle as SeatBundle).drafts[0]?.body).toMatchObject({ name: 'Theirs', memoryProfile: 'off' });
    expect(store.getState().waiting?.edits.map(({ label }) => label)).toEqual(['mine']);
    store.getState().putOnTop();
    await idle();
    expect((server.bundle as SeatBundle).drafts[0]?.body).toMatchObject({ name: 'Mine', memoryProfile: 'off' });
  });

  test('several are decided one by one', async () => {
    elsewhere('s.a', { kind: 'memory-profile', profile: 'off' });
    store.getState().editDraft({ kind: 'memory-profile', profile: 'on' }, 'profile');
    // the profile was on before: nothing to change, nothing to clash
    await idle();
    elsewhere('s.b', rename('Theirs B'));
    store.getState().selectDraft('s.b');
    store.getState().editDraft(rename('Mine B'), 'mine b');
    await idle();
    expect(store.getState().waiting?.edits.map(({ label }) => label)).toEqual(['mine', 'mine b']);
    store.getState().forget(0);
    expect(store.getState().waiting).toMatchObject({ edits: [{ label: 'mine b' }] });
    store.getState().putOnTop(0);
    await idle();
    expect(store.getState().waiting).toBeUndefined();
    expect((server.bundle as SeatBundle).drafts.map(({ body }) => body.name)).toEqual(['Theirs', 'Mine B']);
  });
});

test('what is edited while the other version is loaded waits with the rest', async () => {
  elsewhere('s.a', rename('Theirs'));
  server.beforeLoad = () => store.getState().editDraft({ kind: 'memory-profile', profile: 'off' }, 'meanwhile');
  store.getState().editDraft(rename('Mine'), 'mine');
  await idle();
  expect(store.getState().waiting?.edits.map(({ label }) => label)).toEqual(['mine', 'meanwhile']);
  store.getState().putOnTop();
  await idle();
  expect((server.bundle as SeatBundle).drafts[0]?.body).toMatchObject({ name: 'Mine', memoryProfile: 'off' });
});

describe('a page that is left', () => {
  /** A storage that outlives the page. */
  const kept = () => {
    let text = '[]';
    return {
      read: () => JSON.parse(text) as never,
      write: (value: unknown) => (text = JSON.stringify(value)),
      empty: () => text === '[]',
    };
  };

  test('with the app away: the next page takes the edits up and saves them, and forgets them then', async () => {
    const storage = kept();
    store = createSeatStore(bundleOf(), storage);
    server.down = true;
    store.getState().editDraft(rename('One'), 'first');
    store.getState().editBrief({ kind: 'set-budget', budgetMinor: 7 }, 'budget');
    await idle();
    expect(storage.empty()).toBe(false);
    // another page, the app back
    server.down = false;
    store = createSeatStore(structuredClone(server.bundle) as SeatBundle, storage);
    store.getState().takeUp();
    // an effect may run twice
    store.getState().takeUp();
    expect(nameOf()).toBe('One');
    await idle();
    expect((server.bundle as SeatBundle).drafts[0]?.body.name).toBe('One');
    expect((server.bundle as SeatBundle).brief.body.budgetMinor).toBe(7);
    expect(storage.empty()).toBe(true);
  });

  test('with something to decide: the next page asks again', async () => {
    const storage = kept();
    store = createSeatStore(bundleOf(), storage);
    elsewhere('s.a', rename('Theirs'));
    store.getState().editDraft(rename('Mine'), 'mine');
    await idle();
    store = createSeatStore(structuredClone(server.bundle) as SeatBundle, storage);
    store.getState().takeUp();
    await idle();
    expect(store.getState().waiting).toMatchObject({ clashes: [{ mine: 'Mine', stored: 'Theirs' }] });
    expect((server.bundle as SeatBundle).drafts[0]?.body.name).toBe('Theirs');
    store.getState().forget();
    expect(storage.empty()).toBe(true);
  });

  test('while somebody changed the same: it is asked, not overwritten', async () => {
    const storage = kept();
    store = createSeatStore(bundleOf(), storage);
    server.down = true;
    store.getState().editDraft(rename('Mine'), 'mine');
    await idle();
    server.down = false;
    elsewhere('s.a', rename('Theirs'));
    store = createSeatStore(structuredClone(server.bundle) as SeatBundle, storage);
    store.getState().takeUp();
    await idle();
    expect(nameOf()).toBe('Theirs');
    expect(store.getState().waiting?.edits.map(({ label }) => label)).toEqual(['mine']);
  });
});

describe('trouble', () => {
  test('without the app the edit stays on the page and can be tried again', async () => {
    server.down = true;
    store.getState().editDraft(rename('One'), 'first');
    await idle();
    expect(store.getState().saving.state).toBe('failed');
    expect(nameOf()).toBe('One');
    server.down = false;
    store.getState().retry();
    await idle();
    expect(store.getState().saving.state).toBe('saved');
    expect((server.bundle as SeatBundle).drafts[0]?.body.name).toBe('One');
  });

  test('a refused edit is taken back and its problem told', async () => {
    store.getState().editDraft(rename('refuse me'), 'bad');
    await idle();
    expect(store.getState().refused).toEqual([{ path: 'name', message: 'is refused' }]);
    expect(nameOf()).toBe('Test machine');
  });

  test('an edit of a draft that is gone does not stop the ones behind it', async () => {
    store.getState().selectDraft('s.b');
    server.bundle = { ...(server.bundle as SeatBundle), drafts: (server.bundle as SeatBundle).drafts.slice(0, 1) };
    store.getState().editDraft(rename('Lost'), 'lost');
    await idle();
    // the seat is shown as it is stored, on a draft that exists; the edit is told, not lost
    expect(store.getState().draftId).toBe('s.a');
    expect(store.getState().waiting).toMatchObject({ edits: [{ label: 'lost' }], clashes: [{ stored: 'removed' }] });
  });

  test('undo waits while something is being saved', async () => {
    store.getState().editDraft(rename('One'), 'first');
    await store.getState().step('undo');
    expect(store.getState().told).toBeUndefined();
    await idle();
    await store.getState().step('undo');
    expect(store.getState().told).toBe('Undone: an edit');
  });
});

describe('a step that is asked about', () => {
  const foreign = { seq: 7, label: 'Swap', at: '2026-05-18T07:00:00Z', mine: false };
  const withStep = (undo: object) => {
    const { bundle } = store.getState();
    store.setState({ bundle: { ...bundle, steps: { undo, redo: undefined } } as never });
  };

  test('another window’s is taken back by its number only when that is agreed to', async () => {
    withStep(foreign);
    await store.getState().step('undo');
    expect(server.steps).toEqual([]);
    expect(store.getState().asked).toMatchObject({ state: 'foreign', label: 'Swap' });
    store.getState().leave();
    expect(store.getState().asked).toBeUndefined();
    await store.getState().step('undo', { seq: 7 });
    expect(server.steps).toEqual([['undo', { window: '', seq: 7 }]]);
    expect(store.getState().told).toBe('Undone: an edit');
  });

  test('what it would overwrite is shown, and goes when that is agreed to', async () => {
    withStep({ ...foreign, mine: true });
    server.stepped = { state: 'overwrites', label: 'Swap', seq: 7, places: [{ place: 'name', now: 'B', then: 'A' }] };
    await store.getState().step('undo');
    expect(store.getState().asked).toMatchObject({ state: 'overwrites', direction: 'undo', places: [{ now: 'B' }] });
    server.stepped = { state: 'done', label: 'Swap' };
    await store.getState().step('undo', { seq: 7, anyway: true });
    expect(server.steps.at(-1)).toEqual(['undo', { window: '', seq: 7, anyway: true }]);
    expect([store.getState().asked, store.getState().told]).toEqual([undefined, 'Undone: Swap']);
  });

  test('without anything to step, that is said', async () => {
    server.stepped = { state: 'nothing' };
    await store.getState().step('redo');
    expect(store.getState().told).toBe('Nothing to redo.');
  });
});

describe('what the page knows', () => {
  test('parts that candidates bring are kept, once, and previews end with an edit', async () => {
    const extra = { ...dataOf().parts[3], id: 'new-card', name: 'New' } as ReturnType<typeof dataOf>['parts'][number];
    store.getState().know({ parts: [extra, extra], offers: [] });
    const context = store.getState().context;
    expect(context.catalogue.part('new-card')?.name).toBe('New');
    store.getState().know({ parts: [extra], offers: [] });
    // nothing new: the catalogue is not compiled again
    expect(store.getState().context).toBe(context);
    store.getState().look(machineOf());
    store.getState().editDraft(rename('One'), 'x');
    expect(store.getState().preview).toBeUndefined();
    await idle();
    expect(store.getState().context.catalogue.part('new-card')).toBeDefined();
  });

  test('an assessment is computed once for the same machine, brief and catalogue', () => {
    const { context, bundle } = store.getState();
    const machine = bundle.drafts[0]?.body ?? machineOf();
    const first = assessmentOf(machine, bundle.brief.body, context);
    expect(assessmentOf(machine, bundle.brief.body, context)).toBe(first);
    expect(assessmentOf({ ...machine }, bundle.brief.body, context)).not.toBe(first);
  });

  test('choosing a position opens the tray, leaving it the findings', () => {
    store.getState().choose({ kind: 'graphics', item: 'card-1' });
    expect(store.getState().panel).toBe('tray');
    store.getState().choose(undefined);
    expect(store.getState().panel).toBe('findings');
    store.getState().choose({ kind: 'graphics', item: 'card-1' });
    store.getState().show('findings');
    expect(store.getState().position).toBeUndefined();
  });
});
