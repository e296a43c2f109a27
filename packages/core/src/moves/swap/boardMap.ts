import type { RevisionMap } from '../../edits/revisionMap.ts';
import { exchangeMapOf, wiredContacts } from '../../edits/exchangeMap.ts';
import { mapPort } from '../../edits/mapPort.ts';
import { isPinRow } from '../../model/connector.ts';
import type { Design } from '../../model/design.ts';
import { portOfEndpoint } from '../../model/endpointPins.ts';
import type { ItemId } from '../../model/ids.ts';
import { isSupply } from '../../harness/joinVerdict.ts';
import type { Endpoint, Part, PartPort } from '../../model/part.ts';
import { settingsOf } from '../../model/settingsOf.ts';
import type { Fit } from '../../ports/fit.ts';

/** A link that arrived at the board that goes, and where it is planned on the new one. */
export interface Resettled {
  /** Where it arrived on the old board. */
  readonly was: Endpoint;
  /** How it is on the new one; undefined where it finds no port. */
  readonly fit: Fit | undefined;
  /** True where it leaves the device by the pins by which it left. */
  readonly isSameEnd: boolean;
}

/**
 * The ports of a board whose cables a plan of links moves: those with a signal of links and a plug of their own. Rows of pins are not among
 * them, nor is what feeds the board: a reading goes where its supply goes.
 * @param led the ports that a cable of a link is in
 */
export function linkPorts({ ports, endpoints }: Part, led: ReadonlySet<string>): ReadonlySet<string> {
  const own = endpoints.filter(({ is }) => LINK_ENDS.includes(is)).map(portOfEndpoint);
  return new Set(ports.flatMap((port) => (led.has(port.id) && own.includes(port.id) && isMovable(port) ? [port.id] : [])));
}

const LINK_ENDS: readonly string[] = ['uart', 'rc-in', 'i2c-host', 'can'] satisfies readonly Endpoint['is'][];

function isMovable({ connector, pins }: PartPort): boolean {
  return !isPinRow(connector) && !pins.some(({ role }) => role === 'supply-in');
}

/** The mapping to another board but for its links, whose cables hang free: outputs by their order, supplies and the rest by what they are. */
export function mapWithoutLinks(design: Design, item: ItemId, from: Part, to: Part, links: ReadonlySet<string>): RevisionMap {
  const isOfLink = (port: string): boolean => to.endpoints.some((one) => LINK_ENDS.includes(one.is) && portOfEndpoint(one) === port);
  const map = exchangeMapOf(
    design,
    item,
    { ...from, ports: from.ports.filter(({ id }) => !links.has(id)) },
    // What is no link does not take the place of one.
    { ...to, ports: to.ports.filter((port) => !isMovable(port) || !isOfLink(port.id)) },
  );
  const whole = map.ports.map((row) => (row.to === null || isWhole(design, item, from, to, row) ? row : { ...row, to: null }));
  return { ...map, ports: [...whole, ...from.ports.filter(({ id }) => links.has(id)).map((port) => mapPort(port, undefined))] };
}

/**
 * The same with the cables of links where they are planned: a plug goes as a whole to where its first link goes, and its wires to the pins
 * that mean the same there. What goes elsewhere, or would share a port with another plug, hangs free.
 */
export function mapWithLinks(bare: RevisionMap, from: Part, to: Part, links: readonly Resettled[]): RevisionMap {
  const taken = new Set(bare.ports.flatMap(({ to: there }) => there ?? []));
  const ports = bare.ports.map((row) => {
    const here = links.filter(({ was }) => LINK_ENDS.includes(was.is) && portOfEndpoint(was) === row.from);
    const port = from.ports.find(({ id }) => id === row.from);
    const first = here.find(({ fit, isSameEnd }) => fit !== undefined && isSameEnd)?.fit;
    const there = to.ports.find(({ id }) => id === first?.port.port);
    if (
      row.to !== null ||
      port === undefined ||
      !isMovable(port) ||
      there === undefined ||
      taken.has(there.id) ||
      isPinRow(there.connector)
    )
      return row;
    taken.add(there.id);
    return plugRow(port, there, from, here);
  });
  return { ...bare, ports, settings: settingsAlong(bare.settings, new Set(settingsOf(to).map(({ id }) => id)), links) };
}

/** Settings of a port go with its link: `S4.flow` where S4's link went. */
function settingsAlong(rows: RevisionMap['settings'], known: ReadonlySet<string>, links: readonly Resettled[]): RevisionMap['settings'] {
  const homes = new Map<string, string>();
  for (const { was, fit } of links) {
    const now = fit?.port.endpoints.find(({ is }) => is === was.is)?.id;
    if (now !== undefined && ![...homes.values()].includes(now)) homes.set(was.id, now);
  }
  const moved = rows.map((row) => {
    const dot = row.from.indexOf('.');
    const home = homes.get(row.from.slice(0, Math.max(0, dot)));
    const now = `${home ?? ''}${row.from.slice(dot)}`;
    return home === undefined ? row : { from: row.from, to: known.has(now) ? now : null };
  });
  // What a link brings along comes before what was there.
  const brought = new Set(moved.flatMap((row, i) => (row.to === null || row.to === rows[i]?.to ? [] : [row.to])));
  return moved.map((row, i) => (row.to !== null && row.to === rows[i]?.to && brought.has(row.to) ? { ...row, to: null } : row));
}

/**
 * True for a row that keeps what its wires are for: every signal, and of supplies one at least. A plug that would join a ground alone, or
 * feed what it has commanded so far, is better left loose. What feeds the board goes where the board is fed, and nothing else goes there.
 */
function isWhole(design: Design, item: ItemId, from: Part, to: Part, row: RevisionMap['ports'][number]): boolean {
  const [port, there] = [from.ports.find(({ id }) => id === row.from), to.ports.find(({ id }) => id === row.to)];
  const wired = wiredContacts(design, item).get(row.from) ?? new Set();
  if (port === undefined || there === undefined || isShared(to, there) || takesSupply(port) !== takesSupply(there)) return false;
  const pins = port.pins.filter(({ n }) => wired.has(n));
  const isKept = ({ n }: PartPort['pins'][number]): boolean => row.pins.find((pin) => pin.from === n)?.to !== null;
  const supplies = pins.filter(({ role }) => isSupply(role));
  const signals = pins.filter(({ role }) => !isSupply(role) && role !== 'gnd' && role !== 'nc');
  const isFed = supplies.length === 0 || supplies.some(isKept);
  return takesSupply(port) ? isFed : signals.every(isKept) && (signals.length > 0 || isFed);
}

function takesSupply({ pins }: PartPort): boolean {
  return pins.some(({ role }) => role === 'supply-in') && !pins.some(({ role }) => role === 'usb');
}

/** True for a row of pins that several things are on: each takes a plug of its own there. */
function isShared({ endpoints }: Part, { id, connector }: PartPort): boolean {
  return isPinRow(connector) && endpoints.filter((endpoint) => portOfEndpoint(endpoint) === id).length > 1;
}

/** The same with what is no link and found nothing so far on ports that the links left. */
export function mapWithRest(
  design: Design,
  item: ItemId,
  from: Part,
  to: Part,
  map: RevisionMap,
  links: ReadonlySet<string>,
  planned: ReadonlySet<string>,
): RevisionMap {
  const taken = new Set(map.ports.flatMap(({ to: there }) => there ?? []));
  const open = new Set(map.ports.flatMap((row) => (row.to === null && !links.has(row.from) ? [row.from] : [])));
  const rest = exchangeMapOf(
    design,
    item,
    { ...from, ports: from.ports.filter(({ id }) => open.has(id)) },
    { ...to, ports: to.ports.filter((port) => !taken.has(port.id) && !planned.has(port.id) && isMovable(port)) },
  );
  const found = rest.ports.filter((row) => row.to !== null && isWhole(design, item, from, to, row));
  return { ...map, ports: map.ports.map((row) => found.find((other) => other.from === row.from) ?? row) };
}

/** A row of the mapping: signals of the links that go there to their counterparts, all else by what is printed and what it is. */
function plugRow(port: PartPort, there: PartPort, from: Part, links: readonly Resettled[]): RevisionMap['ports'][number] {
  const signals = new Set(from.endpoints.flatMap((one) => signalPins(one).map(([, pin]) => pin)));
  const led = new Map(
    links.flatMap(({ was, fit, isSameEnd }) => {
      if (fit === undefined || fit.port.port !== there.id || !isSameEnd) return [];
      const now = new Map(fit.port.endpoints.flatMap(signalPins));
      return signalPins(was).flatMap(([signal, pin]) => {
        const after = now.get(signal);
        return after === undefined ? [] : [[pin, after] as const];
      });
    }),
  );
  const taken = new Set(led.values());
  const rest = mapPort(port, there);
  const pins = rest.pins.map(({ from: n, to }) => {
    const pin = `${port.id}.${n}`;
    const after = led.get(pin);
    if (signals.has(pin)) return { from: n, to: after === undefined ? null : Number(after.slice(after.lastIndexOf('.') + 1)) };
    return { from: n, to: to !== null && taken.has(`${there.id}.${to}`) ? null : to };
  });
  return { ...rest, pins };
}

/** The pins of a signal by what they do: the same names at every board. */
function signalPins(endpoint: Part['endpoints'][number]): readonly (readonly [signal: string, pin: string])[] {
  const named = ((): Readonly<Record<string, string | undefined>> => {
    switch (endpoint.is) {
      case 'uart':
        return { rx: endpoint.rx, tx: endpoint.tx, cts: endpoint.cts, rts: endpoint.rts };
      case 'rc-in':
        return { rx: endpoint.pin };
      case 'i2c-host':
        return { sda: endpoint.sda, scl: endpoint.scl };
      case 'can':
        return { high: endpoint.high, low: endpoint.low };
      default:
        return {};
    }
  })();
  return Object.entries(named).flatMap(([signal, pin]) => (pin === undefined ? [] : [[signal, pin] as const]));
}
