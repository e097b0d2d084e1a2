import { expect, test } from 'vitest';
import { fieldWords, structureSize, structureTables } from './structure';

test('names of fields become words with their unit behind', () => {
  expect(
    ['threadsPerCore', 'boostGHz', 'lengthsMm', 'gbitPerS', 'kind', 'rateMTs', 'maxTemperatureC', 'kPerW'].map(
      fieldWords,
    ),
  ).toEqual([
    'threads per core',
    'boost, GHz',
    'lengths, mm',
    'Gb/s',
    'kind',
    'rate, MT/s',
    'max temperature, °C',
    'K/W',
  ]);
});

test('a list of entries is a table; what an entry does not say stays empty', () => {
  expect(
    structureTables([
      { kind: 'performance', count: 6, boostGHz: 5.2 },
      { kind: 'small', count: 8, spares: [1, 2], open: true },
    ]),
  ).toEqual([
    {
      title: '',
      columns: ['kind', 'count', 'boost, GHz', 'spares', 'open'],
      rows: [
        ['performance', '6', '5.2', '', ''],
        ['small', '8', '', '1, 2', 'yes'],
      ],
    },
  ]);
});

test('a structure of lists is a table each, and its size is told', () => {
  const board = { hubs: [{ id: 'hub' }], slots: [{ id: 'a' }, { id: 'b', on: { hub: 'hub', lanes: 4 } }] };
  expect(structureTables(board).map(({ title }) => title)).toEqual(['hubs', 'slots']);
  expect(structureTables(board)[1]?.rows).toEqual([
    ['a', ''],
    ['b', 'hub hub, lanes 4'],
  ]);
  expect(structureSize(board)).toBe('1 hub, 2 slots');
  expect(structureSize([{ a: 1 }])).toBe('1 entry');
  expect([structureTables([]), structureTables(['a']), structureTables('x'), structureSize({ a: 1 })]).toEqual([
    [],
    [],
    [],
    undefined,
  ]);
});
