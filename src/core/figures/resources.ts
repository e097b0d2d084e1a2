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

/**
 * What a key of the sitting stands for: a `Resource`, the threads of one task (`cpu.threads`), a hub's uplink
 * (`uplink:HUB:up`), one way into or out of a device, whatever it is used for (`device:ITEM:down`, `up` towards memory), a
 * stream that a task names (`flow:ID`) or room on a drive (`space:ROLE`).
 */
export type ResourceKey =
  | { readonly of: 'processor' | 'memory' | 'graphics' | 'engine' | 'network' }
  | { readonly of: 'drive'; readonly direction: 'read' | 'write'; readonly role: DriveRole }
  | { readonly of: 'uplink'; readonly hub: string; readonly direction: string }
  | { readonly of: 'device'; readonly item: string; readonly direction: string }
  | { readonly of: 'flow'; readonly flow: string }
  | { readonly of: 'space'; readonly role: DriveRole };

const FAMILIES: ReadonlyMap<string, ResourceKey> = new Map<string, ResourceKey>([
  ['cpu', { of: 'processor' }],
  ['memory', { of: 'memory' }],
  ['gpu', { of: 'graphics' }],
  ['engine', { of: 'engine' }],
  ['network', { of: 'network' }],
]);

const parsed = new Map<string, ResourceKey>();
/** Names of hubs and streams come with machines; more than these are forgotten. */
const REMEMBERED = 4096;

/**
 * A key, parsed once.
 * @throws RangeError when it is none
 * @example resourceKey('write:scratch') // { of: 'drive', direction: 'write', role: 'scratch' }
 */
export function resourceKey(key: string): ResourceKey {
  let known = parsed.get(key);
  if (!known) {
    if (parsed.size >= REMEMBERED) parsed.clear();
    parsed.set(key, (known = parse(key)));
  }
  return known;
}

function parse(key: string): ResourceKey {
  const colon = key.indexOf(':');
  const rest = key.slice(colon + 1);
  switch (colon < 0 ? '' : key.slice(0, colon)) {
    case '': {
      const [family = ''] = key.split('.', 1);
      const known = FAMILIES.get(family);
      if (known) return known;
      break;
    }
    case 'read':
    case 'write':
      return { of: 'drive', direction: key.startsWith('read') ? 'read' : 'write', role: driveRole.parse(rest) };
    case 'space':
      return { of: 'space', role: driveRole.parse(rest) };
    case 'flow':
      return { of: 'flow', flow: rest };
    case 'uplink': {
      const [hub, direction] = parted(rest);
      return { of: 'uplink', hub, direction };
    }
    case 'device': {
      const [item, direction] = parted(rest);
      return { of: 'device', item, direction };
    }
  }
  throw new RangeError(`"${key}" is no resource`);
}

const parted = (rest: string): readonly [string, string] => {
  const last = rest.lastIndexOf(':');
  return [rest.slice(0, last), rest.slice(last + 1)];
};

/** Key of one way into (`down`) or out of (`up`) a device. */
export const deviceKey = (item: string, direction: 'up' | 'down'): string => `device:${item}:${direction}`;

/** Whether a key is of a family; what several families share is asked one by one. */
export const isOf = (key: string, of: ResourceKey['of']): boolean => resourceKey(key).of === of;
