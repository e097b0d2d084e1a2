'use client';

import { useCallback, useState } from 'react';

const PREFIX = 'vane open';

function stored(key: string): boolean | undefined {
  try {
    const text = localStorage.getItem(`${PREFIX} ${key}`);
    return text === null ? undefined : text === 'yes';
  } catch {
    return undefined;
  }
}

/** Whether something is open, as it was left the last time in this browser; `usual` as long as nobody has touched it. */
export function useRemembered(key: string, usual: boolean): readonly [boolean, (open: boolean) => void] {
  const [left, setOpen] = useState(() => stored(key));
  const keep = useCallback(
    (next: boolean) => {
      setOpen(next);
      try {
        localStorage.setItem(`${PREFIX} ${key}`, next ? 'yes' : 'no');
      } catch {
        // a browser that keeps nothing: it is open or closed for now
      }
    },
    [key],
  );
  return [left ?? usual, keep];
}
