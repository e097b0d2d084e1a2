import { columnsOf, type Cell, type Column, type PartFacts } from './columns';
import { applies, fieldsOf, valueAt, type Field } from '../parts/fields';
import type { Part } from '../parts';

/** Most parts of a kind that are looked at side by side: more are a grid. */
export const MOST_BESIDE = 6;

/** A figure of several parts of one kind. */
export interface BesideFigure {
  readonly column: Column;
  /** In the order of the parts; undefined is unknown, null does not apply to the part. */
  readonly cells: readonly (Cell | null)[];
  /** Whether all are known and alike. */
  readonly same: boolean;
  /** Which of the parts are best, by their places; none where all are alike or it depends on the work. */
  readonly best: readonly number[];
}

/** A structure of several parts of one kind: slots, core groups, ports. */
export interface BesideStructure {
  readonly field: Field;
  readonly values: readonly unknown[];
  readonly same: boolean;
}

export interface Beside {
  readonly figures: readonly BesideFigure[];
  readonly structures: readonly BesideStructure[];
}

/** What heads the comparison, or is no figure of a part. */
const IN_THE_HEAD = new Set(['gist', 'kind', 'maker', 'name', 'id', 'variantOf', 'source', 'partNumber', 'gtin']);

/** Structures whose members are columns of their own, or prices. */
const TOLD_OTHERWISE = new Set(['evidence', 'listPrices']);

/** Places of the best cells; an unknown one is never best, and never makes another best by being unknown. */
function bestOf(cells: readonly (Cell | null)[], { better }: Column): number[] {
  if (better !== 'higher' && better !== 'lower') return [];
  const known = cells.filter((cell) => typeof cell === 'number');
  if (known.length < 2) return [];
  const [least, most] = [Math.min(...known), Math.max(...known)];
  if (least === most) return [];
  const best = better === 'higher' ? most : least;
  return cells.flatMap((cell, i) => (cell === best ? [i] : []));
}

/**
 * Parts of one kind side by side: every figure that any of them states, and what of it differs.
 * @throws RangeError when they are not of one kind
 */
export function besideOne(parts: readonly Part[], facts: readonly PartFacts[], currency: string): Beside {
  const [first] = parts;
  if (!first) return { figures: [], structures: [] };
  if (parts.some(({ kind }) => kind !== first.kind)) throw new RangeError('only parts of one kind stand side by side');
  const cellOf = (column: Column, part: Part, i: number): Cell | null => {
    const value = column.value(part, facts[i] ?? { landedMinor: undefined, used: 0 });
    return value === undefined && !applies(part, column.key) ? null : value;
  };
  const figures = columnsOf(first.kind, currency)
    .filter(({ key, live }) => !IN_THE_HEAD.has(key) && !live)
    .map((column) => {
      const cells = parts.map((part, i) => cellOf(column, part, i));
      return {
        column,
        cells,
        same: cells.every((cell) => cell !== undefined && cell === cells[0]),
        best: bestOf(cells, column),
      };
    })
    // what none of them states is no comparison, nor is what applies to none
    .filter(({ cells }) => cells.some((cell) => cell !== undefined && cell !== null && cell !== ''));
  const structures = fieldsOf(first.kind)
    .filter(({ type, path }) => type === 'structure' && !path.includes('.') && !TOLD_OTHERWISE.has(path))
    .map((field) => {
      const values = parts.map((part) => valueAt(part, field.path));
      const [one] = values;
      return {
        field,
        values,
        same: values.every((value) => value !== undefined && JSON.stringify(value) === JSON.stringify(one)),
      };
    })
    .filter(({ values }) => values.some((value) => value !== undefined));
  return { figures, structures };
}
