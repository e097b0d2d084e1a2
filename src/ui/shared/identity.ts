/** Texts of what was asked about lately; the one used longest ago goes first. */
const KEPT = 64;
const byText = new Map<string, number>();
const byObject = new WeakMap<object, number>();
let counter = 0;

/**
 * A key for data that is replaced whenever it changes: equal for what says the same. Parts that a page gets to know, an
 * undone step and what comes from the server anew make other objects of it, and answers that hold are not asked for again.
 */
export function identity(data: object): number {
  const known = byObject.get(data);
  if (known !== undefined) return known;
  const text = JSON.stringify(data);
  const id = byText.get(text) ?? ++counter;
  byText.delete(text);
  byText.set(text, id);
  if (byText.size > KEPT)
    for (const oldest of byText.keys()) {
      byText.delete(oldest);
      break;
    }
  byObject.set(data, id);
  return id;
}
