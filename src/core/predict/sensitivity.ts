import type { Derivation } from '../figures/derive';
import type { TaskResult } from './results';

/** How much a constant's doubt moves a prediction. */
export interface Sensitivity {
  readonly label: string;
  readonly where: string;
  /** Relative change of the result for a small relative change of the constant. */
  readonly elasticity: number;
  /** Factor on the result when the constant lies at the end of its spread. */
  readonly factor: number;
}

interface Leaf {
  readonly label: string;
  readonly spread: number;
  weight: number;
}

/** Adds to each constant below a node the share of a relative change that arrives at the node. */
function walk(node: Derivation, weight: number, leaves: Map<string, Leaf>): void {
  if (weight === 0) return;
  if (node.op === 'given') {
    if (node.spread <= 1) return;
    const leaf = leaves.get(node.where);
    if (leaf) leaf.weight += weight;
    else leaves.set(node.where, { label: node.label, spread: node.spread, weight });
    return;
  }
  switch (node.op) {
    case 'product':
      for (const input of node.inputs) walk(input, weight, leaves);
      return;
    case 'quotient':
      node.inputs.forEach((input, i) => walk(input, i === 0 ? weight : -weight, leaves));
      return;
    case 'power': {
      const [base, exponent] = node.inputs;
      if (!base || !exponent) return;
      walk(base, weight * exponent.value, leaves);
      walk(exponent, weight * exponent.value * Math.log(base.value), leaves);
      return;
    }
    case 'sum':
      for (const input of node.inputs) walk(input, node.value === 0 ? 0 : (weight * input.value) / node.value, leaves);
      return;
    case 'least':
    case 'most': {
      const decides = node.inputs.find((input) => input.value === node.value);
      if (decides) walk(decides, weight, leaves);
    }
  }
}

/**
 * Constants of a prediction, those whose doubt moves it most first. A real-time task goes by its tightest resource; a
 * run by each resource's share of the time. First derivatives of the logarithms along the derivation, exact for
 * products, sums and quotients.
 */
export function sensitivityOf(result: TaskResult): Sensitivity[] {
  const leaves = new Map<string, Leaf>();
  const known = result.uses.filter((use) => use.supply && use.ratio !== undefined && use.ratio > 0);
  const weightOf = new Map<string, number>();
  if (result.mode === 'real-time') {
    const binding = known.find((use) => use.resource === result.binds);
    if (binding) weightOf.set(binding.resource, 1);
  } else {
    const all = known.reduce((sum, use) => sum + 1 / (use.ratio ?? Infinity), 0);
    for (const use of known) weightOf.set(use.resource, 1 / (use.ratio ?? Infinity) / all);
  }
  for (const use of known) {
    const weight = weightOf.get(use.resource);
    if (weight === undefined || !use.supply) continue;
    walk(use.demand, -weight, leaves);
    walk(use.supply, weight, leaves);
  }
  return [...leaves]
    .map(([where, { label, spread, weight }]) => ({
      label,
      where,
      elasticity: weight,
      factor: spread ** Math.abs(weight),
    }))
    .filter(({ factor }) => factor > 1.005)
    .sort((a, b) => b.factor - a.factor || (a.label < b.label ? -1 : 1));
}
