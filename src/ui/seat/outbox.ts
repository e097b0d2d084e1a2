import type { Brief } from '@/core/model/brief';
import { editBrief, editMachine, type BriefEdit, type MachineEdit } from '@/core/model/edits';
import type { Machine } from '@/core/model/machine';

/** One edit on its way to the database. */
export type Pending =
  | { readonly document: 'brief'; readonly id: string; readonly edit: BriefEdit; readonly label: string }
  | { readonly document: 'draft'; readonly id: string; readonly edit: MachineEdit; readonly label: string };

export type Body = Brief | Machine;

/** A document with an edit made. */
export const withEdit = (body: Body, { document, edit }: Pending): Body =>
  document === 'brief' ? editBrief(body as Brief, edit) : editMachine(body as Machine, edit);

/** A place of a document that two windows changed, and not to the same. */
export interface Clash {
  readonly place: string;
  readonly mine: unknown;
  readonly stored: unknown;
}

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Entries of a list by their ids; undefined when they have none, so that only the whole list can be compared. */
function byId(list: unknown): Map<string, unknown> | undefined {
  if (!Array.isArray(list)) return undefined;
  const entries = new Map<string, unknown>();
  for (const entry of list) {
    if (!isObject(entry) || typeof entry['id'] !== 'string') return undefined;
    entries.set(entry['id'], entry);
  }
  return entries;
}

/** Members of a value by name, or of a list by id; undefined for what has no parts. */
const partsOf = (value: unknown): Map<string, unknown> | undefined =>
  isObject(value) ? new Map(Object.entries(value)) : byId(value);

/**
 * Places that differ between two states of a document: `items/card-1/part`. Entries of lists are told by their ids, so
 * that one that came does not move the others.
 */
export function changedPlaces(before: unknown, after: unknown, place = ''): string[] {
  if (before === after) return [];
  const [a, b] = [partsOf(before), partsOf(after)];
  if (!a || !b) return JSON.stringify(before) === JSON.stringify(after) ? [] : [place];
  return [...new Set([...a.keys(), ...b.keys()])].flatMap((name) =>
    changedPlaces(a.get(name), b.get(name), place === '' ? name : `${place}/${name}`),
  );
}

/** What stands at a place. */
export function valueAt(body: unknown, place: string): unknown {
  let value: unknown = body;
  for (const name of place.split('/')) value = partsOf(value)?.get(name);
  return value;
}

const within = (place: string, other: string): boolean => place === other || place.startsWith(`${other}/`);

/**
 * Places that both sides changed since `base`, one inside the other included, and that do not say the same now. Without
 * any, both changes hold together.
 */
export function clashesOf(base: unknown, mine: unknown, stored: unknown): Clash[] {
  const theirs = changedPlaces(base, stored);
  return changedPlaces(base, mine)
    .filter((place) => theirs.some((other) => within(place, other) || within(other, place)))
    .map((place) => ({ place, mine: valueAt(mine, place), stored: valueAt(stored, place) }))
    .filter(({ mine: here, stored: there }) => JSON.stringify(here) !== JSON.stringify(there));
}

/** Edits of one document that are not acknowledged yet, with the document as it was stored when they were made. */
export interface Kept {
  readonly id: string;
  readonly base: Body | undefined;
  readonly edits: readonly Pending[];
}

/** Where a window keeps what is not acknowledged, until it is applied or given up. */
export interface Storage {
  readonly read: () => readonly Kept[];
  readonly write: (kept: readonly Kept[]) => void;
}

export const NOWHERE: Storage = { read: () => [], write: () => {} };

const PREFIX = 'vane not saved';

/** The page's own storage, a place for each window and seat; a browser that has none keeps nothing over a reload. */
export function pageStorage(seatId: string, window: string): Storage {
  const key = `${PREFIX} ${seatId} ${window}`;
  return {
    read: () => {
      try {
        return JSON.parse(localStorage.getItem(key) ?? '[]') as Kept[];
      } catch {
        return [];
      }
    },
    write: (kept) => {
      try {
        if (kept.length === 0) localStorage.removeItem(key);
        else localStorage.setItem(key, JSON.stringify(kept));
      } catch {
        // a full or forbidden storage: the edits stay in the page, and leaving it warns
      }
    },
  };
}

const WINDOW = 'vane window';

/** This window's name, the same over a reload. */
export function windowName(): string {
  try {
    const known = sessionStorage.getItem(WINDOW) ?? Math.random().toString(36).slice(2, 10);
    sessionStorage.setItem(WINDOW, known);
    return known;
  } catch {
    return 'only';
  }
}
