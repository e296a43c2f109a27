import type { GraphItem } from '../../graph/graph.ts';
import { effectiveSettings } from '../../model/resolvePart.ts';
import type { Part } from '../../model/part.ts';
import { isIpv4, subnetOf } from '../../model/ipv4.ts';

/** An address of an item in a network. */
export interface OwnAddress {
  readonly endpoint: string;
  /** Undefined as long as it is not set. */
  readonly address: string | undefined;
  /** How many leading bits name the subnet. */
  readonly prefix: number;
}

const USUAL_PREFIX = 24;

/** The addresses of an item, as it is set, one for each of its networks that has one. */
export function addressesOf({ item, part }: GraphItem, raw: Part | undefined): readonly OwnAddress[] {
  const values = raw === undefined ? new Map<string, never>() : effectiveSettings(raw, item.settings);
  return (part?.endpoints ?? []).flatMap((endpoint): OwnAddress[] => {
    if (endpoint.is !== 'network' || endpoint.address === undefined) return [];
    const [ip, bits] = [values.get(`${endpoint.id}.ip`), values.get(`${endpoint.id}.prefix`)];
    return [
      {
        endpoint: endpoint.id,
        address: typeof ip === 'string' && isIpv4(ip) ? ip : undefined,
        prefix: typeof bits === 'number' ? Math.round(bits) : USUAL_PREFIX,
      },
    ];
  });
}

/** An address with the bits of its subnet, as people write it: `10.77.0.1/24`. */
export function addressWords({ address, prefix }: OwnAddress): string {
  return address === undefined ? 'no address yet' : `${address}/${prefix}`;
}

/** True where each of two addresses lies in the subnet of the other; undefined as long as one is not set. */
export function isOneSubnet(a: OwnAddress, b: OwnAddress): boolean | undefined {
  if (a.address === undefined || b.address === undefined) return undefined;
  return subnetOf(a.address, a.prefix) === subnetOf(b.address, a.prefix) && subnetOf(a.address, b.prefix) === subnetOf(b.address, b.prefix);
}
