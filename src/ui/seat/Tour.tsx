'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Popover, { type PopoverProps } from '@mui/material/Popover';
import Typography from '@mui/material/Typography';
import { useCallback, useEffect, useId, useState } from 'react';
import { TOUR } from './tourStops';

/** How often a place is looked for that is still being drawn, ms. */
const LOOK_MS = 100;
/** After so many looks a place is passed over; the first one may wait for the page. */
const MOST_LOOKS = 10;

/** Where the words stand: beside a tall place, under or over a flat one, so that it can be seen while it is read. */
function beside({
  left,
  right,
  top,
  bottom,
  height,
}: DOMRect): Pick<PopoverProps, 'anchorPosition' | 'transformOrigin'> {
  const [onLeft, onTop] = [left + right < window.innerWidth, top + bottom < window.innerHeight];
  if (height > window.innerHeight / 2)
    return {
      anchorPosition: { left: onLeft ? right + GAP : left - GAP, top: top + GAP },
      transformOrigin: { horizontal: onLeft ? 'left' : 'right', vertical: 'top' },
    };
  return {
    anchorPosition: { left: onLeft ? left : right, top: onTop ? bottom + GAP : top - GAP },
    transformOrigin: { horizontal: onLeft ? 'left' : 'right', vertical: onTop ? 'top' : 'bottom' },
  };
}

/** Between a place and what is said of it, px. */
const GAP = 8;

/** A walk over the Draft station, one place after the other; Escape leaves it, arrow keys go on and back. */
export function Tour({ onEnd }: { onEnd: () => void }) {
  const [at, setAt] = useState(0);
  const [place, setPlace] = useState<Element>();
  const id = useId();
  const stop = TOUR[at];
  const go = useCallback((by: number) => (at + by >= TOUR.length ? onEnd() : setAt(Math.max(0, at + by))), [at, onEnd]);
  useEffect(() => {
    if (!stop) return;
    let looks = 0;
    const look = () => {
      const found = document.querySelector(stop.at) ?? undefined;
      setPlace(found);
      // what is hidden by something else that is open cannot be shown
      if (!found && at > 0 && ++looks > MOST_LOOKS) go(1);
    };
    look();
    const timer = setInterval(look, LOOK_MS);
    return () => clearInterval(timer);
  }, [stop, at, go]);
  if (!stop || !place) return null;
  const rect = place.getBoundingClientRect();
  return (
    <>
      <Box
        aria-hidden="true"
        sx={{
          position: 'fixed',
          left: rect.left,
          top: rect.top,
          width: rect.width,
          height: rect.height,
          outline: '2px solid var(--carries)',
          outlineOffset: '-2px',
          pointerEvents: 'none',
          zIndex: 'tooltip',
        }}
      />
      <Popover
        open
        anchorReference="anchorPosition"
        {...beside(rect)}
        onClose={onEnd}
        onKeyDown={(event) => {
          if (event.key === 'ArrowRight') go(1);
          if (event.key === 'ArrowLeft') go(-1);
        }}
        slotProps={{ paper: { role: 'dialog', 'aria-labelledby': id, sx: { width: 340, padding: '12px 14px' } } }}
      >
        <Typography id={id} component="h2" variant="h2">
          {stop.title}
        </Typography>
        <Typography variant="body2" sx={{ marginBlock: '6px 10px' }}>
          {stop.says}
        </Typography>
        <Box className="row">
          <Button key={at} variant="contained" autoFocus onClick={() => go(1)}>
            {at + 1 < TOUR.length ? 'Next' : 'Done'}
          </Button>
          {at > 0 && <Button onClick={() => go(-1)}>Back</Button>}
          {at + 1 < TOUR.length && (
            <Button color="inherit" onClick={onEnd}>
              Leave
            </Button>
          )}
          <Typography variant="body2" color="text.secondary" sx={{ marginLeft: 'auto' }}>
            {at + 1} of {TOUR.length}
          </Typography>
        </Box>
      </Popover>
    </>
  );
}
