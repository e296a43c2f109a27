import { groupOf, circuitNode, pinsOf, type Graph } from '../../graph/graph.ts';
import { endpointPins } from '../../model/endpointPins.ts';
import { endName, serialHops, type SerialEnd, type SerialHop } from '../../links/serialHops.ts';
import { offersInForce, serialSetup } from '../../links/serialSetup.ts';
import { protocols } from '../../links/protocols.ts';
import type { Check, Remedy, Saying } from '../finding.ts';
import { isPortAlone, polarityOf } from '../../links/polarity.ts';
import { addInverter } from '../helpers/converterRemedies.ts';
import { plannedPort } from '../helpers/plannedPort.ts';
import { endSubject, freePortsBeside, moveToPort } from './serialRemedies.ts';

/** A controller's port that is not able to do what is joined to it. */
export const portUnsuitable: Check = {
  id: 'link.port-unsuitable',
  stage: 'links',
  title: 'Unsuitable port',
  run: ({ graph }) =>
    serialHops(graph).flatMap((hop) => {
      const port = [hop.a, hop.b].find((end) => end.entry.part?.kind === 'controller');
      if (port === undefined) return [];
      const far = port === hop.a ? hop.b : hop.a;
      const [reason] = reasonsAgainst(graph, hop, port, far);
      return reason === undefined ? [] : [sayingFor(graph, port, far, reason)];
    }),
};

interface Reason {
  /** Where it works all the same, with something to know. */
  readonly isNote?: true;
  /** True where an inverter in the wire makes up for it. */
  readonly takesInverter?: true;
  readonly why?: string;
  readonly sentence: string;
  readonly value: string;
  readonly limit: string;
}

function sayingFor(graph: Graph, port: SerialEnd, far: SerialEnd, reason: Reason): Saying {
  return {
    severity: reason.isNote === true ? 'note' : 'mend',
    where: [endSubject(port), endSubject(far)],
    what: `${endName(port)} is ${reason.isNote === true ? 'barely' : 'not'} suitable for ${far.entry.item.ref}: ${reason.sentence}`,
    evidence: [{ label: endName(port), value: reason.value, limit: reason.limit }],
    why: reason.why ?? 'No setting of the port solves this; the link needs another port, or a converter.',
    remedies: () => [...movedTo(graph, port, far), ...(reason.takesInverter === true ? addInverter(graph, far, port, portUnsuitable) : [])],
  };
}

function reasonsAgainst(graph: Graph, hop: SerialHop, port: SerialEnd, far: SerialEnd): Reason[] {
  const found: (Reason | undefined)[] = [
    cannotInvert(hop, port),
    oneWay(port.endpoint, far),
    tooSlow(port.endpoint, far),
    noFlowControl(port.endpoint, far),
    sharedPin(graph, port),
    marginal(port.endpoint, far),
  ];
  return found.filter((reason) => reason !== undefined);
}

function cannotInvert(hop: SerialHop, port: SerialEnd): Reason | undefined {
  const hearing = [hop.aToB, hop.bToA].find((each) => each?.to === port || each?.to.endpoint === port.endpoint);
  if (hearing === undefined || !isPortAlone(hearing)) return undefined;
  const polarity = polarityOf(hearing);
  if (polarity === undefined || polarity.arrives === polarity.wanted) return undefined;
  return {
    takesInverter: true,
    sentence: 'it cannot invert the signal.',
    value: 'reads uninverted signals',
    limit: 'an inverted signal arrives',
  };
}

/** The far end wants to talk and to hear with the protocol in force, and the port has one direction only. */
function oneWay(port: SerialEnd['endpoint'], far: SerialEnd): Reason | undefined {
  if (port.duplex !== 'rx-only' && port.duplex !== 'tx-only') return undefined;
  const offers = offersInForce(far.entry.item, far.endpoint);
  const wantsBoth = far.endpoint.duplex === 'full' && offers.length > 0 && offers.every((offer) => offer.as === 'both');
  if (!wantsBoth) return undefined;
  const way = port.duplex === 'rx-only' ? 'only receives' : 'only sends';
  return {
    sentence: `it ${way}, and ${protocols[offers[0]?.protocol ?? 'transparent'].title} goes both ways.`,
    value: way,
    limit: 'both ways',
  };
}

function tooSlow(port: SerialEnd['endpoint'], far: SerialEnd): Reason | undefined {
  const { baud } = serialSetup(far.entry.item, far.endpoint);
  if (baud === undefined || baud <= port.maxBaud) return undefined;
  const kind = port.software === true ? 'it is a software port and' : 'it';
  return {
    sentence: `${kind} reaches ${port.maxBaud} baud of the ${baud} required.`,
    value: `${port.maxBaud} baud at most`,
    limit: `${baud} baud`,
  };
}

/** A port made by software reads up to this baud both ways at once without losing bytes. */
const SOFTWARE_BAUD = 19_200;

function marginal(port: SerialEnd['endpoint'], far: SerialEnd): Reason | undefined {
  const { baud } = serialSetup(far.entry.item, far.endpoint);
  if (port.software !== true || baud === undefined || baud <= SOFTWARE_BAUD) return undefined;
  return {
    isNote: true,
    sentence: `it is a software port, and ${baud} baud is marginal there.`,
    value: `${baud} baud`,
    limit: `${SOFTWARE_BAUD} baud without loss`,
    why: 'It costs processor time, and bytes are lost when both sides send at once. Commonly flown for one-way data.',
  };
}

function noFlowControl(port: SerialEnd['endpoint'], far: SerialEnd): Reason | undefined {
  const { flow } = serialSetup(far.entry.item, far.endpoint);
  if (flow !== 'required' || (port.cts !== undefined && port.rts !== undefined)) return undefined;
  return { sentence: 'it has no CTS and RTS, which the link requires.', value: 'no flow control', limit: 'flow control required' };
}

/** Another signal of the board that can never be used beside this port has something on its pins. */
function sharedPin(graph: Graph, port: SerialEnd): Reason | undefined {
  const { exclusive, id } = port.endpoint;
  if (exclusive === undefined) return undefined;
  const rival = port.entry.part?.endpoints.find(
    (other) => other.exclusive === exclusive && other.id !== id && isInUse(graph, port.item, endpointPins(other)),
  );
  if (rival === undefined) return undefined;
  return { sentence: `it shares its pins with ${rival.id}, which is in use.`, value: `${rival.id} is wired`, limit: 'one of the two' };
}

function isInUse(graph: Graph, item: number, addresses: readonly string[]): boolean {
  return addresses.some((address) => {
    const node = circuitNode(graph, item, address);
    return node !== undefined && pinsOf(graph, graph.wires, groupOf(graph.wires, node)).some(({ at }) => at.item !== item);
  });
}

/** Where the plan of ports puts it; for what is in no plan, the first free ports of the board. */
function movedTo(graph: Graph, port: SerialEnd, far: SerialEnd): readonly Remedy[] {
  const planned = plannedPort(graph, { device: far.item, board: port.item, endpoint: port.endpoint.id });
  return planned.length > 0 ? planned : betterPorts(graph, port, far);
}

/** The first free ports of the same board against which nothing speaks. */
function betterPorts(graph: Graph, port: SerialEnd, far: SerialEnd): Remedy[] {
  const wanted = offersInForce(far.entry.item, far.endpoint).map((offer) => offer.protocol);
  return freePortsBeside(graph, port)
    .filter((other) => other.endpoint.speaks.some((offer) => wanted.includes(offer.protocol)) && fits(graph, other, far))
    .sort((x, y) => Number(x.endpoint.duplex === 'full') - Number(y.endpoint.duplex === 'full'))
    .slice(0, 2)
    .flatMap((other) => moveToPort(graph, port, far, other));
}

function fits(graph: Graph, port: SerialEnd, far: SerialEnd): boolean {
  const plainWire = { a: far, b: port, aToB: { from: far, to: port, inversions: 0 }, bToA: undefined };
  return reasonsAgainst(graph, plainWire, port, far).length === 0;
}
