'use client';

import { createContext, useContext } from 'react';
import { createStore, useStore, type StoreApi } from 'zustand';
import { subjectOf, contextOf, type Assessment, type Context } from '@/core/assess';
import { measuredMachines } from '@/core/evidence/comparable';
import type { Brief } from '@/core/model/brief';
import { compileCatalogue } from '@/core/model/catalogue';
import type { BriefEdit, MachineEdit } from '@/core/model/edits';
import type { Offer } from '@/core/model/catalogueSchema';
import type { Problem } from '@/core/formats/problems';
import type { Machine, Phase } from '@/core/model/machine';
import type { Part } from '@/core/parts';
import { editIn } from '@/core/model/editIn';
import { inPhase } from '@/core/model/phases';
import type { Currency } from '@/core/units/money';
import type { Position } from '@/core/search/candidates';
import * as actions from '@/server/actions';
import type { SeatBundle, StepOffer, Stepped, StoredBody } from '@/server/contract';
import { changedPlaces, clashesOf, type Clash } from '@/core/model/places';
import { NOWHERE, withEdit, type Body, type Kept, type Pending, type Storage } from './outbox';

export type Saving =
  { readonly state: 'saved' } | { readonly state: 'saving' } | { readonly state: 'failed'; readonly message: string };

/** Edits that somebody has to decide on: the same places were changed elsewhere meanwhile. */
export interface Waiting {
  readonly edits: readonly Pending[];
  readonly clashes: readonly (Clash & { readonly id: string })[];
}

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
  readonly waiting: Waiting | undefined;
  readonly told: string | undefined;
  /** Says something in the ledger until something else is said. */
  readonly tell: (text: string) => void;
  /** A step that waits for a decision. */
  readonly asked: Asked | undefined;
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
  /** Takes this window's last step back or forward; what it would overwrite, and another window's step, is asked first. */
  step: (direction: 'undo' | 'redo', agreed?: { readonly seq: number; readonly anyway?: boolean }) => Promise<void>;
  /** Leaves things as they are when a step was asked about. */
  leave: () => void;
  fill: (part: string, field: string, value: number) => Promise<readonly Problem[]>;
  /** Takes what is stored now, after something outside the seat changed it. */
  refresh: () => Promise<void>;
  copy: () => Promise<void>;
  /** Copies a draft of another seat into this one. */
  bring: (fromSeat: string, documentId: string) => Promise<void>;
  /** Makes a machine that was found a draft: the present one where it has no parts yet, else a new one. */
  adopt: (found: Machine, parts: readonly Part[], offers: readonly Offer[]) => Promise<readonly Problem[]>;
  drop: () => Promise<void>;
  /** Puts edits that wait on top of what is stored: one by its place, or all. */
  putOnTop: (at?: number) => void;
  /** Gives edits that wait up. */
  forget: (at?: number) => void;
  /** Takes up what an earlier page of this window left unsaved. */
  takeUp: () => void;
  /** Whether something here is not stored yet. */
  unsaved: () => boolean;
  retry: () => void;
}

/** A step of another window, or one that would overwrite what was changed since. */
export type Asked =
  | ({ readonly state: 'foreign' } & StepOffer)
  | (Extract<Stepped, { state: 'overwrites' }> & { readonly direction: 'undo' | 'redo' });

export type DraftSheet = 'memory' | 'firmware' | 'compare' | 'side' | 'find';

export type SeatStore = StoreApi<SeatState>;

const replace = <T>(list: readonly StoredBody<T>[], id: string, change: (entry: StoredBody<T>) => StoredBody<T>) =>
  list.map((entry) => (entry.id === id ? change(entry) : entry));

const bodyOf = (bundle: SeatBundle, { document, id }: Pick<Pending, 'document' | 'id'>): Body | undefined =>
  document === 'brief' ? bundle.brief.body : bundle.drafts.find((draft) => draft.id === id)?.body;

/** Applies an edit to the documents on the page, at once. */
function applied(bundle: SeatBundle, pending: Pending): SeatBundle {
  const body = bodyOf(bundle, pending);
  if (!body) return bundle;
  const changed = withEdit(body, pending);
  return pending.document === 'brief'
    ? { ...bundle, brief: { ...bundle.brief, body: changed as Brief } }
    : { ...bundle, drafts: replace(bundle.drafts, pending.id, (draft) => ({ ...draft, body: changed as Machine })) };
}

const draftOr = (bundle: SeatBundle, id: string): string =>
  bundle.drafts.some((draft) => draft.id === id) ? id : (bundle.drafts[0]?.id ?? '');

/** Times that a save is tried again on what somebody else has stored meanwhile. */
const MOST_OVERTAKEN = 20;

/**
 * The page's copy of a seat. Edits show at once and are saved one after the other, each with the revision it was based
 * on. When someone else saved in between, edits of other places go on top by themselves; those of the same places wait
 * for a decision. What is not acknowledged is kept in the page's storage until it is applied or given up.
 */
export function createSeatStore(bundle: SeatBundle, storage: Storage = NOWHERE, window = ''): SeatStore {
  let queue: Pending[] = [];
  let running = false;
  let takenUp = false;
  /** Documents as they were last known to be stored, by id. */
  const stored = new Map<string, Body>();
  const learn = ({ brief, drafts }: SeatBundle) => {
    stored.clear();
    for (const { id, body } of [brief, ...drafts]) stored.set(id, body);
  };
  learn(bundle);
  /** What edits that wait were made on, by document: a reload asks about them again. */
  const bases = new Map<string, Body | undefined>();

  return createStore<SeatState>()((set, get) => {
    const measuredOf = (next: SeatBundle) => [...next.drafts.map((draft) => draft.body), ...next.measuredElsewhere];
    const contextFor = (next: SeatBundle) =>
      contextOf(compileCatalogue(next.data), next.today, next.settings, measuredOf(next));

    /** Writes down what is not acknowledged, so that a page that is left or lost does not take it along. */
    const keep = () => {
      const grouped = (edits: readonly Pending[], baseOf: (id: string) => Body | undefined): Kept[] =>
        [...new Set(edits.map(({ id }) => id))].map((id) => ({
          id,
          base: baseOf(id),
          edits: edits.filter((pending) => pending.id === id),
        }));
      storage.write([
        ...grouped(get().waiting?.edits ?? [], (id) => bases.get(id)),
        ...grouped(queue, (id) => stored.get(id)),
      ]);
    };
    /** Sets edits of a document aside for somebody to decide, when they meet what is stored; says whether they do. */
    const asks = (edits: readonly Pending[], base: Body | undefined, theirs: Body | undefined): boolean => {
      const [first] = edits;
      if (!first) return false;
      const clashes =
        base && theirs
          ? clashesOf(base, edits.reduce(withEdit, base), theirs)
          : [{ place: 'draft', mine: first.label, stored: 'removed' }];
      if (clashes.length === 0) return false;
      const before = get().waiting;
      if (!before?.edits.some(({ id }) => id === first.id)) bases.set(first.id, base);
      set({
        waiting: {
          edits: [...(before?.edits ?? []), ...edits],
          clashes: [...(before?.clashes ?? []), ...clashes.map((clash) => ({ ...clash, id: first.id }))],
        },
      });
      return true;
    };

    /** What came from the server, with the edits that are still on their way put on top. */
    const take = (next: SeatBundle) => {
      const before = get().bundle;
      learn(next);
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

    /** Someone else saved this document: what does not meet goes on top, the rest waits. */
    const overtaken = async (first: Pending): Promise<void> => {
      const fresh = await actions.loadSeat(get().bundle.seat.id, window);
      if (!fresh) throw new Error('the seat cannot be loaded');
      // only now: more may have been edited while it was loaded
      const mine = queue.filter((pending) => pending.id === first.id);
      if (asks(mine, stored.get(first.id), bodyOf(fresh, first)))
        queue = queue.filter((pending) => pending.id !== first.id);
      take(fresh);
      keep();
    };

    /** What was saved is no longer on its way. */
    const acknowledge = ({ id, document }: Pending, revision: number, steps: SeatBundle['steps']) => {
      const [done, ...rest] = queue;
      const base = stored.get(id);
      if (done && base) stored.set(id, withEdit(base, done));
      queue = rest;
      keep();
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
    };

    const drain = async (): Promise<void> => {
      if (running) return;
      running = true;
      set({ saving: { state: 'saving' } });
      try {
        let overtakes = 0;
        for (let next = queue[0]; next; next = queue[0]) {
          const { bundle: now } = get();
          const document = next.document === 'brief' ? now.brief : now.drafts.find((draft) => draft.id === next?.id);
          if (!document) {
            await overtaken(next);
            continue;
          }
          const target = {
            seatId: now.seat.id,
            documentId: document.id,
            base: document.revision,
            label: next.label,
            window,
          };
          const result =
            next.document === 'brief'
              ? await actions.saveBriefEdit(target, next.edit)
              : await actions.saveDraftEdit(target, next.edit);
          if (result.state === 'saved') acknowledge(next, result.revision, result.steps);
          else if (result.state === 'trouble') {
            set({
              saving: { state: 'failed', message: `The change is not saved yet, it is kept here. ${result.message}` },
            });
            return;
          } else if (result.state === 'refused') {
            queue = queue.slice(1);
            keep();
            set({ refused: result.problems });
            const fresh = await actions.loadSeat(now.seat.id, window);
            if (fresh) take(fresh);
          } else if (++overtakes > MOST_OVERTAKEN) {
            set({
              saving: { state: 'failed', message: 'Another window saves all the time. The change is kept here.' },
            });
            return;
          } else await overtaken(next);
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
      keep();
      set((state) => {
        const next = applied(state.bundle, pending);
        // what is measured on one machine counts for the others that are like it
        const measures = pending.document === 'draft' && pending.edit.kind === 'evidence';
        return {
          bundle: next,
          preview: undefined,
          told: undefined,
          asked: undefined,
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
      waiting: undefined,
      told: undefined,
      tell: (told) => set({ told }),
      asked: undefined,
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
      step: async (direction, agreed) => {
        if (running || queue.length > 0) return;
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
      adopt: async (found, parts, offers) => {
        const { bundle: now, draftId } = get();
        const draft = now.drafts.find(({ id }) => id === draftId)?.body;
        // what is there already is named, not found
        if (draft?.items.length === 0 && draft.present !== true) {
          get().know(parts, offers);
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
      putOnTop: (at) => {
        const { waiting } = get();
        if (!waiting) return;
        const chosen = waiting.edits.filter((_, i) => at === undefined || i === at);
        queue = [...queue, ...chosen];
        set((state) => ({
          waiting: without(waiting, at, state.bundle),
          bundle: chosen.reduce(applied, state.bundle),
        }));
        keep();
        void drain();
      },
      forget: (at) => {
        const { waiting, bundle: now } = get();
        if (waiting) set({ waiting: without(waiting, at, now) });
        keep();
      },
      unsaved: () => queue.length > 0 || get().waiting !== undefined,
      retry: () => void drain(),
      takeUp: () => {
        if (takenUp) return;
        takenUp = true;
        // the page came without knowing which window it would be shown in
        if (window !== '')
          void actions
            .seatSteps(get().bundle.seat.id, window)
            .then((steps) => set(({ bundle: now }) => ({ bundle: { ...now, steps } })))
            .catch(() => undefined);
        for (const { base, edits } of storage.read()) {
          const [first] = edits;
          if (asks(edits, base, first && bodyOf(get().bundle, first))) continue;
          queue = [...queue, ...edits];
          set((state) => ({ bundle: edits.reduce(applied, state.bundle) }));
        }
        keep();
        if (queue.length > 0) void drain();
      },
    };
  });
}

/** What waits without one of its edits, or without any; places that the others do not touch are no clash any more. */
function without({ edits, clashes }: Waiting, at: number | undefined, bundle: SeatBundle): Waiting | undefined {
  const left = edits.filter((_, i) => at !== undefined && i !== at);
  if (left.length === 0) return undefined;
  const touches = (pending: Pending, place: string): boolean => {
    const body = bodyOf(bundle, pending);
    return !body || changedPlaces(body, withEdit(body, pending)).includes(place);
  };
  return {
    edits: left,
    clashes: clashes.filter(({ id, place }) => left.some((pending) => pending.id === id && touches(pending, place))),
  };
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
