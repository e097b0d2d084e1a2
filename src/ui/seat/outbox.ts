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
