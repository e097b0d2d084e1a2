'use client';

// oxlint-disable-next-line vane/interface -- the one place that takes it
import Link from 'next/link';
import { useState, type ComponentProps } from 'react';

/**
 * A link to a page of the app. What stands there is asked for when the link is pointed to, touched or reached by the
 * keyboard: asked for by every link that is in sight, two questions each, it was a sixth of all work for a page.
 */
export function PageLink({
  onPointerEnter,
  onTouchStart,
  onFocus,
  ...rest
}: Omit<ComponentProps<typeof Link>, 'prefetch'>) {
  const [near, setNear] = useState(false);
  return (
    <Link
      {...rest}
      prefetch={near ? null : false}
      onPointerEnter={(event) => {
        setNear(true);
        onPointerEnter?.(event);
      }}
      onTouchStart={(event) => {
        setNear(true);
        onTouchStart?.(event);
      }}
      onFocus={(event) => {
        setNear(true);
        onFocus?.(event);
      }}
    />
  );
}
