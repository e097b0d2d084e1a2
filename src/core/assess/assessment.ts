import type { Region } from '../model/catalogueSchema';
import type { TaskResult } from '../predict/results';
import type { Supply } from '../predict/supply';
import type { Check, Facts, Finding } from '../rules/rule';

/** Everything that is said about a machine and a brief. */
export interface Assessment {
  readonly facts: Facts;
  readonly supply: Supply;
  readonly region: Region;
  /** Each task at its worst sitting, in the brief's order. */
  readonly tasks: readonly TaskResult[];
  /** All comparisons of all rules, findings worst first, then what passed. */
  readonly checks: readonly Check[];
  readonly findings: readonly Finding[];
}
