import type { PartOf } from '../parts';
import { compileBoard, type Board } from './compile';
import type { Roots } from './roots';

/** What a processor leaves of a board's root slots; a table that is not stated takes nothing away. */
function rootsOf(board: PartOf<'board'>, processor: PartOf<'processor'> | undefined): Roots {
  const entry = board.processorFamilies?.find((candidate) => candidate.family === processor?.family);
  return {
    links: processor?.rootLinks,
    off: processor ? (entry?.slotsOff ?? []) : [],
  };
}

/** Compiled boards by topology and roots; they end with the part that states the topology. */
const compiled = new WeakMap<object, Map<string, Board>>();

/** A board's compiled topology as it works with a processor, or by itself; compiled when first asked for. */
export function boardOf(part: PartOf<'board'>, processor?: PartOf<'processor'>): Board | undefined {
  if (!part.topology) return undefined;
  const roots = rootsOf(part, processor);
  const key = `${(roots.links ?? []).map(({ generation, lanes }) => `${generation}x${lanes}`).join()} ${roots.off.join()}`;
  let known = compiled.get(part.topology);
  if (!known) compiled.set(part.topology, (known = new Map()));
  let board = known.get(key);
  if (!board) known.set(key, (board = compileBoard(part.topology, roots)));
  return board;
}
