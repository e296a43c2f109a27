import type { AdoptRevision } from '../../edits/adoptPlan.ts';
import type { RevisionMap } from '../../edits/revisionMap.ts';
import { applyEdit } from '../../edits/applyEdit.ts';
import type { Edit } from '../../edits/registry.ts';
import type { Graph } from '../../graph/graph.ts';
import { graphOf } from '../../graph/graphOf.ts';
import { DraftEdits } from '../../harness/draftEdits.ts';
import { connectorsMate, isPinRow, mateOf } from '../../model/connector.ts';
import type { Design } from '../../model/design.ts';
import { portOfEndpoint } from '../../model/endpointPins.ts';
import type { CableId, ItemId, PartKey } from '../../model/ids.ts';
import type { Endpoint, Part } from '../../model/part.ts';
import { linkSeekers, type LinkSeeker } from '../../ports/linkSeekers.ts';
import { planPorts, type PortPlan } from '../../ports/planPorts.ts';
import { GIVING_WAY, type Fit } from '../../ports/fit.ts';
import type { Price } from '../../ports/portPrices.ts';
import { takePlan, type TakenPlan } from '../../ports/takePlan.ts';
import { feedBoard } from './feedBoard.ts';
import { feedOthers } from './feedOthers.ts';
import { leadOutputs } from './leadOutputs.ts';
import { withoutWrongFeeds, withoutWrongSupplies } from './rightSupplies.ts';
import { linkPorts, mapWithLinks, mapWithoutLinks, mapWithRest, type Resettled } from './boardMap.ts';

/** A controller that becomes another board, with its links where they are best on the new one. */
export interface BoardSwap {
  /** The controller; undefined for a board that is put in where none was. */
  readonly item: ItemId | undefined;
  /** Which port each link of the aircraft takes then. */
  readonly plan: PortPlan;
  /** Undefined where nothing changes: the board is the one that is there. */
  readonly edit: Edit | undefined;
  /** Links that it does not wire, each with why. */
  readonly undone: TakenPlan['undone'];
}

/**
 * Makes a controller another board: outputs by their order, supplies by what they are, and every link on the port that is best on the new
 * board. A cable that can be plugged in elsewhere stays, and is re-pinned where it has to be; what cannot is made anew.
 * @returns undefined where the item, or the part, is no controller
 */
export function* swapBoard(graph: Graph, item: ItemId, part: PartKey): Generator<void, BoardSwap | undefined> {
  const { design } = graph;
  const entry = graph.items[graph.itemIx.get(item) ?? -1];
  const [from, to] = [design.parts.get(entry?.item.part ?? part), design.parts.get(part)];
  if (entry?.part?.kind !== 'controller' || from === undefined || to?.kind !== 'controller') return undefined;
  if (entry.item.part === part) return keptBoard(graph, item);
  // 1. What arrives at the old board, and by which of its plugs.
  const arrivals = arrivalsAt(graph, item);
  const links = linkPorts(from, ledPorts(graph, item));
  // 2. The new board without them, and the best ports on it.
  const adopt = (map: RevisionMap): AdoptRevision => ({ kind: 'adopt-part-revision', item, part, was: entry.item.part, map });
  const plugged = mapWithoutLinks(design, item, from, to, links);
  const tried = adopted(design, adopt(plugged));
  const bare = tried === undefined ? plugged : withoutWrongSupplies(plugged, item, tried);
  const unplugged = adopted(design, adopt(bare));
  if (unplugged === undefined) return undefined;
  const plan = planPorts(unplugged, {
    giveWay: GIVING_WAY,
    pricesOf: (fit) => plugPrices(from, to, arrivals.get(keyOf(fit.seeker)), fit),
  });
  if (plan === undefined) return undefined;
  yield;
  // 3. Plugs that go over as they are, and the rest of the plan.
  const settled = plan.links.flatMap(({ seeker, fit }): Resettled[] => {
    const home = arrivals.get(keyOf(seeker));
    if (home === undefined) return [];
    // A part that comes into the wires is put into a new cable.
    const isPlain = fit?.gives === undefined || fit.gives.way === 'software';
    return [{ was: home.was, fit: isPlain ? fit : undefined, isSameEnd: fit?.from.some(({ id }) => id === home.leaves) === true }];
  });
  const planned = new Set(plan.links.flatMap(({ fit }) => (fit?.port.entry.item.id === item ? [fit.port.port] : [])));
  const led = mapWithRest(design, item, from, to, mapWithLinks(bare, from, to, settled), links, planned);
  const wired = adopted(design, adopt(led));
  const map = wired === undefined ? led : withoutWrongFeeds(led, item, wired);
  const draft = new DraftEdits(design);
  if (!draft.make(adopt(map))) return undefined;
  leadOutputs(graph, draft, item, map);
  yield* feedBoard(graph, draft, item);
  for (const cable of hangingAt(graph, draft, item, plan)) draft.make({ kind: 'remove-cable', cable });
  const pins = new Map(plan.links.flatMap(({ seeker, fit }) => (fit === undefined ? [] : [[keyOf(seeker), fit.port.key] as const])));
  const again = planPorts(draft.graph, { giveWay: GIVING_WAY, pins });
  const taken = again === undefined ? undefined : takePlan(draft.graph, again);
  const isTaken = taken?.edit === undefined || draft.take(taken.edit);
  yield* feedOthers(graph, draft, item);
  const undone = isTaken ? (taken?.undone ?? []) : plan.links.map((link) => ({ link, why: 'one step takes no more changes' }));
  return { item, plan, edit: draft.edit(`Replace ${entry.item.ref} with "${to.name}"`), undone };
}

/** The board that is there: links that are on no port yet get one, and nothing moves for its own sake. */
function keptBoard(graph: Graph, item: ItemId): BoardSwap | undefined {
  const plan = planPorts(graph, { giveWay: GIVING_WAY });
  return plan === undefined ? undefined : { item, plan, ...takePlan(graph, plan) };
}

/** Where a link arrived, and by which endpoint it left its device. */
interface Arrival {
  readonly was: Endpoint;
  readonly leaves: string;
}

/** The links that arrive at a controller, by their first key. */
function arrivalsAt(graph: Graph, item: ItemId): ReadonlyMap<string, Arrival> {
  const ix = graph.itemIx.get(item);
  const endpoints = graph.items[ix ?? -1]?.part?.endpoints ?? [];
  return new Map(
    linkSeekers(graph).flatMap((seeker) => {
      const { now } = seeker;
      const was = now?.item === ix ? endpoints.find(({ id }) => id === now?.endpoint) : undefined;
      return was === undefined || now === undefined ? [] : [[keyOf(seeker), { was, leaves: now.from }] as const];
    }),
  );
}

/** The ports of a controller that a cable of a link is in, whether or not it arrives. */
function ledPorts(graph: Graph, item: ItemId): ReadonlySet<string> {
  return new Set(
    linkSeekers(graph).flatMap(({ cabledTo }) =>
      [...cabledTo].flatMap((at) => (at.startsWith(`${item} `) ? [at.slice(item.length + 1)] : [])),
    ),
  );
}

function keyOf({ keys: [first] }: LinkSeeker): string {
  if (first === undefined) throw new Error('A link without a key wants a port.');
  return first;
}

function adopted(design: Design, edit: AdoptRevision): Graph | undefined {
  const result = applyEdit(design, edit);
  return 'refused' in result ? undefined : graphOf(result.design);
}

/** What a port of the new board makes of the cable that a link has: it is plugged in, re-pinned, gets another plug, or is made anew. */
function plugPrices(from: Part, to: Part, arrival: Arrival | undefined, { from: leaves, port }: Fit): readonly Price[] {
  if (arrival === undefined) return [];
  const [before, now] = [from.ports.find(({ id }) => id === portOfEndpoint(arrival.was)), to.ports.find(({ id }) => id === port.port)];
  const isCarriedOver = leaves.some(({ id }) => id === arrival.leaves);
  if (before === undefined || now === undefined || !isCarriedOver || isPinRow(before.connector) || isPinRow(now.connector))
    return [{ words: 'its cable is remade', cost: 10 }];
  if (!connectorsMate(mateOf(before.connector), now.connector)) return [{ words: 'its cable gets another plug', cost: 8 }];
  const isSame = before.pins.every(({ n, role }) => role === 'nc' || now.pins.some((pin) => pin.n === n && pin.role === role));
  return isSame ? [] : [{ words: 'its cable is re-pinned', cost: 3 }];
}

/** Cables of links that hang free where the old board was, between it and one port of a device whose link is led anew. */
function hangingAt(before: Graph, { graph }: DraftEdits, item: ItemId, plan: PortPlan): readonly CableId[] {
  const led = new Set(
    plan.links.flatMap(({ seeker, fit }) =>
      fit === undefined ? [] : seeker.endpoints.map((endpoint) => `${seeker.entry.item.id} ${portOfEndpoint(endpoint) ?? ''}`),
    ),
  );
  return before.cables.flatMap(({ id, nodes }) => {
    const now = graph.design.aircraft.cables[id];
    const ends = Object.values(nodes).filter((node) => node.is === 'end');
    const others = new Set(ends.flatMap(({ at }) => (at.is === 'port' && at.item !== item ? [`${at.item} ${at.port}`] : [])));
    const [device] = others;
    const hangs = ends.some((end) => {
      const after = now?.nodes[end.id];
      return end.at.is === 'port' && end.at.item === item && after?.is === 'end' && after.at.is === 'free';
    });
    return hangs && others.size === 1 && device !== undefined && led.has(device) ? [id] : [];
  });
}
