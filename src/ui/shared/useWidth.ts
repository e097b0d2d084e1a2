import { useEffect, useRef, useState, type RefObject } from 'react';

/** Width of an element in px as the page is laid out, within bounds; `first` until it is known. */
export function useWidth<E extends HTMLElement>(
  first: number,
  least: number,
  most = Infinity,
): [RefObject<E | null>, number] {
  const holder = useRef<E>(null);
  const [width, setWidth] = useState(first);
  useEffect(() => {
    const element = holder.current;
    if (!element) return;
    const observer = new ResizeObserver(() => setWidth(Math.max(least, Math.min(most, element.clientWidth))));
    observer.observe(element);
    return () => observer.disconnect();
  }, [least, most]);
  return [holder, width];
}
