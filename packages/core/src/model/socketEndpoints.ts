import type { Part, ResolvedPart } from './part.ts';

/** Of a part as it is written or as it is set. */
interface WithEndpoints extends Pick<Part, 'routes'> {
  readonly endpoints: readonly { readonly id: string; readonly is: (Part | ResolvedPart)['endpoints'][number]['is'] }[];
}

/** The endpoints of a part whose bytes sockets can carry: its networks and programs, and the serial ports that lead into a network. */
export function socketEndpoints({ endpoints, routes }: WithEndpoints): readonly string[] {
  const networks = new Set(endpoints.filter(({ is }) => is === 'network').map(({ id }) => id));
  const leadsIn = (id: string): boolean =>
    routes.some(({ from, to }) => (from === id && networks.has(to)) || (to === id && networks.has(from)));
  return [...networks, ...endpoints.filter(({ is, id }) => is === 'uart' && leadsIn(id)).map(({ id }) => id)];
}

export function carriesSockets(part: WithEndpoints, endpoint: string): boolean {
  return socketEndpoints(part).includes(endpoint);
}
