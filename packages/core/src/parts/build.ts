import type { Connector, ConnectorFamily } from '../model/connector.ts';
import { asId, type PartId } from '../model/ids.ts';
import type { Part, PartPort, PinRole } from '../model/part.ts';
import type { AirTraits } from '../model/radio.ts';
import type { ProtocolId } from '../model/protocolIds.ts';

/** Short forms for writing catalogue data: each gives plain data and checks nothing; the sweep test does. */

export type RawPin = PartPort['pins'][number];
export type RawElement = Part['circuit'][number];
export type RawEndpoint = Part['endpoints'][number];
export type RawUart = Extract<RawEndpoint, { is: 'uart' }>;
export type Offer = RawUart['speaks'][number];
export type Logic = NonNullable<RawPin['logic']>;
type Of<K extends RawElement['is']> = Omit<Extract<RawElement, { is: K }>, 'is'>;

/** 1.8 V logic of small modems. */
export const logic1V8: Logic = { highV: 1.8, inputMaxV: 2.1 };
/** 3.3 V logic that stands 3.6 V. */
export const logic3V3: Logic = { highV: 3.3, inputMaxV: 3.6 };
/** 3.3 V logic whose inputs stand 5 V signals. */
export const logic5Tolerant: Logic = { highV: 3.3, inputMaxV: 5.5 };
/** 5 V logic. */
export const logic5V: Logic = { highV: 5, inputMaxV: 5.5 };
/** A pulse input: 5 V logic that reads a pulse from 2.2 V up. */
export const logicPulse: Logic = { highV: 5, inputMaxV: 6, needsV: 2.2 };
/** RS-232 levels: it stands 25 V and is read above 3 V, from a swing that logic outputs do not have. */
export const logicRs232: Logic = { highV: 12, inputMaxV: 25, needsV: 5, idle: 'low' };

/** A pin: its label, its role, and its logic or the inner node that it stands on. */
export type Row = readonly [string, PinRole] | readonly [string, PinRole, Logic | `@${string}`];

/** Pins in physical order from 1. */
export function pins(...rows: readonly Row[]): RawPin[] {
  return rows.map(([label, role, logic], i) => ({
    n: i + 1,
    label,
    role,
    ...(logic === undefined || typeof logic === 'string' ? {} : { logic }),
  }));
}

export function connector(family: ConnectorFamily, positions: number, gender: Connector['gender']): Connector {
  return { family, positions, gender };
}

export function partId(text: string): PartId {
  return asId<PartId>(text);
}

/** A port with the copper from its pins to the inner nodes that its rows name. */
export interface WiredPort {
  readonly port: PartPort;
  readonly links: readonly RawElement[];
}

type PortRest = Omit<PartPort, 'id' | 'label' | 'connector' | 'pins'>;

/** A port as the connector that the part carries, with as many positions as there are rows. */
export function wiredPort(
  id: string,
  [family, gender]: readonly [ConnectorFamily, Connector['gender']],
  rows: readonly Row[],
  rest: PortRest & { readonly label?: string } = {},
): WiredPort {
  const { label = id, ...others } = rest;
  return {
    port: { id, label, connector: connector(family, rows.length, gender), pins: pins(...rows), ...others },
    links: rows.flatMap(([, , at], i) => (typeof at === 'string' ? joined(at, `${id}.${i + 1}`) : [])),
  };
}

/** A port of which one pin says more. */
export function withPin({ port, links }: WiredPort, n: number, more: Partial<RawPin>): WiredPort {
  return { port: { ...port, pins: port.pins.map((pin) => (pin.n === n ? { ...pin, ...more } : pin)) }, links };
}

/** Copper of 0 ohm from each pin to one inner node. */
export function joined(node: `@${string}`, ...pinAddresses: readonly string[]): RawElement[] {
  return pinAddresses.map((pin) => ({
    is: 'link',
    id: `${node.slice(1)}-${pin.replace('.', '-').toLowerCase()}`,
    a: pin,
    b: node,
    ohm: 0,
  }));
}

/** An Ethernet socket. */
export function ethernetPort(id: string, label: string): WiredPort {
  const pairs = ['T+', 'T-', 'R+', 'R-'].map((pair): Row => [pair, 'usb']);
  return wiredPort(id, ['8P8C', 'socket'], pairs, { label, groundless: 'Its pairs are isolated by transformers.' });
}

type PartSpec = Omit<Part, 'id' | 'source' | 'settings' | 'ports' | 'circuit' | 'endpoints' | 'routes'> & {
  readonly id: string;
  readonly settings?: Part['settings'];
  readonly ports: readonly WiredPort[];
  readonly circuit?: readonly RawElement[];
  readonly endpoints?: readonly RawEndpoint[];
  readonly routes?: Part['routes'];
};

/** A sample part from its wired ports: the copper inside comes before the other elements. */
export function samplePart(spec: PartSpec): Part {
  const { id, ports, circuit = [], endpoints = [], settings = [], routes = [], ...rest } = spec;
  return {
    ...rest,
    id: partId(id),
    source: 'sample',
    settings,
    ports: ports.map(({ port }) => port),
    circuit: [...ports.flatMap(({ links }) => links), ...circuit],
    endpoints,
    routes,
  };
}

/** Amperes idle, typical and at the peak; volts nominal, least and most. */
export function load(
  id: string,
  [supply, gnd]: readonly [string, string],
  [idleA, typicalA, peakA]: readonly [number, number, number],
  [nominalV, minV, maxV]: readonly [number, number, number],
  rest: Partial<Pick<Of<'load'>, 'law' | 'stallA' | 'when'>> = {},
): RawElement {
  const { law = 'constant-current', ...others } = rest;
  return { is: 'load', id, supply, gnd, law, nominalV, minV, maxV, idleA, typicalA, peakA, ...others };
}

/** What most switching regulators share; a part says what differs. */
export function buck(id: string, rest: Omit<Of<'regulator'>, 'id' | 'topology' | 'onOverload'> & Partial<Of<'regulator'>>): RawElement {
  return { is: 'regulator', id, topology: 'buck', onOverload: 'hiccup', ...rest };
}

export const standardBauds = [9600, 19_200, 38_400, 57_600, 115_200, 230_400, 460_800, 921_600];

/** One protocol at one delivered baud, and at those that can be set. */
export function offer(
  protocol: ProtocolId,
  as: Offer['as'],
  defaultBaud: number,
  bauds: readonly number[] = [defaultBaud],
  inverted?: boolean,
): Offer {
  return { protocol, as, bauds, defaultBaud, ...(inverted === undefined ? {} : { inverted }) };
}

/** A serial endpoint of a device: full duplex, never inverting, unless it says otherwise. */
export function uart(
  id: string,
  at: Pick<RawUart, 'tx' | 'rx' | 'cts' | 'rts'>,
  speaks: readonly Offer[],
  rest: Partial<Omit<RawUart, 'is' | 'id' | 'speaks'>> = {},
): RawUart {
  return {
    is: 'uart',
    id,
    ...at,
    names: { label: id },
    duplex: 'full',
    inverts: 'none',
    maxBaud: Math.max(...speaks.flatMap((one) => one.bauds)),
    speaks,
    ...rest,
  };
}

/** The pins of a serial endpoint, found by the roles of a port's rows. */
export function serialPins(port: string, rows: readonly Row[]): Pick<RawUart, 'tx' | 'rx' | 'cts' | 'rts'> {
  const roles = ['tx', 'rx', 'cts', 'rts'] as const;
  return Object.fromEntries(
    roles.flatMap((role) => {
      const ix = rows.findIndex((row) => row[1] === role);
      return ix < 0 ? [] : [[role, `${port}.${ix + 1}`] as const];
    }),
  );
}

/** A simulated ground program, by the ids that such programs have by default. */
export function groundProgram(id: string, title: string): NonNullable<Part['programs']>[number] {
  return { id, title, system: 255, component: 190, commands: true, asksForStreams: true };
}

type Radio = NonNullable<Part['radios']>[number];

/** A radio that sends and hears, and whose like is at the other end. */
export function pairRadio(
  mhz: Radio['mhz'],
  [sendsDbm, sensitivityDbm]: readonly [number, number],
  rest: Partial<Radio> & Pick<Radio, 'atMm'>,
): Radio {
  return {
    id: 'air',
    title: 'radio',
    mhz,
    sendsDbm,
    hears: { sensitivityDbm, blockingDbm: 5 },
    otherEnd: { sendsDbm, sensitivityDbm },
    antenna: 'whip',
    groundAntenna: 'dipole',
    ...rest,
  };
}

/** The antenna of a satellite receiver, on its top. Its filter bears strong signals of other bands. */
export function skyAntenna(atMm: Radio['atMm'], id = 'sky', title = 'satellites'): Radio {
  return { id, title, mhz: [1559, 1610], hears: { sensitivityDbm: -110, blockingDbm: 0 }, antenna: 'sky-plate', atMm };
}

/** What only hears pictures, on the ground. */
export function pictureReceiver(mhz: Radio['mhz'], antenna: Radio['antenna'], atMm: Radio['atMm'], air: AirTraits): Radio {
  return { id: 'air', title: 'pictures', mhz, hears: { sensitivityDbm: -90, blockingDbm: 0 }, air, antenna, atMm };
}

/** A transmitter of pictures. */
export function pictureSender(mhz: Radio['mhz'], sendsDbm: number, atMm: Radio['atMm'], air: AirTraits): Radio {
  return {
    id: 'air',
    title: 'pictures',
    mhz,
    sendsDbm,
    otherEnd: { sensitivityDbm: -90 },
    air,
    antenna: 'crossed-loops',
    groundAntenna: 'plate',
    atMm,
  };
}
