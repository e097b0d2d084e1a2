import { z } from 'zod';

/** What a drive is for; a drive may have several roles, none means spare. */
export const DRIVE_ROLES = ['system', 'scratch', 'active', 'archive', 'backup'] as const;
export const driveRole = z.enum(DRIVE_ROLES);
export type DriveRole = z.infer<typeof driveRole>;

/**
 * What a stage uses up, a unit of work (frame, run of a minute, second of desk work):
 * `cpu.serial` and `cpu.parallel` in Gwork (10^9 clocks of the reference core), `memory.traffic`, `gpu.traffic`,
 * `gpu.in`, `gpu.out`, `read:ROLE`, `write:ROLE` in bytes, `gpu.fp32`, `gpu.matrix` (dense half precision) and `gpu.fp64`
 * in FLOP, `gpu.exchange` in bytes that each card sends to the others, `engine.decode` and `engine.encode` in
 * engine-seconds, `network` in bytes.
 */
export type Resource =
  | 'cpu.serial'
  | 'cpu.parallel'
  | 'memory.traffic'
  | 'gpu.fp32'
  | 'gpu.matrix'
  | 'gpu.fp64'
  | 'gpu.exchange'
  | 'gpu.traffic'
  | 'gpu.in'
  | 'gpu.out'
  | 'engine.decode'
  | 'engine.encode'
  | 'network'
  | `read:${DriveRole}`
  | `write:${DriveRole}`;
