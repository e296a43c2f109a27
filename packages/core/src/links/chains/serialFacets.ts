import { baudAt, fixedBaudAt, probesBaud } from '../baudInForce.ts';
import { clockErrorShare } from '../clockError.ts';
import { polarityOf } from '../polarity.ts';
import { protocols } from '../protocols.ts';
import { protocolsDiffer, spokenAt } from '../serialAgreement.ts';
import type { Graph } from '../../graph/graph.ts';
import type { Hearing, SerialEnd, SerialHop } from '../serialHops.ts';
import { baudsAgree, BAUD_TOLERANCE, serialSetup, type SerialSetup } from '../serialSetup.ts';
import { percent } from '../../text/numbers.ts';
import type { Facet, FacetSide, HopEnd } from './hop.ts';
import { levelFacets } from './levelFacets.ts';
import { serialRcFacets } from './rcFacets.ts';
import { fixedSide, settingSide } from './sides.ts';

const cache = new WeakMap<SerialHop, readonly Facet[]>();

/** What the two ends of a serial wire have to agree on, as they are set. @param hop one of `serialHops` of this graph */
export function serialFacets(graph: Graph, hop: SerialHop): readonly Facet[] {
  const known = cache.get(hop) ?? facetsOf(graph, hop);
  cache.set(hop, known);
  return known;
}

function facetsOf(graph: Graph, hop: SerialHop): readonly Facet[] {
  const { a, b } = hop;
  const [atA, atB] = [a, b].map((end) => serialSetup(end.entry.item, end.endpoint));
  if (atA === undefined || atB === undefined) return [];
  return [
    protocolFacet(graph, a, b, atA, atB),
    baudFacet(graph, hop, atA, atB),
    ...frameFacet(graph, a, b, atA, atB),
    ...[hop.aToB, hop.bToA].flatMap((hearing) => (hearing === undefined ? [] : polarityFacet(hop, hearing))),
    ...flowFacet(graph, a, b, atA, atB),
    ...clockFacet(graph, hop),
    ...levelFacets(graph, hop),
    ...[hop.aToB, hop.bToA].flatMap((hearing) => (hearing === undefined ? [] : channelsOf(graph, hop, hearing))),
  ];
}

/** How many RC channels a wire carries, and how well they are heard, where it carries them. */
function channelsOf(graph: Graph, { a }: SerialHop, { from }: Hearing): readonly Facet[] {
  const isFromA = from.item === a.item && from.endpoint.id === a.endpoint.id;
  const end: HopEnd = { item: from.item, entry: from.entry, signal: { is: 'endpoint', id: from.endpoint.id, endpoint: from.endpoint } };
  return serialRcFacets(graph, end, from.endpoint).map((facet) => (isFromA ? facet : { ...facet, a: facet.b, b: facet.a }));
}

function protocolFacet(graph: Graph, a: SerialEnd, b: SerialEnd, atA: SerialSetup, atB: SerialSetup): Facet {
  const side = (end: SerialEnd, { protocol }: SerialSetup): FacetSide =>
    settingSide(graph, end.entry, `${end.endpoint.id}.protocol`, protocol === undefined ? undefined : protocols[protocol].title);
  const isOpen = atA.protocol === undefined || atB.protocol === undefined;
  // An end that is not set yet still differs where it could never be set right.
  const verdict = protocolsDiffer(a, b) ? 'differ' : isOpen && spokenAt(a).length + spokenAt(b).length > 2 ? 'unknown' : 'agree';
  return { id: 'protocol', title: 'protocol', a: side(a, atA), b: side(b, atB), verdict };
}

function baudFacet(graph: Graph, hop: SerialHop, atA: SerialSetup, atB: SerialSetup): Facet {
  const { a, b } = hop;
  const side = (end: SerialEnd, setup: SerialSetup): FacetSide => {
    const fixed = fixedBaudAt(graph, end);
    if (fixed !== undefined) return fixedSide(`${fixed} baud`);
    return settingSide(graph, end.entry, `${end.endpoint.id}.baud`, setup.baud === undefined ? undefined : `${setup.baud} baud`);
  };
  const [baudA, baudB] = [baudAt(graph, a), baudAt(graph, b)];
  const known = baudA !== undefined && baudB !== undefined;
  const verdict = probesBaud(hop) ? 'agree' : !known ? 'unknown' : baudsAgree(baudA, baudB) ? 'agree' : 'differ';
  return { id: 'baud', title: `baud, ${percent(BAUD_TOLERANCE)} apart at most`, a: side(a, atA), b: side(b, atB), verdict };
}

function frameFacet(graph: Graph, a: SerialEnd, b: SerialEnd, atA: SerialSetup, atB: SerialSetup): Facet[] {
  const { frame: frameA } = atA;
  const { frame: frameB } = atB;
  const isOneTransparent = atA.protocol === 'transparent' || atB.protocol === 'transparent';
  if (frameA === undefined || frameB === undefined || (atA.protocol !== atB.protocol && !isOneTransparent)) return [];
  const side = (end: SerialEnd, setup: SerialSetup, frame: string): FacetSide =>
    setup.protocol === 'transparent' ? settingSide(graph, end.entry, `${end.endpoint.id}.frame`, frame) : fixedSide(frame);
  return [
    { id: 'frame', title: 'frame', a: side(a, atA, frameA), b: side(b, atB, frameB), verdict: frameA === frameB ? 'agree' : 'differ' },
  ];
}

function polarityFacet({ a }: SerialHop, hearing: Hearing): Facet[] {
  const polarity = polarityOf(hearing);
  if (polarity === undefined) return [];
  const words = (inverted: boolean): string => (inverted ? 'inverted' : 'not inverted');
  const isFromA = hearing.from.item === a.item && hearing.from.endpoint.id === a.endpoint.id;
  const [talker, listener] = [fixedSide(`arrives ${words(polarity.arrives)}`), fixedSide(`needed ${words(polarity.wanted)}`)];
  return [
    {
      id: 'polarity',
      title: 'polarity',
      a: isFromA ? talker : listener,
      b: isFromA ? listener : talker,
      verdict: polarity.arrives === polarity.wanted ? 'agree' : 'differ',
    },
  ];
}

function flowFacet(graph: Graph, a: SerialEnd, b: SerialEnd, atA: SerialSetup, atB: SerialSetup): Facet[] {
  if (atA.flow === 'off' && atB.flow === 'off') return [];
  const side = (end: SerialEnd, { flow }: SerialSetup): FacetSide =>
    end.endpoint.cts === undefined || end.endpoint.rts === undefined
      ? fixedSide('none')
      : settingSide(graph, end.entry, `${end.endpoint.id}.flow`, flow);
  const flows = [atA.flow, atB.flow];
  const isApart = flows.includes('required') && flows.includes('off');
  return [{ id: 'flow', title: 'flow control', a: side(a, atA), b: side(b, atB), verdict: isApart ? 'differ' : 'agree' }];
}

/** The bauds that the dividers at both ends really make, where a part states its clock. */
function clockFacet(graph: Graph, hop: SerialHop): Facet[] {
  const [a, b] = [hop.a, hop.b].map((end) => {
    const baud = baudAt(graph, end);
    const share = baud === undefined ? undefined : clockErrorShare(end.endpoint, baud);
    return share === undefined || baud === undefined ? undefined : { share, makes: Math.round(baud * (1 + share)) };
  });
  if (a === undefined && b === undefined) return [];
  const side = (made: typeof a): FacetSide => fixedSide(made === undefined ? undefined : `${made.makes} baud`);
  const apart = Math.abs((a?.share ?? 0) - (b?.share ?? 0));
  return [
    { id: 'clock', title: 'baud rate from this clock', a: side(a), b: side(b), verdict: apart > BAUD_TOLERANCE ? 'differ' : 'agree' },
  ];
}
