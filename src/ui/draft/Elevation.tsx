'use client';

import Box from '@mui/material/Box';
import { scaleLinear } from 'd3-scale';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import type { Assessment } from '@/core/assess';
import { meetings, type Scene, type Solid } from '@/core/clearance/scene';
import { roomLeft } from '@/core/clearance/room';
import { coversOf, mustComeOff } from '@/core/clearance/reach';
import { fullName } from '@/core/model/fitted';
import { isIntake } from '@/core/heat/places';
import type { SittingHeat } from '@/core/heat/state';
import { number } from '@/core/words/format';
import { Value } from '../shared/Value';

const MARGIN = { left: 46, right: 46, top: 26, bottom: 26 };
/** Height of the drawing, and what of the window the rest of the page needs. */
const LEAST_HEIGHT = 380;
const REST_OF_PAGE = 430;
/** Gaps wider than this are not worth a dimension line. */
const TELL_MM = 40;
/** From this width what belongs to the drawing stands beside it. */
const BESIDE_FROM = 600;
const TOLD = 5;

const FILL: Readonly<Record<Solid['kind'], string>> = {
  board: 'var(--sunk)',
  heatsink: 'var(--hatch)',
  cooler: 'var(--info-soft)',
  module: 'var(--carries-soft)',
  card: 'var(--doubt-soft)',
  drive: 'var(--carries-soft)',
  'cage drive': 'var(--carries-soft)',
  radiator: 'var(--info-soft)',
  fan: 'var(--sheet)',
  supply: 'var(--sunk)',
  cables: 'none',
};

/** Boxes of the scene seen from the open side; nearer ones lie on top. */
export function Elevation({
  assessment,
  heat,
  children,
}: {
  assessment: Assessment;
  heat: SittingHeat | undefined;
  /** Stands beside the drawing, or below it where there is no room. */
  children: ReactNode;
}) {
  const { scene, parts } = assessment.facts;
  const holder = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(660);
  const [windowHeight, setWindowHeight] = useState(800);
  const [chosen, setChosen] = useState<string>();
  useEffect(() => {
    const element = holder.current;
    if (!element) return;
    const observer = new ResizeObserver(() => {
      setWidth(Math.max(360, element.clientWidth));
      setWindowHeight(window.innerHeight);
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  if (!scene) return null;
  const beside = width >= BESIDE_FROM;
  const drawn = beside ? Math.round(width * 0.58) : width;
  const scale = Math.min(
    (drawn - MARGIN.left - MARGIN.right) / scene.lengthMm,
    (Math.max(LEAST_HEIGHT, windowHeight - REST_OF_PAGE) - MARGIN.top - MARGIN.bottom) / scene.heightMm,
  );
  const inner = { width: scene.lengthMm * scale, height: scene.heightMm * scale };
  const left = Math.max(MARGIN.left, (drawn - inner.width) / 2);
  const x = scaleLinear([0, scene.lengthMm], [left, left + inner.width]);
  const y = scaleLinear([0, scene.heightMm], [MARGIN.top, MARGIN.top + inner.height]);
  const height = inner.height + MARGIN.top + MARGIN.bottom;
  // of two parts of several boxes only the nearest pair is told
  const told = new Set<string>();
  const near = meetings(scene.solids).filter(({ a, b, gapMm }) => {
    const pair = `${[a.item, b.item].sort().join(' ')}${gapMm < 0 ? ` ${a.id} ${b.id}` : ''}`;
    if (gapMm >= TELL_MM || told.has(pair)) return false;
    told.add(pair);
    return true;
  });
  const hits = near.filter(({ gapMm }) => gapMm < 0);
  const struck = new Set(hits.flatMap(({ a, b }) => [a.id, b.id]));
  const nameOf = (item: string) => {
    const fitted = parts.all.find((entry) => entry.item.id === item);
    return fitted ? fullName(fitted.part) : item;
  };
  const tempOf = (item: string) => heat?.best.state.parts.find((part) => part.item === item)?.tempC;
  const order = [...scene.solids].sort((a, b) => a.z[1] - b.z[1]);
  const covers = coversOf(scene);
  const items = [...new Set(order.map((solid) => solid.item))];
  const off = chosen === undefined ? [] : mustComeOff(covers, chosen);
  return (
    <div ref={holder}>
      <div
        style={{ display: 'grid', gridTemplateColumns: beside ? `${drawn}px minmax(0, 1fr)` : '1fr', columnGap: 10 }}
      >
        <svg
          width={drawn}
          height={height}
          role="img"
          aria-label={`Side view of ${parts.one('case') ? nameOf(parts.one('case')?.item.id ?? '') : 'the case'}: ${number(scene.lengthMm)} mm long and ${number(scene.heightMm)} mm high inside, ${hits.length === 0 ? 'nothing stands in another’s place' : `${hits.length} parts stand in each other’s place`}`}
        >
          <defs>
            <pattern id="strike" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
              <line x1="0" y1="0" x2="0" y2="6" stroke="var(--short)" strokeWidth="2" />
            </pattern>
          </defs>
          <rect
            x={x(0)}
            y={y(0)}
            width={inner.width}
            height={inner.height}
            fill="var(--paper)"
            stroke="var(--edge)"
            strokeDasharray={scene.open ? '5 4' : undefined}
          />
          <Ruler x={x(0)} y={y(scene.heightMm) + 4} mm={scene.lengthMm} scale={scale} />
          {order.map((solid) => (
            <SolidShape
              key={solid.id}
              solid={solid}
              x={x}
              y={y}
              struck={struck.has(solid.id)}
              dim={off.includes(solid.item)}
              chosen={solid.item === chosen}
              title={nameOf(solid.item)}
              onChoose={() => setChosen(solid.item === chosen ? undefined : solid.item)}
            />
          ))}
          {order
            .filter((solid) => seen(solid, order))
            .map((solid) => (
              <Label
                key={`${solid.id} label`}
                solid={solid}
                x={x}
                y={y}
                name={shortName(nameOf(solid.item), solid)}
                tempC={solid.kind === 'cooler' ? tempOf(parts.one('processor')?.item.id ?? '') : tempOf(solid.item)}
              />
            ))}
          {near
            .filter(({ gapMm }) => gapMm >= 1)
            .slice(0, TOLD)
            .map(({ a, b, gapMm }) => (
              <Dimension key={`${a.id} ${b.id}`} a={a} b={b} gapMm={gapMm} x={x} y={y} />
            ))}
          <Air scene={scene} assessment={assessment} heat={heat} x={x} y={y} />
        </svg>
        <div>{children}</div>
      </div>
      <Box
        className="small"
        sx={{ display: 'grid', gridTemplateColumns: width > 560 ? '1fr 1fr' : '1fr', columnGap: '18px' }}
      >
        <div>
          <b>Gaps, nearest first</b>
          <ul aria-label="Gaps">
            {hits.map(({ a, b, gapMm }) => (
              <li key={`${a.id} ${b.id}`} className="short">
                ▼ {nameOf(a.item)} stands {number(-gapMm, 2)} mm in the place of {nameOf(b.item)}
              </li>
            ))}
            {near
              .filter(({ gapMm }) => gapMm >= 0)
              .slice(0, TOLD)
              .map(({ a, b, gapMm }) => (
                <li key={`${a.id} ${b.id}`}>
                  <b>{number(gapMm, 2)} mm</b>{' '}
                  <span className="quiet">
                    {nameOf(a.item)} to {nameOf(b.item)}
                  </span>
                </li>
              ))}
          </ul>
        </div>
        <div>
          <b>What fits later</b>
          <ul aria-label="What fits later">
            {roomLeft(scene, parts).map((room) => (
              <li key={room.what}>
                <span className="quiet">{ROOM_NAME[room.what]}</span> <b>{number(room.mostMm)} mm</b>
                {room.nowMm !== undefined && <span className="quiet">, now {number(room.nowMm)}</span>}
                {room.by !== undefined && <span className="quiet"> (up to {nameOf(room.by)})</span>}
              </li>
            ))}
          </ul>
        </div>
      </Box>
      <Box component="p" className="small" sx={{ marginTop: '4px' }}>
        <span className="quiet">To reach </span>
        <Value
          label="Part to reach"
          editor={{
            kind: 'choice',
            value: chosen ?? '',
            options: [{ value: '', label: 'none' }, ...items.map((item) => ({ value: item, label: nameOf(item) }))],
            onChange: (value) => setChosen(value === '' ? undefined : value),
          }}
        >
          {chosen === undefined ? 'a part' : nameOf(chosen)}
        </Value>{' '}
        {chosen !== undefined &&
          (off.length === 0 ? (
            <b className="carries">nothing must come off.</b>
          ) : (
            <b>first {off.map(nameOf).join(', then ')} must come off.</b>
          ))}
      </Box>
    </div>
  );
}

const ROOM_NAME = {
  'card length': 'Longest card',
  'card height': 'Highest card',
  'cooler height': 'Highest cooler',
  'roof depth': 'Deepest radiator with fans under the roof',
  'supply length': 'Longest supply',
} as const;

/** The maker's name is left out where the box is small. */
const shortName = (name: string, solid: Solid): string =>
  solid.kind === 'module' || solid.kind === 'fan' || solid.kind === 'heatsink' || solid.kind === 'cables'
    ? ''
    : name.split(' ').slice(1).join(' ');

type Scale = (mm: number) => number;

function SolidShape({
  solid,
  x,
  y,
  struck,
  dim,
  chosen,
  title,
  onChoose,
}: {
  solid: Solid;
  x: Scale;
  y: Scale;
  struck: boolean;
  dim: boolean;
  chosen: boolean;
  title: string;
  onChoose: () => void;
}) {
  const box = {
    x: x(solid.x[0]),
    y: y(solid.y[0]),
    width: Math.max(1, x(solid.x[1]) - x(solid.x[0])),
    height: Math.max(1, y(solid.y[1]) - y(solid.y[0])),
  };
  return (
    <g onClick={onChoose} style={{ cursor: 'pointer' }} opacity={dim ? 0.35 : 1}>
      <title>{`${title}, ${solid.kind}: ${number(solid.x[1] - solid.x[0])} × ${number(solid.y[1] - solid.y[0])} × ${number(solid.z[1] - solid.z[0])} mm, ${number(solid.z[0])} to ${number(solid.z[1])} mm above the tray`}</title>
      <rect
        {...box}
        fill={FILL[solid.kind]}
        stroke={chosen ? 'var(--info)' : struck ? 'var(--short)' : 'var(--edge)'}
        strokeWidth={chosen || struck ? 2 : 1}
        strokeDasharray={solid.kind === 'cables' ? '2 3' : undefined}
      />
      {solid.kind === 'fan' && (
        <path
          d={`M${box.x} ${box.y}l${box.width} ${box.height}m0 ${-box.height}l${-box.width} ${box.height}`}
          stroke="var(--hair)"
          fill="none"
        />
      )}
      {struck && <rect {...box} fill="url(#strike)" opacity={0.35} />}
    </g>
  );
}

/** Whether nothing lies over the middle of a box, where its name would stand. */
function seen(solid: Solid, all: readonly Solid[]): boolean {
  const middle = { x: (solid.x[0] + solid.x[1]) / 2, y: (solid.y[0] + solid.y[1]) / 2 };
  return !all.some(
    (other) =>
      other !== solid &&
      other.z[1] > solid.z[1] &&
      other.x[0] <= middle.x &&
      middle.x <= other.x[1] &&
      other.y[0] <= middle.y &&
      middle.y <= other.y[1],
  );
}

/** A name only where its box holds it. */
function Label({
  solid,
  x,
  y,
  name,
  tempC,
}: {
  solid: Solid;
  x: Scale;
  y: Scale;
  name: string;
  tempC: number | undefined;
}) {
  const width = x(solid.x[1]) - x(solid.x[0]);
  const height = y(solid.y[1]) - y(solid.y[0]);
  const room = Math.floor((width - 6) / 6);
  if (name === '' || solid.kind === 'board' || height < 13 || room < 4) return null;
  const lines = [
    ...(name.length <= room ? [name] : wrapped(name, room)).slice(
      0,
      Math.max(1, Math.floor(height / 14) - (tempC === undefined ? 0 : 1)),
    ),
    ...(tempC !== undefined && height >= 26 ? [`${number(tempC)} °C`] : []),
  ];
  const middle = (y(solid.y[0]) + y(solid.y[1])) / 2 - ((lines.length - 1) * 13) / 2;
  return (
    <text
      x={(x(solid.x[0]) + x(solid.x[1])) / 2}
      textAnchor="middle"
      fontSize={11.5}
      fill="var(--ink)"
      style={{ pointerEvents: 'none' }}
    >
      {lines.map((line, i) => (
        <tspan
          key={line}
          x={(x(solid.x[0]) + x(solid.x[1])) / 2}
          y={middle + i * 13 + 4}
          fontWeight={i === lines.length - 1 && tempC !== undefined ? 650 : 400}
        >
          {line}
        </tspan>
      ))}
    </text>
  );
}

function wrapped(text: string, room: number): string[] {
  const lines: string[] = [];
  for (const word of text.split(' ')) {
    const last = lines.at(-1);
    if (last !== undefined && last.length + word.length < room) lines[lines.length - 1] = `${last} ${word}`;
    else if (word.length <= room) lines.push(word);
  }
  return lines;
}

/** The gap between two boxes as a line with its mm, when it can be seen from this side. */
function Dimension({ a, b, gapMm, x, y }: { a: Solid; b: Solid; gapMm: number; x: Scale; y: Scale }) {
  const across = (axis: 'x' | 'y') => {
    const [first, second] = a[axis][0] < b[axis][0] ? [a, b] : [b, a];
    const other = axis === 'x' ? 'y' : 'x';
    const from = first[axis][1];
    const to = second[axis][0];
    const low = Math.max(a[other][0], b[other][0]);
    const high = Math.min(a[other][1], b[other][1]);
    return Math.abs(to - from - gapMm) < 0.5 && high > low ? { from, to, at: (low + high) / 2 } : undefined;
  };
  const flat = across('x');
  const upright = flat ? undefined : across('y');
  const found = flat ?? upright;
  if (!found) return null;
  const ends = flat
    ? { x1: x(found.from), x2: x(found.to), y1: y(found.at), y2: y(found.at) }
    : { x1: x(found.at), x2: x(found.at), y1: y(found.from), y2: y(found.to) };
  return (
    <g style={{ pointerEvents: 'none' }}>
      <line {...ends} stroke="var(--ink)" strokeWidth={1.5} />
      <text
        x={(ends.x1 + ends.x2) / 2 + (flat ? 0 : 4)}
        y={(ends.y1 + ends.y2) / 2 + (flat ? -4 : 4)}
        textAnchor={flat ? 'middle' : 'start'}
        fontSize={11}
        fontWeight={650}
        fill="var(--ink)"
        stroke="var(--paper)"
        strokeWidth={3}
        paintOrder="stroke"
      >
        {number(gapMm, 2)}
      </text>
    </g>
  );
}

/** A scale bar of a tenth of a metre steps, so that the drawing can be measured. */
function Ruler({ x, y, mm, scale }: { x: number; y: number; mm: number; scale: number }) {
  const steps = Array.from({ length: Math.floor(mm / 100) + 1 }, (_, i) => i * 100);
  return (
    <g fontSize={11} fill="var(--quiet)" stroke="none">
      {steps.map((step) => (
        <g key={step}>
          <line x1={x + step * scale} x2={x + step * scale} y1={y - 4} y2={y + 2} stroke="var(--edge)" />
          <text x={x + step * scale} y={y + 13} textAnchor="middle">
            {step === 0 ? '0' : step}
            {step === steps.at(-1) ? ' mm' : ''}
          </text>
        </g>
      ))}
    </g>
  );
}

/** Arrows at the sides that have fans: which way, and how much at this speed. */
function Air({
  scene,
  assessment,
  heat,
  x,
  y,
}: {
  scene: Scene;
  assessment: Assessment;
  heat: SittingHeat | undefined;
  x: Scale;
  y: Scale;
}) {
  const sides = assessment.facts.heat.setup.plan?.sides ?? [];
  const speed = heat?.best.state.caseSpeed ?? 1;
  return (
    <g fontSize={11.5} fill="var(--info)" fontWeight={650}>
      {sides.map((side) => {
        const moves = side.fans.reduce((sum, fan) => sum + fan.moves.best, 0) * speed;
        if (moves < 1 || side.side === 'side') return null;
        const text = `${number(moves, 2)} m³/h`;
        const into = isIntake(side.side);
        if (side.side === 'front' || side.side === 'rear') {
          const at = side.side === 'front' ? x(scene.lengthMm) : x(0);
          const middle = y(side.side === 'front' ? scene.heightMm * 0.35 : scene.heightMm * 0.2);
          const out = side.side === 'front' ? 1 : -1;
          return (
            <g key={side.side}>
              <Arrow x={at + out * 8} y={middle} dx={into ? -out : out} dy={0} />
              <text x={at + out * 4} y={middle + 18} textAnchor={out > 0 ? 'start' : 'end'}>
                <tspan x={at + out * 4}>{number(moves, 2)}</tspan>
                <tspan x={at + out * 4} dy={12}>
                  m³/h
                </tspan>
              </text>
            </g>
          );
        }
        const top = side.side === 'top';
        const at = top ? y(0) - 8 : y(scene.heightMm) + 8;
        const middle = x(scene.lengthMm * 0.55);
        return (
          <g key={side.side}>
            <Arrow x={middle} y={at} dx={0} dy={into === top ? 1 : -1} />
            <text x={middle + 10} y={at - (top ? 2 : -8)}>
              {text}
            </text>
          </g>
        );
      })}
    </g>
  );
}

const Arrow = ({ x, y, dx, dy }: { x: number; y: number; dx: number; dy: number }) => (
  <path
    d={`M${x - dx * 7} ${y - dy * 7}L${x + dx * 7} ${y + dy * 7}m${-dx * 5 - dy * 4} ${-dy * 5 - dx * 4}l${dx * 5 + dy * 4} ${dy * 5 + dx * 4}l${-dx * 5 + dy * 4} ${-dy * 5 + dx * 4}`}
    fill="none"
    stroke="var(--info)"
    strokeWidth={2}
  />
);
