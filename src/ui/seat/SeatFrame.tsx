'use client';

import ButtonBase from '@mui/material/ButtonBase';
import Box from '@mui/material/Box';
import { usePathname, useRouter, useSearchParams } from 'next/navigation';
import { useCallback, useEffect, useRef, useState, type ReactNode } from 'react';
import { OFF_TEXT } from '../shared/offText';
import { useHotkeys } from 'react-hotkeys-hook';
import type { SeatBundle } from '@/server/contract';
import { HelpButton } from '../shared/HelpButton';
import { useHelp, useTourOffer } from '../shared/HelpPlace';
import { InBrowser, Waiting } from '../shared/InBrowser';
import { useNotices } from '../shared/Notices';
import { StepButton } from '../shared/StepButton';
import { ThemeSwitch } from '../shared/ThemeSwitch';
import { Ledger } from './Ledger';
import { MomentFrame } from './moment';
import { SaveBar } from './SaveBar';
import { STATIONS, TOUR_ASKED } from './stations';
import { seatAddress } from '@/core/model/addresses';
import { pageStorage, windowName } from './outbox';
import { createSeatStore } from './store';
import { SeatContext, useSeat } from './useSeat';
import type { SeatStore } from './state';
import { Hint } from '../shared/Hint';
import { later } from '../shared/later';
import { PageLink } from '../shared/PageLink';

// what is opened now and then is fetched then
const CommandField = later(() => import('./CommandField').then((module) => module.CommandField), { soon: true });
const Tour = later(() => import('./Tour').then((module) => module.Tour));

/**
 * Top bar, station and ledger around everything that belongs to one seat. The seat comes as one text of JSON: as objects
 * it took three times as long to send. All of it is worked out in the browser.
 */
export function SeatFrame({ bundle, children }: { bundle: string; children: ReactNode }) {
  return (
    <InBrowser
      meanwhile={
        <Box className="frame">
          <header className="topbar">
            <span className="brand">Vane Scale</span>
          </header>
          <Waiting />
        </Box>
      }
    >
      {() => <Frame bundle={bundle}>{children}</Frame>}
    </InBrowser>
  );
}

function Frame({ bundle: text, children }: { bundle: string; children: ReactNode }) {
  const store = useRef<SeatStore>(undefined);
  if (!store.current) {
    const bundle = JSON.parse(text) as SeatBundle;
    store.current = createSeatStore(bundle, pageStorage(bundle.seat.id, windowName()), windowName());
  }
  useDraftOfAddress(store.current);
  return (
    <SeatContext value={store.current}>
      <MomentFrame>
        <TopBar />
        <Box component="main" className="station" sx={{ display: 'flex', flexDirection: 'column' }}>
          <SaveBar />
          <Box sx={{ flex: '1 1 auto', minHeight: 0 }}>{children}</Box>
        </Box>
        <Ledger />
        <SeatSays />
      </MomentFrame>
    </SeatContext>
  );
}

/** What the seat has to say, said by the page. */
function SeatSays() {
  const told = useSeat((state) => state.told);
  const heard = useSeat((state) => state.tell);
  const say = useNotices();
  useEffect(() => {
    if (told === undefined) return;
    say(told);
    // the same may be said again
    heard(undefined);
  }, [told, heard, say]);
  return null;
}

/** An address may name the draft to show; afterwards the choice is the page's. */
function useDraftOfAddress(store: SeatStore) {
  useEffect(() => {
    const draft = new URLSearchParams(window.location.search).get('draft');
    if (draft && store.getState().bundle.drafts.some((entry) => entry.id === draft))
      store.getState().selectDraft(draft);
  }, [store]);
}

function TopBar() {
  const seat = useSeat((state) => state.bundle.seat);
  const steps = useSeat((state) => state.bundle.steps);
  const step = useSeat((state) => state.step);
  const saving = useSeat((state) => state.saving.state);
  const path = usePathname();
  const router = useRouter();
  const [finding, setFinding] = useState(false);
  const help = useHelp();
  const go = (station: string) => router.push(seatAddress(seat.projectId, seat.id, station));
  // the tour walks over the Draft station; an address may ask for it
  const [touring, setTouring] = useState(useSearchParams().has(TOUR_ASKED));
  const endTour = useCallback(() => {
    setTouring(false);
    // a page that is loaded again does not begin anew
    if (new URLSearchParams(window.location.search).has(TOUR_ASKED)) window.history.replaceState(null, '', path);
  }, [path]);
  const showAround = () => {
    go('draft');
    setTouring(true);
  };

  useTourOffer(showAround);

  useHotkeys('mod+k', () => setFinding(true), { preventDefault: true, enableOnFormTags: true });
  useHotkeys('g>8', () => router.push('/workshop'), OFF_TEXT);
  useHotkeys('mod+z', () => void step('undo'), { ...OFF_TEXT, preventDefault: true });
  useHotkeys(['mod+shift+z', 'mod+y'], () => void step('redo'), { ...OFF_TEXT, preventDefault: true });
  useHotkeys('g>0', () => router.push('/'), OFF_TEXT);
  useHotkeys('g>1', () => go('brief'), OFF_TEXT);
  useHotkeys('g>2', () => go('draft'), OFF_TEXT);
  useHotkeys('g>3', () => go('weigh'), OFF_TEXT);
  useHotkeys('g>4', () => go('rivals'), OFF_TEXT);
  useHotkeys('g>5', () => go('buy'), OFF_TEXT);
  useHotkeys('g>6', () => go('assemble'), OFF_TEXT);
  useHotkeys('g>7', () => router.push('/library'), OFF_TEXT);

  const busy = saving === 'saving';
  const undoText =
    steps.undo && (steps.undo.mine ? `Undo: ${steps.undo.label}` : `Undo another window’s step: ${steps.undo.label}`);
  const redoText = steps.redo ? `Redo: ${steps.redo}` : undefined;
  return (
    <header className="topbar">
      <PageLink href="/" className="brand">
        Vane Scale
      </PageLink>
      <Box component="span" className="cut" sx={{ minWidth: 60 }}>
        <Hint says="Desk: all projects">
          <PageLink href="/" className="way">
            {seat.projectName}
          </PageLink>
        </Hint>
        <span className="quiet"> / </span>
        <b>{seat.name}</b>
      </Box>
      <Box component="nav" className="stations" aria-label="Stations" sx={{ marginLeft: 'auto' }}>
        {STATIONS.map((station) => {
          const href = seatAddress(seat.projectId, seat.id, station.id);
          return (
            <PageLink key={station.id} href={href} aria-current={path === href ? 'page' : undefined}>
              {station.name}
            </PageLink>
          );
        })}
      </Box>
      <PageLink href="/library" className="way">
        Library
      </PageLink>
      <ButtonBase className="find" sx={{ ml: 'auto' }} onClick={() => setFinding(true)}>
        <span>Find or do</span>
        <kbd>Ctrl K</kbd>
      </ButtonBase>
      <Box component="span" className="row" sx={{ gap: '2px' }}>
        <Box component="span" className="row" role="group" aria-label="History" sx={{ gap: '2px' }}>
          <StepButton direction="undo" says={undoText} disabled={busy} onStep={() => void step('undo')} />
          <StepButton direction="redo" says={redoText} disabled={busy} onStep={() => void step('redo')} />
        </Box>
        <HelpButton />
        <ThemeSwitch />
      </Box>
      {finding && <CommandField onClose={() => setFinding(false)} onHelp={() => help.open('keys')} />}
      {touring && <Tour onEnd={endTour} />}
    </header>
  );
}
