import { createStore } from 'zustand';
import { editIn } from '@/core/model/editIn';
import * as actions from '@/server/actions';
import type { SeatBundle } from '@/server/contract';
import { NOWHERE, type Storage } from './outbox';
import { contextFor, createOutbox } from './saving';
import type { SeatState, SeatStore } from './state';

const eachOnce = <T extends { readonly id: string }>(list: readonly T[]): T[] => [
  ...new Map(list.map((entry) => [entry.id as string, entry])).values(),
];

/** The page's copy of a seat: what is shown and chosen, and edits that show at once and are saved behind it. */
export function createSeatStore(bundle: SeatBundle, storage: Storage = NOWHERE, window = ''): SeatStore {
  return createStore<SeatState>()((set, get) => {
    const { push, take, idle, ...outbox } = createOutbox({ bundle, get, set, storage, window });
    return {
      ...outbox,
      bundle,
      context: contextFor(bundle),
      draftId: bundle.drafts[0]?.id ?? '',
      preview: undefined,
      position: undefined,
      panel: 'findings',
      sheet: undefined,
      phase: 'now',
      saving: { state: 'saved' },
      waiting: undefined,
      told: undefined,
      tell: (told) => set({ told }),
      asked: undefined,
      refused: [],
      editDraft: (edit, label, other) => {
        const { draftId, phase, bundle } = get();
        const id = other ?? draftId;
        const machine = bundle.drafts.find((draft) => draft.id === id)?.body;
        // of another draft nobody looks at a phase
        const within = id === draftId ? phase : 'now';
        push({ document: 'draft', id, edit: machine ? editIn(machine, within, edit) : edit, label });
      },
      open: (sheet) => set({ sheet, preview: undefined }),
      selectPhase: (phase) => set({ phase, preview: undefined, position: undefined, panel: 'findings' }),
      editBrief: (edit, label) => push({ document: 'brief', id: get().bundle.brief.id, edit, label }),
      know: ({ parts, offers }) => {
        const { data } = get().bundle;
        const known = new Set(data.parts.map((part) => part.id as string));
        const fresh = eachOnce(parts.filter((part) => !known.has(part.id)));
        if (fresh.length === 0) return;
        const ids = new Set(fresh.map((part) => part.id as string));
        const next = {
          ...get().bundle,
          data: {
            ...data,
            parts: [...data.parts, ...fresh],
            offers: eachOnce([...data.offers, ...offers.filter((offer) => ids.has(offer.part))]),
          },
        };
        set({ bundle: next, context: contextFor(next) });
      },
      choose: (position) => set({ position, preview: undefined, panel: position ? 'tray' : 'findings' }),
      show: (panel) => set({ panel, preview: undefined, ...(panel === 'findings' ? { position: undefined } : {}) }),
      look: (preview) => set({ preview }),
      selectDraft: (draftId) =>
        set({ draftId, phase: 'now', preview: undefined, position: undefined, panel: 'findings' }),
      step: async (direction, agreed) => {
        if (!idle()) return;
        const offer = get().bundle.steps.undo;
        if (direction === 'undo' && offer && !offer.mine && !agreed) {
          set({ asked: { state: 'foreign', ...offer } });
          return;
        }
        const seq = agreed?.seq ?? (direction === 'undo' ? offer?.seq : undefined);
        const result = await actions.stepSeat(get().bundle.seat.id, direction, {
          window,
          ...(seq === undefined ? {} : { seq }),
          ...(agreed?.anyway ? { anyway: true } : {}),
        });
        if ('state' in result) {
          set({ refused: result.problems, asked: undefined });
          return;
        }
        const { stepped, bundle: next } = result;
        if (next) take(next);
        if (stepped.state === 'overwrites') {
          set({ asked: { ...stepped, direction } });
          return;
        }
        set({
          asked: undefined,
          told:
            stepped.state === 'done'
              ? `${direction === 'undo' ? 'Undone' : 'Redone'}: ${stepped.label}`
              : `Nothing to ${direction}.`,
        });
      },
      leave: () => set({ asked: undefined }),
      fill: async (part, field, value) => {
        const result = await actions.fillFigure(get().bundle.seat.id, part, field, value, window);
        if (result.state === 'refused') return result.problems;
        if (result.bundle) take(result.bundle);
        return [];
      },
      refresh: async () => {
        const fresh = await actions.loadSeat(get().bundle.seat.id, window);
        if (fresh) take(fresh);
      },
      copy: async () => {
        const { bundle: next, id } = await actions.copyDraft(
          get().bundle.seat.id,
          get().draftId,
          get().bundle.seat.id,
          window,
        );
        if (next) take(next);
        if (id) get().selectDraft(id);
      },
      bring: async (fromSeat, documentId) => {
        const { bundle: next, id } = await actions.copyDraft(get().bundle.seat.id, documentId, fromSeat, window);
        if (next) take(next);
        if (id) get().selectDraft(id);
      },
      adopt: async (found, goods) => {
        const { bundle: now, draftId } = get();
        const draft = now.drafts.find(({ id }) => id === draftId)?.body;
        // what is there already is named, not found
        if (draft?.items.length === 0 && draft.present !== true) {
          if (goods) get().know(goods);
          const edits = found.items.map((item) => ({ kind: 'add' as const, item }));
          get().editDraft({ kind: 'several', edits }, 'The machine that was found');
          return [];
        }
        const answer = await actions.addFound(now.seat.id, found, window);
        if ('state' in answer) return answer.problems;
        if (answer.bundle) take(answer.bundle);
        if (answer.id) get().selectDraft(answer.id);
        return [];
      },
      drop: async () => {
        const next = await actions.dropDraft(get().bundle.seat.id, get().draftId, window);
        if (next) take(next);
      },
    };
  });
}
