import { useEffect, useState, type RefObject } from 'react';

/** What of a scroller lies beyond its edges sideways, and how wide what is in sight is, px. */
export interface Beyond {
  readonly left: boolean;
  readonly right: boolean;
  readonly widthPx: number;
  /** What its own scrollbar takes of it, px. */
  readonly barPx: number;
}

const NOTHING: Beyond = { left: false, right: false, widthPx: 0, barPx: 0 };

/** Follows it as it is scrolled and as its size or that of its content changes. */
export function useBeyond(scroller: RefObject<HTMLElement | null>): Beyond {
  const [beyond, setBeyond] = useState(NOTHING);
  useEffect(() => {
    const element = scroller.current;
    if (!element) return undefined;
    const look = () => {
      const { scrollLeft, clientWidth, offsetWidth, scrollWidth } = element;
      const fresh: Beyond = {
        left: scrollLeft > 0,
        // widths are rounded, so one px is nothing
        right: scrollLeft + clientWidth < scrollWidth - 1,
        widthPx: clientWidth,
        barPx: offsetWidth - clientWidth,
      };
      setBeyond((before) => (JSON.stringify(before) === JSON.stringify(fresh) ? before : fresh));
    };
    const observer = new ResizeObserver(look);
    observer.observe(element);
    for (const child of element.children) observer.observe(child);
    element.addEventListener('scroll', look, { passive: true });
    return () => {
      observer.disconnect();
      element.removeEventListener('scroll', look);
    };
  }, [scroller]);
  return beyond;
}
