'use client';

import Dialog from '@mui/material/Dialog';
import { useState } from 'react';
import type { Derivation } from '@/core/figures/derive';
import { number, quantity } from '@/core/words/format';
import { Beam } from './Beam';
import type { BeamModel } from '@/core/words/beams';

const MADE = {
  product: 'multiplied',
  sum: 'added up',
  quotient: 'first ÷ the rest',
  least: 'least of these',
  most: 'most of these',
} as const;
const FROM = {
  part: 'part',
  brief: 'brief',
  constant: 'constant',
  setting: 'setting',
  standard: 'standard',
  profile: 'application',
  heat: 'heat and power',
  measurement: 'measured',
} as const;

function spreadText(spread: number): string {
  return spread > 1.0005 ? ` (÷ or × ${number(spread, 3)})` : '';
}

/** A derivation as a tree: what it is made of, and where each figure came from. */
export function DerivationTree({ derivation, open = false }: { derivation: Derivation; open?: boolean }) {
  if (derivation.op === 'given')
    return (
      <li>
        {derivation.label}: <b>{quantity(derivation.value, derivation.unit)}</b>
        {spreadText(derivation.spread)}{' '}
        <span className="quiet">
          — {FROM[derivation.from]}, {derivation.where}
        </span>
      </li>
    );
  return (
    <li>
      <details open={open}>
        <summary>
          {derivation.label}: <b>{quantity(derivation.value, derivation.unit)}</b>
          {spreadText(derivation.spread)} <span className="quiet">— {MADE[derivation.op]}</span>
        </summary>
        <ul>
          {derivation.inputs.map((input, i) => (
            <DerivationTree key={i} derivation={input} />
          ))}
        </ul>
      </details>
    </li>
  );
}

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
      {open && (
        <Dialog open onClose={() => setOpen(false)} maxWidth="md" fullWidth aria-labelledby={`why-${model.id}`}>
          <div className="pane why" style={{ padding: 18 }}>
            <div className="panehead">
              <h1 id={`why-${model.id}`}>Why: {model.label}</h1>
              <button type="button" className="link" onClick={() => setOpen(false)} autoFocus>
                Close
              </button>
            </div>
            <p style={{ marginBottom: 8 }}>{model.sentence}</p>
            <div style={{ maxWidth: 380 }}>
              <Beam
                axis={model.axis}
                band={model.band}
                verdict={model.verdict}
                need={model.need}
                gets={model.gets}
                sentence={model.sentence}
              />
            </div>
            {model.why.map((line) => (
              <p key={line} className="small" style={{ marginTop: 4 }}>
                {line}
              </p>
            ))}
            {model.derivations.length > 0 && (
              <>
                <h2 style={{ margin: '12px 0 4px' }}>What it is computed from</h2>
                <p className="quiet small">
                  Tightest first. Open a line to see its figures; the factor in brackets is how unsure a figure is.
                </p>
                {model.derivations.map(({ label, derivation }, i) => (
                  <div key={`${label}-${i}`} style={{ marginTop: 6 }}>
                    <h3>{label}</h3>
                    <ul style={{ borderLeft: 0, paddingLeft: 0, marginLeft: 0 }}>
                      <DerivationTree derivation={derivation} open={i < 2} />
                    </ul>
                  </div>
                ))}
              </>
            )}
          </div>
        </Dialog>
      )}
    </>
  );
}
