import type { Machine } from '@/core/model/machine';

/** A machine as it is planned, without what was noted while it was built: ticks and readings ask nothing anew. */
export function barePlan({ assembly: _assembly, proof: _proof, serials: _serials, ...plan }: Machine): Machine {
  return plan;
}
