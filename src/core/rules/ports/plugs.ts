import type { FittedParts } from '../../model/fitted';
import type { PartOf } from '../../parts';
import { cableUse } from '../../parts/purposes';

type PortList = NonNullable<PartOf<'board'>['rearUsb']>;
type Port = Omit<PortList[number], 'count'>;

/** A case's front port with what its header lets it do; undefined without a header. */
export interface Plugged {
  readonly port: Port;
  readonly getsGbit: number | undefined;
}

/** No case has more front ports than this; what a file says beyond it decides nothing. */
const MOST_PORTS = 64;

const singles = (list: PortList): Port[] =>
  list
    .flatMap(({ count, ...port }) => Array.from({ length: Math.min(count, MOST_PORTS) }, () => port))
    .sort((a, b) => b.gbitPerS - a.gbitPerS);

/** Leads that put a front port's plug on a header of another kind. */
export const frontCables = (parts: FittedParts): number =>
  parts
    .ofKind('accessory')
    .filter(({ part }) => cableUse(part) === 'front port')
    .reduce((all, { part }) => all + (part.outlets ?? 1), 0);

/**
 * Front ports on headers: the fastest port takes the fastest header whose connector is its own, one that does not say
 * goes on any; a lead puts a port on a header of another connector. Any other pairing leaves some port slower and none
 * faster.
 */
export function plugIn(front: PortList, headers: PortList, cables: number): Plugged[] {
  const free = singles(headers);
  let leads = cables;
  const take = (fits: (header: Port) => boolean): Port | undefined => {
    const at = free.findIndex(fits);
    return at < 0 ? undefined : free.splice(at, 1)[0];
  };
  const alike = (port: Port) => (header: Port) =>
    port.connector === undefined || header.connector === undefined || port.connector === header.connector;
  const plugged = singles(front).map((port) => ({ port, header: take(alike(port)) }));
  return plugged.map(({ port, header }): Plugged => {
    let on = header;
    if (!on && leads > 0) {
      on = take(() => true);
      if (on) leads--;
    }
    return { port, getsGbit: on && Math.min(on.gbitPerS, port.gbitPerS) };
  });
}
