import { BlockList, isIP } from 'node:net';
import type { Settings } from '@/core/model/settings';

/** Who can be at an address. */
export type AddressClass = 'public' | 'loopback' | 'private' | 'never';

/** Networks by class. Source: RFC 6890 with the registries it sets up; RFC 4193 (fc00::/7), RFC 6598 (100.64/10). */
const NETWORKS: Readonly<Record<Exclude<AddressClass, 'public'>, readonly string[]>> = {
  loopback: ['127.0.0.0/8', '::1/128'],
  private: ['10.0.0.0/8', '172.16.0.0/12', '192.168.0.0/16', '100.64.0.0/10', 'fc00::/7'],
  // this network, link-local, documentation, benchmarks, translation and relays (they hide another address), multicast, reserved
  never: [
    '0.0.0.0/8',
    '169.254.0.0/16',
    '192.0.0.0/24',
    '192.0.2.0/24',
    '192.88.99.0/24',
    '198.18.0.0/15',
    '198.51.100.0/24',
    '203.0.113.0/24',
    '224.0.0.0/4',
    '240.0.0.0/4',
    '::/128',
    '64:ff9b::/96',
    '64:ff9b:1::/48',
    '100::/64',
    '2001::/23',
    '2001:db8::/32',
    '2002::/16',
    'fe80::/10',
    'fec0::/10',
    'ff00::/8',
  ],
};

const lists = Object.entries(NETWORKS).map(([name, networks]) => {
  const list = new BlockList();
  for (const network of networks) {
    const [net = '', bits = ''] = network.split('/');
    list.addSubnet(net, Number(bits), net.includes(':') ? 'ipv6' : 'ipv4');
  }
  return { name: name as AddressClass, list };
});

/**
 * The class of an IP address; an IPv4 address written as IPv6 is that of the address inside. What is no address is `never`.
 * @example classOf('::ffff:169.254.1.1') // 'never': link-local
 */
export function classOf(address: string): AddressClass {
  const mapped = /^::ffff:(\d+\.\d+\.\d+\.\d+)$/i.exec(address)?.[1];
  const plain = mapped ?? address;
  const version = isIP(plain);
  if (version === 0) return 'never';
  const family = version === 6 ? 'ipv6' : 'ipv4';
  // an IPv4 list answers for its addresses written in IPv6 too, in any of their forms
  return lists.find(({ list }) => list.check(plain, family))?.name ?? 'public';
}

/** What the desk lets sources of prices reach. */
export type Reach = Settings['sources'];

/** Why an address may not be asked, with the mend; undefined when it may. */
export type Objection = string | undefined;

/** What the text of an address alone rules out; who answers to its name is looked at when it is resolved. */
export function objectionToUrl(text: string, reach: Reach): Objection {
  let url: URL;
  try {
    url = new URL(text);
  } catch {
    return 'is no address';
  }
  if (url.protocol !== 'https:' && url.protocol !== 'http:')
    return 'is no address that starts with http:// or https://';
  if (url.username !== '' || url.password !== '') return 'holds a name or password; a source is asked without one';
  const host = hostOf(url);
  return isIP(host) ? objectionToAddress(host, url, reach) : undefined;
}

/** Host without the brackets of an IPv6 address. */
export const hostOf = (url: URL): string => url.hostname.replace(/^\[|\]$/g, '');
export const portOf = (url: URL): number => Number(url.port || (url.protocol === 'https:' ? 443 : 80));

/** Whether this IP address may be asked under this URL. */
export function objectionToAddress(address: string, url: URL, reach: Reach): Objection {
  switch (classOf(address)) {
    case 'public':
      return url.protocol === 'https:'
        ? undefined
        : 'is asked over https only, so that nobody on the way changes prices';
    case 'loopback':
      return reach.loopbackPorts.includes(portOf(url))
        ? undefined
        : `is on this machine; port ${portOf(url)} is not among those that sources may use here (Workshop)`;
    case 'private':
      return reach.hosts.includes(hostOf(url).toLowerCase())
        ? undefined
        : `is in a private network; "${hostOf(url)}" is not among the hosts that sources may use there (Workshop)`;
    case 'never':
      return 'is at an address that no source of prices has';
  }
}
