import type { Graph } from '../../graph/graph.ts';
import type { Endpoint } from '../../model/part.ts';
import { quantity, stated } from '../../text/numbers.ts';
import { busesOf, type Bus, type BusMember } from './busOf.ts';

export type I2cEndpoint = Extract<Endpoint, { is: 'i2c-host' | 'i2c-device' }>;
export type I2cDevice = Extract<Endpoint, { is: 'i2c-device' }>;

const cache = new WeakMap<Graph, readonly Bus<I2cEndpoint>[]>();

/** Every I2C bus of an aircraft, by the net of its data line. */
export function i2cBuses(graph: Graph): readonly Bus<I2cEndpoint>[] {
  const known = cache.get(graph);
  if (known !== undefined) return known;
  const buses = busesOf<I2cEndpoint>(graph, (endpoint) =>
    endpoint.is === 'i2c-host' || endpoint.is === 'i2c-device' ? { endpoint, pin: endpoint.sda } : undefined,
  );
  cache.set(graph, buses);
  return buses;
}

export function isI2cDevice(member: BusMember<I2cEndpoint>): member is BusMember<I2cDevice> {
  return member.endpoint.is === 'i2c-device';
}

/** The address that a device has: as set, or as delivered. */
export function addressOf({ entry, endpoint }: BusMember<I2cDevice>): number {
  const set = entry.item.settings[`${endpoint.id}.address`];
  const [delivered] = endpoint.addresses;
  if (delivered === undefined) throw new Error(`The I2C device ${endpoint.id} has no address.`);
  return typeof set === 'number' && endpoint.addresses.includes(set) ? set : delivered;
}

/** The other devices of a bus that have the address of one. */
export function sharersOf({ members }: Bus<I2cEndpoint>, device: BusMember<I2cDevice>): readonly BusMember<I2cDevice>[] {
  const address = addressOf(device);
  return members
    .filter(isI2cDevice)
    .filter((other) => other.endpoint !== device.endpoint || other.item !== device.item)
    .filter((other) => addressOf(other) === address);
}

/** I2C specification: an output sinks 3 mA at 0.4 V; the bus carries at most 400 pF; rise time at 100 and 400 kHz. */
const SINK_A = 0.003;
const LOW_V = 0.4;
const MOST_PF = 400;
export const RISE_NS = { 100: 1000, 400: 300 } as const;
/** Wire of a harness against its neighbours. */
const PF_PER_M = 100;
/** From 0.3 to 0.7 of the supply on an RC curve: ln(0.7 / 0.3). */
const RISE_FACTOR = Math.log(0.7 / 0.3);

/** The least resistance of all pull-ups of a bus together, with which an output still brings it low. */
export function leastPullUpOhm(busVolts: number): number {
  return (busVolts - LOW_V) / SINK_A;
}

/** One figure of a bus against its limit. */
export interface BusFigure {
  readonly id: 'pull-ups' | 'capacitance' | 'rise';
  readonly label: string;
  readonly value: string;
  readonly limit: string;
  /** The figure as a share of its limit, 1 at the limit. */
  readonly share: number;
}

/** What decides whether the lines of a bus get high in time. */
export interface I2cFigures {
  /** The clock of the host in kHz. */
  readonly clock: keyof typeof RISE_NS;
  /** None as long as nothing pulls the lines up. */
  readonly figures: readonly BusFigure[];
  readonly riseNs: number;
}

/** Pull-ups in parallel, capacitance with the lengths that are known, and the rise time that follows. Infinite without a pull-up. */
export function i2cFigures({ members, knownLengthMm }: Bus<I2cEndpoint>): I2cFigures {
  const clock = clockOf(members);
  const conductance = members.reduce((sum, { endpoint }) => sum + (endpoint.pullUpOhm === undefined ? 0 : 1 / endpoint.pullUpOhm), 0);
  if (conductance === 0) return { clock, figures: [], riseNs: Infinity };
  const ohm = 1 / conductance;
  const leastOhm = leastPullUpOhm(busVolts(members));
  const picofarad = members.reduce((sum, { endpoint }) => sum + endpoint.capacitancePf, 0) + (knownLengthMm / 1000) * PF_PER_M;
  const riseNs = RISE_FACTOR * ohm * picofarad * 1e-3;
  return {
    clock,
    riseNs,
    figures: [
      {
        id: 'pull-ups',
        share: leastOhm / ohm,
        label: 'pull-ups in parallel',
        value: quantity(ohm, 'ohm'),
        limit: `${quantity(leastOhm, 'ohm')} at least`,
      },
      {
        id: 'capacitance',
        share: picofarad / MOST_PF,
        label: 'capacitance with typed lengths',
        value: quantity(picofarad, 'pF'),
        limit: `${stated(MOST_PF, 'pF')} at most`,
      },
      {
        id: 'rise',
        share: riseNs / RISE_NS[clock],
        label: `rise time at ${stated(clock, 'kHz')}`,
        value: quantity(riseNs, 'ns'),
        limit: `${stated(RISE_NS[clock], 'ns')} at most`,
      },
    ],
  };
}

/** The highest level that pull-ups bring the bus to. */
function busVolts(members: readonly BusMember<I2cEndpoint>[]): number {
  const levels = members.flatMap(({ entry, endpoint }) => {
    if (endpoint.pullUpOhm === undefined) return [];
    const dot = endpoint.sda.lastIndexOf('.');
    const port = entry.part?.ports.find((candidate) => candidate.id === endpoint.sda.slice(0, dot));
    return port?.pins.find((pin) => pin.n === Number(endpoint.sda.slice(dot + 1)))?.logic?.highV ?? [];
  });
  return Math.max(3.3, ...levels);
}

function clockOf(members: readonly BusMember<I2cEndpoint>[]): keyof typeof RISE_NS {
  const host = members.find((member) => member.endpoint.is === 'i2c-host');
  return host?.entry.item.settings[`${host.endpoint.id}.clock`] === 100 ? 100 : 400;
}
