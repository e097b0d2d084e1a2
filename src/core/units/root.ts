/**
 * Where a continuous function that does not fall crosses zero, inside a bracket. The bracket shrinks on every step and
 * is halved when the secant crawls, so the answer is reached from any bracket and is the same each time. Source:
 * regula falsi with the Illinois correction (Dowell and Jarratt 1971), bisection as its safeguard.
 *
 * @param f not falling, `f(low) ≤ 0 ≤ f(high)`; where that does not hold the nearer end is the answer
 * @param about what `f` is asked about, so that it needs no closure where it is called a thousand times
 * @param tolerance width of the bracket, in the argument's unit, at which the search stops
 * @returns the lower end of the last bracket, where `f ≤ 0`
 * @example rootOf((x) => x * x - 2, 0, 2, 1e-6, undefined) // 1.41421
 */
export function rootOf<S>(
  f: (x: number, about: S) => number,
  low: number,
  high: number,
  tolerance: number,
  about: S,
): number {
  let a = low;
  let b = high;
  let fb = f(b, about);
  if (fb <= 0) return b;
  let fa = f(a, about);
  if (fa >= 0) return a;
  let side = 0;
  let widthBefore = b - a;
  for (let step = 1; b - a > tolerance && step < 100; step++) {
    let x = (a * fb - b * fa) / (fb - fa);
    if (step % 3 === 0) {
      // three steps that did not halve the bracket: the secant crawls
      if (b - a > widthBefore / 2) x = (a + b) / 2;
      widthBefore = b - a;
    }
    // a step of half the tolerance inwards closes the bracket when the secant lands on its end
    x = Math.min(b - tolerance / 2, Math.max(a + tolerance / 2, x));
    const fx = f(x, about);
    if (fx <= 0) {
      if (fx === 0) return x;
      a = x;
      fa = fx;
      if (side === -1) fb /= 2;
      side = -1;
    } else {
      b = x;
      fb = fx;
      if (side === 1) fa /= 2;
      side = 1;
    }
  }
  return a;
}
