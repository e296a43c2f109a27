import { Type } from '@sinclair/typebox';

const OCTET = '(?:25[0-5]|2[0-4][0-9]|1[0-9]{2}|[1-9]?[0-9])';
const PATTERN = `^${OCTET}(?:\\.${OCTET}){3}$`;
const ADDRESS = new RegExp(PATTERN);

export const Ipv4Schema = Type.String({ pattern: PATTERN });

/** The address of one's own. */
export const LOOPBACK = '127.0.0.1';

/** True for four numbers from 0 to 255 with points between them, without leading zeros (which some programs read as octal). */
export function isIpv4(text: string): boolean {
  return ADDRESS.test(text);
}

/** The 32 bits of an address as a number. @throws when the text is no address */
export function addressBits(address: string): number {
  if (!isIpv4(address)) throw new Error(`"${address}" is not an IPv4 address.`);
  return address.split('.').reduce((bits, octet) => bits * 256 + Number(octet), 0);
}

/** The first address of the subnet that an address with so many leading bits is in, as a number. */
export function subnetOf(address: string, prefix: number): number {
  const hosts = 2 ** (32 - prefix);
  return Math.floor(addressBits(address) / hosts) * hosts;
}

/** True for the address by which everybody in the subnet is meant. */
export function isBroadcast(address: string, own: string, prefix: number): boolean {
  if (address === '255.255.255.255') return true;
  return addressBits(address) === subnetOf(own, prefix) + 2 ** (32 - prefix) - 1;
}
