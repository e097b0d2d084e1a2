import { assess, type Assessment, type Context } from '../assess';
import type { Brief } from '../model/brief';
import { machineSchema } from '../model/machine';

const EMPTY = machineSchema.parse({ id: 'nothing', name: 'Nothing chosen yet', items: [] });

const known = new WeakMap<Brief, WeakMap<Context, Assessment>>();

/**
 * The work without a machine: what it asks for does not change with the parts that are chosen. Remembered for the brief
 * and its context, and gone with them.
 */
export function bareOf(brief: Brief, context: Context): Assessment {
  let shelf = known.get(brief);
  if (!shelf) known.set(brief, (shelf = new WeakMap()));
  let bare = shelf.get(context);
  if (!bare) shelf.set(context, (bare = assess(EMPTY, brief, context)));
  return bare;
}
