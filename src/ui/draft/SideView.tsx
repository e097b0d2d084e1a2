'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { TextButton } from '../shared/TextButton';
import Slider from '@mui/material/Slider';
import { useMemo, useState } from 'react';
import type { Assessment } from '@/core/assess';
import { editMachine } from '@/core/model/edits';
import { fullName } from '@/core/model/fitted';
import { limitDraw, atRest } from '@/core/heat/state';
import { quietestCurves, withCurves } from '@/core/heat/quiet';
import type { Tuning } from '@/core/model/machine';
import { number, watts } from '@/core/words/format';
import { useDraft, useMoment } from '../seat/moment';
import { assessmentOf, useSeat } from '../seat/useSeat';
import { Value } from '../shared/Value';
import { Elevation } from './Elevation';
import { FanCurves } from './FanCurves';
import { heatIn } from './mapNotes';

/** The case from its open side, to scale, with fans and room to try out: everything follows. */
export function SideView({ assessment }: { assessment: Assessment }) {
  const open = useSeat((state) => state.open);
  const editDraft = useSeat((state) => state.editDraft);
  const { brief, context } = useMoment();
  const draft = useDraft();
  const [sitting, setSitting] = useState<string>();
  const [cooler, setCooler] = useState<number>();
  const [chassis, setChassis] = useState<number>();
  const [roomC, setRoomC] = useState<number>();
  const trying = cooler !== undefined || chassis !== undefined || roomC !== undefined;
  const tuning = useMemo(() => {
    const flat = (percent: number) => [{ c: 40, percent }];
    return {
      ...draft.tuning,
      ...(cooler === undefined ? {} : { coolerCurve: flat(cooler) }),
      ...(chassis === undefined ? {} : { caseCurve: flat(chassis) }),
    } satisfies Tuning;
  }, [draft.tuning, cooler, chassis]);
  const tried = useMemo(
    () =>
      trying
        ? assessmentOf(editMachine(draft, { kind: 'tune', tuning }), { ...brief, roomC: roomC ?? brief.roomC }, context)
        : assessment,
    [trying, draft, tuning, brief, roomC, context, assessment],
  );
  const here = heatIn(tried, sitting);
  const before = heatIn(assessment, sitting);
  const forget = () => {
    setCooler(undefined);
    setChassis(undefined);
    setRoomC(undefined);
  };
  const set = (next: Tuning, label: string) => {
    editDraft({ kind: 'tune', tuning: next }, label);
    forget();
  };
  const quiet = () => {
    const { parts, heat, power, region } = assessment.facts;
    const curves = quietestCurves(parts, heat.setup, power, region.mainsV, limitDraw(parts, heat.atLimit.best.clocks));
    if (curves) set(withCurves(draft.tuning ?? {}, curves), 'Quietest fan curves');
  };
  const shipped = () => {
    const { coolerCurve: _cooler, caseCurve: _case, ...rest } = draft.tuning ?? {};
    set(rest, 'Fan curves as shipped');
  };
  const { scene, parts, heat } = assessment.facts;
  const chip = heat.setup.hot.findIndex((part) => part.kind === 'processor');
  const controls = brief.sittings.length > 0 && here && before && (
    <>
      <Box className="row wrap" sx={{ gap: '14px', margin: '6px 0 2px', alignItems: 'flex-end' }}>
        {heat.setup.hot[chip]?.hasFans && (
          <Knob
            label="Cooler’s fan"
            unit="%"
            value={cooler}
            free={Math.round((before.best.state.parts[chip]?.speed ?? 1) * 100)}
            min={0}
            max={100}
            onChange={setCooler}
          />
        )}
        <Knob
          label="Case fans"
          unit="%"
          value={chassis}
          free={Math.round(before.best.state.caseSpeed * 100)}
          min={0}
          max={100}
          onChange={setChassis}
        />
        <Knob label="Room" unit="°C" value={roomC} free={brief.roomC} min={10} max={45} onChange={setRoomC} />
        {trying && <TextButton onClick={forget}>Let them go</TextButton>}
      </Box>
      <Outcome tried={tried} before={assessment} sitting={sitting} onSitting={setSitting} />
      <Box className="row wrap" sx={{ gap: '6px', margin: '6px 0' }}>
        {(cooler !== undefined || chassis !== undefined) && (
          <Button variant="outlined" onClick={() => set(tuning, 'Fan speeds set by hand')}>
            Keep these speeds
          </Button>
        )}
        <Button variant="outlined" onClick={quiet}>
          Quietest that holds the clock
        </Button>
        {(draft.tuning?.coolerCurve ?? draft.tuning?.caseCurve) && (
          <Button variant="outlined" onClick={shipped}>
            Curves as shipped
          </Button>
        )}
      </Box>
    </>
  );
  return (
    <Box sx={{ overflow: 'auto', minHeight: 0, flex: '1 1 auto' }}>
      <Box className="panehead" sx={{ marginBottom: '4px' }}>
        <h2>From the open side, to scale</h2>
        <TextButton onClick={() => open(undefined)}>Back to the map</TextButton>
      </Box>
      {!scene || scene.solids.length === 0 ? (
        <p className="quiet">
          {parts.one('case') && parts.one('board')
            ? 'The inside measures of the case or the form of the board are not known; fill them in among the findings.'
            : 'A case and a board are needed before there is something to see.'}
        </p>
      ) : (
        <Elevation assessment={tried} heat={here}>
          {controls}
        </Elevation>
      )}
      {brief.sittings.length > 0 && here && before && <FanCurves assessment={assessment} />}
    </Box>
  );
}

/** How it sounds and what it draws with nothing to do. */
function rest({ facts }: Assessment): string {
  const { noise, watts: drawn } = atRest(facts.parts, facts.heat.setup, facts.region.mainsV);
  return `${noise.missing.length > 0 ? 'at least ' : ''}${number(noise.dbA)} dB(A), ${watts(drawn)}`;
}

/** A slider that stands where the machine would go by itself until it is taken hold of. */
function Knob({
  label,
  unit,
  value,
  free,
  min,
  max,
  onChange,
}: {
  label: string;
  unit: string;
  value: number | undefined;
  free: number;
  min: number;
  max: number;
  onChange: (value: number) => void;
}) {
  const shown = value ?? free;
  return (
    <Box component="span" sx={{ flex: '1 1 90px', padding: '0 8px' }}>
      <span className="spread small">
        <span>{label}</span>
        <b className={value === undefined ? 'quiet' : ''}>{`${shown} ${unit}`}</b>
      </span>
      <Slider
        size="small"
        aria-label={label}
        getAriaValueText={(now) => `${now} ${unit}`}
        value={shown}
        min={min}
        max={max}
        step={1}
        onChange={(_event, next) => onChange(next)}
      />
    </Box>
  );
}

/** What the tried speeds and room do, beside what there is without them. */
function Outcome({
  tried,
  before,
  sitting,
  onSitting,
}: {
  tried: Assessment;
  before: Assessment;
  sitting: string | undefined;
  onSitting: (sitting: string | undefined) => void;
}) {
  const { brief } = before.facts;
  const [now, then] = [heatIn(tried, sitting), heatIn(before, sitting)];
  if (!now || !then) return null;
  const name = (id: string) => brief.sittings.find((entry) => entry.id === id)?.name ?? 'alone';
  const changed = tried !== before;
  const ghz = (assessment: Assessment, clock: number) => {
    const full = assessment.facts.parts.one('processor')?.part.coreGroups?.[0]?.allCoreGHz;
    return full === undefined ? `${number(clock * 100)} %` : `${number(full * clock, 3)} GHz`;
  };
  const rows: { label: string; now: string; then: string; bad?: boolean }[] = [];
  now.best.state.parts.forEach((hot, i) => {
    const other = then.best.state.parts[i];
    const fitted = tried.facts.parts.all.find((entry) => entry.item.id === hot.item);
    if (!other || !fitted) return;
    const off = now.best.shutsDown.includes(hot.item);
    rows.push({
      label: fullName(fitted.part),
      now: off
        ? `switches itself off above ${number(hot.limitC)} °C`
        : `${number(hot.tempC)} °C at ${watts(hot.watts)}`,
      then: `${number(other.tempC)} °C`,
      bad: off || now.best.heldBy[tried.facts.heat.setup.hot[i]?.kind ?? 'processor'] === 'heat',
    });
  });
  if (tried.facts.parts.one('processor'))
    rows.push({
      label: 'Clock of all cores',
      now: ghz(tried, now.best.clocks.processor),
      then: ghz(before, then.best.clocks.processor),
      bad: now.best.heldBy.processor === 'heat',
    });
  rows.push(
    {
      label: 'Air through the case',
      now: `${number(now.best.state.flowM3h)} m³/h, +${number(now.best.state.outletC - tried.facts.heat.setup.roomC, 2)} K`,
      then: `${number(then.best.state.flowM3h)} m³/h, +${number(then.best.state.outletC - before.facts.heat.setup.roomC, 2)} K`,
    },
    {
      label: 'Noise at 1 m',
      now: `${now.noise.missing.length > 0 ? 'at least ' : ''}${number(now.noise.dbA)} dB(A)`,
      then: `${number(then.noise.dbA)} dB(A)`,
    },
    { label: 'At rest', now: rest(tried), then: rest(before) },
  );
  const slower = tried.tasks.flatMap((task) => {
    const other = before.tasks.find((entry) => entry.task === task.task);
    const ratio = task.ratio && other?.ratio ? task.ratio.likely / other.ratio.likely : 1;
    const title = brief.tasks.find((entry) => entry.id === task.task)?.name ?? task.task;
    return Math.abs(ratio - 1) > 0.005 ? [`${title} ×${number(ratio, 3)}`] : [];
  });
  return (
    <>
      <p className="small quiet">
        In{' '}
        <Value
          label="Sitting"
          editor={{
            kind: 'choice',
            value: sitting ?? '',
            options: [
              { value: '', label: 'the warmest sitting' },
              ...brief.sittings.map((entry) => ({ value: entry.id, label: entry.name })),
            ],
            onChange: (value) => onSitting(value === '' ? undefined : value),
          }}
        >
          {name(now.sitting)}
        </Value>
        , once nothing changes any more{changed ? '; in grey what it is without your hand on the sliders' : ''}:
      </p>
      <Box
        component="dl"
        className="facts small"
        aria-label="What the fans do"
        sx={{ gridTemplateColumns: 'minmax(96px, 0.62fr) minmax(0, 1fr)' }}
      >
        {rows.map((row) => (
          <Box key={row.label} sx={{ display: 'contents' }}>
            <dt>{row.label}</dt>
            <Box component="dd" sx={{ maxWidth: 'none' }}>
              <b className={row.bad ? 'short' : ''}>
                {row.bad ? '▼ ' : ''}
                {row.now}
              </b>
              {changed && row.then !== row.now && <span className="quiet"> ({row.then})</span>}
            </Box>
          </Box>
        ))}
      </Box>
      {changed && (
        <p className="small">
          {slower.length === 0 ? 'No task changes.' : `Tasks: ${slower.join(', ')} of their speed.`}
        </p>
      )}
    </>
  );
}
