'use client';

import { useCallback, useState } from 'react';
import { keepText, keptText } from './browserKeeps';

const PREFIX = 'vane open';

function stored(key: string): boolean | undefined {
  const text = keptText(`${PREFIX} ${key}`);
  return text === undefined ? undefined : text === 'yes';
}

/** Whether something is open, as it was left the last time in this browser; `usual` as long as nobody has touched it. */
export function useRemembered(key: string, usual: boolean): readonly [boolean, (open: boolean) => void] {
  const [left, setOpen] = useState(() => stored(key));
  const keep = useCallback(
    (next: boolean) => {
      setOpen(next);
      keepText(`${PREFIX} ${key}`, next ? 'yes' : 'no');
    },
    [key],
  );
  return [left ?? usual, keep];
}
