import { Type } from '@sinclair/typebox';
import { ItemIdSchema, SocketIdSchema } from './ids.ts';
import { isIpv4 } from './ipv4.ts';
import { SettingIdSchema } from './setting.ts';
import type { Shape } from './shape.ts';

const closed = { additionalProperties: false } as const;

export const TRANSPORTS = { udp: 'UDP', tcp: 'TCP' } as const;
export type Transport = keyof typeof TRANSPORTS;

/** What a socket does. A peer has a port of its own and sends to a fixed one; only UDP has peers. */
export const SOCKET_ROLES = { client: 'sends to', server: 'listens', peer: 'listens and sends to' } as const;
export type SocketRole = keyof typeof SOCKET_ROLES;

/** Wide enough that a wrong port gets its own sentence and not one about the shape of the edit. */
const PortNumberSchema = Type.Integer({ minimum: -1_000_000, maximum: 1_000_000 });
const RemoteSchema = Type.Object({ address: Type.String({ maxLength: 40 }), port: PortNumberSchema }, closed);

export const SocketSchema = Type.Object(
  {
    /** The endpoint whose bytes it carries: a serial port of an IP radio, the network of a computer. */
    endpoint: SettingIdSchema,
    transport: Type.Union([Type.Literal('udp'), Type.Literal('tcp')]),
    role: Type.Union([Type.Literal('client'), Type.Literal('server'), Type.Literal('peer')]),
    localPort: Type.Optional(PortNumberSchema),
    remote: Type.Optional(RemoteSchema),
  },
  closed,
);
/** What carries bytes of an item over a network: a router has many. */
export type Socket = Shape<typeof SocketSchema>;

export const SocketPlaceSchema = Type.Object({ item: ItemIdSchema, socket: SocketIdSchema }, closed);

const MOST_PORT = 65_535;

/** What is wrong with a socket by itself, in a sentence; undefined where it could work. */
export function socketProblem({ transport, role, localPort, remote }: Socket): string | undefined {
  if (role === 'peer' && transport === 'tcp')
    return 'TCP needs one end that listens and one that connects: choose "listens" or "sends to".';
  if (role !== 'client' && localPort === undefined) return 'A socket that listens needs a local port.';
  if (role !== 'server' && remote === undefined) return 'A socket that sends needs the address and the port of the other end.';
  if (role === 'server' && remote !== undefined) return 'A socket that only listens needs no other end.';
  const wrongPort = [localPort, remote?.port].find((port) => port !== undefined && (port < 1 || port > MOST_PORT));
  if (wrongPort !== undefined) return `${wrongPort} is not a port: ports go from 1 to ${MOST_PORT}.`;
  if (remote !== undefined && !isIpv4(remote.address))
    return `"${remote.address}" is not an address: write four numbers from 0 to 255 with dots between them, such as 10.77.0.2.`;
  return undefined;
}

/** A socket in short, as people read it: `UDP 14550 to 10.77.0.2:14551`. */
export function socketWords({ transport, localPort, remote }: Socket): string {
  const here = localPort === undefined ? '' : ` ${localPort}`;
  const there = remote === undefined ? '' : ` to ${remote.address}:${remote.port}`;
  return `${TRANSPORTS[transport]}${here}${there}`;
}
