'use client';

import Box from '@mui/material/Box';
import { ChoiceRow } from '../shared/ChoiceRow';
import { TextButton } from '../shared/TextButton';
import { useState } from 'react';
import { fullName } from '@/core/model/fitted';
import { mends, mostChanged } from '@/core/search/effect';
import type { Loss } from '@/core/search/losses';
import { coinsChange, listed, number } from '@/core/words/format';
import { mendedWords } from '@/core/words/mended';
import type { CoinStep } from '@/workers/api';
import { useBrief, useDraft, useDraftAssessment } from '../seat/moment';
import { useSeat, useCurrency } from '../seat/useSeat';
import { useWorker } from '../seat/worker';
import { identity } from '../shared/identity';
import { Beam } from '../shared/Beam';
import { RowsHeld } from '../shared/RowsHeld';

/** What the next coin buys: single steps up and savings from here, ranked. */
export function NextCoin() {
  const draft = useDraft();
  const brief = useBrief();
  const assessment = useDraftAssessment();
  const [side, setSide] = useState<'up' | 'savings'>('up');
  const tasks = brief.tasks;
  const blocked = assessment.findings.filter(({ level }) => level === 'blocks' || level === 'unproven').length;
  const answer = useWorker(`coin ${identity(draft)} ${identity(brief)}`, (api) => api.coinSteps(draft, brief));
  return (
    <div>
      <Box className="spread" sx={{ marginBottom: '4px' }}>
        <h2>The next coin</h2>
        <ChoiceRow
          aria-label="Direction"
          value={side}
          options={[
            { id: 'up', label: 'Steps up' },
            { id: 'savings', label: 'Savings' },
          ]}
          onPick={setSide}
        />
      </Box>
      {blocked > 0 && (
        <p className="small quiet">
          {blocked} findings still block or are unproven in {draft.name}; mend them first, and these steps will be
          truer.
        </p>
      )}
      {answer.state === 'waiting' && <RowsHeld what="Trying every single swap and addition …" rows={8} heightPx={24} />}
      {answer.state === 'failed' && <p className="short small">The steps could not be tried: {answer.message}.</p>}
      {answer.state === 'ready' && (
        <>
          {side === 'up' && answer.value.needing.length > 0 && (
            <p className="small short">
              ▼ {listed(answer.value.needing.map((id) => tasks.find((task) => task.id === id)?.name ?? id))}{' '}
              {answer.value.needing.length === 1 ? 'fails and is decisive' : 'fail and are decisive'}: only steps that
              help are shown.
            </p>
          )}
          {(side === 'up' ? answer.value.up : answer.value.savings).map((step) => (
            <StepRow key={`${step.edit.kind} ${step.replaces ?? ''} ${step.part.id}`} step={step} />
          ))}
          {(side === 'up' ? answer.value.up : answer.value.savings).length === 0 && (
            <p className="quiet small">
              No single swap or addition{' '}
              {side === 'up'
                ? answer.value.needing.length > 0
                  ? 'helps it without bringing a caution or worse; several parts have to change together'
                  : 'makes this work faster without bringing a caution or worse'
                : 'saves money without bringing a caution or worse'}
              .
            </p>
          )}
          <Box component="p" className="quiet small" sx={{ marginTop: '4px' }}>
            {number(answer.value.tried)} swaps and additions tried. What mends comes first, then speed gained a coin,
            weighted by importance.
          </Box>
        </>
      )}
    </div>
  );
}

function StepRow({ step }: { step: CoinStep }) {
  const editDraft = useSeat((state) => state.editDraft);
  const know = useSeat((state) => state.know);
  const tasks = useBrief().tasks;
  const currency = useCurrency();
  const most = mostChanged(step.effect);
  const name = fullName(step.part);
  return (
    <Box sx={{ padding: '6px 0', borderBottom: '1px solid var(--hair)' }}>
      <span className="spread">
        <b className="cut">{name}</b>
        <b className="num">
          {step.effect.priceMinor === undefined ? '' : coinsChange(step.effect.priceMinor, currency)}
        </b>
      </span>
      <span className="spread small">
        <span className="quiet cut">{step.replaces === undefined ? 'added' : `for ${step.replaces}`}</span>
        <TextButton
          onClick={() => {
            know(step.goods);
            editDraft(step.edit, step.replaces === undefined ? `Add ${name}` : `${name} for ${step.replaces}`);
          }}
        >
          Take it
        </TextButton>
      </span>
      {most && Math.abs(most.factor - 1) > 0.005 ? (
        <Box component="span" className="row small" sx={{ gap: '8px' }}>
          <Box component="span" className="quiet cut" sx={{ flex: '1 1 50%' }}>
            {tasks.find((task) => task.id === most.of.task)?.name} × {number(most.factor)}
          </Box>
          <Box component="span" sx={{ flex: '1 1 50%' }}>
            <Beam
              axis={{ kind: 'ratio' }}
              band={most.of.ratio}
              verdict={most.of.after}
              sentence={`${tasks.find((task) => task.id === most.of.task)?.name ?? ''}: ${number(most.of.ratio?.likely ?? 0, 2)} times the target`}
              compact
            />
          </Box>
        </Box>
      ) : (
        <span className="quiet small">
          {mends(step.effect) > 0
            ? `mends ${listed(step.effect.mended.slice(0, 2).map(mendedWords))}`
            : 'no task changes'}
        </span>
      )}
      {step.losses.length > 0 && (
        <Box component="span" className="small between" sx={{ display: 'block' }}>
          ◆ loses {listed(step.losses.slice(0, 3).map(lossWords))}
          {step.losses.length > 3 ? ` and ${step.losses.length - 3} more figures` : ''}
        </Box>
      )}
    </Box>
  );
}

/** "capacity 12,000 → 2,000 GB". */
function lossWords({ label, unit, from, to }: Loss): string {
  if (typeof from !== 'number') return label;
  return `${label} ${number(from)} → ${typeof to === 'number' ? number(to) : 'not stated'}${unit ? ` ${unit}` : ''}`;
}
