import { hides } from './boxes';
import type { Scene, Solid } from './scene';

/** Item → items that lie right over it, seen from the open side. */
export type Covers = ReadonlyMap<string, ReadonlySet<string>>;

/** Things one takes out as a whole; a board or a cage stays where it is. */
const COMES_OFF: ReadonlySet<Solid['kind']> = new Set(['cooler', 'card', 'radiator', 'module', 'fan', 'drive']);

/** Which part covers which: the graph that says what must come off first. */
export function coversOf(scene: Scene): Covers {
  const covers = new Map<string, Set<string>>();
  for (const under of scene.solids)
    for (const over of scene.solids) {
      if (over.item === under.item || !COMES_OFF.has(over.kind)) continue;
      // a module stands beside the socket: only what overhangs it matters, and that has its own box
      if (!hides(over, under)) continue;
      const list = covers.get(under.item) ?? new Set();
      covers.set(under.item, list.add(over.item));
    }
  return covers;
}

/** What must come off to reach an item, in the order it comes off: the outermost first. */
export function mustComeOff(covers: Covers, item: string): string[] {
  const order: string[] = [];
  const seen = new Set([item]);
  const visit = (id: string) => {
    for (const over of [...(covers.get(id) ?? [])].sort()) {
      if (seen.has(over)) continue;
      seen.add(over);
      visit(over);
      order.push(over);
    }
  };
  visit(item);
  return order;
}
