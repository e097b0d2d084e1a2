import { listOf } from '../units/bounds';
import { z } from 'zod';
import { count, figure, flag, memoryGeneration, moduleKind, partBase, partIdSchema, plainText } from './common';

/** A kit: `modules` equal modules of `moduleGiB` each. Timings are in clock cycles at the profile's rate. */
export const memorySchema = z.strictObject({
  kind: z.literal('memory'),
  ...partBase,
  generation: memoryGeneration.optional().meta({ label: 'generation' }),
  moduleKind: moduleKind.optional().meta({ label: 'module kind' }),
  errorCorrection: flag('error correction'),
  modules: count('modules', 'higher', 64),
  moduleGiB: figure('capacity a module', 'GiB', 'higher'),
  ranks: count('ranks', 'none', 16),
  profileKind: z.enum(['XP', 'EP', 'none']).optional().meta({ label: 'profile kind' }),
  rateMTs: figure('profile rate', 'MT/s', 'higher'),
  casLatency: figure('CL', 'cycles', 'lower'),
  rcd: figure('RCD', 'cycles', 'lower'),
  rp: figure('RP', 'cycles', 'lower'),
  ras: figure('RAS', 'cycles', 'lower'),
  voltageV: figure('voltage', 'V', 'lower'),
  standardRateMTs: figure('standard rate', 'MT/s', 'higher'),
  heightMm: figure('module height', 'mm', 'lower'),
  modulePowerW: figure('power a module', 'W', 'lower'),
  dieKind: z
    .strictObject({ name: plainText(40), certainty: z.enum(['known', 'likely']) })
    .optional()
    .meta({ label: 'die kind' }),
  testedBoards: listOf(partIdSchema).optional().meta({ label: 'tested boards' }),
});

/** GiB of all modules of a kit together; undefined while either figure is not stated. */
export const kitGiB = ({
  modules,
  moduleGiB,
}: Pick<z.infer<typeof memorySchema>, 'modules' | 'moduleGiB'>): number | undefined =>
  modules === undefined || moduleGiB === undefined ? undefined : modules * moduleGiB;
