import { combineSpreads } from '../units/band';
import type { Constant } from './registers';

/** Where a given figure comes from. */
export type Origin = 'measurement' | 'part' | 'brief' | 'constant' | 'setting' | 'standard' | 'profile' | 'heat';

/** A figure as it was given, with where it came from. */
export interface Given {
  readonly op: 'given';
  readonly label: string;
  readonly value: number;
  readonly unit: string;
  readonly spread: number;
  readonly from: Origin;
  /** Part, task or whoever gave it; of a constant its id, under which its reason is found. */
  readonly where: string;
}

/** A figure computed from others. `op` says how: product, sum, quotient (first ÷ the rest), power (first to the second), least or most. */
export interface Computed {
  readonly op: 'product' | 'sum' | 'quotient' | 'power' | 'least' | 'most';
  readonly label: string;
  readonly value: number;
  readonly unit: string;
  readonly spread: number;
  readonly inputs: readonly Derivation[];
  readonly source: string;
}

/** A number that can be asked why. Nodes are what the model computes with, so what is shown is what was done. */
export type Derivation = Given | Computed;

export const given = (label: string, value: number, unit: string, from: Origin, where: string): Given => ({
  op: 'given',
  label,
  value,
  unit,
  spread: 1,
  from,
  where,
});

export const fromConstant = (label: string, constant: Constant): Given => ({
  op: 'given',
  label,
  value: constant.value,
  unit: constant.unit,
  spread: constant.spread,
  from: 'constant',
  where: constant.id,
});

const DEFINITION = 'definition';

/** Product; spreads of the factors combine as independent errors. */
export function product(label: string, unit: string, inputs: readonly Derivation[], source = DEFINITION): Computed {
  let value = 1;
  for (const input of inputs) value *= input.value;
  return {
    op: 'product',
    label,
    value,
    unit,
    spread: combineSpreads(inputs.map((input) => input.spread)),
    inputs,
    source,
  };
}

/** First input divided by the product of the rest. @throws RangeError when a divisor is not above 0 */
export function quotient(
  label: string,
  unit: string,
  inputs: readonly [Derivation, ...Derivation[]],
  source = DEFINITION,
): Computed {
  const [first, ...rest] = inputs;
  let value = first.value;
  for (const divisor of rest) {
    if (!(divisor.value > 0)) throw new RangeError(`${label}: cannot divide by ${divisor.label} = ${divisor.value}`);
    value /= divisor.value;
  }
  return {
    op: 'quotient',
    label,
    value,
    unit,
    spread: combineSpreads(inputs.map((input) => input.spread)),
    inputs,
    source,
  };
}

/**
 * A figure to the power of another. In logarithms the doubt of the base counts by the exponent, that of the exponent by
 * the logarithm of the base: next to 1 an exponent does not matter.
 * @example powered(given('times', 8, '×', 'setting', 'a test'), given('exponent', 1 / 3, '', 'setting', 'a test')).value // 2
 */
export function powered(base: Derivation, exponent: Derivation): Computed {
  const byExponent = Math.max(base.value, 1 / base.value) ** (Math.abs(exponent.value) * (exponent.spread - 1));
  return {
    op: 'power',
    label: base.label,
    value: base.value ** exponent.value,
    unit: '×',
    spread: combineSpreads([base.spread ** Math.abs(exponent.value), byExponent]),
    inputs: [base, exponent],
    source: DEFINITION,
  };
}

/** Sum; the spread is the terms' spreads weighted by their share, combined as independent errors. */
export function sum(label: string, unit: string, inputs: readonly Derivation[], source = DEFINITION): Computed {
  let value = 0;
  for (const input of inputs) value += input.value;
  const spread = value > 0 ? combineSpreads(inputs.map((input) => input.spread ** (input.value / value))) : 1;
  return { op: 'sum', label, value, unit, spread, inputs, source };
}

/** Least of the inputs. */
export function least(
  label: string,
  unit: string,
  inputs: readonly [Derivation, ...Derivation[]],
  source = DEFINITION,
): Computed {
  let smallest: Derivation = inputs[0];
  for (const input of inputs) if (input.value < smallest.value) smallest = input;
  return { op: 'least', label, value: smallest.value, unit, spread: smallest.spread, inputs, source };
}
