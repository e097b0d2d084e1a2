import type { Assessment } from '../assess';
import type { Derivation } from '../figures/derive';

/** What one task asks of one resource in one sitting. Rates for real-time tasks; for elastic ones what they use as they run. */
export interface DemandPart {
  readonly task: string;
  readonly amount: number;
}

export interface DemandStrip {
  readonly sitting: string;
  readonly parts: readonly DemandPart[];
  readonly total: number;
}

/** A resource with its strips by sitting and what the draft offers. `unit` is the supply's. */
export interface ResourceDemand {
  readonly resource: string;
  readonly unit: string;
  readonly supply: number | undefined;
  readonly strips: readonly DemandStrip[];
}

const SHOWN = [
  'cpu.serial',
  'cpu.parallel',
  'memory.traffic',
  'gpu.fp32',
  'gpu.matrix',
  'gpu.fp64',
  'gpu.traffic',
  'engine.decode',
  'engine.encode',
  'read:active',
  'write:scratch',
  'write:active',
  'network',
];

/** Demand a second of each resource by sitting, real-time tasks only: elastic tasks take what is left. */
export function demandsOf(assessment: Assessment): ResourceDemand[] {
  const strips = new Map<string, Map<string, DemandPart[]>>();
  const units = new Map<string, string>();
  const supplies = new Map<string, Derivation | undefined>();
  for (const sitting of assessment.facts.sittings)
    for (const task of sitting.tasks) {
      if (task.mode !== 'real-time') continue;
      for (const use of task.uses) {
        if (!SHOWN.includes(use.resource)) continue;
        units.set(use.resource, use.demand.unit);
        supplies.set(use.resource, use.supply);
        const bySitting = strips.get(use.resource) ?? new Map<string, DemandPart[]>();
        bySitting.set(sitting.sitting, [
          ...(bySitting.get(sitting.sitting) ?? []),
          { task: task.task, amount: use.demand.value },
        ]);
        strips.set(use.resource, bySitting);
      }
    }
  return SHOWN.flatMap((resource): ResourceDemand[] => {
    const bySitting = strips.get(resource);
    if (!bySitting) return [];
    return [
      {
        resource,
        unit: units.get(resource) ?? '',
        supply: supplies.get(resource)?.value,
        strips: [...bySitting].map(([sitting, parts]) => ({
          sitting,
          parts,
          total: parts.reduce((sum, part) => sum + part.amount, 0),
        })),
      },
    ];
  });
}
