import type { Brief } from '@/core/model/brief';
import type { Machine } from '@/core/model/machine';
import { changedPlaces } from '@/core/model/places';
import type { SeatBundle, StoredBody } from '@/server/contract';
import { withEdit, type Body, type Pending } from './outbox';
import type { Waiting } from './state';

export const replace = <T>(
  list: readonly StoredBody<T>[],
  id: string,
  change: (entry: StoredBody<T>) => StoredBody<T>,
) => list.map((entry) => (entry.id === id ? change(entry) : entry));

/** The brief or the draft that an edit is of, as the page has it. */
export const bodyOf = (bundle: SeatBundle, { document, id }: Pick<Pending, 'document' | 'id'>): Body | undefined =>
  document === 'brief' ? bundle.brief.body : bundle.drafts.find((draft) => draft.id === id)?.body;

/** Applies an edit to the documents on the page, at once. */
export function applied(bundle: SeatBundle, pending: Pending): SeatBundle {
  const body = bodyOf(bundle, pending);
  if (!body) return bundle;
  const changed = withEdit(body, pending);
  return pending.document === 'brief'
    ? { ...bundle, brief: { ...bundle.brief, body: changed as Brief } }
    : { ...bundle, drafts: replace(bundle.drafts, pending.id, (draft) => ({ ...draft, body: changed as Machine })) };
}

/** The draft of that id, or the first. */
export const draftOr = (bundle: SeatBundle, id: string): string =>
  bundle.drafts.some((draft) => draft.id === id) ? id : (bundle.drafts[0]?.id ?? '');

/** What waits without one of its edits, or without any; places that the others do not touch are no clash any more. */
export function without({ edits, clashes }: Waiting, at: number | undefined, bundle: SeatBundle): Waiting | undefined {
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
