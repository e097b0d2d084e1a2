'use client';

import { scaleSqrt } from 'd3-scale';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { Assessment } from '@/core/assess';
import { watts as wattsText } from '@/core/words/format';
import { LevelSign, LEVEL_WORD } from '../shared/Level';
import { useSeat } from '../seat/store';
import { layoutMap } from './mapLayout';
import type { MapNode, MapWire } from './mapModel';

export type Layer = 'links' | 'power';

const thickness = scaleSqrt([0, 64], [2, 16]).clamp(true);

/** The machine drawn from the board's own topology. Boxes are buttons; empty positions are dashed. */
export function WiringMap({ assessment, layer }: { assessment: Assessment; layer: Layer }) {
  const holder = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(660);
  useEffect(() => {
    const element = holder.current;
    if (!element) return;
    const observer = new ResizeObserver(() => setWidth(Math.max(400, Math.min(980, element.clientWidth - 8))));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  const layout = useMemo(() => layoutMap(assessment, width), [assessment, width]);
  const mostWatts = Math.max(1, ...layout.nodes.map((node) => node.watts?.max ?? 0));
  return (
    <div ref={holder} style={{ overflow: 'auto', flex: '1 1 auto', minHeight: 0, padding: 2 }}>
      <div className="map" style={{ width: layout.width, height: layout.height, margin: '0 auto' }}>
        <svg className="wires" aria-hidden="true">
          {layout.wires.map((wire) => (
            <Wire key={wire.id} wire={wire} quiet={layer !== 'links'} />
          ))}
        </svg>
        {layer === 'links' && layout.wires.map((wire) => wire.label && <WireLabel key={wire.id} wire={wire} />)}
        <p className="quiet small" style={{ position: 'absolute', top: layout.frameTop, left: 0 }}>
          Around the board
        </p>
        {layout.nodes.map((node) => (
          <Node key={`${node.kind} ${node.id}`} node={node} layer={layer} mostWatts={mostWatts} />
        ))}
      </div>
    </div>
  );
}

/** The link's bed is its bandwidth; the filled part is what the worst sitting uses. */
function Wire({ wire, quiet }: { wire: MapWire; quiet: boolean }) {
  const bed = wire.gbytePerS === undefined ? 2 : thickness(wire.gbytePerS);
  const fill = Math.min(1, wire.used);
  const colour = wire.used > 1 ? 'var(--short)' : wire.used > 0.85 ? 'var(--doubt)' : 'var(--carries)';
  const line = { x1: wire.x1, y1: wire.y1, x2: wire.x2, y2: wire.y2 };
  return (
    <g opacity={quiet ? 0.35 : 1}>
      <line
        {...line}
        stroke="var(--hair)"
        strokeWidth={bed}
        strokeDasharray={wire.gbytePerS === undefined ? '3 3' : undefined}
      />
      {fill > 0 && <line {...line} stroke={colour} strokeWidth={Math.max(1.5, bed * fill)} />}
    </g>
  );
}

function WireLabel({ wire }: { wire: MapWire }) {
  return (
    <span
      className="wirelabel"
      style={{ left: (wire.x1 + wire.x2) / 2, top: (wire.y1 + wire.y2) / 2 }}
      title={wire.title}
    >
      {wire.label}
    </span>
  );
}

function Node({ node, layer, mostWatts }: { node: MapNode; layer: Layer; mostWatts: number }) {
  const choose = useSeat((state) => state.choose);
  const chosen = useSeat((state) => {
    const { position } = state;
    if (!position || !node.position) return false;
    return position.item !== undefined
      ? position.item === node.position.item
      : position.pin !== undefined
        ? position.pin === node.position.pin
        : position.kind === node.position.kind && node.position.item === undefined && node.position.pin === undefined;
  });
  const className = `node ${node.kind}${chosen ? ' chosen' : ''}`;
  const style = { left: node.x, top: node.y, width: node.width, height: node.height };
  const power = layer === 'power' && node.watts;
  const sub = power ? `${wattsText(node.watts.now)} now · ${wattsText(node.watts.max)} limit` : node.sub;
  const body = (
    <>
      <span className="title" style={node.kind === 'spine' ? { justifyContent: 'center' } : undefined}>
        <span>{node.title}</span>
        {node.level && <LevelSign level={node.level} />}
      </span>
      <span className="sub">
        {sub}
        {!power && node.sub2 && node.kind === 'device' ? ` · ${node.sub2}` : ''}
      </span>
      {node.kind === 'spine' && node.sub2 && !power && <span className="sub">{node.sub2}</span>}
      {power && node.watts && (
        <span
          aria-hidden="true"
          style={{
            position: 'absolute',
            left: 0,
            bottom: 0,
            height: 4,
            width: `${(node.watts.max / mostWatts) * 100}%`,
            background: 'var(--doubt-soft)',
          }}
        >
          <span
            style={{
              display: 'block',
              height: 4,
              width: `${node.watts.max > 0 ? (node.watts.now / node.watts.max) * 100 : 0}%`,
              background: 'var(--doubt)',
            }}
          />
        </span>
      )}
    </>
  );
  const { position } = node;
  if (!position)
    return (
      <div className={className} style={style} title={`${node.title}: ${sub}`}>
        {body}
      </div>
    );
  return (
    <button
      type="button"
      className={className}
      style={style}
      onClick={() => choose(position)}
      title={`${node.title}: ${sub}`}
      aria-label={`${node.title}, ${sub}${node.sub2 ? `, ${node.sub2}` : ''}${node.level ? `, ${LEVEL_WORD[node.level]}` : ''}`}
      aria-pressed={chosen}
    >
      {body}
    </button>
  );
}
