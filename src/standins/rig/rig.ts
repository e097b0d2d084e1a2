import type { Assessment } from '@/core/assess';
import { filesOf, type RigFile } from './files';
import { plantable, truthOf, type Planted } from './truth';

export { PLANTED, plantable, type Planted } from './truth';
export type { RigFile } from './files';

/** Numbers in [0, 1) from a seed (xorshift32, Marsaglia 2003). */
function drawn(seed: number): () => number {
  let state = (Math.imul(seed + 1, 0x9e3779b1) ^ 0x5bd1e995) >>> 0 || 1;
  return () => {
    state ^= state << 13;
    state ^= state >>> 17;
    state ^= state << 5;
    state >>>= 0;
    return state / 2 ** 32;
  };
}

/**
 * The simulated proving rig: one machine built from these parts, with hidden constants of its own and one mistake or none,
 * measured with the open tools. The same seed gives the same machine and the same files.
 * @throws RangeError when the parts cannot be built with that mistake
 */
export function provingRun(
  assessment: Assessment,
  { seed, planted }: { readonly seed: number; readonly planted?: Planted | undefined },
): RigFile[] {
  if (planted !== undefined && !plantable(assessment).includes(planted))
    throw new RangeError(`these parts cannot be built with the mistake "${planted}"`);
  const next = drawn(seed);
  return filesOf(truthOf(assessment, next, planted), assessment, next);
}
