import type { Derivation } from '../figures/derive';
import type { TaskResult } from './results';
import { MET } from '../units/band';
import { sensitivityOf } from './sensitivity';

/** Where a constant alone turns whether a task meets its target. */
export interface ConstantTurn {
  readonly label: string;
  /** Its register and reasoning, which tell it from others. */
  readonly where: string;
  readonly unit: string;
  /** What it is taken for. */
  readonly value: number;
  /** From here on the task falls short, or meets its target if it falls short now. */
  readonly turnsAt: number;
}

/** The turning value is found to within this share. */
const WITHIN = 0.002;

/**
 * Constants of a prediction that turn by themselves, within their spread, whether the task meets its target: how far its
 * progress, a ratio to the target, moves is read from its derivation with the constant put elsewhere. Those that turn it
 * soonest come first. None for a task without a target, or whose progress is not known.
 * @example a supply that is a product of 100 MB/s and a share of 0.8 (×/÷ 1.5), needed 70: 1.14 times enough; from 0.7 on it is short
 */
export function constantTurns(result: TaskResult): ConstantTurn[] {
  const progress = result.ratio?.likely;
  if (progress === undefined || !(progress > 0) || result.impossible.length > 0) return [];
  const meets = progress >= MET;
  const now = workOf(result);
  if (now === undefined) return [];
  const turns: (ConstantTurn & { readonly factor: number })[] = [];
  for (const { where, label, elasticity } of sensitivityOf(result)) {
    const leaf = leafOf(result, where);
    if (!leaf) continue;
    const met = (factor: number): boolean => (progress * (workOf(result, where, factor) ?? now)) / now >= MET;
    // towards the end of its spread that is worse for what is met, or better for what is not
    const up = elasticity > 0 !== meets;
    const end = up ? leaf.spread : 1 / leaf.spread;
    if (met(end) === meets) continue;
    let [same, other] = [1, end];
    while (Math.max(same, other) / Math.min(same, other) > 1 + WITHIN) {
      const middle = Math.sqrt(same * other);
      if (met(middle) === meets) same = middle;
      else other = middle;
    }
    turns.push({ label, where, unit: leaf.unit, value: leaf.value, turnsAt: leaf.value * other, factor: other });
  }
  const far = (factor: number): number => Math.abs(Math.log(factor));
  return turns
    .sort((a, b) => far(a.factor) - far(b.factor) || (a.label < b.label ? -1 : 1))
    .map(({ factor: _factor, ...turn }) => turn);
}

/** A node's value with one constant at so many times what it is taken for. */
function valueWith(node: Derivation, where: string, factor: number): number {
  if (node.op === 'given') return node.spread > 1 && node.where === where ? node.value * factor : node.value;
  const values = node.inputs.map((input) => valueWith(input, where, factor));
  const [first = 0, ...rest] = values;
  switch (node.op) {
    case 'product':
      return values.reduce((all, value) => all * value, 1);
    case 'quotient':
      return rest.reduce((left, value) => left / value, first);
    case 'power':
      return rest.reduce((base, exponent) => base ** exponent, first);
    case 'sum':
      return values.reduce((all, value) => all + value, 0);
    case 'least':
      return Math.min(...values);
    case 'most':
      return Math.max(...values);
  }
}

/**
 * How much of a task's work its resources do, in units that only compare: real-time work goes by its tightest resource, a
 * run takes the time of each in turn.
 */
function workOf(result: TaskResult, where?: string, factor = 1): number | undefined {
  const ratios = result.uses.flatMap(({ ratio, supply, demand }) => {
    if (ratio === undefined || !(ratio > 0) || !supply) return [];
    if (where === undefined) return [ratio];
    const [has, needs] = [supply, demand].map((node) => valueWith(node, where, factor) / valueWith(node, where, 1));
    return [(ratio * (has ?? 1)) / (needs ?? 1)];
  });
  if (ratios.length === 0) return undefined;
  return result.mode === 'real-time' ? Math.min(...ratios) : 1 / ratios.reduce((all, ratio) => all + 1 / ratio, 0);
}

/** The constant of a register, wherever it stands below what a task uses. */
function leafOf({ uses }: TaskResult, where: string): Extract<Derivation, { readonly op: 'given' }> | undefined {
  const search = (node: Derivation): Extract<Derivation, { readonly op: 'given' }> | undefined => {
    if (node.op === 'given') return node.where === where && node.spread > 1 ? node : undefined;
    for (const input of node.inputs) {
      const found = search(input);
      if (found) return found;
    }
    return undefined;
  };
  for (const { demand, supply } of uses) {
    const found = search(demand) ?? (supply && search(supply));
    if (found) return found;
  }
  return undefined;
}
