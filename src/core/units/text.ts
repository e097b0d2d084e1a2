/** Text to compare: without case, accents and compatibility forms, in any script. */
export const folded = (text: string): string => text.normalize('NFKD').replace(/\p{M}/gu, '').toLowerCase();
