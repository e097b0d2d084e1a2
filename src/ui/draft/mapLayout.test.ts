import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { assessed, plus, without, type Change } from '@/core/tests/world';
import { layoutMap } from './mapLayout';
import type { MapNode } from './mapModel';

const mapOf = (change: Change = {}, width = 672) => layoutMap(assessed(change), width);
const node = (change: Change, id: string): MapNode | undefined => mapOf(change).nodes.find((entry) => entry.id === id);

const overlap = (a: MapNode, b: MapNode) =>
  a.x < b.x + b.width - 0.5 && b.x < a.x + a.width - 0.5 && a.y < b.y + b.height - 0.5 && b.y < a.y + a.height - 0.5;

describe('the wiring map', () => {
  test('has no two boxes over each other and nothing past its edge, at any width', () => {
    const changes: Change[] = [
      {},
      { items: without('card-1', 'ssd-1') },
      { items: plus({ id: 'kit-2', part: 'kit' }, { id: 'ssd-2', part: 'ssd' }, { id: 'disk-2', part: 'disk' }) },
      { items: () => [] },
      { items: without('board-1') },
    ];
    fc.assert(
      fc.property(fc.integer({ min: 440, max: 980 }), fc.constantFrom(...changes), (width, change) => {
        const { nodes, height } = mapOf(change, width);
        for (const a of nodes) {
          expect(a.x, a.title).toBeGreaterThanOrEqual(0);
          expect(a.x + a.width, a.title).toBeLessThanOrEqual(width + 0.5);
          expect(a.y + a.height, a.title).toBeLessThanOrEqual(height);
          for (const b of nodes)
            if (a !== b) expect(overlap(a, b), `${a.title} over ${b.title} at ${width}`).toBe(false);
        }
      }),
    );
  });

  test('draws a box for every slot, module slot, hub and part', () => {
    const ids = new Set(mapOf().nodes.map((entry) => entry.id));
    for (const id of [
      'processor',
      'hub',
      'card-1',
      'card-2',
      'ssd-1',
      'm2-2',
      'disk-1',
      'a1',
      'a2',
      'b1',
      'b2',
      'net',
      'psu-1',
      'case-1',
      'cooler-1',
      'board-1',
    ])
      expect(ids, id).toContain(id);
  });

  test('puts devices where the placement put them, with the link they got', () => {
    const wire = mapOf({ parts: { ssd: { generation: 5 } } }).wires.find((entry) => entry.id === 'm2-1');
    expect(wire).toMatchObject({ label: 'gen 4 × 4' });
    expect(wire?.title).toContain('7.88 GB/s of 15.8 GB/s it could use');
  });

  test('the uplink says what it is and what the worst sitting uses', () => {
    const copy = {
      kind: 'custom',
      id: 'copy',
      name: 'Copy',
      importance: 1,
      mode: 'real-time',
      unit: 'file',
      unitsPerS: 1,
      flows: [{ from: 'network', to: 'memory', gbytePerS: 0.3 }],
    };
    const wire = mapOf({ brief: { tasks: [copy], sittings: [] } }).wires.find((entry) => entry.id === 'uplink-hub');
    expect(wire?.label).toBe('uplink gen 4 × 4 · uses 0.3 of 7.9 GB/s');
  });

  test('empty positions can be filled: a drive slot offers a role that nobody has', () => {
    expect(node({}, 'm2-2')).toMatchObject({
      kind: 'empty',
      position: { kind: 'drive', pin: 'm2-2', roles: ['active'] },
    });
    expect(node({ items: without('ssd-1', 'disk-1') }, 'm2-1')?.position).toMatchObject({ roles: ['system'] });
    expect(node({ items: without('card-1') }, 'card-1')?.position).toMatchObject({ kind: 'graphics', pin: 'card-1' });
    expect(node({ items: without('psu-1') }, 'missing-supply')).toMatchObject({ title: 'No supply', kind: 'empty' });
  });

  test('covered slots are off and say by what', () => {
    expect(node({ parts: { card: { slots: 3.5 } } }, 'card-2')).toMatchObject({
      kind: 'off',
      sub: 'covered by Palisar Test 12',
    });
  });

  test('a part that left the catalogue keeps its name on the map', () => {
    expect(node({ items: plus({ id: 'x', part: 'gone', label: 'Old card' }) }, 'x')).toMatchObject({
      title: 'Old card',
      sub: 'no longer in the catalogue',
      level: 'unproven',
    });
  });

  test('a device without a place stands around the board and says so', () => {
    const map = mapOf({ items: plus({ id: 'ssd-2', part: 'ssd' }, { id: 'ssd-3', part: 'ssd' }) });
    expect(map.nodes.filter((entry) => entry.sub.includes('has no place'))).toHaveLength(1);
  });

  test('boxes carry the worst level of the findings about them', () => {
    expect(node({ parts: { cooler: { heightMm: 170 } } }, 'cooler-1')?.level).toBe('blocks');
    expect(node({}, 'cooler-1')?.level).toBeUndefined();
  });
});
