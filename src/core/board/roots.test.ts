import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Topology } from '../parts/board';
import { fedBy, type Roots } from './roots';

type Slots = readonly (readonly [id: string, generation: number, lanes: number])[];

const board = (slots: Slots, sharedPorts?: Topology['sharedPorts']): Topology =>
  ({
    slots: slots.map(([id, generation, lanes]) => ({ id, name: id, on: 'cpu', kind: 'card', generation, lanes })),
    hubs: [],
    ...(sharedPorts ? { sharedPorts } : {}),
  }) as unknown as Topology;
const roots = (...links: readonly (readonly [generation: number, lanes: number])[]): Roots => ({
  links: links.map(([generation, lanes]) => ({ generation, lanes })) as Roots['links'],
  off: [],
});
const fed = (topology: Topology, from: Roots) =>
  Object.fromEntries([...fedBy(topology, from)].map(([id, { generation, lanes }]) => [id, `${generation} × ${lanes}`]));

describe('what the processor gives the ports at it, worked by hand', () => {
  test('a slot of 16 lanes of generation 5 behind 8 lanes of generation 4 is 4 × 8', () => {
    expect(fed(board([['card', 5, 16]]), roots([4, 8]))).toEqual({ card: '4 × 8' });
  });

  test('a slot older than the link stays what it is', () => {
    expect(fed(board([['card', 3, 4]]), roots([5, 16]))).toEqual({ card: '3 × 4' });
  });

  test('each port takes the narrowest link that is wide enough, the newest of such', () => {
    const both = board([
      ['card', 5, 16],
      ['stick', 5, 4],
    ]);
    expect(fed(both, roots([5, 16], [4, 4]))).toEqual({ card: '5 × 16', stick: '4 × 4' });
    expect(fed(both, roots([4, 4], [5, 16]))).toEqual({ card: '5 × 16', stick: '4 × 4' });
    expect(fed(both, roots([5, 16], [4, 4], [5, 4]))).toEqual({ card: '5 × 16', stick: '5 × 4' });
  });

  test('a link feeds several ports as long as it has lanes, the newest port first', () => {
    const two = board([
      ['old', 4, 4],
      ['new', 5, 4],
      ['card', 5, 16],
    ]);
    expect(fed(two, roots([5, 16], [5, 4], [4, 4]))).toEqual({ card: '5 × 16', new: '5 × 4', old: '4 × 4' });
    expect(fed(two, roots([5, 16], [4, 8]))).toEqual({ card: '5 × 16', new: '4 × 4', old: '4 × 4' });
  });

  test('a port that comes too late shares the kind it would have had, the oldest of them', () => {
    const two = board([
      ['first', 5, 4],
      ['second', 5, 4],
    ]);
    expect(fed(two, roots([5, 4]))).toEqual({ first: '5 × 4', second: '5 × 4' });
    expect(fed(two, roots([5, 4], [4, 4]))).toEqual({ first: '5 × 4', second: '4 × 4' });
  });

  test('links that nobody states take nothing away', () => {
    const one = board([['card', 5, 16]]);
    expect(fed(one, { links: undefined, off: [] })).toEqual({ card: '5 × 16' });
    expect(fed(one, { links: [], off: [] })).toEqual({ card: '5 × 16' });
  });

  test('a slot that the processor switches off is not fed', () => {
    expect(fed(board([['card', 5, 16]]), { ...roots([5, 16]), off: ['card'] })).toEqual({});
  });

  test('slots that share a port are fed as one', () => {
    const shared = board(
      [
        ['left', 5, 16],
        ['right', 5, 8],
      ],
      [
        { id: 'shared', name: 'Shared', lanes: 16, modes: [{ lanes: { left: 16 } }, { lanes: { left: 8, right: 8 } }] },
      ] as never,
    );
    expect(fed(shared, roots([4, 16]))).toEqual({ shared: '4 × 16' });
  });
});

test('no port gets more than its own, nor more than the best link, and every port gets something', () => {
  const width = fc.constantFrom(1, 2, 4, 8, 16);
  const generation = fc.integer({ min: 1, max: 5 });
  fc.assert(
    fc.property(
      fc.array(fc.tuple(generation, width), { minLength: 1, maxLength: 6 }),
      fc.array(fc.tuple(generation, width), { minLength: 1, maxLength: 5 }),
      (slots, links) => {
        const given = fedBy(board(slots.map(([gen, lanes], i) => [`slot-${i}`, gen, lanes])), roots(...links));
        slots.forEach(([gen, lanes], i) => {
          const port = given.get(`slot-${i}`);
          expect(port).toBeDefined();
          expect(port?.generation).toBeLessThanOrEqual(Math.min(gen, Math.max(...links.map(([each]) => each))));
          expect(port?.lanes).toBe(Math.min(lanes, Math.max(...links.map(([, each]) => each))));
        });
      },
    ),
  );
});
