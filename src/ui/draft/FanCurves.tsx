'use client';

import Box from '@mui/material/Box';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import type { Assessment } from '@/core/assess';
import { USUAL_CURVES } from '@/core/heat/constants';
import type { FanCurve } from '@/core/model/machine';
import { useDraft } from '../seat/moment';
import { useSeat } from '../seat/useSeat';
import { Value } from '../shared/Value';

const WIDTH = 210;
const HEIGHT = 92;
const PAD = { left: 34, right: 8, top: 6, bottom: 18 };

/** The two curves that can be set, drawn and written out; each point can be changed. */
export function FanCurves({ assessment }: { assessment: Assessment }) {
  const { setup, sittings } = assessment.facts.heat;
  const index = setup.hot.findIndex((part) => part.kind === 'processor' && part.hasFans);
  const cooler = setup.hot[index];
  const dots = (driven: 'cooler' | 'case') =>
    sittings.flatMap(({ sitting, best }) => {
      const chip = best.state.parts[index];
      const c = driven === 'cooler' ? chip?.tempC : Math.max(...best.state.parts.map((part) => part.tempC));
      const speed = driven === 'cooler' ? chip?.speed : best.state.caseSpeed;
      return c === undefined || speed === undefined ? [] : [{ sitting, c, percent: speed * 100 }];
    });
  return (
    <Box className="row wrap" sx={{ gap: '18px', alignItems: 'flex-start' }}>
      {cooler && (
        <Curve name="Cooler’s fan" field="coolerCurve" curve={cooler.curve} dots={dots('cooler')} by="the processor" />
      )}
      {!setup.air.open && setup.plan?.sides.some((side) => side.fans.length > 0) && (
        <Curve
          name="Fans of the case"
          field="caseCurve"
          curve={setup.caseCurve}
          dots={dots('case')}
          by="the hottest chip"
        />
      )}
    </Box>
  );
}

function Curve({
  name,
  field,
  curve,
  dots,
  by,
}: {
  name: string;
  field: 'coolerCurve' | 'caseCurve';
  curve: FanCurve;
  dots: readonly { sitting: string; c: number; percent: number }[];
  by: string;
}) {
  const draft = useDraft();
  const editDraft = useSeat((state) => state.editDraft);
  const x = scaleLinear([20, 100], [PAD.left, WIDTH - PAD.right]).clamp(true);
  const y = scaleLinear([0, 100], [HEIGHT - PAD.bottom, PAD.top]);
  const shape = line<{ c: number; percent: number }>(
    (point) => x(point.c),
    (point) => y(point.percent),
  );
  const first = curve[0];
  const last = curve.at(-1);
  const drawn = first && last ? [{ c: 20, percent: first.percent }, ...curve, { c: 100, percent: last.percent }] : [];
  const set = (points: FanCurve) =>
    editDraft(
      { kind: 'tune', tuning: { ...draft.tuning, [field]: points.map((point) => ({ ...point })) } },
      `${name}: curve`,
    );
  /** A curve rises: a point that is moved takes its neighbours along. */
  const move = (i: number, change: Partial<{ c: number; percent: number }>) => {
    const moved = { c: 0, percent: 0, ...curve[i], ...change };
    set(
      curve.map((point, k) =>
        k === i
          ? moved
          : k < i
            ? { c: Math.min(point.c, moved.c - (i - k)), percent: Math.min(point.percent, moved.percent) }
            : { c: Math.max(point.c, moved.c + (k - i)), percent: Math.max(point.percent, moved.percent) },
      ),
    );
  };
  const usual = field === 'coolerCurve' ? USUAL_CURVES.cooler : USUAL_CURVES.case;
  const shipped = JSON.stringify(curve) === JSON.stringify(usual);
  return (
    <Box component="figure" sx={{ maxWidth: 300 }}>
      <figcaption className="small">
        <b>{name}</b>{' '}
        <span className="quiet">
          by {by}
          {shipped ? ', as boards ship' : ', set here'}
        </span>
      </figcaption>
      <svg
        width={WIDTH}
        height={HEIGHT}
        role="img"
        aria-label={`${name}: ${curve.map((point) => `${point.percent} % at ${point.c} °C`).join(', ')}`}
      >
        {[0, 50, 100].map((tick) => (
          <g key={tick}>
            <line x1={PAD.left} x2={WIDTH - PAD.right} y1={y(tick)} y2={y(tick)} stroke="var(--hair)" />
            <text x={PAD.left - 4} y={y(tick) + 4} textAnchor="end" fontSize={11} fill="var(--quiet)">
              {tick === 100 ? '100 %' : tick}
            </text>
          </g>
        ))}
        {[40, 60, 80, 100].map((tick) => (
          <text
            key={tick}
            x={x(tick)}
            y={HEIGHT - 5}
            textAnchor={tick === 100 ? 'end' : 'middle'}
            fontSize={11}
            fill="var(--quiet)"
          >
            {tick === 100 ? '100 °C' : tick}
          </text>
        ))}
        <path d={shape(drawn) ?? ''} fill="none" stroke="var(--carries)" strokeWidth={2} />
        {dots.map((dot) => (
          <circle
            key={dot.sitting}
            cx={x(dot.c)}
            cy={y(dot.percent)}
            r={3.5}
            fill="var(--info)"
            stroke="var(--paper)"
          />
        ))}
      </svg>
      <p className="small quiet">
        {curve.map((point, i) => (
          <span key={i}>
            {i > 0 ? ', ' : ''}
            <Value
              label={`${name}, point ${i + 1}: speed`}
              editor={{
                kind: 'number',
                value: point.percent,
                unit: '%',
                min: 0,
                max: 100,
                whole: true,
                onChange: (percent) => percent !== undefined && move(i, { percent }),
              }}
            >
              {`${point.percent} %`}
            </Value>{' '}
            at{' '}
            <Value
              label={`${name}, point ${i + 1}: temperature`}
              editor={{
                kind: 'number',
                value: point.c,
                unit: '°C',
                min: 1,
                max: 119,
                whole: true,
                onChange: (c) => c !== undefined && move(i, { c }),
              }}
            >
              {`${point.c} °C`}
            </Value>
          </span>
        ))}
        . Dots are the sittings.
      </p>
    </Box>
  );
}
