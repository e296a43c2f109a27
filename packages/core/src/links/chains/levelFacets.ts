import { circuitNode, groupOf, type Graph } from '../../graph/graph.ts';
import type { Pin } from '../../model/part.ts';
import { stated } from '../../text/numbers.ts';
import { levelVerdict, USUAL_SHARE } from '../levels.ts';
import type { Hearing, SerialEnd, SerialHop } from '../serialHops.ts';
import type { Facet } from './hop.ts';
import { fixedSide } from './sides.ts';

/** The voltage that a talker puts on the wire, and what the listener stands and needs; nothing where a part in between changes it. */
export function levelFacets(graph: Graph, hop: SerialHop): readonly Facet[] {
  return [hop.aToB, hop.bToA].flatMap((hearing) => (hearing === undefined ? [] : levelOf(graph, hop, hearing)));
}

function levelOf(graph: Graph, { a }: SerialHop, { from, to }: Hearing): Facet[] {
  const [talks, hears] = [from.endpoint.tx, to.endpoint.rx ?? to.endpoint.tx];
  if (talks === undefined || hears === undefined || !isOneWire(graph, from, talks, to, hears)) return [];
  const [high, logic] = [pinOf(from, talks)?.logic?.highV, pinOf(to, hears)?.logic];
  if (high === undefined || logic === undefined) return [];
  const needs = logic.needsV ?? USUAL_SHARE * logic.highV;
  const talker = fixedSide(`high ${stated(high, 'V')}`);
  const listener = fixedSide(`reads from ${stated(needs, 'V')}, withstands ${stated(logic.inputMaxV, 'V')}`);
  const isFromA = from.item === a.item && from.endpoint.id === a.endpoint.id;
  return [
    {
      id: 'level',
      title: 'level',
      a: isFromA ? talker : listener,
      b: isFromA ? listener : talker,
      verdict: levelVerdict(high, logic) === 'agree' ? 'agree' : 'differ',
    },
  ];
}

function isOneWire(graph: Graph, from: SerialEnd, talks: string, to: SerialEnd, hears: string): boolean {
  const [a, b] = [circuitNode(graph, from.item, talks), circuitNode(graph, to.item, hears)];
  return a !== undefined && b !== undefined && groupOf(graph.nets, a) === groupOf(graph.nets, b);
}

function pinOf({ entry }: SerialEnd, address: string): Pin | undefined {
  const dot = address.lastIndexOf('.');
  return entry.part?.ports.find(({ id }) => id === address.slice(0, dot))?.pins.find(({ n }) => n === Number(address.slice(dot + 1)));
}
