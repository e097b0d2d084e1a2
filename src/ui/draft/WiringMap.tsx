'use client';

import { Press } from '../shared/Press';
import Box from '@mui/material/Box';
import { useMemo } from 'react';
import type { Assessment } from '@/core/assess';
import { watts as wattsText } from '@/core/words/format';
import { LevelSign, LEVEL_WORD } from '../shared/Level';
import { useSeat } from '../seat/useSeat';
import { useWidth } from '../shared/useWidth';
import { layoutMap } from './mapLayout';
import type { MapNode, MapWire } from './mapModel';
import { clearanceNotes, heatNotes, type MapNote } from './mapNotes';
import { Hint } from '../shared/Hint';

export const LAYERS = ['links', 'memory', 'power', 'heat', 'clearance'] as const;
export type Layer = (typeof LAYERS)[number];

/** Boxes lower than this hold two lines only closely set, or one. */
const DENSE_BELOW = 40;
const ONE_LINE_BELOW = 34;

/** px of a link by its GB/s: by the root, so that narrow ones stay seen. */
const thickness = (gbPerS: number): number => 2 + 14 * Math.sqrt(Math.min(64, Math.max(0, gbPerS)) / 64);

/** The machine drawn from the board's own topology. Boxes are buttons; empty positions are dashed. */
export function WiringMap({
  assessment,
  layer,
  sitting,
}: {
  assessment: Assessment;
  layer: Layer;
  /** Draws the streams of one sitting; without it the heaviest use of each link. */
  sitting: string | undefined;
}) {
  const [holder, inner] = useWidth<HTMLDivElement>(668, 408, 988);
  const width = inner - 8;
  const layout = useMemo(() => layoutMap(assessment, width, sitting), [assessment, width, sitting]);
  const notes = useMemo(
    () =>
      layer === 'heat'
        ? heatNotes(assessment, sitting)
        : layer === 'clearance'
          ? clearanceNotes(assessment)
          : undefined,
    [assessment, layer, sitting],
  );
  const mostWatts = Math.max(1, ...layout.nodes.map((node) => node.watts?.max ?? 0));
  return (
    <Box ref={holder} sx={{ overflow: 'auto', flex: '1 1 auto', minHeight: 120, padding: '2px' }}>
      <div className="map" style={{ width: layout.width, height: layout.height, margin: '0 auto' }}>
        <svg className="wires" aria-hidden="true">
          {layout.wires.map((wire) => (
            <Wire
              key={wire.id}
              wire={wire}
              quiet={layer !== (wire.of === 'memory' ? 'memory' : 'links') && layer !== 'links'}
            />
          ))}
        </svg>
        {layout.wires
          .filter((wire) => wire.label !== '' && layer === (wire.of === 'memory' ? 'memory' : 'links'))
          .map((wire) => (
            <WireLabel key={wire.id} wire={wire} />
          ))}
        <p className="quiet small" style={{ position: 'absolute', top: layout.frameTop, left: 0 }}>
          Around the board
        </p>
        {layout.nodes.map((node) => (
          <Node
            key={`${node.kind} ${node.id}`}
            node={node}
            layer={layer}
            mostWatts={mostWatts}
            note={notes && node.item !== undefined ? notes.get(node.item) : undefined}
          />
        ))}
      </div>
    </Box>
  );
}

/** The link's bed is its bandwidth; the filled parts are what is used towards the processor and away from it. */
function Wire({ wire, quiet }: { wire: MapWire; quiet: boolean }) {
  const bed = wire.gbytePerS === undefined ? 2 : thickness(wire.gbytePerS);
  const line = { x1: wire.x1, y1: wire.y1, x2: wire.x2, y2: wire.y2 };
  const across = wire.x1 === wire.x2 ? { dx: 1, dy: 0 } : { dx: 0, dy: 1 };
  // duplex: each direction has its own half of the bed, memory's bus takes turns
  const halves =
    wire.of === 'memory'
      ? [{ share: wire.up, at: 0, most: bed }]
      : [
          { share: wire.up, at: -bed / 4, most: bed / 2 },
          { share: wire.down, at: bed / 4, most: bed / 2 },
        ];
  return (
    <g opacity={quiet ? 0.35 : 1}>
      <line
        {...line}
        stroke="var(--hair)"
        strokeWidth={bed}
        strokeDasharray={wire.gbytePerS === undefined ? '3 3' : undefined}
      />
      {halves.map(({ share, at, most }, i) => {
        if (share <= 0) return null;
        const colour = share > 1 ? 'var(--short)' : share > 0.85 ? 'var(--doubt)' : 'var(--carries)';
        return (
          <line
            key={i}
            x1={line.x1 + at * across.dx}
            x2={line.x2 + at * across.dx}
            y1={line.y1 + at * across.dy}
            y2={line.y2 + at * across.dy}
            stroke={colour}
            strokeWidth={Math.max(1.5, most * Math.min(1, share))}
          />
        );
      })}
    </g>
  );
}

function WireLabel({ wire }: { wire: MapWire }) {
  return (
    <Hint says={wire.title}>
      <span className="wirelabel" style={{ left: (wire.x1 + wire.x2) / 2, top: (wire.y1 + wire.y2) / 2 }}>
        {wire.label}
      </span>
    </Hint>
  );
}

function Node({
  node,
  layer,
  mostWatts,
  note,
}: {
  node: MapNode;
  layer: Layer;
  mostWatts: number;
  note: MapNote | undefined;
}) {
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
  const faded =
    (layer === 'memory' && !(node.position?.kind === 'memory' || node.id === 'processor')) ||
    ((layer === 'heat' || layer === 'clearance') && node.kind === 'device' && !note);
  const tight = node.height < ONE_LINE_BELOW ? ' single' : node.height < DENSE_BELOW ? ' dense' : '';
  const className = `node ${node.kind}${chosen ? ' chosen' : ''}${faded ? ' faded' : ''}${tight}`;
  const style = { left: node.x, top: node.y, width: node.width, height: node.height };
  const power = layer === 'power' && node.watts;
  const sub = note
    ? note.text
    : power
      ? `${wattsText(node.watts.now)} now · ${wattsText(node.watts.max)} limit`
      : node.sub;
  const plain = !power && !note;
  const body = (
    <>
      <span className="title" style={node.kind === 'spine' ? { justifyContent: 'center' } : undefined}>
        <span>{node.title}</span>
        {node.level && <LevelSign level={node.level} />}
      </span>
      <span className={`sub${note?.tone === 'short' ? ' short' : ''}`}>
        {note?.tone === 'short' ? '▼ ' : ''}
        {sub}
        {plain && node.sub2 && node.kind === 'device' ? ` · ${node.sub2}` : ''}
      </span>
      {note?.more !== undefined && <span className="sub">{note.more}</span>}
      {node.kind === 'spine' && node.sub2 && plain && <span className="sub">{node.sub2}</span>}
      {note?.share !== undefined && (
        <span
          aria-hidden="true"
          style={{
            position: 'absolute',
            left: 0,
            bottom: 0,
            height: 4,
            width: `${note.share * 100}%`,
            background: `var(--${note.tone})`,
          }}
        />
      )}
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
      <Hint says={`${node.title}: ${sub}`}>
        <div className={className} style={style}>
          {body}
        </div>
      </Hint>
    );
  return (
    <Hint says={`${node.title}: ${sub}`}>
      <Press
        className={className}
        style={style}
        onClick={() => choose(position)}

        aria-label={`${node.title}, ${sub}${node.sub2 ? `, ${node.sub2}` : ''}${node.level ? `, ${LEVEL_WORD[node.level]}` : ''}`}
        aria-pressed={chosen}
      >
        {body}
      </Press>
    </Hint>
  );
}
