import type { Action } from '../rules/actions';

/** Headings of the findings list: what is to be done. */
export const ACTION_WORDS: Readonly<Record<Action, string>> = {
  change: 'Change before ordering',
  work: 'The work',
  add: 'Add',
  'find-out': 'Find out',
  settle: 'Settle on the bench',
  weigh: 'Weigh',
  save: 'More than the brief uses',
  know: 'Good to know',
};
