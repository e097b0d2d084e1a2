'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import { OpenBeam } from '../shared/Why';
import { headroomBeams, holdBeams, taskBeam } from '../shared/beams';
import { useAssessment, useDraft, useSeat } from '../seat/store';
import { Value } from '../shared/Value';
import { Findings } from './Findings';
import { Tray } from './Tray';
import { WiringMap, type Layer } from './WiringMap';

/** Beams at the left, the wiring map in the middle, findings or the tray at the right. */
export function DraftStation() {
  const assessment = useAssessment();
  const panel = useSeat((state) => state.panel);
  return (
    <div
      className="columns"
      style={{ gridTemplateColumns: 'clamp(196px, 19.5vw, 270px) minmax(0, 1fr) clamp(262px, 25.5vw, 360px)' }}
    >
      <section className="pane" aria-label="What it does">
        <Beams assessment={assessment} />
      </section>
      <section className="pane" aria-label="Wiring map" style={{ display: 'flex', flexDirection: 'column' }}>
        <MapPane assessment={assessment} />
      </section>
      <section className="pane" aria-label={panel === 'tray' ? 'Candidates' : 'Findings'} style={{ paddingBottom: 0 }}>
        {panel === 'tray' ? <Tray /> : <Findings />}
      </section>
    </div>
  );
}

function Beams({ assessment }: { assessment: Assessment }) {
  const { brief } = assessment.facts;
  const sittings = new Map(brief.sittings.map((sitting) => [sitting.id, sitting.name]));
  return (
    <div className="stack" style={{ gap: 5 }}>
      <h2>What it does</h2>
      {brief.tasks.length === 0 && (
        <p className="quiet small">The brief has no task yet. Add one in the Brief, and every part is judged by it.</p>
      )}
      {assessment.tasks.map((result) => {
        const task = brief.tasks.find((candidate) => candidate.id === result.task);
        if (!task) return null;
        const name = sittings.get(result.sitting);
        return (
          <OpenBeam
            key={task.id}
            model={taskBeam(task, result)}
            {...(name && brief.sittings.length > 1 ? { aside: '' } : {})}
          />
        );
      })}
      <h2 style={{ marginTop: 8 }}>Room</h2>
      {holdBeams(assessment).map((model) => (
        <OpenBeam key={model.id} model={model} />
      ))}
      {headroomBeams(assessment).map((model) => (
        <OpenBeam key={model.id} model={model} />
      ))}
    </div>
  );
}

function MapPane({ assessment }: { assessment: Assessment }) {
  const [layer, setLayer] = useState<Layer>('links');
  const drafts = useSeat((state) => state.bundle.drafts);
  const draftId = useSeat((state) => state.draftId);
  const selectDraft = useSeat((state) => state.selectDraft);
  const copy = useSeat((state) => state.copy);
  const drop = useSeat((state) => state.drop);
  const editDraft = useSeat((state) => state.editDraft);
  const draft = useDraft();
  return (
    <>
      <div className="row wrap" style={{ marginBottom: 8, justifyContent: 'space-between' }}>
        <span className="row wrap" role="group" aria-label="Drafts" style={{ gap: 6 }}>
          {drafts.map((draft) => (
            <button
              key={draft.id}
              type="button"
              className="chip"
              aria-pressed={draft.id === draftId}
              onClick={() => selectDraft(draft.id)}
            >
              {draft.body.name}
            </button>
          ))}
          <Button onClick={() => void copy()}>Copy</Button>
          <Value
            label="Name of the draft"
            editor={{
              kind: 'text',
              value: draft.name,
              onChange: (name) => editDraft({ kind: 'rename', name }, `Name ${name}`),
            }}
          >
            Rename
          </Value>
          {drafts.length > 1 && <Button onClick={() => void drop()}>Remove</Button>}
        </span>
        <span className="row" role="group" aria-label="Layer of the map" style={{ gap: 6 }}>
          {(['links', 'power'] as const).map((name) => (
            <button
              key={name}
              type="button"
              className="chip"
              aria-pressed={layer === name}
              onClick={() => setLayer(name)}
            >
              {name === 'links' ? 'Links' : 'Power'}
            </button>
          ))}
        </span>
      </div>
      <WiringMap assessment={assessment} layer={layer} />
    </>
  );
}
