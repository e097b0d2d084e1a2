'use client';

import { createContext, useContext, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { OFF_TEXT } from './offText';
import type { GlossaryTerm } from '@/core/words/glossary';
import type { HelpShown } from './Help';
import { later } from './later';

// what is opened now and then is fetched then
const Help = later(() => import('./Help').then((module) => module.Help));

interface HelpDoor {
  /** Opens the help, at a word where one is given. */
  readonly open: (shown: HelpShown, word?: GlossaryTerm) => void;
  /** What shows around, as long as there is something to show; undefined takes it back. */
  readonly offerTour: (tour: (() => void) | undefined) => void;
}

const HelpContext = createContext<HelpDoor>({ open: () => undefined, offerTour: () => undefined });

export const useHelp = (): HelpDoor => useContext(HelpContext);

/** Offers a way of being shown around while the page that knows it is there. */
export function useTourOffer(tour: () => void): void {
  const { offerTour } = useHelp();
  const latest = useRef(tour);
  useEffect(() => {
    latest.current = tour;
  });
  useEffect(() => {
    offerTour(() => latest.current());
    return () => offerTour(undefined);
  }, [offerTour]);
}

/** Where the help of the whole app opens. */
export function HelpPlace({ children }: { children: ReactNode }) {
  const [shown, setShown] = useState<{ readonly first: HelpShown; readonly word?: GlossaryTerm }>();
  const [tour, setTour] = useState<() => void>();
  const door = useMemo<HelpDoor>(
    () => ({
      open: (first, word) => setShown({ first, ...(word === undefined ? {} : { word }) }),
      offerTour: (next) => setTour(() => next),
    }),
    [],
  );
  useHotkeys('?', () => door.open('keys'), { ...OFF_TEXT, useKey: true, ignoreModifiers: true });
  return (
    <HelpContext value={door}>
      {children}
      {shown && (
        <Help
          {...shown}
          onClose={() => setShown(undefined)}
          {...(tour
            ? {
                onTour: () => {
                  setShown(undefined);
                  tour();
                },
              }
            : {})}
        />
      )}
    </HelpContext>
  );
}
