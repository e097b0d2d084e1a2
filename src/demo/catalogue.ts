import { APPLICATIONS } from './applications';
import { CATALOGUE_FORMAT } from '@/core/model/catalogueSchema';
import { boards } from './lines/boards';
import { drives } from './lines/drives';
import { graphics } from './lines/graphics';
import { cases, cooling, extras, provingBench, supplies } from './lines/housing';
import { withFittings, withTestedLists } from './lines/fittings';
import { memory } from './lines/memory';
import { processors } from './lines/processors';
import { rivals } from './rivals';
import { dress, editionsOf, marksOf } from './editions';
import { listPrices, offersOf, REGIONS, SELLERS } from './market';
import type { Priced } from './seed';

/** All parts: the lines, their editions, and for load tests marks of them until there are as many as asked for. */
export function demoParts(size = 0): Priced[] {
  const lines = [
    ...processors(),
    ...boards(),
    ...memory(),
    ...graphics(),
    ...drives(),
    ...supplies(),
    ...cases(),
    ...cooling(),
    ...extras(),
  ];
  const fitted = withTestedLists(lines.map(withFittings));
  const dressed = [...fitted, ...fitted.flatMap(editionsOf)].map(dress);
  return [...dressed, ...marksOf(dressed, size - dressed.length)];
}

/**
 * The demo catalogue as an open file, before validation: it goes through the importer like any user's file.
 * @param size parts at least; 0 for the demo's own
 */
export function demoCatalogue(size = 0): Record<string, unknown> {
  const bench = provingBench();
  const parts = [...demoParts(Math.max(0, size - bench.length)), ...bench];
  return {
    format: CATALOGUE_FORMAT,
    version: 1,
    name: 'Ninefathom demo catalogue',
    regions: REGIONS,
    sellers: SELLERS,
    applications: APPLICATIONS,
    parts: parts.map((entry) => withListPrices(entry)),
    offers: parts.flatMap(offersOf),
    rivals: rivals(parts),
  };
}

const withListPrices = (entry: Priced): Record<string, unknown> => {
  const prices = listPrices(entry);
  return prices.length > 0 ? { ...entry.part, listPrices: prices } : entry.part;
};
