/** A sentence whose values are changed in place needs room between its lines. */
export const SENTENCE = { lineHeight: '26px' } as const;
