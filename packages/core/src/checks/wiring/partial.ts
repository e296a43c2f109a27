import { pinAt, pinsBefore, type PortAt } from '../../graph/cableJoins.ts';
import type { Graph } from '../../graph/graph.ts';
import { joinPins } from '../../harness/pinLeg.ts';
import { runsOf, type Run } from '../../harness/runs.ts';
import { endName, portOfEnd, serialHops, type SerialEnd, type SerialHop } from '../../links/serialHops.ts';
import { offersInForce, serialSetup } from '../../links/serialSetup.ts';
import { asId, type ConductorId } from '../../model/ids.ts';
import type { PinRole } from '../../model/part.ts';
import type { Check, Remedy, Saying } from '../finding.ts';
import { runSubjects } from '../helpers/runSubjects.ts';
import { endSubject } from '../links/serialRemedies.ts';

/** A bus or a serial link with some of its wires missing. */
export const partial: Check = {
  id: 'wire.partial',
  stage: 'wiring',
  title: 'Missing wires',
  run: ({ graph }) => [
    ...serialHops(graph).flatMap((hop) => [...oneDirection(graph, hop), ...flowWires(graph, hop)]),
    ...runsOf(graph).flatMap((run) => [...halfBus(graph, run, 'sda', 'scl'), ...halfBus(graph, run, 'can-h', 'can-l')]),
  ],
};

/** Both ends want to talk and to hear, and only one direction is there. */
function oneDirection(graph: Graph, { a, b, aToB, bToA }: SerialHop): Saying[] {
  if (aToB !== undefined && bToA !== undefined) return [];
  if (![a, b].every(({ endpoint }) => endpoint.duplex === 'full') || ![a, b].every(wantsBothWays)) return [];
  const [from, to] = aToB === undefined ? [a, b] : [b, a];
  return [
    {
      severity: 'mend',
      where: [endSubject(a), endSubject(b)],
      what: `${endName(from)} has no wire to send to ${endName(to)}; only the other direction is connected.`,
      evidence: [{ label: `TX of ${endName(from)}`, value: 'not connected', limit: `RX of ${endName(to)}` }],
      why: 'The protocol needs both directions: without this one, settings and requests never arrive.',
      remedies: () => addWire(graph, from, to, ['tx', 'rx']),
    },
  ];
}

function wantsBothWays(end: SerialEnd): boolean {
  const offers = offersInForce(end.entry.item, end.endpoint);
  const isOpen = serialSetup(end.entry.item, end.endpoint).protocol === undefined;
  // A controller's port whose protocol is still open wants whatever the device wants.
  if (isOpen && end.entry.part?.kind === 'controller') return true;
  return offers.length > 0 && offers.every((offer) => offer.as === 'both');
}

/** CTS and RTS: silent when flow control is off, worth knowing when it is automatic, missing when it is required. */
function flowWires(graph: Graph, hop: SerialHop): Saying[] {
  const { a, b } = hop;
  const pins = [a.endpoint.cts, a.endpoint.rts, b.endpoint.cts, b.endpoint.rts];
  if (pins.includes(undefined)) return [];
  const flows = [a, b].map((end) => serialSetup(end.entry.item, end.endpoint).flow);
  if (flows.includes('off')) return [];
  const missing = [
    { from: a, to: b },
    { from: b, to: a },
  ].filter(({ from, to }) => !isJoined(graph, from, from.endpoint.rts, to, to.endpoint.cts));
  const [first] = missing;
  if (first === undefined) return [];
  const isRequired = flows.includes('required');
  return [
    {
      severity: isRequired ? 'mend' : 'note',
      where: [endSubject(a), endSubject(b)],
      what: `Flow control between ${endName(a)} and ${endName(b)} has no wires: ${missing.map(({ from, to }) => `RTS of ${from.entry.item.ref} to CTS of ${to.entry.item.ref}`).join(', ')}.`,
      evidence: [{ label: 'flow control', value: isRequired ? 'required' : 'automatic', limit: 'CTS and RTS connected' }],
      why: isRequired
        ? 'An end that waits for CTS never sends.'
        : 'The link works without it; under load it loses bytes that flow control would have held back.',
      discriminator: 'flow',
      remedies: () => (missing.length === 1 ? addWire(graph, first.from, first.to, ['rts', 'cts']) : bothFlowWires(graph, missing)),
    },
  ];
}

function bothFlowWires(graph: Graph, missing: readonly { readonly from: SerialEnd; readonly to: SerialEnd }[]): Remedy[] {
  const remedies = missing.flatMap(({ from, to }) => addWire(graph, from, to, ['rts', 'cts']));
  const edits = remedies.flatMap(({ edit }, i) => {
    if (edit.kind !== 'add-conductor') return [];
    return [{ ...edit, conductor: { ...edit.conductor, id: asId<ConductorId>(`?${i + 1}`) } }];
  });
  if (edits.length !== missing.length) return [];
  return [
    {
      label: 'Add CTS and RTS',
      sentence: remedies.map(({ sentence }) => sentence).join(' '),
      edit: { kind: 'batch', title: 'Add CTS and RTS', edits },
    },
  ];
}

function isJoined(graph: Graph, a: SerialEnd, pinA: string | undefined, b: SerialEnd, pinB: string | undefined): boolean {
  return runsOf(graph).some(({ joins }) =>
    joins.some((join) => {
      const at = (item: number, pin: string | undefined) =>
        [join.a, join.b].some((found) => found.itemIx === item && `${found.port.id}.${found.pin.n}` === pin);
      return at(a.item, pinA) && at(b.item, pinB);
    }),
  );
}

/** The wire that is missing in the leg between two ends. */
function addWire(graph: Graph, from: SerialEnd, to: SerialEnd, [fromRole, toRole]: readonly ['tx' | 'rts', 'rx' | 'cts']): Remedy[] {
  const [start, end] = [from.endpoint[fromRole], to.endpoint[toRole]];
  const run = runsOf(graph).find(({ a, b, leg }) => {
    const ports = leg === undefined ? [] : [a, b].map((at) => `${at.itemId} ${at.port.id}`);
    return [from, to].every((one) => ports.includes(`${one.entry.item.id} ${portOfEnd(one)}`));
  });
  if (run === undefined || start === undefined || end === undefined) return [];
  return wireIn(graph, run, from.entry.item.id === run.a.itemId ? [start, end] : [end, start]);
}

function wireIn(graph: Graph, { leg, name }: Run, [pinA, pinB]: readonly [string, string]): Remedy[] {
  if (leg === undefined) return [];
  const [a, b] = [contactAt(leg.a, pinA), contactAt(leg.b, pinB)];
  if (a === undefined || b === undefined) return [];
  const isThere = leg.conductors.some((conductor) => conductor.a.n === a && conductor.b.n === b);
  if (isThere) return [];
  return [
    {
      label: 'Add the wire',
      sentence: `Add a wire to ${name}, from contact ${a} at ${leg.a.ref} ${leg.a.port.label} to contact ${b} at ${leg.b.ref} ${leg.b.port.label}.`,
      edit: joinPins(graph, leg, a, b),
    },
  ];
}

/** The contact of a plug that meets a pin, by the pin's address `port.n`; none where the plug is not over it. */
function contactAt(at: PortAt, pin: string): number | undefined {
  const contact = Number(pin.slice(pin.lastIndexOf('.') + 1)) - pinsBefore(at);
  return pinAt(at.port, contact)?.n;
}

/** One wire of a two-wire bus between two ports, and not the other. */
function halfBus(graph: Graph, run: Run, first: PinRole, second: PinRole): Saying[] {
  const { joins } = run;
  const has = (role: PinRole): boolean => joins.some((join) => join.a.pin.role === role && join.b.pin.role === role);
  if (has(first) === has(second)) return [];
  const missing = has(first) ? second : first;
  const [a, b] = [run.a, run.b].map((at) => at.port.pins.find((pin) => pin.role === missing));
  if (a === undefined || b === undefined) return [];
  // A wire that goes elsewhere is the matter of the checks of the bus.
  if (
    joins.some(
      (join) => (join.a.pin.role === missing) !== (join.b.pin.role === missing) && isBusRole(join.a.pin.role) && isBusRole(join.b.pin.role),
    )
  )
    return [];
  return [
    {
      severity: 'mend',
      where: runSubjects(run),
      what: `${run.name} joins ${has(first) ? busWord(first) : busWord(second)} of ${run.a.ref} and ${run.b.ref}, and not ${busWord(missing)}.`,
      evidence: [{ label: `${a.label} of ${run.a.ref}`, value: 'not connected', limit: `${b.label} of ${run.b.ref}` }],
      why: 'A bus needs both wires; with one alone nothing is received.',
      discriminator: missing,
      remedies: () => wireIn(graph, run, [`${run.a.port.id}.${a.n}`, `${run.b.port.id}.${b.n}`]),
    },
  ];
}

function isBusRole(role: PinRole): boolean {
  return role === 'sda' || role === 'scl' || role === 'can-h' || role === 'can-l';
}

const BUS_WORDS: Readonly<Partial<Record<PinRole, string>>> = { sda: 'SDA', scl: 'SCL', 'can-h': 'CAN-H', 'can-l': 'CAN-L' };

function busWord(role: PinRole): string {
  return BUS_WORDS[role] ?? role;
}
