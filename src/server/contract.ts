import type { CatalogueData } from '@/core/formats/catalogueSchema';
import type { Brief } from '@/core/brief';
import type { Machine } from '@/core/machine';
import type { Problem } from '@/core/formats/problems';

/** A brief or draft with the revision that edits must name. */
export interface StoredBody<T> {
  readonly id: string;
  readonly revision: number;
  readonly body: T;
}

/** What undo and redo would do, in words. */
export interface Steps {
  readonly undo: string | undefined;
  readonly redo: string | undefined;
}

/** All a seat's screens need: its documents and the part of the catalogue that they and the rivals mention. */
export interface SeatBundle {
  readonly seat: {
    readonly id: string;
    readonly name: string;
    readonly projectId: string;
    readonly projectName: string;
  };
  readonly brief: StoredBody<Brief>;
  readonly drafts: readonly StoredBody<Machine>[];
  readonly data: CatalogueData;
  readonly catalogueRevision: number;
  readonly today: string;
  readonly steps: Steps;
}

export type SaveResult<T> =
  | { readonly state: 'saved'; readonly revision: number; readonly steps: Steps }
  | { readonly state: 'stale'; readonly revision: number; readonly body: T }
  | { readonly state: 'refused'; readonly problems: readonly Problem[] }
  | { readonly state: 'gone' };

export type ImportResult =
  | { readonly state: 'catalogue'; readonly added: number; readonly changed: number; readonly left: number }
  | { readonly state: 'case'; readonly seatId: string; readonly projectId: string; readonly machines: number }
  | { readonly state: 'refused'; readonly problems: readonly Problem[] };
