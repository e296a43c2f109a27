import type { Connector, ConnectorFamily } from '../../model/connector.ts';
import type { Part } from '../../model/part.ts';
import type { ProtocolId } from '../../model/protocolIds.ts';
import {
  logic3V3,
  logic5Tolerant,
  offer,
  serialPins,
  wiredPort,
  type Logic,
  type Offer,
  type RawElement,
  type RawEndpoint,
  type RawUart,
  type Row,
  type WiredPort,
} from '../build.ts';

/** What the boards have in common. Each board's own file says only what is its own. */

const hardwareBauds = [4800, 9600, 19_200, 38_400, 57_600, 100_000, 115_200, 230_400, 420_000, 460_800, 921_600];
const softwareBauds = [4800, 9600, 19_200, 38_400, 57_600];
const withoutRc = hardwareBauds.filter((baud) => baud !== 100_000 && baud !== 420_000);

/** What a serial port of a controller can be set to. One that cannot invert reads SBUS only where it comes uninverted. */
export function speaksAll(inverts: RawUart['inverts']): Offer[] {
  return [
    offer('mavlink-2', 'both', 57_600, withoutRc),
    offer('nmea-0183', 'listener', 38_400, withoutRc),
    offer('gnss-binary', 'both', 115_200, withoutRc),
    offer('sbus', 'listener', 100_000, [100_000], inverts === 'none' ? false : undefined),
    offer('crsf', 'both', 420_000),
    offer('satellite-frames', 'listener', 115_200),
    ...(inverts === 'none' ? [] : [offer('single-wire-telemetry', 'both', 57_600)]),
    offer('transmitter-control', 'both', 4800),
    offer('osd-canvas', 'both', 115_200),
    offer('rangefinder', 'listener', 115_200, withoutRc),
    offer('gimbal', 'both', 115_200, withoutRc),
    offer('motor-telemetry', 'listener', 115_200),
  ];
}

/** What a port made by software can be set to. */
export const speaksSlowly: readonly Offer[] = [
  offer('nmea-0183', 'listener', 9600, softwareBauds),
  offer('mavlink-2', 'both', 19_200, softwareBauds),
  offer('single-wire-telemetry', 'both', 57_600),
  offer('transmitter-control', 'both', 4800),
];

/** A port of a board together with the signals on it. */
export interface BoardPort extends WiredPort {
  readonly endpoints: readonly RawEndpoint[];
}

interface SerialSpec {
  readonly id: string;
  readonly label?: string;
  readonly chip?: string;
  readonly connector: readonly [ConnectorFamily, Connector['gender']];
  /** Pins in physical order. Those with the role of a serial signal are its UART; those of an I2C bus are named after the port. */
  readonly rows: readonly Row[];
  readonly side?: 'left' | 'right' | 'front' | 'rear';
  readonly inverts?: RawUart['inverts'];
  readonly uart?: Partial<RawUart>;
  readonly pullUpOhm?: number;
}

/** A socket or row of pads with a UART, and with an I2C bus where it has the pins for one. */
export function serialPort(spec: SerialSpec): BoardPort {
  const { id, label = id, rows, side = 'left', inverts = 'both' } = spec;
  const at = (role: Row[1]): string | undefined => {
    const ix = rows.findIndex((row) => row[1] === role);
    return ix < 0 ? undefined : `${id}.${ix + 1}`;
  };
  const { tx, rx } = serialPins(id, rows);
  const [sda, scl] = (['sda', 'scl'] as const).map(at);
  const endpoint: RawUart = {
    is: 'uart',
    id,
    ...serialPins(id, rows),
    names: { label, ...(spec.chip === undefined ? {} : { chip: spec.chip }) },
    duplex: tx === undefined ? 'rx-only' : rx === undefined ? 'tx-only' : 'full',
    inverts,
    maxBaud: 921_600,
    speaks: speaksAll(inverts),
    ...spec.uart,
  };
  const bus: RawEndpoint[] = sda === undefined || scl === undefined ? [] : [i2cHost(`${id}-I2C`, sda, scl, spec.pullUpOhm)];
  const endpoints = tx === undefined && rx === undefined ? bus : [endpoint, ...bus];
  return { ...wiredPort(id, spec.connector, withLogic(rows), { label, side }), endpoints };
}

export function i2cHost(id: string, sda: string, scl: string, pullUpOhm = 2200): RawEndpoint {
  return { is: 'i2c-host', id, sda, scl, pullUpOhm, capacitancePf: 20 };
}

const LOGIC_OF_ROLE: Readonly<Partial<Record<Row[1], Logic>>> = {
  tx: logic5Tolerant,
  rx: logic5Tolerant,
  cts: logic5Tolerant,
  rts: logic5Tolerant,
  sda: logic3V3,
  scl: logic3V3,
  'pulse-out': logic3V3,
  'analog-in': { highV: 3.3, inputMaxV: 6.6 },
  'single-wire': logic5Tolerant,
};

/** Signals of a board have its usual logic where the row does not say. */
export function withLogic(rows: readonly Row[]): Row[] {
  return rows.map((row) => {
    const logic = LOGIC_OF_ROLE[row[1]];
    return row.length === 3 || logic === undefined ? row : [row[0], row[1], logic];
  });
}

/** A port of a board without a UART: what its rows are, and the signals on it. */
export function boardPort(...args: [...Parameters<typeof wiredPort>, (readonly RawEndpoint[])?]): BoardPort {
  const [id, connector, rows, rest, endpoints = []] = args;
  return { ...wiredPort(id, connector, withLogic(rows), rest), endpoints };
}

/** CAN socket: supply, high, low, ground. */
export function canPort(id: string, label: string, supply: `@${string}`): BoardPort {
  const rows: readonly Row[] = [
    ['5V', 'supply-out', supply],
    ['H', 'can-h'],
    ['L', 'can-l'],
    ['GND', 'gnd', '@gnd'],
  ];
  const endpoint: RawEndpoint = { is: 'can', id, high: `${id}.2`, low: `${id}.3`, terminated: true };
  return boardPort(id, ['locking-1.25', 'socket'], rows, { label, side: 'left' }, [endpoint]);
}

/** USB socket on the node `@vbus`, by which a computer sees one or two serial ports. */
export function usbPort(serialPorts: 1 | 2 = 1): BoardPort {
  const rows: readonly Row[] = [
    ['VBUS', 'supply-in', '@vbus'],
    ['D+', 'usb'],
    ['D-', 'usb'],
    ['GND', 'gnd', '@gnd'],
  ];
  const serial: ProtocolId[][] = serialPorts === 1 ? [['mavlink-2']] : [['mavlink-2'], ['transparent']];
  return boardPort('usb', ['USB-C', 'socket'], rows, { label: 'USB', side: 'rear' }, [
    { is: 'usb', id: 'usb', port: 'usb', as: 'device', serial },
  ]);
}

export interface Bank {
  readonly id: string;
  readonly outputs: readonly number[];
  readonly kinds: readonly string[];
}

interface OutputSpec {
  readonly banks: readonly Bank[];
  /** `out` gives out1, out2 ...; a second row of outputs has another word. */
  readonly prefix?: string;
  readonly label?: string;
  readonly row: 'inner' | 'outer';
  /** The inner node of the rail in the middle; undefined for a board whose outputs have no rail. */
  readonly rail: `@${string}` | undefined;
  readonly signal?: Logic;
  readonly family?: 'pin-2.54' | 'solder-pad';
}

/** 3-pin outputs with a rail, or signal and ground pads without one. */
export function outputPorts(spec: OutputSpec): BoardPort[] {
  const { prefix = 'out', label = 'out', family = 'pin-2.54', signal = logic3V3 } = spec;
  return spec.banks.flatMap((bank) =>
    bank.outputs.map((n) => {
      const id = `${prefix}${n}`;
      const rail: readonly Row[] = spec.rail === undefined ? [] : [['V', 'supply-through', spec.rail]];
      const inOrder: readonly Row[] = [['S', 'pulse-out', signal], ...rail, ['GND', 'gnd', '@gnd']];
      const rows = spec.row === 'inner' ? inOrder : [...inOrder].reverse();
      const pin = `${id}.${rows.findIndex((row) => row[1] === 'pulse-out') + 1}`;
      const endpoint: RawEndpoint = { is: 'pulse-out', id, pin, bank: bank.id, kinds: bank.kinds };
      const gender = family === 'pin-2.54' ? 'pins' : 'pads';
      return boardPort(id, [family, gender], rows, { label: `${label} ${n}`, side: 'right', signalRow: spec.row }, [endpoint]);
    }),
  );
}

/** The banks of a board, from what its outputs were made of. */
export function banksOf(ports: readonly BoardPort[]): NonNullable<Part['board']>['banks'] {
  const banks = new Map<string, string[]>();
  for (const endpoint of ports.flatMap((port) => port.endpoints)) {
    if (endpoint.is === 'pulse-out') banks.set(endpoint.bank, [...(banks.get(endpoint.bank) ?? []), endpoint.id]);
  }
  return [...banks].map(([id, outputs]) => ({ id, outputs }));
}

type BoardSpec = Omit<Part, 'id' | 'kind' | 'source' | 'settings' | 'ports' | 'circuit' | 'endpoints' | 'routes' | 'board' | 'cautions'> & {
  readonly id: Part['id'];
  readonly settings?: Part['settings'];
  readonly ports: readonly BoardPort[];
  readonly circuit: readonly RawElement[];
  /** Signals that share the pins of a port: an output that is also something else. */
  readonly more?: readonly RawEndpoint[];
  readonly routes?: Part['routes'];
  readonly sensors: readonly string[];
  readonly target: string;
  /** What the bauds of the chip's own UARTs are divided from, in MHz, by the name of the UART. */
  readonly uartMhz: (chip: string) => number;
  /** Steps of their dividers in a whole one; 1 where nothing is said. */
  readonly dividerSteps?: number;
  readonly mounting?: NonNullable<Part['board']>['mounting'];
};

/** A controller from its ports. */
export function controllerBoard(spec: BoardSpec): Part {
  const { ports, circuit, more = [], settings = [], routes = [], sensors, target, uartMhz, dividerSteps, mounting, ...rest } = spec;
  const clocked = (endpoint: RawEndpoint): RawEndpoint =>
    endpoint.is === 'uart' && endpoint.names.chip !== undefined
      ? {
          ...endpoint,
          clock: { mhz: uartMhz(endpoint.names.chip), samplesPerBit: [16, 8], ...(dividerSteps === undefined ? {} : { dividerSteps }) },
        }
      : endpoint;
  return {
    ...rest,
    kind: 'controller',
    source: 'sample',
    settings,
    ports: ports.map(({ port }) => port),
    circuit: [...ports.flatMap(({ links }) => links), ...circuit],
    endpoints: [...ports.flatMap(({ endpoints }) => endpoints), ...more].map(clocked),
    routes,
    board: { banks: banksOf(ports), sensors, target, ...(mounting === undefined ? {} : { mounting }) },
    cautions: ['propellers-off'],
  };
}

/** Chips of the F4 class clock two of their UARTs twice as fast as the others. */
export function f4Mhz(chip: string): number {
  return chip === 'UART1' || chip === 'UART6' ? 84 : 42;
}

/** The same of the F7 class. */
export function f7Mhz(chip: string): number {
  return chip === 'UART1' || chip === 'UART6' ? 108 : 54;
}

/** What the chip and its sensors take. */
export function boardLoad(supply: `@${string}`, typicalA: number): RawElement {
  return {
    is: 'load',
    id: 'logic',
    supply,
    gnd: '@gnd',
    law: 'constant-power',
    nominalV: 5,
    minV: 4.5,
    maxV: 5.5,
    idleA: typicalA * 0.8,
    typicalA,
    peakA: typicalA * 1.7,
  };
}

/** Resettable fuse in front of the supply pins of the sockets. */
export function fuse(id: string, from: `@${string}`, to: `@${string}`, holdA: number): RawElement {
  return { is: 'limiter', id, in: from, out: to, ohm: 0.05, holdA, tripA: holdA * 2, tripS: 1, trippedW: 0.8 };
}

/** The board's own supply, or USB when that is away: what most boards have in front of their chip. */
export function supplyOrUsb(id: string, supply: `@${string}`, out: `@${string}`, dropV = 0.05): RawElement {
  return {
    is: 'selector',
    id,
    inputs: [
      { node: supply, minV: 4.5, maxV: 5.5, absoluteMaxV: 6 },
      { node: '@vbus', minV: 4.4, maxV: 5.5, absoluteMaxV: 6 },
    ],
    out,
    dropV,
  };
}

/** 3.3 V for the safety switch and the chip, from the node `@5v`. */
export const regulator3V3: RawElement = {
  is: 'regulator',
  id: 'reg-3v3',
  topology: 'linear',
  in: '@5v',
  out: '@3v3',
  gnd: '@gnd',
  setV: 3.3,
  inputMinV: 3.6,
  inputMaxV: 6,
  dropoutV: 0.3,
  efficiency: 1,
  quiescentA: 0.001,
  continuousA: 0.5,
  burstA: 0.6,
  burstS: 1,
  onOverload: 'foldback',
  maxW: 1,
};
