/** Longer texts are no machine that somebody says. */
export const LONGEST_SAID = 1000;
