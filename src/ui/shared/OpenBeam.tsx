'use client';

import { useState } from 'react';
import type { BeamModel } from '@/core/words/beams';
import { bareBeam, Beam, fullBeam } from './Beam';
import { later } from './later';

// what is opened now and then is fetched then
const BeamWhy = later(() => import('./Why').then((module) => module.BeamWhy), { soon: true });

/** A beam that opens its own why. */
export function OpenBeam({ model, aside, compact }: { model: BeamModel; aside?: string; compact?: boolean }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Beam
        {...(compact ? bareBeam(model) : { ...fullBeam(model), label: model.label })}
        aside={aside ? <span className="quiet small">{aside}</span> : undefined}
        onOpen={() => setOpen(true)}
      />
      {open && <BeamWhy model={model} onClose={() => setOpen(false)} />}
    </>
  );
}
