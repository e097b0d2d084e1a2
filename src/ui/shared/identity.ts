import { lately } from '@/core/units/lately';

/** Texts of what was asked about lately that are known again. */
const KEPT = 64;
const byText = lately<number>(KEPT);
const byObject = new WeakMap<object, number>();
let counter = 0;

/**
 * A key for data that is replaced whenever it changes: equal for what says the same. Parts that a page gets to know, an
 * undone step and what comes from the server anew make other objects of it, and answers that hold are not asked for again.
 */
export function identity(data: object): number {
  let id = byObject.get(data);
  if (id === undefined) byObject.set(data, (id = byText(JSON.stringify(data), () => ++counter)));
  return id;
}
