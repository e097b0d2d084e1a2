import type { Assessment } from '../assess';

/** What the targets ask of a resource a second, who asks most, and what the draft offers. */
export interface AskedRate {
  readonly resource: string;
  readonly unit: string;
  readonly asked: number;
  /** The same at the high end of the model's spread. */
  readonly safe: number;
  /** The sitting, or the run by itself, that asks most. */
  readonly by: { readonly sitting: string } | { readonly task: string };
  readonly offered: number | undefined;
}

const RATES = [
  'cpu.serial',
  'cpu.parallel',
  'memory.traffic',
  'gpu.fp32',
  'gpu.matrix',
  'gpu.fp64',
  'gpu.traffic',
  'network',
] as const;

/**
 * Rates that follow from the targets alone: real-time work as it runs together, a run as its work over the time it may
 * take. For a run this is the least that could do: stages that wait for each other ask for more.
 */
export function askedRates({ facts }: Assessment, { supply }: Pick<Assessment, 'supply'>): AskedRate[] {
  return RATES.flatMap((resource): AskedRate[] => {
    let best: Omit<AskedRate, 'offered'> | undefined;
    const consider = (asked: number, spread: number, unit: string, by: AskedRate['by']) => {
      if (asked > (best?.asked ?? 0)) best = { resource, unit, asked, safe: asked * spread, by };
    };
    for (const sitting of facts.sittings) {
      let sum = 0;
      let unit = '';
      let spread = 1;
      for (const task of sitting.tasks) {
        const demand = task.uses.find((use) => use.resource === resource)?.demand;
        if (!demand) continue;
        if (task.mode === 'real-time') {
          // one thread carries one task: others run on other cores
          sum = resource === 'cpu.serial' ? Math.max(sum, demand.value) : sum + demand.value;
          unit = demand.unit;
          spread = Math.max(spread, demand.spread);
        } else if (task.target !== undefined && task.unitsARun !== undefined)
          consider((demand.value * task.unitsARun) / task.target, demand.spread, `${demand.unit}/s`, {
            task: task.task,
          });
      }
      consider(sum, spread, unit, { sitting: sitting.sitting });
    }
    return best ? [{ ...best, offered: supply.of(resource)?.rate?.value }] : [];
  });
}
