import type { Brief } from '@/core/model/brief';

export const taskName = ({ tasks }: Brief, id: string): string => tasks.find((task) => task.id === id)?.name ?? id;

/** A sitting by name; a task in none runs alone and lends its own. */
export const sittingName = (brief: Brief, id: string): string =>
  brief.sittings.find((sitting) => sitting.id === id)?.name ?? taskName(brief, id.replace(/^alone-/, ''));
