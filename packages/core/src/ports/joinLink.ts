import { counterpartsOf } from '../graph/counterparts.ts';
import type { PortAt } from '../graph/cableJoins.ts';
import { groupOf, pinNode, type Graph } from '../graph/graph.ts';
import { voltsAt } from '../graph/railsOf.ts';
import { DraftEdits } from '../harness/draftEdits.ts';
import { isSupply, rolesMatch } from '../harness/joinVerdict.ts';
import { inverterBetween, shifterBetween } from '../harness/looms/convertBetween.ts';
import { planJoin } from '../harness/looms/planJoin.ts';
import { isPinRow } from '../model/connector.ts';
import { portOfEndpoint } from '../model/endpointPins.ts';
import type { PinRole } from '../model/part.ts';
import type { Fit } from './fit.ts';
import { pinPairs } from './pinPairs.ts';
import { rowStretch } from './rowStretch.ts';

/** How a link is wired besides what its fit says. */
export interface Wiring {
  /** What a cable did not feed so far is not fed by a new one either. */
  readonly isUnfed: boolean;
  /** True where another link of the same plug goes to another socket: its own pins are joined, and supply and ground once. */
  readonly isSplit: boolean;
}

/**
 * Joins the two ends of a link as it is planned: by a cable or a branch, pins by their meaning, through a part in between where the plan
 * has one.
 * @returns why it cannot be done, and then nothing is joined; undefined where it is
 */
export function joinLink(draft: DraftEdits, fit: Fit, wiring: Wiring): string | undefined {
  const isThere = isJoined(draft.graph, fit);
  // A draft of its own: what fails half way leaves nothing behind.
  const own = new DraftEdits(draft.graph.design);
  if (!isThere && !isWired(own, fit, wiring)) return 'no cable can be made between the two';
  if (!isConverted(own, fit)) return 'no supply beside the wire for the converter';
  return own.isEmpty || draft.take(own.edit(`Wire ${fit.seeker.title}`)) ? undefined : 'one step takes no more changes';
}

function isWired(draft: DraftEdits, fit: Fit, wiring: Wiring): boolean {
  const [a, b] = endsOf(draft, fit);
  if (a === undefined || b === undefined) return false;
  const isFedAlready = wiring.isUnfed || isFed(draft.graph, a);
  const stretch = wiring.isSplit ? undefined : rowStretch(draft.graph, b, fit.port.endpoints);
  const isJoinedNow =
    stretch === undefined
      ? fit.from.every((endpoint) => pinPairs(endpoint, fit.port.endpoints).every((pair) => isPairJoined(draft, fit, pair)))
      : draft.take(planJoin(draft.graph, a, stretch, isFedAlready ? 'supply-pulled' : 'meaning'));
  const isAside = wiring.isSplit || isPinRow(b.port.connector);
  return isJoinedNow && (!isAside || areRailsJoined(draft, fit, isFedAlready));
}

/** Ground, and supply where it is wanted, which did not come with the signals: of a plug that splits, or from elsewhere in a row of pins. */
function areRailsJoined(draft: DraftEdits, fit: Fit, isFedAlready: boolean): boolean {
  const [a, b] = endsOf(draft, fit);
  if (a === undefined || b === undefined) return true;
  const wanted: readonly (readonly PinRole[])[] = [['gnd'], ...(isFedAlready ? [] : [['supply-in', 'supply-through'] as const])];
  return wanted.every((roles) => {
    const own = a.port.pins.find(({ role }) => roles.includes(role));
    const others = b.port.pins.filter(({ role }) => own !== undefined && rolesMatch(own.role, role));
    const [first] = others;
    if (own === undefined || first === undefined || isOneNet(draft.graph, a, own.n, b, first.n)) return true;
    return isPairJoined(draft, fit, { a: own.n, b: first.n });
  });
}

function isOneNet(graph: Graph, a: PortAt, n: number, b: PortAt, m: number): boolean {
  const [x, y] = [pinNode(graph, a.itemId, a.port.id, n), pinNode(graph, b.itemId, b.port.id, m)];
  return x !== undefined && y !== undefined && groupOf(graph.nets, x) === groupOf(graph.nets, y);
}

function isPairJoined(draft: DraftEdits, fit: Fit, pair: { readonly a: number; readonly b: number }): boolean {
  const [x, y] = endsOf(draft, fit);
  return x !== undefined && y !== undefined && draft.take(planJoin(draft.graph, x, y, pair));
}

function endsOf(draft: DraftEdits, { seeker, from, port }: Fit): readonly [PortAt | undefined, PortAt | undefined] {
  const own = portOfEndpoint(from[0]);
  return [own === undefined ? undefined : draft.port(seeker.entry.item.id, own), draft.port(port.entry.item.id, port.port)];
}

/** The part in between that a fit needs, put into the wires that were just joined. */
function isConverted(draft: DraftEdits, { seeker, from: [first], port, gives }: Fit): boolean {
  const { graph } = draft;
  const [board] = port.endpoints;
  if (gives === undefined || gives.way === 'software' || first.is !== 'uart' || board.is !== 'uart') return true;
  const device = { item: indexOf(graph, seeker.entry.item.id), endpoint: first };
  const there = { item: indexOf(graph, port.entry.item.id), endpoint: board };
  return draft.take((gives.way === 'inverter' ? inverterBetween(graph, device, there) : shifterBetween(graph, device, there))?.edit);
}

function indexOf({ itemIx }: Graph, item: Fit['seeker']['entry']['item']['id']): number {
  const ix = itemIx.get(item);
  if (ix === undefined) throw new Error(`The item ${item} of a plan is not in the aircraft.`);
  return ix;
}

function isFed(graph: Graph, { itemId, port }: PortAt): boolean {
  return port.pins.some(({ n, role }) => {
    const node = isSupply(role) ? pinNode(graph, itemId, port.id, n) : undefined;
    return node !== undefined && voltsAt(graph, node) !== undefined;
  });
}

/** True where the signals are joined already: by the cable of another link that leaves by the same port. */
function isJoined(graph: Graph, { seeker, from, port }: Fit): boolean {
  const [device, board] = [seeker, port].map(({ entry }) => indexOf(graph, entry.item.id));
  return from.every((endpoint) =>
    counterpartsOf(graph, device ?? -1, endpoint).some(
      (other) => other.item === board && port.endpoints.some(({ id }) => id === other.endpoint.id),
    ),
  );
}
