import type { Placement } from '../board/placement';
import { measuredMachines, type MeasuredMachine } from '../evidence/comparable';
import type { Catalogue } from '../model/catalogue';
import type { Machine } from '../model/machine';
import { usualSettings, type Settings } from '../model/settings';

/** What an assessment needs besides machine and brief. `placements` remembers placements by what they depend on. */
export interface Context {
  readonly catalogue: Catalogue;
  /** ISO date; core has no clock. */
  readonly today: string;
  readonly settings: Settings;
  readonly placements: Map<string, Placement>;
  /** Other machines whose measurements may say something of this one. */
  readonly measured: readonly MeasuredMachine[];
  /**
   * For thousands of what-ifs: the machine's total is that of its parts bought one by one, which only what-ifs are
   * compared by. What is shown is the best basket.
   */
  readonly quick?: true;
}

const quickContexts = new WeakMap<Context, Context>();

/** The same context for what-ifs. */
export function quickly(context: Context): Context {
  if (context.quick) return context;
  let quick = quickContexts.get(context);
  if (!quick) quickContexts.set(context, (quick = { ...context, quick: true }));
  return quick;
}

export const contextOf = (
  catalogue: Catalogue,
  today: string,
  settings: Settings = usualSettings,
  measured: readonly Machine[] = [],
): Context => ({
  catalogue,
  measured: measuredMachines(measured, catalogue),
  today,
  settings,
  placements: new Map(),
});
