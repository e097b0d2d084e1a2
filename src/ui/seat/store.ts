'use client';

import { createContext, useContext } from 'react';
import { createStore, useStore, type StoreApi } from 'zustand';
import { subjectOf, contextOf, type Assessment, type Context } from '@/core/assess';
import { measuredMachines } from '@/core/evidence/comparable';
import type { Brief } from '@/core/model/brief';
import { compileCatalogue } from '@/core/model/catalogue';
import { editBrief, editMachine, type BriefEdit, type MachineEdit } from '@/core/model/edits';
import type { Offer } from '@/core/model/catalogueSchema';
import type { Problem } from '@/core/formats/problems';
import type { Machine, Phase } from '@/core/model/machine';
import type { Part } from '@/core/parts';
import { editIn } from '@/core/model/editIn';
import { inPhase } from '@/core/model/phases';
import type { Currency } from '@/core/units/money';
import type { Position } from '@/core/search/candidates';
import * as actions from '@/server/actions';
import type { SeatBundle, StoredBody } from '@/server/contract';

/** One edit on its way to the database. */
type Pending =
  | { readonly document: 'brief'; readonly id: string; readonly edit: BriefEdit; readonly label: string }
  | { readonly document: 'draft'; readonly id: string; readonly edit: MachineEdit; readonly label: string };

export type Saving =
  | { readonly state: 'saved' }
  | { readonly state: 'saving' }
  | { readonly state: 'failed'; readonly message: string }
  | { readonly state: 'stale'; readonly label: string; readonly edits: readonly Pending[] };

export interface SeatState {
  readonly bundle: SeatBundle;
  readonly context: Context;
  readonly draftId: string;
  /** A machine shown in place of the draft while a candidate is looked at. */
  readonly preview: Machine | undefined;
  readonly position: Position | undefined;
  readonly panel: 'findings' | 'tray';
  /** What the middle of the Draft shows instead of the map. */
  readonly sheet: DraftSheet | undefined;
  /** The phase of the machine that is looked at and edited. */
  readonly phase: Phase;
  readonly saving: Saving;
  readonly told: string | undefined;
  readonly refused: readonly Problem[];
  editDraft: (edit: MachineEdit, label: string) => void;
  editBrief: (edit: BriefEdit, label: string) => void;
  know: (parts: readonly Part[], offers: readonly Offer[]) => void;
  choose: (position: Position | undefined) => void;
  show: (panel: 'findings' | 'tray') => void;
  open: (sheet: DraftSheet | undefined) => void;
  selectPhase: (phase: Phase) => void;
  look: (preview: Machine | undefined) => void;
  selectDraft: (id: string) => void;
  step: (direction: 'undo' | 'redo') => Promise<void>;
  fill: (part: string, field: string, value: number) => Promise<readonly Problem[]>;
  /** Takes what is stored now, after something outside the seat changed it. */
  refresh: () => Promise<void>;
  copy: () => Promise<void>;
  /** Copies a draft of another seat into this one. */
  bring: (fromSeat: string, documentId: string) => Promise<void>;
  drop: () => Promise<void>;
  putOnTop: () => void;
  forget: () => void;
  retry: () => void;
}

export type DraftSheet = 'memory' | 'firmware' | 'compare' | 'side';

export type SeatStore = StoreApi<SeatState>;

const replace = <T>(list: readonly StoredBody<T>[], id: string, change: (entry: StoredBody<T>) => StoredBody<T>) =>
  list.map((entry) => (entry.id === id ? change(entry) : entry));

/** Applies an edit to the documents on the page, at once. */
function applied(bundle: SeatBundle, pending: Pending): SeatBundle {
  return pending.document === 'brief'
    ? { ...bundle, brief: { ...bundle.brief, body: editBrief(bundle.brief.body, pending.edit) } }
    : {
        ...bundle,
        drafts: replace(bundle.drafts, pending.id, (draft) => ({
          ...draft,
          body: editMachine(draft.body, pending.edit),
        })),
      };
}

const draftOr = (bundle: SeatBundle, id: string): string =>
  bundle.drafts.some((draft) => draft.id === id) ? id : (bundle.drafts[0]?.id ?? '');

/**
 * The page's copy of a seat. Edits show at once and are saved one after the other, each with the revision it was based
 * on; when someone else saved in between, the edits wait and are offered again on top of what is stored now.
 */
export function createSeatStore(bundle: SeatBundle): SeatStore {
  let queue: Pending[] = [];
  let running = false;

  return createStore<SeatState>()((set, get) => {
    const measuredOf = (next: SeatBundle) => [...next.drafts.map((draft) => draft.body), ...next.measuredElsewhere];
    const contextFor = (next: SeatBundle) =>
      contextOf(compileCatalogue(next.data), next.today, next.settings, measuredOf(next));

    /** What came from the server, with the edits that are still on their way put on top. */
    const take = (next: SeatBundle) => {
      const before = get().bundle;
      const known = new Set(next.data.parts.map((part) => part.id as string));
      // parts that candidates brought stay known as long as the catalogue is the same
      const parts =
        next.catalogueRevision === before.catalogueRevision
          ? before.data.parts.filter((part) => !known.has(part.id))
          : [];
      const ids = new Set(parts.map((part) => part.id as string));
      const merged = queue.reduce(applied, {
        ...next,
        data: {
          ...next.data,
          parts: [...next.data.parts, ...parts],
          offers: [...next.data.offers, ...before.data.offers.filter((offer) => ids.has(offer.part))],
        },
      });
      set({ bundle: merged, context: contextFor(merged), draftId: draftOr(merged, get().draftId), preview: undefined });
    };

    const drain = async (): Promise<void> => {
      if (running) return;
      running = true;
      set({ saving: { state: 'saving' } });
      try {
        for (let next = queue[0]; next; next = queue[0]) {
          const { bundle: now } = get();
          const stored = next.document === 'brief' ? now.brief : now.drafts.find((draft) => draft.id === next?.id);
          if (!stored) {
            queue = queue.slice(1);
            continue;
          }
          const target = { seatId: now.seat.id, documentId: stored.id, base: stored.revision, label: next.label };
          const result =
            next.document === 'brief'
              ? await actions.saveBriefEdit(target, next.edit)
              : await actions.saveDraftEdit(target, next.edit);
          if (result.state === 'saved') {
            queue = queue.slice(1);
            const { revision, steps } = result;
            const { id, document } = next;
            set((state) => ({
              bundle: {
                ...state.bundle,
                steps,
                brief: document === 'brief' ? { ...state.bundle.brief, revision } : state.bundle.brief,
                drafts:
                  document === 'draft'
                    ? replace(state.bundle.drafts, id, (draft) => ({ ...draft, revision }))
                    : state.bundle.drafts,
              },
            }));
          } else if (result.state === 'trouble') {
            set({
              saving: { state: 'failed', message: `The change is not saved yet, it is kept here. ${result.message}` },
            });
            return;
          } else if (result.state === 'refused') {
            queue = [];
            set({ refused: result.problems });
            const fresh = await actions.loadSeat(now.seat.id);
            if (fresh) take(fresh);
          } else {
            const waiting = queue;
            queue = [];
            const fresh = await actions.loadSeat(now.seat.id);
            if (fresh) take(fresh);
            set({ saving: { state: 'stale', label: next.label, edits: waiting } });
            return;
          }
        }
        set({ saving: { state: 'saved' } });
      } catch {
        set({
          saving: {
            state: 'failed',
            message: 'The change is not saved yet: the app cannot be reached. It is kept here.',
          },
        });
      } finally {
        running = false;
      }
    };

    const push = (pending: Pending) => {
      queue = [...queue, pending];
      set((state) => {
        const next = applied(state.bundle, pending);
        // what is measured on one machine counts for the others that are like it
        const measures = pending.document === 'draft' && pending.edit.kind === 'evidence';
        return {
          bundle: next,
          preview: undefined,
          told: undefined,
          refused: [],
          ...(measures
            ? {
                context: {
                  ...state.context,
                  measured: measuredMachines(measuredOf(next), state.context.catalogue),
                },
              }
            : {}),
        };
      });
      void drain();
    };

    return {
      bundle,
      context: contextFor(bundle),
      draftId: bundle.drafts[0]?.id ?? '',
      preview: undefined,
      position: undefined,
      panel: 'findings',
      sheet: undefined,
      phase: 'now',
      saving: { state: 'saved' },
      told: undefined,
      refused: [],
      editDraft: (edit, label) => {
        const { draftId: id, phase, bundle } = get();
        const machine = bundle.drafts.find((draft) => draft.id === id)?.body;
        push({ document: 'draft', id, edit: machine ? editIn(machine, phase, edit) : edit, label });
      },
      open: (sheet) => set({ sheet, preview: undefined }),
      selectPhase: (phase) => set({ phase, preview: undefined, position: undefined, panel: 'findings' }),
      editBrief: (edit, label) => push({ document: 'brief', id: get().bundle.brief.id, edit, label }),
      know: (parts, offers) => {
        const { data } = get().bundle;
        const known = new Set(data.parts.map((part) => part.id as string));
        const fresh = [...new Map(parts.filter((part) => !known.has(part.id)).map((part) => [part.id, part])).values()];
        if (fresh.length === 0) return;
        const ids = new Set(fresh.map((part) => part.id as string));
        const had = new Set(data.offers.map((offer) => offer.id));
        const next = {
          ...get().bundle,
          data: {
            ...data,
            parts: [...data.parts, ...fresh],
            offers: [...data.offers, ...offers.filter((offer) => ids.has(offer.part) && !had.has(offer.id))],
          },
        };
        set({ bundle: next, context: contextFor(next) });
      },
      choose: (position) => set({ position, preview: undefined, panel: position ? 'tray' : 'findings' }),
      show: (panel) => set({ panel, preview: undefined, ...(panel === 'findings' ? { position: undefined } : {}) }),
      look: (preview) => set({ preview }),
      selectDraft: (draftId) =>
        set({ draftId, phase: 'now', preview: undefined, position: undefined, panel: 'findings' }),
      step: async (direction) => {
        if (running || queue.length > 0) return;
        const stepped = await actions.stepSeat(get().bundle.seat.id, direction);
        if ('state' in stepped) {
          set({ refused: stepped.problems });
          return;
        }
        const { label, bundle: next } = stepped;
        if (next) take(next);
        set({ told: label ? `${direction === 'undo' ? 'Undone' : 'Redone'}: ${label}` : `Nothing to ${direction}.` });
      },
      fill: async (part, field, value) => {
        const result = await actions.fillFigure(get().bundle.seat.id, part, field, value);
        if (result.state === 'refused') return result.problems;
        if (result.bundle) take(result.bundle);
        return [];
      },
      refresh: async () => {
        const fresh = await actions.loadSeat(get().bundle.seat.id);
        if (fresh) take(fresh);
      },
      copy: async () => {
        const { bundle: next, id } = await actions.copyDraft(get().bundle.seat.id, get().draftId);
        if (next) take(next);
        if (id) get().selectDraft(id);
      },
      bring: async (fromSeat, documentId) => {
        const { bundle: next, id } = await actions.copyDraft(get().bundle.seat.id, documentId, fromSeat);
        if (next) take(next);
        if (id) get().selectDraft(id);
      },
      drop: async () => {
        const next = await actions.dropDraft(get().bundle.seat.id, get().draftId);
        if (next) take(next);
      },
      putOnTop: () => {
        const { saving } = get();
        if (saving.state !== 'stale') return;
        queue = [...saving.edits];
        set((state) => ({ bundle: queue.reduce(applied, state.bundle) }));
        void drain();
      },
      forget: () => set({ saving: { state: 'saved' } }),
      retry: () => void drain(),
    };
  });
}

export const SeatContext = createContext<SeatStore | undefined>(undefined);

export function useSeatStore(): SeatStore {
  const store = useContext(SeatContext);
  if (!store) throw new Error('this component needs a seat around it');
  return store;
}

export const useSeat = <T>(selector: (state: SeatState) => T): T => useStore(useSeatStore(), selector);

const assessed = new WeakMap<Context, WeakMap<Brief, WeakMap<Machine, Assessment>>>();

/** Assessment of a machine, computed once for each machine, brief and catalogue: an unchanged object is a free key. */
export function assessmentOf(machine: Machine, brief: Brief, context: Context): Assessment {
  let briefs = assessed.get(context);
  if (!briefs) assessed.set(context, (briefs = new WeakMap()));
  let machines = briefs.get(brief);
  if (!machines) briefs.set(brief, (machines = new WeakMap()));
  let found = machines.get(machine);
  if (!found) machines.set(machine, (found = subjectOf(brief, context).assess(machine)));
  return found;
}

const EMPTY: Machine = { id: 'empty', name: 'Draft', items: [] };

/** The draft with both its phases, as saved. */
export const useWholeDraft = (): Machine =>
  useSeat((state) => state.bundle.drafts.find((draft) => draft.id === state.draftId)?.body ?? EMPTY);

/** The draft in the phase that is looked at, as saved, whatever is being previewed. */
export function useDraft(): Machine {
  const whole = useWholeDraft();
  const phase = useSeat((state) => state.phase);
  return inPhase(whole, phase);
}

/** The currency that this seat pays in. */
export const useCurrency = (): Currency =>
  useSeat((state) => state.context.catalogue.region(state.bundle.brief.body.region)?.currency ?? 'USD');

/** Assessment of what is on screen: the preview when there is one, else the draft. */
export function useAssessment(): Assessment {
  const draft = useDraft();
  const preview = useSeat((state) => state.preview);
  const brief = useSeat((state) => state.bundle.brief.body);
  const context = useSeat((state) => state.context);
  return assessmentOf(preview ?? draft, brief, context);
}

export function useDraftAssessment(): Assessment {
  const draft = useDraft();
  const brief = useSeat((state) => state.bundle.brief.body);
  const context = useSeat((state) => state.context);
  return assessmentOf(draft, brief, context);
}
