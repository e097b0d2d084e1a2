import { contextOf, type Context } from '@/core/assess';
import { measuredMachines } from '@/core/evidence/comparable';
import { pageCatalogue } from '@/core/model/needed';
import { clashesOf } from '@/core/model/places';
import * as actions from '@/server/actions';
import type { SeatBundle } from '@/server/contract';
import { applied, bodyOf, draftOr, replace, without } from './documents';
import { withEdit, type Body, type Kept, type Pending, type Storage } from './outbox';
import type { SeatState, SeatStore } from './state';

/** Times that a save is tried again on what somebody else has stored meanwhile. */
const MOST_OVERTAKEN = 20;

const measuredOf = (bundle: SeatBundle) => [...bundle.drafts.map((draft) => draft.body), ...bundle.measuredElsewhere];

/** What a bundle's machines are judged with. */
export const contextFor = (bundle: SeatBundle): Context =>
  contextOf(pageCatalogue(bundle.data), bundle.today, bundle.settings, measuredOf(bundle));

/** Edits on their way: what the store does about them. */
export interface Outbox extends Pick<SeatState, 'putOnTop' | 'forget' | 'unsaved' | 'retry' | 'takeUp'> {
  /** Makes an edit: it shows at once and is saved when its turn comes. */
  readonly push: (pending: Pending) => void;
  /** What came from the server, with the edits that are still on their way put on top. */
  readonly take: (next: SeatBundle) => void;
  /** Whether nothing is on its way. */
  readonly idle: () => boolean;
}

interface OutboxPlace {
  readonly bundle: SeatBundle;
  readonly get: () => SeatState;
  readonly set: SeatStore['setState'];
  readonly storage: Storage;
  readonly window: string;
}

/**
 * Saves edits one after the other, each with the revision it was based on. When someone else saved in between, edits of
 * other places go on top by themselves; those of the same places wait for a decision. What is not acknowledged is kept in
 * the page's storage until it is applied or given up.
 */
export function createOutbox({ bundle, get, set, storage, window }: OutboxPlace): Outbox {
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
    push,
    take,
    idle: () => !running && queue.length === 0,
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
}
