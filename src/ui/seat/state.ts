import type { StoreApi } from 'zustand';
import type { Context } from '@/core/assess';
import type { Problem } from '@/core/formats/problems';
import type { Goods } from '@/core/model/catalogue';
import type { BriefEdit, MachineEdit } from '@/core/model/edits';
import type { Machine } from '@/core/model/machine';
import type { Clash } from '@/core/model/places';
import type { Position } from '@/core/search/candidates';
import type { SeatBundle, StepOffer, Stepped } from '@/server/contract';
import type { Pending } from './outbox';

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
  readonly phase: string;
  readonly saving: Saving;
  readonly waiting: Waiting | undefined;
  readonly told: string | undefined;
  /** Says something, until it is heard. */
  readonly tell: (text: string | undefined) => void;
  /** A step that waits for a decision. */
  readonly asked: Asked | undefined;
  readonly refused: readonly Problem[];
  /** Changes the chosen draft, or another one of the seat. */
  editDraft: (edit: MachineEdit, label: string, other?: string) => void;
  editBrief: (edit: BriefEdit, label: string) => void;
  /** Takes in parts that the page did not have, with all that is needed to judge a machine of them. */
  know: (goods: Goods) => void;
  choose: (position: Position | undefined) => void;
  show: (panel: 'findings' | 'tray') => void;
  open: (sheet: DraftSheet | undefined) => void;
  selectPhase: (phase: string) => void;
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
  adopt: (found: Machine, goods: Goods | undefined) => Promise<readonly Problem[]>;
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
