'use client';

import Box from '@mui/material/Box';
import { ChoiceRow } from '../shared/ChoiceRow';
import { TextButton } from '../shared/TextButton';
import { useDeferredValue, useState } from 'react';
import type { Assessment } from '@/core/assess';
import { TaskBeam } from '../shared/TaskBeam';
import { OpenBeam } from '../shared/OpenBeam';
import { headroomBeams, holdBeams } from '@/core/words/beams';
import { useAssessment } from '../seat/moment';
import { useSeat } from '../seat/useSeat';
import { Value } from '../shared/Value';
import { DraftBar } from './DraftBar';
import { Findings } from './Findings';
import { PlacementNotes } from './PlacementNotes';
import { LAYERS, WiringMap, type Layer } from './WiringMap';
import { later, opening } from '../shared/later';

// what is opened now and then is fetched then
const FindMachines = later(() => import('../find/FindMachines').then((module) => module.FindMachines), {
  meanwhile: opening,
});
const CompareView = later(() => import('./CompareView').then((module) => module.CompareView), { meanwhile: opening });
const FirmwareView = later(() => import('./FirmwareView').then((module) => module.FirmwareView), {
  meanwhile: opening,
});
const MemoryView = later(() => import('./MemoryView').then((module) => module.MemoryView), { meanwhile: opening });
const SideView = later(() => import('./SideView').then((module) => module.SideView), { meanwhile: opening });

const Tray = later(() => import('./Tray').then((module) => module.Tray), { meanwhile: opening, soon: true });

/** Beams at the left, the wiring map in the middle, findings or the tray at the right. */
export function DraftStation() {
  const assessment = useAssessment();
  return (
    <Box
      className="columns"
      sx={{ gridTemplateColumns: 'clamp(196px, 19.5vw, 270px) minmax(0, 1fr) clamp(262px, 25.5vw, 360px)' }}
    >
      <section className="pane" aria-label="What it does">
        <Beams assessment={assessment} />
      </section>
      <Box
        component="section"
        className="pane"
        aria-label="Wiring map"
        sx={{ display: 'flex', flexDirection: 'column' }}
      >
        <MapPane assessment={assessment} />
      </Box>
      <SidePane />
    </Box>
  );
}

function SidePane() {
  // what was pressed shows at once; what stands beside it is made when there is time
  const panel = useDeferredValue(useSeat((state) => state.panel));
  return (
    <Box
      component="section"
      className="pane"
      aria-label={panel === 'tray' ? 'Candidates' : 'Findings'}
      sx={{ paddingBottom: 0 }}
    >
      {panel === 'tray' ? <Tray /> : <Findings />}
    </Box>
  );
}

function Beams({ assessment }: { assessment: Assessment }) {
  const { brief } = assessment.facts;
  const sittings = new Map(brief.sittings.map((sitting) => [sitting.id, sitting.name]));
  return (
    <Box className="stack" sx={{ gap: '5px' }}>
      <h2>What it does</h2>
      {brief.tasks.length === 0 && (
        <p className="quiet small">The brief has no task yet. Add one in the Brief, and every part is judged by it.</p>
      )}
      {assessment.tasks.map((result) => {
        const task = brief.tasks.find((candidate) => candidate.id === result.task);
        if (!task) return null;
        const name = sittings.get(result.sitting);
        return (
          <TaskBeam
            key={task.id}
            assessment={assessment}
            task={task}
            result={result}
            {...(name && brief.sittings.length > 1 ? { aside: '' } : {})}
          />
        );
      })}
      <Box component="h2" sx={{ marginTop: '8px' }}>
        Room
      </Box>
      {holdBeams(assessment).map((model) => (
        <OpenBeam key={model.id} model={model} />
      ))}
      {headroomBeams(assessment).map((model) => (
        <OpenBeam key={model.id} model={model} />
      ))}
    </Box>
  );
}

const LAYER_NAME: Readonly<Record<Layer, string>> = {
  links: 'Links',
  memory: 'Memory',
  power: 'Power',
  heat: 'Heat and air',
  clearance: 'Clearance',
};

function MapPane({ assessment }: { assessment: Assessment }) {
  const [layer, setLayer] = useState<Layer>('links');
  const [sitting, setSitting] = useState<string>();
  const sheet = useSeat((state) => state.sheet);
  const open = useSeat((state) => state.open);
  const { brief, machine } = assessment.facts;
  // nothing to look at yet: what is wanted is a machine, unless one is there and only has to be named
  const empty = machine.items.length === 0 && machine.present !== true;
  const chosen = brief.sittings.find((entry) => entry.id === sitting);
  if (sheet)
    return (
      <>
        <DraftBar />
        {sheet === 'memory' && <MemoryView assessment={assessment} />}
        {sheet === 'firmware' && <FirmwareView assessment={assessment} />}
        {sheet === 'side' && <SideView assessment={assessment} />}
        {sheet === 'find' && <FindMachines from={assessment.facts.machine} onAdopted={() => open(undefined)} />}
        {sheet === 'compare' && <CompareView assessment={assessment} />}
      </>
    );
  return (
    <>
      <DraftBar />
      {empty && (
        <Box sx={{ marginBottom: '14px' }}>
          <FindMachines />
        </Box>
      )}
      <Box className="row wrap" sx={{ marginBottom: '6px', justifyContent: 'space-between' }}>
        <ChoiceRow
          aria-label="Layer of the map"
          value={layer}
          options={LAYERS.map((id) => ({ id, label: LAYER_NAME[id] }))}
          onPick={setLayer}
        />
        {layer === 'memory' ? (
          <TextButton onClick={() => open('memory')}>Compare the kits that fit</TextButton>
        ) : layer === 'clearance' ? (
          <TextButton onClick={() => open('side')}>Side view, in mm</TextButton>
        ) : (layer === 'links' || layer === 'heat') && brief.sittings.length > 0 ? (
          <span className="small quiet">
            {layer === 'heat' ? '' : chosen ? 'GB/s, ▲ to the processor, of ' : 'Streams of '}
            <Value
              label={layer === 'heat' ? 'Heat of' : 'Streams of'}
              editor={{
                kind: 'choice',
                value: chosen?.id ?? '',
                options: [
                  {
                    value: '',
                    label: layer === 'heat' ? 'the warmest sitting' : 'the heaviest sitting, link by link',
                  },
                  ...brief.sittings.map((entry) => ({ value: entry.id, label: entry.name })),
                ],
                onChange: (value) => setSitting(value === '' ? undefined : value),
              }}
            >
              {chosen?.name ?? (layer === 'heat' ? 'the warmest sitting' : 'the heaviest sitting')}
            </Value>
            {layer === 'heat' && (
              <>
                {' · '}
                <TextButton onClick={() => open('side')}>Fans and side view</TextButton>
              </>
            )}
          </span>
        ) : null}
      </Box>
      <WiringMap assessment={assessment} layer={layer} sitting={layer === 'power' ? undefined : chosen?.id} />
      {layer === 'links' && <PlacementNotes assessment={assessment} sitting={chosen?.id} />}
    </>
  );
}
