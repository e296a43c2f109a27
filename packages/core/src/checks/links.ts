import type { Graph, GraphItem } from '../graph/graph.ts';
import { counterpartsOf } from '../graph/counterparts.ts';
import { circuitNode, groupOf } from '../graph/graph.ts';
import type { UartEndpoint } from '../model/part.ts';
import { cablesAtPort } from '../graph/cableJoins.ts';
import { baudsAgree, BAUD_TOLERANCE, canTakeBaud, serialSetup } from '../links/serialSetup.ts';
import { namesDiffer, portNamesOf } from '../links/portNames.ts';
import type { Check, Remedy, Saying, Subject } from './finding.ts';

/** Both ends of a serial wire with bauds that do not understand each other. */
export const baudMismatch: Check = {
  id: 'link.baud-mismatch',
  stage: 'links',
  title: 'Baud rates differ',
  run: ({ graph }) => serialHops(graph).flatMap((hop) => mismatchOf(hop)),
};

interface SerialEnd {
  readonly entry: GraphItem;
  readonly endpoint: UartEndpoint;
}

interface SerialHop {
  readonly a: SerialEnd;
  readonly b: SerialEnd;
}

/** Every pair of serial endpoints of which one hears the other, each pair once. */
function serialHops(graph: Graph): SerialHop[] {
  const hops: SerialHop[] = [];
  graph.items.forEach((entry, item) => {
    for (const endpoint of entry.part?.endpoints ?? []) {
      if (endpoint.is !== 'uart') continue;
      for (const other of counterpartsOf(graph, item, endpoint)) {
        const far = graph.items[other.item];
        if (other.endpoint.is !== 'uart' || far === undefined || other.item < item) continue;
        if (other.transforms.length > 0 || !hears(graph, item, endpoint, other.item, other.endpoint)) continue;
        hops.push({ a: { entry, endpoint }, b: { entry: far, endpoint: other.endpoint } });
      }
    }
  });
  return hops;
}

/** A wire from the talker of one to the listener of the other, in either direction, or one wire for both. */
function hears(graph: Graph, itemA: number, a: UartEndpoint, itemB: number, b: UartEndpoint): boolean {
  const joined = (x: string | undefined, y: string | undefined): boolean => {
    if (x === undefined || y === undefined) return false;
    const [nodeX, nodeY] = [circuitNode(graph, itemA, x), circuitNode(graph, itemB, y)];
    return nodeX !== undefined && nodeY !== undefined && groupOf(graph.wires, nodeX) === groupOf(graph.wires, nodeY);
  };
  if (a.duplex === 'single-wire' || b.duplex === 'single-wire') return true;
  return joined(a.tx, b.rx) || joined(a.rx, b.tx);
}

function mismatchOf({ a, b }: SerialHop): Saying[] {
  const [atA, atB] = [serialSetup(a.entry.item, a.endpoint), serialSetup(b.entry.item, b.endpoint)];
  if (atA.baud === undefined || atB.baud === undefined || baudsAgree(atA.baud, atB.baud)) return [];
  const [nameA, nameB] = [endName(a), endName(b)];
  return [
    {
      severity: 'mend',
      where: [portSubject(a), portSubject(b)],
      what: `${nameA} talks at ${atA.baud} baud and ${nameB} at ${atB.baud}.`,
      evidence: [
        { label: nameA, value: `${atA.baud} baud, ${atA.baudIs}` },
        { label: nameB, value: `${atB.baud} baud, ${atB.baudIs}`, limit: `${BAUD_TOLERANCE * 100} % apart at most` },
      ],
      why: 'Neither end can read what the other sends.',
      remedies: [...setTo(b, atB.protocol, atA.baud), ...setTo(a, atA.protocol, atB.baud)],
    },
  ];
}

function endName({ entry, endpoint }: SerialEnd): string {
  return `${entry.item.ref} ${endpoint.names.label}`;
}

function portSubject({ entry, endpoint }: SerialEnd): Subject {
  const pin = endpoint.rx ?? endpoint.tx ?? '';
  return { is: 'port', item: entry.item.id, port: pin.slice(0, pin.lastIndexOf('.')) };
}

function setTo(end: SerialEnd, protocol: Parameters<typeof canTakeBaud>[1], baud: number): Remedy[] {
  if (!canTakeBaud(end.endpoint, protocol, baud)) return [];
  const setting = `${end.endpoint.id}.baud`;
  return [
    {
      label: `Set ${end.entry.item.ref} to ${baud}`,
      sentence: `Set ${endName(end)} to ${baud} baud.`,
      edit: { kind: 'set-item-setting', item: end.entry.item.id, setting, value: baud, was: end.entry.item.settings[setting] ?? null },
    },
  ];
}

/** Wired serial ports that have three different names. One note an aircraft. */
export const portNames: Check = {
  id: 'link.port-names',
  stage: 'links',
  title: 'Three names for one port',
  run: ({ graph }) => {
    const rows = graph.items.flatMap((entry) => differingNames(graph, entry));
    if (rows.length === 0) return [];
    return [
      {
        severity: 'note',
        where: rows.map(({ subject }) => subject),
        what: `${rows.length === 1 ? 'One wired port has' : `${rows.length} wired ports have`} different numbers on the board, in the chip and in the firmware: ${rows.map(({ name }) => name).join(', ')}.`,
        evidence: rows.map(({ name, text }) => ({ label: name, value: text })),
        why: 'The label tells where to plug, the firmware index what to configure; taking one for the other sets up the wrong port.',
      },
    ];
  },
};

function differingNames(graph: Graph, entry: GraphItem): { subject: Subject; name: string; text: string }[] {
  const { item, part } = entry;
  if (part?.kind !== 'controller') return [];
  return portNamesOf(part, graph.design.aircraft.dialect)
    .filter(namesDiffer)
    .map((names) => ({ names, subject: portSubject({ entry, endpoint: names.endpoint }) }))
    .filter(({ subject }) => subject.is === 'port' && cablesAtPort(graph, item.id, subject.port).length > 0)
    .map(({ names, subject }) => ({
      subject,
      name: `${item.ref} ${names.label}`,
      text: `chip ${names.chip ?? 'software'}, firmware port ${names.firmware ?? 'unknown'}`,
    }));
}
