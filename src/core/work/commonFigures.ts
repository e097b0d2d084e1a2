import type { Figure } from './trade';

/** Figures that several trades ask for: one wording for each, under the name that a trade has for it. */
export const DONE_WITHIN: Figure = {
  label: 'Done within',
  unit: 'min',
  explains: 'As long as one is willing to wait.',
};

export const LONGEST_RUN: Figure = {
  label: 'Longest a run may take',
  unit: 'min',
  explains: 'Without one nothing is asked of its speed.',
};

export const encodedAs = (label: string): Figure => ({
  label,
  explains: 'Decides which engines encode it, and how dear software is.',
});

export const chromaNamed = (label: string): Figure => ({
  label,
  explains: 'Engines take some samplings of a codec and not others.',
});

export const depthNamed = (label: string): Figure => ({
  label,
  explains: 'Engines take some depths of a codec and not others.',
});
