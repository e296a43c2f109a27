import { dialectOf } from '../dialects/dialectOf.ts';
import { cablesAtPort } from '../graph/cableJoins.ts';
import { isPortJoined } from '../graph/matesAt.ts';
import type { Graph, GraphItem } from '../graph/graph.ts';
import { outputKey } from '../model/outputPlan.ts';
import { endpointPins, portOfEndpoint } from '../model/endpointPins.ts';
import type { Endpoint } from '../model/part.ts';
import { grouped } from '../text/grouped.ts';
import { signalTitle } from '../links/chains/hop.ts';
import { leastPullUpOhm } from '../links/buses/i2cBuses.ts';
import type { LinkSeeker } from './linkSeekers.ts';

/** What a controller has for a link: one endpoint, or several of one port that belong together. */
export interface BoardPort {
  /** Of its own in the aircraft, and the same whatever else changes: `id of the item`, `S4`. */
  readonly key: string;
  readonly item: number;
  readonly entry: GraphItem;
  readonly endpoints: readonly [Endpoint, ...Endpoint[]];
  /** As people name it: what is printed beside it. */
  readonly title: string;
  /** The port that its first pin is on. */
  readonly port: string;
  /** True where several devices can hang on it. */
  readonly isBus: boolean;
  /** What it takes away from others, the place first; of a bus nothing. */
  readonly uses: readonly string[];
  /** What is at it, or keeps it from being used, and is no link that could move; undefined where nothing is. Of a bus always. */
  readonly heldBy: string | undefined;
}

/**
 * Every port of every controller in the aircraft that a link can be on, in the order of the board.
 * @param links where the links are now: what is at another port is held by something else
 */
export function boardPortsOf(graph: Graph, links: readonly LinkSeeker[]): readonly BoardPort[] {
  const isOfLink = (item: number, port: string): boolean =>
    links.some(
      ({ now, cabledTo }) =>
        (now === undefined && cabledTo.has(`${graph.items[item]?.item.id ?? ''} ${port}`)) ||
        (now?.item === item &&
          graph.items[item]?.part?.endpoints.some((one) => one.id === now.endpoint && portOfEndpoint(one) === port) === true),
    );
  return graph.items.flatMap((entry, item) =>
    entry.part?.kind === 'controller' && entry.item.where === 'aircraft'
      ? portsOf(entry, item).map((one) => (one.isBus ? one : { ...one, heldBy: holderOf(graph, one, isOfLink(item, one.port)) }))
      : [],
  );
}

/** A cable that leads no link, or an output in use that shares the pins. */
function holderOf(graph: Graph, { entry: { item, part }, endpoints: [first], port }: BoardPort, isOfLink: boolean): string | undefined {
  const { exclusive } = first;
  const rival = part?.endpoints.find(
    (other) =>
      other.is === 'pulse-out' &&
      (endpointPins(other).some((pin) => endpointPins(first).includes(pin)) ||
        (exclusive !== undefined && other.exclusive === exclusive)) &&
      graph.design.aircraft.outputs[outputKey(item.id, other.id)] !== undefined,
  );
  if (rival !== undefined) return `output ${rival.id}`;
  if (isOfLink || !isPortJoined(graph, item.id, port)) return undefined;
  const [cable] = cablesAtPort(graph, item.id, port);
  return cable?.tag ?? 'a mounted part';
}

function portsOf(entry: GraphItem, item: number): BoardPort[] {
  const endpoints = entry.part?.endpoints ?? [];
  const readings = grouped(
    endpoints.filter(({ is }) => is === 'analog-sense'),
    portOfEndpoint,
  );
  return endpoints.flatMap((endpoint): BoardPort[] => {
    switch (endpoint.is) {
      case 'uart':
      case 'rc-in':
      case 'i2c-host':
      case 'can':
        return [boardPort(entry, item, [endpoint])];
      case 'analog-sense': {
        // Current and voltage of a battery are read by one plug.
        const all = readings.get(portOfEndpoint(endpoint));
        return all?.[0] === endpoint ? [boardPort(entry, item, all)] : [];
      }
      default:
        return [];
    }
  });
}

function boardPort(entry: GraphItem, item: number, endpoints: readonly [Endpoint, ...Endpoint[]]): BoardPort {
  const [first] = endpoints;
  const isBus = first.is === 'i2c-host' || first.is === 'can';
  const { id } = entry.item;
  const pins = endpoints.flatMap((endpoint) => endpointPins(endpoint).map((pin) => `${id} pin ${pin}`));
  const port = portOfEndpoint(first) ?? '';
  return {
    key: `${id} ${first.id}`,
    item,
    entry,
    endpoints,
    title: `${entry.item.ref} ${titleOf(entry, first)}`,
    port,
    isBus,
    uses: isBus
      ? []
      : [
          `${id} ${first.id}`,
          ...pins,
          ...(first.exclusive === undefined ? [] : [`${id} only ${first.exclusive}`]),
          ...(first.is === 'uart' && first.software === true ? [`${id} ${BY_SOFTWARE}`] : []),
        ],
    heldBy: undefined,
  };
}

/** What is printed beside it; a bus beside a serial port of one socket is named. */
function titleOf({ part }: GraphItem, { id, is }: Endpoint): string {
  const title = part === undefined ? id : signalTitle(part, id);
  const bus = is === 'i2c-host' ? 'I2C' : is === 'can' ? 'CAN' : '';
  return bus === '' || title.includes(bus) ? title : `${title} ${bus}`;
}

const BY_SOFTWARE = 'software ports';
const GROUND_LINKS = 'ports for MAVLink';

/** The resource of a firmware that a role on a port uses: so many of MAVLink, some roles once. */
export function roleUses({ entry: { item } }: BoardPort, protocol: string): readonly string[] {
  return [`${item.id} role ${protocol}`, ...(protocol === 'mavlink-2' ? [`${item.id} ${GROUND_LINKS}`] : [])];
}

/** How much of what there is for the boards of an aircraft, and which roles do not go together. */
export function boardLimits(
  graph: Graph,
  links: readonly LinkSeeker[],
): {
  readonly capacity: Readonly<Record<string, number>>;
  readonly notTogether: readonly (readonly [string, string])[];
} {
  const dialect = dialectOf(graph.design);
  const capacity: Record<string, number> = {};
  const notTogether: (readonly [string, string])[] = [];
  for (const { item, part } of graph.items) {
    if (part?.kind !== 'controller') continue;
    const most = (of: string): number => dialect?.limits.find((limit) => limit.of === of)?.most ?? MANY;
    capacity[`${item.id} ${BY_SOFTWARE}`] = most('software-ports');
    capacity[`${item.id} ${GROUND_LINKS}`] = most('ground-links');
    for (const endpoint of part.endpoints) {
      if (endpoint.is === 'i2c-host') capacity[pullUps(`${item.id} ${endpoint.id}`)] = pullUpsTaken(endpoint, links);
    }
    for (const role of Object.keys(dialect?.roles ?? {})) capacity[`${item.id} role ${role}`] = MANY;
    for (const refusal of dialect?.refusals ?? []) {
      if (refusal.is === 'once') capacity[`${item.id} role ${refusal.role}`] = 1;
      if (refusal.is === 'not-together') notTogether.push([`${item.id} role ${refusal.role}`, `${item.id} role ${refusal.with}`]);
    }
  }
  return { capacity, notTogether };
}

/** The resource of an I2C bus that a device with pull-ups of its own uses. */
export function pullUps(bus: string): string {
  return `${bus} pull-ups`;
}

/** How many devices with pull-ups a bus takes beside those of its host, by the strongest of them. */
function pullUpsTaken({ pullUpOhm }: Extract<Endpoint, { is: 'i2c-host' }>, links: readonly LinkSeeker[]): number {
  const ohms = links.flatMap(({ endpoints }) =>
    endpoints.flatMap((one) => (one.is === 'i2c-device' && one.pullUpOhm !== undefined ? [one.pullUpOhm] : [])),
  );
  if (ohms.length === 0) return MANY;
  const room = 1 / leastPullUpOhm(BUS_VOLTS) - (pullUpOhm === undefined ? 0 : 1 / pullUpOhm);
  return Math.max(0, Math.floor(room * Math.min(...ohms)));
}

/** The level of an I2C bus of a controller. */
const BUS_VOLTS = 3.3;

/** More than any board has ports. */
const MANY = 1000;
