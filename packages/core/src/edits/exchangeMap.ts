import { offsetOf } from '../model/aircraft.ts';
import { outputKey } from '../model/outputPlan.ts';
import type { Design } from '../model/design.ts';
import { functionEnds } from '../model/functionEnds.ts';
import { endpointPins } from '../model/endpointPins.ts';
import type { ItemId } from '../model/ids.ts';
import type { Part, PartPort } from '../model/part.ts';
import { settingsOf } from '../model/settingsOf.ts';
import type { RevisionMap } from './revisionMap.ts';
import { mapPort } from './mapPort.ts';

/**
 * The mapping from one part to quite another, by what hangs on it: outputs go by their order, with their functions; then each port that
 * has wires goes to the one that has pins for most of them, of the same plug and name where there is a choice; what has none takes what
 * is left. Settings of an endpoint follow its port. Total, as every mapping.
 */
export function exchangeMapOf(design: Design, item: ItemId, from: Part, to: Part): RevisionMap {
  const wired = wiredContacts(design, item);
  const outputs = outputsByOrder(
    from,
    to,
    (output) => design.aircraft.outputs[outputKey(item, output)] !== undefined || isWired(from, output, wired),
  );
  const ports = matchedPorts(from, to, outputs, wired);
  const endpoints = endpointsAlong(from, to, ports);
  const known = new Set(settingsOf(to).map(({ id }) => id));
  return {
    ports: from.ports.map((port) => mapPort(port, ports.get(port))),
    settings: settingsOf(from).map(({ id }) => {
      const now = settingAlong(from, id, endpoints);
      return { from: id, to: now !== undefined && known.has(now) ? now : null };
    }),
    outputs: [...outputs].map(([id, now]) => ({ from: id, to: now ?? null })),
  };
}

/**
 * The outputs of the old part, each with the one of the new part that has its place in the row. Where the new row is shorter, what is in
 * use beyond its end takes the place of what is not.
 */
function outputsByOrder(from: Part, to: Part, isUsed: (output: string) => boolean): ReadonlyMap<string, string | undefined> {
  const [before, now] = [functionEnds(from), functionEnds(to)];
  const places = new Map(before.map((id, i) => [id, now[i]] as const));
  const idle = before.slice(0, now.length).filter((id) => !isUsed(id));
  for (const id of before.slice(now.length).filter(isUsed)) {
    const given = idle.shift();
    if (given === undefined) break;
    places.set(id, places.get(given));
    places.set(given, undefined);
  }
  return places;
}

/** True where a wire is at an output's own pin: others can be beside it in one row. */
function isWired(part: Part, output: string, wired: ReadonlyMap<string, ReadonlySet<number>>): boolean {
  const endpoint = part.endpoints.find((candidate) => candidate.is === 'pulse-out' && candidate.id === output);
  const [pin] = endpoint === undefined ? [] : endpointPins(endpoint);
  const dot = pin?.lastIndexOf('.') ?? -1;
  return pin !== undefined && wired.get(pin.slice(0, dot))?.has(Number(pin.slice(dot + 1))) === true;
}

/** The positions of each port of an item at which a cable has a wire, by the port's id. */
export function wiredContacts({ aircraft }: Design, item: ItemId): ReadonlyMap<string, ReadonlySet<number>> {
  const wired = new Map<string, Set<number>>();
  for (const { nodes, conductors } of Object.values(aircraft.cables)) {
    for (const { a, b } of Object.values(conductors)) {
      for (const { node, n } of [a, b]) {
        const end = nodes[node];
        if (end?.is !== 'end' || end.at.is !== 'port' || end.at.item !== item) continue;
        const there = wired.get(end.at.port) ?? new Set<number>();
        wired.set(end.at.port, there.add(n + offsetOf(end.at)));
      }
    }
  }
  return wired;
}

interface Candidate {
  readonly from: PartPort;
  readonly to: PartPort;
  /** How many pins of the one have a counterpart in the other. */
  readonly pins: number;
  /** To compare one after the other, the greater the better. */
  readonly score: readonly number[];
}

function matchedPorts(
  from: Part,
  to: Part,
  outputs: ReadonlyMap<string, string | undefined>,
  wired: ReadonlyMap<string, ReadonlySet<number>>,
): ReadonlyMap<PartPort, PartPort> {
  // 1. Ports of outputs go where their outputs go, one after the other.
  const pairs = new Map<PartPort, PartPort>();
  const taken = new Set<PartPort>();
  const pair = (a: PartPort | undefined, b: PartPort | undefined): void => {
    if (a === undefined || b === undefined || pairs.has(a) || taken.has(b)) return;
    pairs.set(a, b);
    taken.add(b);
  };
  const pairOutputs = (isMeant: (port: PartPort | undefined) => boolean): void => {
    for (const [id, now] of outputs)
      if (now !== undefined && isMeant(portOfOutput(from, id))) pair(portOfOutput(from, id), portOfOutput(to, now));
  };
  pairOutputs((port) => port !== undefined && wired.has(port.id));
  // 2. Of all other pairs the best first: a port with more wires, and one that has pins for more of them.
  const candidates = from.ports.flatMap((a, i) => to.ports.map((b, j) => candidateOf(a, b, wired.get(a.id) ?? new Set(), Math.abs(i - j))));
  candidates.sort((x, y) => byScore(y.score, x.score));
  const isWiredPort = ({ from: { id } }: Candidate): boolean => wired.has(id);
  for (const candidate of candidates) if (candidate.pins > 0 && isWiredPort(candidate)) pair(candidate.from, candidate.to);
  // 3. What nothing hangs on takes what is left.
  pairOutputs(() => true);
  for (const { from: a, to: b, pins } of candidates) if (pins > 0) pair(a, b);
  return pairs;
}

function portOfOutput(part: Part, output: string): PartPort | undefined {
  const endpoint = part.endpoints.find((candidate) => candidate.is === 'pulse-out' && candidate.id === output);
  return endpoint?.is === 'pulse-out' ? part.ports.find(({ id }) => endpoint.pin.startsWith(`${id}.`)) : undefined;
}

function candidateOf(a: PartPort, b: PartPort, wired: ReadonlySet<number>, distance: number): Candidate {
  const fits = new Map(mapPort(a, b).pins.map((row) => [row.from, row.to !== null]));
  const count = (pins: readonly PartPort['pins'][number][]): number =>
    pins.filter(({ n, role }) => role !== 'nc' && fits.get(n) === true).length;
  const score = [
    count(a.pins.filter(({ n, role }) => wired.has(n) && role !== 'gnd')),
    count(a.pins.filter(({ role }) => role !== 'gnd')),
    a.connector.family === b.connector.family ? 1 : 0,
    a.id === b.id || a.label === b.label ? 1 : 0,
    a.connector.positions === b.connector.positions ? 1 : 0,
    // What the new port has besides is better kept for what needs it.
    -b.pins.filter(({ role }) => role !== 'gnd' && role !== 'nc').length,
    -distance,
  ];
  return { from: a, to: b, pins: count(a.pins), score };
}

function byScore(x: readonly number[], y: readonly number[]): number {
  const at = x.findIndex((value, i) => value !== y[i]);
  return at < 0 ? 0 : (x[at] ?? 0) - (y[at] ?? 0);
}

/** The endpoints of the new part by those of the old whose port goes there: of the same kind, in order. */
function endpointsAlong(from: Part, to: Part, ports: ReadonlyMap<PartPort, PartPort>): ReadonlyMap<string, string> {
  const along = new Map<string, string>();
  const taken = new Set<string>();
  for (const endpoint of from.endpoints) {
    const port = from.ports.find(({ id }) => endpointPins(endpoint).some((pin) => pin.startsWith(`${id}.`)));
    const there = port === undefined ? undefined : ports.get(port);
    const now = to.endpoints.find(
      (candidate) =>
        candidate.is === endpoint.is &&
        !taken.has(candidate.id) &&
        (there === undefined
          ? endpointPins(candidate).length === 0
          : endpointPins(candidate).some((pin) => pin.startsWith(`${there.id}.`))),
    );
    if (now === undefined || (port !== undefined && there === undefined)) continue;
    along.set(endpoint.id, now.id);
    taken.add(now.id);
  }
  return along;
}

/** The setting `S4.protocol` where the endpoint S4 went; what is of no endpoint under its own name. */
function settingAlong(from: Part, id: string, endpoints: ReadonlyMap<string, string>): string | undefined {
  const dot = id.indexOf('.');
  const endpoint = dot < 0 ? undefined : from.endpoints.find((candidate) => candidate.id === id.slice(0, dot));
  if (endpoint === undefined) return id;
  const now = endpoints.get(endpoint.id);
  return now === undefined ? undefined : `${now}${id.slice(dot)}`;
}
