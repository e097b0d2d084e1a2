import { assess, contextOf, type Assessment } from '../assess';
import type { Brief } from '../model/brief';
import { compileCatalogue } from '../model/catalogue';
import type { CatalogueData } from '../model/catalogueSchema';
import type { Machine } from '../model/machine';
import { CASES } from './ruleCases';
import { ONCE_WRONG } from './ruleCasesWork';
import { briefOf, dataOf, machineOf, type Change } from './world';

/** A machine, what it is for and what there is to build it of. */
export interface World {
  readonly machine: Machine;
  readonly brief: Brief;
  readonly data: CatalogueData;
}
export const worldOf = (change: Change): World => ({
  machine: machineOf(change),
  brief: briefOf(change),
  data: dataOf(change),
});
/** The whole assessment of a world. */
export const judge = ({ machine, brief, data }: World): Assessment =>
  assess(machine, brief, contextOf(compileCatalogue(data), '2026-05-18'));

/** Machines that fail, are unproven and pass, for every rule there is. */
export const CHANGES: readonly (readonly [string, Change])[] = [
  ['all well', {}],
  ...Object.entries(CASES).flatMap(([rule, { fails, unproven, passes }]) =>
    [fails?.[0], unproven?.[0], passes].flatMap((change, i) =>
      change ? [[`${rule} ${['fails', 'unproven', 'passes'][i]}`, change] as const] : [],
    ),
  ),
  ...ONCE_WRONG.map(({ what, change }) => [what, change] as const),
];

/** Every so many figures is tried in `npm test`; all of them with `VANE_ALL=1`. */
const EVERY = 3;

/** Whether something is tried in this run: the same ones each time, spread over all. */
export function tried(...what: readonly string[]): boolean {
  if (process.env['VANE_ALL'] === '1') return true;
  let hash = 0;
  for (const letter of what.join(' ')) hash = (hash * 31 + letter.charCodeAt(0)) >>> 0;
  return hash % EVERY === 0;
}
