import type { Design } from '../model/design.ts';
import type { ItemId, PartKey } from '../model/ids.ts';
import type { Part, PartPort } from '../model/part.ts';
import { settingsOf } from '../model/settingsOf.ts';
import type { AdoptRevision, RevisionMap } from './adoptPlan.ts';

/**
 * The edit that makes an item one of `part`, with the mapping that the names suggest: a port by its id, else by its label, else
 * as the only one of its kind; a pin by label and role, else by role in order; settings and outputs by id. Undefined when the
 * item or a part is not known.
 */
export function proposeAdoption(design: Design, item: ItemId, part: PartKey): AdoptRevision | undefined {
  const was = design.aircraft.items[item]?.part;
  const from = was === undefined ? undefined : design.parts.get(was);
  const to = design.parts.get(part);
  if (was === undefined || from === undefined || to === undefined) return undefined;
  return { kind: 'adopt-part-revision', item, part, was, map: revisionMapOf(from, to) };
}

/** The mapping from one part to another that the names suggest. Total: every port, pin, setting and output of `from` is named. */
export function revisionMapOf(from: Part, to: Part): RevisionMap {
  const ports = matchPorts(from.ports, to.ports);
  const settings = new Set(settingsOf(to).map(({ id }) => id));
  const outputs = new Set(outputsOf(to));
  return {
    ports: from.ports.map((port) => mapPort(port, ports.get(port))),
    settings: settingsOf(from).map(({ id }) => ({ from: id, to: settings.has(id) ? id : null })),
    outputs: outputsOf(from).map((id) => ({ from: id, to: outputs.has(id) ? id : null })),
  };
}

/** One row of a mapping: where the pins of `port` are in `there`. */
export function mapPort(port: PartPort, there: PartPort | undefined): RevisionMap['ports'][number] {
  const pins = there === undefined ? new Map<PartPort['pins'][number], PartPort['pins'][number]>() : matchPins(port.pins, there.pins);
  return { from: port.id, to: there?.id ?? null, pins: port.pins.map((pin) => ({ from: pin.n, to: pins.get(pin)?.n ?? null })) };
}

function outputsOf(part: Part): string[] {
  return part.endpoints.flatMap((endpoint) => (endpoint.is === 'pulse-out' ? [endpoint.id] : []));
}

function matchPorts(from: readonly PartPort[], to: readonly PartPort[]): Map<PartPort, PartPort> {
  const roles = (port: PartPort): string =>
    port.pins
      .map(({ role }) => role)
      .sort()
      .join(' ');
  return matchBy(from, to, [
    (a, b) => a.id === b.id,
    (a, b) => a.label === b.label && a.connector.family === b.connector.family,
    (a, b) => a.connector.family === b.connector.family && roles(a) === roles(b),
  ]);
}

type Pin = PartPort['pins'][number];

function matchPins(from: readonly Pin[], to: readonly Pin[]): Map<Pin, Pin> {
  return matchBy(from, to, [
    (a, b) => a.n === b.n && a.label === b.label && a.role === b.role,
    (a, b) => a.label === b.label && a.role === b.role,
    (a, b) => a.n === b.n && a.role === b.role,
    (a, b) => a.role === b.role,
  ]);
}

/** Pairs each of `from` with one of `to`, by the first rule that finds one that is not taken, rule by rule. */
function matchBy<T>(from: readonly T[], to: readonly T[], rules: readonly ((a: T, b: T) => boolean)[]): Map<T, T> {
  const pairs = new Map<T, T>();
  const taken = new Set<T>();
  for (const rule of rules) {
    for (const a of from) {
      if (pairs.has(a)) continue;
      const b = to.find((candidate) => !taken.has(candidate) && rule(a, candidate));
      if (b === undefined) continue;
      pairs.set(a, b);
      taken.add(b);
    }
  }
  return pairs;
}
