import type { ReactNode } from 'react';

/** What stands beneath a field: what is wrong with it, told at once to who cannot see it, else a hint. */
export const wrongOr = (wrong: string | undefined, hint?: string): ReactNode =>
  wrong === undefined ? hint : <span role="alert">{wrong}</span>;
