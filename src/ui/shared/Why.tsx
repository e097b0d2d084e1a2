'use client';

import { Fold } from './Fold';
import Box from '@mui/material/Box';
import { later } from './later';
import { TextButton } from './TextButton';
import Dialog from '@mui/material/Dialog';
import type { Derivation } from '@/core/figures/derive';
import { number, quantity } from '@/core/words/format';
import { Beam, fullBeam } from './Beam';
import type { BeamModel } from '@/core/words/beams';

const MADE = {
  product: 'multiplied',
  sum: 'added up',
  quotient: 'first ÷ the rest',
  power: 'first to the power of the second',
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

/** Why a constant is what it is: the words are fetched when somebody asks. */
const Reason = later(() => import('./Reason').then((module) => module.Reason), { meanwhile: () => '…' });

/** A derivation as a tree: what it is made of, and where each figure came from. */
function DerivationTree({ derivation, open = false }: { derivation: Derivation; open?: boolean }) {
  if (derivation.op === 'given')
    return (
      <li>
        {derivation.label}: <b>{quantity(derivation.value, derivation.unit)}</b>
        {spreadText(derivation.spread)}{' '}
        <span className="quiet">
          — {FROM[derivation.from]},{' '}
          {derivation.from === 'constant' ? <Reason id={derivation.where} /> : derivation.where}
        </span>
      </li>
    );
  return (
    <li>
      <Fold
        open={open}
        summary={
          <>
            {derivation.label}: <b>{quantity(derivation.value, derivation.unit)}</b>
            {spreadText(derivation.spread)} <span className="quiet">— {MADE[derivation.op]}</span>
          </>
        }
      >
        <ul>
          {derivation.inputs.map((input, i) => (
            <DerivationTree key={i} derivation={input} />
          ))}
        </ul>
      </Fold>
    </li>
  );
}

/** All that a beam rests on, opened over the page. */
export function BeamWhy({ model, onClose }: { model: BeamModel; onClose: () => void }) {
  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth aria-labelledby={`why-${model.id}`}>
      <Box className="pane why" sx={{ padding: '18px' }}>
        <div className="panehead">
          <h1 id={`why-${model.id}`}>Why: {model.label}</h1>
          <TextButton onClick={onClose} autoFocus>
            Close
          </TextButton>
        </div>
        <Box component="p" sx={{ marginBottom: '8px' }}>
          {model.sentence}
        </Box>
        <Box sx={{ maxWidth: 380 }}>
          <Beam {...fullBeam(model)} />
        </Box>
        {model.why.map((line) => (
          <Box component="p" key={line} className="small" sx={{ marginTop: '4px' }}>
            {line}
          </Box>
        ))}
        {model.derivations.length > 0 && (
          <>
            <Box component="h2" sx={{ margin: '12px 0 4px' }}>
              What it is computed from
            </Box>
            <p className="quiet small">
              Tightest first. Open a line to see its figures; the factor in brackets is how unsure a figure is.
            </p>
            {model.derivations.map(({ label, derivation }, i) => (
              <Box key={`${label}-${i}`} sx={{ marginTop: '6px' }}>
                <h3>{label}</h3>
                <Box component="ul" sx={{ borderLeft: 0, paddingLeft: 0, marginLeft: 0 }}>
                  <DerivationTree derivation={derivation} open={i < 2} />
                </Box>
              </Box>
            ))}
          </>
        )}
      </Box>
    </Dialog>
  );
}
