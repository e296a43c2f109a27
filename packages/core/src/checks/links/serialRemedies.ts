import { isPortJoined } from '../../graph/matesAt.ts';
import type { CableNode } from '../../model/aircraft.ts';
import { connectorsMate, mateOf } from '../../model/connector.ts';
import { isSupply } from '../../harness/joinVerdict.ts';
import { runsOf } from '../../harness/runs.ts';
import { plainCable, portAt, type PortLeg } from '../../graph/cableJoins.ts';
import type { Graph } from '../../graph/graph.ts';
import { graphOf } from '../../graph/graphOf.ts';
import type { SimpleEdit } from '../../edits/registry.ts';
import { proposeCable } from '../../harness/proposeCable.ts';
import { portOfEnd, type SerialEnd, endName } from '../../links/serialHops.ts';
import { settingsOf, settingTakes } from '../../model/settingsOf.ts';
import type { SettingValue } from '../../model/setting.ts';
import type { Remedy, Subject } from '../finding.ts';

/** A serial end as the place that a finding points at. */
export function endSubject(end: SerialEnd): Subject {
  return { is: 'port', item: end.entry.item.id, port: portOfEnd(end) };
}

/** Sets one setting of a serial end, when its part takes the value. */
export function setAtEnd(graph: Graph, end: SerialEnd, setting: string, value: SettingValue, words: string): Remedy[] {
  const { item } = end.entry;
  const id = `${end.endpoint.id}.${setting}`;
  const part = graph.design.parts.get(item.part);
  const spec = part === undefined ? undefined : settingsOf(part).find((candidate) => candidate.id === id);
  if (spec === undefined || !settingTakes(spec, value)) return [];
  return [
    {
      label: `Set ${item.ref} to ${words}`,
      sentence: `Set ${endName(end)} to ${words}.`,
      edit: { kind: 'set-item-setting', item: item.id, setting: id, value, was: item.settings[id] ?? null },
    },
  ];
}

/**
 * Moves the cable between two serial ends to another port of the same item: the old cable goes, a new one by meaning comes, and
 * the set-up goes along.
 */
export function moveToPort(graph: Graph, end: SerialEnd, far: SerialEnd, to: SerialEnd): Remedy[] {
  const plain = cableBetween(graph, end, far);
  if (plain === undefined) return moveLoom(graph, end, far, to);
  const farAt = plain.a.itemId === end.entry.item.id ? plain.b : plain.a;
  const port = to.entry.part?.ports.find((candidate) => candidate.id === portOfEnd(to));
  if (port === undefined) return [];
  const toAt = { item: to.item, itemId: to.entry.item.id, ref: to.entry.item.ref, port };
  const { [plain.cable.id]: _old, ...cables } = graph.design.aircraft.cables;
  const without = graphOf({ ...graph.design, aircraft: { ...graph.design.aircraft, cables } });
  // What the old cable did not feed, the new one does not feed either.
  const joins = runsOf(graph).find(({ leg }) => leg === plain)?.joins ?? [];
  const preset = joins.some(({ a, b }) => isSupply(a.pin.role) && isSupply(b.pin.role)) ? 'meaning' : 'supply-pulled';
  const { edit, map } = proposeCable(without, farAt, toAt, preset);
  if (edit.kind !== 'add-cable' || map.pairs.length === 0) return [];
  const lengthMm = plain.leg.typedLengthMm;
  const legs = Object.fromEntries(
    Object.entries(edit.cable.legs).map(([id, leg]) => [id, lengthMm === undefined ? leg : { ...leg, typedLengthMm: lengthMm }]),
  );
  const edits: SimpleEdit[] = [
    { kind: 'remove-cable', cable: plain.cable.id },
    { ...edit, cable: { ...edit.cable, legs } },
    ...moveSettings(graph, end, to),
  ];
  const title = `Move ${far.entry.item.ref} from ${endName(end)} to ${endName(to)}`;
  return [
    {
      label: `Move it to ${to.endpoint.names.label}`,
      sentence: `${title}: replace ${plain.cable.tag} with a cable to ${port.label}.`,
      edit: { kind: 'batch', title, edits },
    },
  ];
}

/** The same for a cable with branches: its end goes over, and its wires follow their roles. */
function moveLoom(graph: Graph, end: SerialEnd, far: SerialEnd, to: SerialEnd): Remedy[] {
  const { item } = end.entry;
  const [before, after] = [portOfEnd(end), portOfEnd(to)].map((id) => end.entry.part?.ports.find((port) => port.id === id));
  const isAt = (node: CableNode, of: SerialEnd): boolean =>
    node.is === 'end' && node.at.is === 'port' && node.at.item === of.entry.item.id && node.at.port === portOfEnd(of);
  const cable = graph.cables.find(({ nodes }) => [end, far].every((one) => Object.values(nodes).some((node) => isAt(node, one))));
  const node = cable === undefined ? undefined : Object.values(cable.nodes).find((candidate) => isAt(candidate, end));
  if (cable === undefined || node?.is !== 'end' || before === undefined || after === undefined) return [];
  const moves: SimpleEdit[] = [];
  for (const conductor of Object.values(cable.conductors)) {
    const side = conductor.a.node === node.id ? 'a' : conductor.b.node === node.id ? 'b' : undefined;
    if (side === undefined) continue;
    const role = (portAt(graph, node)?.port ?? before).pins.find(({ n }) => n === conductor[side].n)?.role;
    const pin = after.pins.find((candidate) => candidate.role === role);
    if (pin === undefined) return [];
    if (pin.n === conductor[side].n) continue;
    const was = conductor[side];
    moves.push({ kind: 'move-conductor', cable: cable.id, conductor: conductor.id, end: side, to: { ...was, n: pin.n }, was });
  }
  const connector = mateOf(after.connector);
  const title = `Move ${far.entry.item.ref} from ${endName(end)} to ${endName(to)}`;
  const edits: SimpleEdit[] = [
    { kind: 'set-cable-end', cable: cable.id, node: node.id, at: { is: 'port', item: item.id, port: after.id }, was: node.at },
    ...(connectorsMate(after.connector, node.connector)
      ? []
      : [{ kind: 'set-end-connector' as const, cable: cable.id, node: node.id, connector, was: node.connector }]),
    ...moves,
    ...moveSettings(graph, end, to),
  ];
  return [
    {
      label: `Move it to ${to.endpoint.names.label}`,
      sentence: `${title}: move the end of ${cable.tag}; its wires follow their signals.`,
      edit: { kind: 'batch', title, edits },
    },
  ];
}

/** What a person had set at the old port is set at the new one, as far as that takes it. */
function moveSettings(graph: Graph, from: SerialEnd, to: SerialEnd): SimpleEdit[] {
  const { item } = from.entry;
  const part = graph.design.parts.get(item.part);
  return ['protocol', 'baud'].flatMap((name): SimpleEdit[] => {
    const [old, next] = [`${from.endpoint.id}.${name}`, `${to.endpoint.id}.${name}`];
    const value = item.settings[old];
    if (value === undefined) return [];
    const spec = part === undefined ? undefined : settingsOf(part).find((candidate) => candidate.id === next);
    const takes = spec !== undefined && settingTakes(spec, value) && item.settings[next] !== value;
    return [
      { kind: 'set-item-setting', item: item.id, setting: old, value: null, was: value },
      ...(takes ? [{ kind: 'set-item-setting' as const, item: item.id, setting: next, value, was: item.settings[next] ?? null }] : []),
    ];
  });
}

function cableBetween(graph: Graph, a: SerialEnd, b: SerialEnd): PortLeg | undefined {
  const isAt = (at: PortLeg['a'], end: SerialEnd): boolean => at.itemId === end.entry.item.id && at.port.id === portOfEnd(end);
  for (const cable of graph.cables) {
    const plain = plainCable(graph, cable);
    if (plain === undefined) continue;
    if ((isAt(plain.a, a) && isAt(plain.b, b)) || (isAt(plain.a, b) && isAt(plain.b, a))) return plain;
  }
  return undefined;
}

/**
 * The other serial ports of the end's item at which there is nothing yet. Not those of a row of pins that holds several: on it, wires
 * that go by their roles could meet another of its ports.
 */
export function freePortsBeside(graph: Graph, end: SerialEnd): SerialEnd[] {
  const { item, part } = end.entry;
  const uarts = (part?.endpoints ?? []).flatMap((endpoint) => (endpoint.is === 'uart' ? [{ ...end, endpoint }] : []));
  return uarts.filter((other) => {
    const port = portOfEnd(other);
    const isAlone = uarts.filter((uart) => portOfEnd(uart) === port).length === 1;
    return other.endpoint.id !== end.endpoint.id && isAlone && !isPortJoined(graph, item.id, port);
  });
}
