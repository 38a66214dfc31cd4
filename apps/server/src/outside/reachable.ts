import { lookup, type LookupAddress } from 'node:dns';
import { BlockList, isIP, type LookupFunction } from 'node:net';

/** Addresses of this machine and of networks of one's own (RFC 1918, 3927, 4193, 4291, 6598). */
const OWN_NETWORKS = new BlockList();
for (const [network, bits] of [
  ['0.0.0.0', 8],
  ['10.0.0.0', 8],
  ['100.64.0.0', 10],
  ['127.0.0.0', 8],
  ['169.254.0.0', 16],
  ['172.16.0.0', 12],
  ['192.168.0.0', 16],
] as const)
  OWN_NETWORKS.addSubnet(network, bits, 'ipv4');
for (const [network, bits] of [
  ['::', 127],
  ['fc00::', 7],
  ['fe80::', 10],
] as const)
  OWN_NETWORKS.addSubnet(network, bits, 'ipv6');

/** Whether an IP address is one of this machine or of a network of one's own. */
export function isPrivate(address: string): boolean {
  const mapped = /^::ffff:(\d+\.\d+\.\d+\.\d+)$/i.exec(address)?.[1];
  const plain = mapped ?? address;
  return OWN_NETWORKS.check(plain, isIP(plain) === 6 ? 'ipv6' : 'ipv4');
}

/** An address that may not be called, in a sentence. */
export class NotReachable extends Error {}

const refusal = (host: string): NotReachable =>
  new NotReachable(`${host} is in a network of your own: tick that it may be, or give another address.`);

/** @throws NotReachable where a host is an IP address of a private network; names are looked at when they are called */
export function refusePrivateHost(host: string): void {
  const plain = host.replace(/^\[|\]$/g, '');
  if (isIP(plain) && isPrivate(plain)) throw refusal(plain);
  if (/(^|\.)localhost$/i.test(plain)) throw refusal(plain);
}

/** A look-up of names that gives no address of a private network: the one that is looked at is the one that is called. */
export const publicLookup: LookupFunction = (host, options, done) => {
  lookup(host, { ...options, all: true }, (error, found) => {
    if (error) return done(error, '', 0);
    const addresses = found as unknown as LookupAddress[];
    if (addresses.some(({ address }) => isPrivate(address))) return done(refusal(host), '', 0);
    if (options.all) return done(null, addresses as never, 0);
    const [first] = addresses;
    return first ? done(null, first.address, first.family) : done(refusal(host), '', 0);
  });
};
