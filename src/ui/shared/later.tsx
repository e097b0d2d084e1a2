'use client';

import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useEffect, useState, type ComponentType, type ReactNode } from 'react';
import { useNotices } from './Notices';

const NOT_FETCHED = 'This could not be fetched: the app cannot be reached.';

interface LaterOptions<P> {
  /** Holds its place until it is there; without it nothing stands there, as with what opens over the page. */
  readonly meanwhile?: (props: P) => ReactNode;
  /** It is wanted even when the app is away: fetched as soon as the page rests. */
  readonly soon?: boolean;
}

/** Says that something is on its way, where it will stand. */
export const opening = () => (
  <Typography variant="body2" color="text.secondary">
    Opening …
  </Typography>
);

/** How long a page is left alone after it is loaded, ms. */
const REST_MS = 2500;

/** Does something once the page is loaded and rests. */
function atRest(work: () => void): void {
  const rest = () => setTimeout(() => requestIdleCallback(work), REST_MS);
  if (document.readyState === 'complete') rest();
  else window.addEventListener('load', rest, { once: true });
}

/** A component whose code is fetched when it is first shown. What cannot be fetched says so and is tried again. */
export function later<P extends object>(
  load: () => Promise<ComponentType<P>>,
  { meanwhile, soon = false }: LaterOptions<P> = {},
) {
  let known: ComponentType<P> | undefined;
  const fetched = async (): Promise<ComponentType<P>> => (known ??= await load());
  if (soon && typeof window !== 'undefined') atRest(() => void fetched().catch(() => undefined));

  return function Later(props: P) {
    const [Part, setPart] = useState(() => known);
    const [failed, setFailed] = useState(false);
    const tell = useNotices();
    useEffect(() => {
      if (Part || failed) return;
      let wanted = true;
      fetched().then(
        (found) => wanted && setPart(() => found),
        () => {
          if (!wanted) return;
          setFailed(true);
          if (!meanwhile) tell(NOT_FETCHED);
        },
      );
      return () => {
        wanted = false;
      };
    }, [Part, failed, tell]);
    if (Part) return <Part {...props} />;
    if (!failed) return meanwhile?.(props);
    if (!meanwhile) return null;
    return (
      <Typography variant="body2" color="error" role="alert">
        {NOT_FETCHED} <Button onClick={() => setFailed(false)}>Try again</Button>
      </Typography>
    );
  };
}
