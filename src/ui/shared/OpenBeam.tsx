'use client';

import { useState } from 'react';
import type { BeamModel } from '@/core/words/beams';
import { Beam } from './Beam';
import { later } from './later';

// what is opened now and then is fetched then
const BeamWhy = later(() => import('./Why').then((module) => module.BeamWhy), { soon: true });

/** A beam that opens its own why. */
export function OpenBeam({ model, aside, compact }: { model: BeamModel; aside?: string; compact?: boolean }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Beam
        label={compact ? undefined : model.label}
        aside={aside ? <span className="quiet small">{aside}</span> : undefined}
        axis={model.axis}
        band={model.band}
        verdict={model.verdict}
        need={compact ? undefined : model.need}
        gets={compact ? undefined : model.gets}
        sentence={model.sentence}
        compact={compact ?? false}
        onOpen={() => setOpen(true)}
      />
      {open && <BeamWhy model={model} onClose={() => setOpen(false)} />}
    </>
  );
}
