import type { Brief } from '@/core/model/brief';
import type { BriefEdit } from '@/core/model/edits';

/** Changes the brief; the label is what the step is called when it is taken back. */
export type EditBrief = (edit: BriefEdit, label: string) => void;

/** What every part of the brief's page is given. */
export interface Editing {
  readonly brief: Brief;
  readonly edit: EditBrief;
}

/** The brief without its work: what holds for all of it. */
export type BriefTerms = Omit<Brief, 'tasks' | 'sittings'>;

export interface EditingTerms {
  readonly brief: BriefTerms;
  readonly edit: EditBrief;
}
