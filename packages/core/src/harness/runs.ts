import { pinsBefore, portIn, portLegs, wholePort, type PortAt, type PortLeg } from '../graph/cableJoins.ts';
import { type Graph, type GraphEdge } from '../graph/graph.ts';
import { mateName } from '../edits/lookups.ts';
import type { Cable, CableEnd, Conductor } from '../model/aircraft.ts';
import type { Mate } from '../model/mate.ts';
import { listed } from '../text/lists.ts';
import { findPin, type FoundPin } from './joinVerdict.ts';

/** A wire and the cable that it is in. */
export interface WireIn {
  readonly cable: Cable;
  readonly conductor: Conductor;
}

/** A contact of a cable's end. */
export interface ContactOf {
  readonly cable: Cable;
  readonly end: CableEnd;
  readonly n: number;
}

/** Copper from a pin to a pin of another port: one wire, or several behind one another through splices and plugs. */
export interface Join {
  readonly a: FoundPin;
  readonly b: FoundPin;
  /** On the way from `a` to `b`. */
  readonly wires: readonly WireIn[];
  /** None where the ports mate without a cable. */
  readonly contactA: ContactOf | undefined;
  readonly contactB: ContactOf | undefined;
}

/** All that cables join of two ports. A loom with three ends has two runs or three, as its wires go. */
export interface Run {
  /** The tags of its cables: `W03`; for ports that mate, what is on what. */
  readonly name: string;
  readonly cables: readonly Cable[];
  readonly a: PortAt;
  readonly b: PortAt;
  /** In order of the pin at A, then at B. */
  readonly joins: readonly Join[];
  /** Where the two ports mate without a cable. */
  readonly mate?: Mate;
  /** The leg that leads from one port to the other, where there is one: its wires can be joined, moved and parted. */
  readonly leg: PortLeg | undefined;
}

const cache = new WeakMap<Graph, readonly Run[]>();

/** Every pair of ports that a cable leads to or that mate, with what is joined of them; in the order of cables and their ends, then mates. */
export function runsOf(graph: Graph): readonly Run[] {
  const known = cache.get(graph);
  if (known !== undefined) return known;
  const walker = new Walker(graph);
  const runs = graph.cables.flatMap((cable, ix) => (walker.isSimple(ix) ? runsByLegs(graph, cable) : walker.runsFrom(cable, ix)));
  const all = [...runs, ...runsByMates(graph)];
  cache.set(graph, all);
  return all;
}

/** Ports that mate without a cable: each pin meets the one it is over. */
function runsByMates(graph: Graph): readonly Run[] {
  const runs = new Map<Mate, Run & { readonly joins: Join[] }>();
  for (const edge of graph.edges) {
    if (edge.is !== 'mate') continue;
    const { mate } = edge;
    const [a, b] = [mate.a, mate.b].map(({ item, port }) => portIn(graph, graph.itemIx.get(item) ?? -1, port));
    const [pinA, pinB] = [pinOfNode(graph, edge.a), pinOfNode(graph, edge.b)];
    if (a === undefined || b === undefined || pinA === undefined || pinB === undefined) continue;
    const run = runs.get(mate) ?? { name: mateName(graph.design, mate), cables: [], a, b, joins: [], leg: undefined, mate };
    run.joins.push({ a: pinA, b: pinB, wires: [], contactA: undefined, contactB: undefined });
    runs.set(mate, run);
  }
  return [...runs.values()];
}

function pinOfNode(graph: Graph, node: number): FoundPin | undefined {
  const at = graph.nodes[node];
  const ref = at?.is === 'pin' ? graph.items[at.item]?.item.ref : undefined;
  return at?.is !== 'pin' || ref === undefined ? undefined : { itemIx: at.item, ref, port: at.port, pin: at.pin, node };
}

/** True for a run that is all there is of its cable: two plugs and the wires between them. */
export function isWholeCable({ leg }: Run): boolean {
  return leg !== undefined && Object.keys(leg.cable.nodes).length === 2 && Object.keys(leg.cable.legs).length === 1;
}

/** A cable without splices and without plugs to other cables: what a leg holds is all that its two ends share. */
function runsByLegs(graph: Graph, cable: Cable): Run[] {
  return collected(
    portLegs(graph, cable).map((leg) => ({
      a: wholePort(graph, leg.a),
      b: wholePort(graph, leg.b),
      leg,
      joins: leg.conductors.flatMap((conductor): Join[] => {
        const contactA = { cable, end: leg.endA, n: conductor.a.n };
        const contactB = { cable, end: leg.endB, n: conductor.b.n };
        const [a, b] = [pinOn(graph, leg.a, contactA), pinOn(graph, leg.b, contactB)];
        return a === undefined || b === undefined ? [] : [{ a, b, wires: [{ cable, conductor }], contactA, contactB }];
      }),
    })),
    cable,
  );
}

/** The pin that a contact meets; none where the contact is pulled from its shell. */
function pinOn(graph: Graph, at: PortAt, { end, n }: ContactOf): FoundPin | undefined {
  if (end.absent?.includes(n) === true) return undefined;
  return findPin(graph, { item: at.itemId, port: at.port.id, n: n + pinsBefore(at) });
}

/** What one leg, or one way through splices and plugs, joins of two ports. */
interface Found {
  readonly a: PortAt;
  readonly b: PortAt;
  readonly leg: PortLeg | undefined;
  readonly joins: readonly Join[];
}

/** What was found between the same two ports as one run, the way round of the first. */
function collected(found: readonly Found[], own: Cable): Run[] {
  const runs = new Map<string, Found[]>();
  for (const one of found) {
    const [forth, back] = [`${portKey(one.a)} ${portKey(one.b)}`, `${portKey(one.b)} ${portKey(one.a)}`];
    const there = runs.get(forth) ?? runs.get(back);
    if (there === undefined) runs.set(forth, [one]);
    else there.push(runs.has(forth) ? one : turned(one));
  }
  return [...runs.values()].flatMap((same): Run[] => {
    const [first] = same;
    if (first === undefined) return [];
    const joins = same.flatMap((one) => one.joins).map((join) => (isOnePort(first) ? lowerFirst(join) : join));
    joins.sort((x, y) => x.a.pin.n - y.a.pin.n || x.b.pin.n - y.b.pin.n);
    const legs = same.flatMap(({ leg }) => leg ?? []);
    const cables = [...new Set([own, ...joins.flatMap(({ wires }) => wires.map(({ cable }) => cable))])];
    const name = listed(cables.map(({ tag }) => tag));
    return [{ name, cables, a: first.a, b: first.b, joins, leg: legs.length === 1 ? legs[0] : undefined }];
  });
}

function portKey({ item, port }: PortAt): string {
  return `${item} ${port.id}`;
}

/** Both ends are at one port, as two wires can be on one pad: then neither comes first. */
function isOnePort({ a, b }: Found): boolean {
  return portKey(a) === portKey(b);
}

function lowerFirst(join: Join): Join {
  return join.a.pin.n <= join.b.pin.n ? join : backwards(join);
}

/** The same from the other side. Its leg stays as the document has it. */
function turned({ a, b, leg, joins }: Found): Found {
  return { a: b, b: a, leg, joins: joins.map(backwards) };
}

function backwards(join: Join): Join {
  return { a: join.b, b: join.a, wires: join.wires.toReversed(), contactA: join.contactB, contactB: join.contactA };
}

/** Follows copper through splices and from plug to plug. */
class Walker {
  readonly #graph: Graph;
  /** Cables that hold a splice, or of which an end is plugged to an end of another cable. */
  readonly #isWoven: Uint8Array;
  /** Wires and plugs between cables at each node of woven cables, by number of the edge. */
  readonly #edgesAt = new Map<number, number[]>();
  /** The pin that a contact of a woven cable meets. */
  readonly #pinAt = new Map<number, number>();

  constructor(graph: Graph) {
    this.#graph = graph;
    this.#isWoven = wovenCables(graph);
    if (!this.#isWoven.includes(1)) return;
    graph.edges.forEach((edge, i) => {
      if (edge.is === 'element' || edge.is === 'mate' || this.isSimple(edge.cable)) return;
      if (graph.nodes[edge.b]?.is === 'pin') this.#pinAt.set(edge.a, edge.b);
      else for (const node of [edge.a, edge.b]) this.#edgesAt.set(node, [...(this.#edgesAt.get(node) ?? []), i]);
    });
  }

  isSimple(cable: number): boolean {
    return this.#isWoven[cable] !== 1;
  }

  /** The runs of which the first pin is at an end of this cable; those of a later one that leads here are found from here too. */
  runsFrom(cable: Cable, ix: number): Run[] {
    const found: Found[] = portLegs(this.#graph, cable).map((leg) => ({
      a: wholePort(this.#graph, leg.a),
      b: wholePort(this.#graph, leg.b),
      leg,
      joins: [],
    }));
    for (const start of this.#contactsOf(ix)) {
      for (const { at, wires } of this.#reachedFrom(start)) {
        const there = this.#graph.nodes[at];
        if (there?.is !== 'contact' || there.cable < ix || (there.cable === ix && at < start)) continue;
        const join = this.#join(start, at, wires);
        if (join !== undefined) found.push({ a: this.#portOf(join.a), b: this.#portOf(join.b), leg: undefined, joins: [join] });
      }
    }
    return collected(found, cable);
  }

  #contactsOf(cable: number): number[] {
    return [...this.#pinAt.keys()].filter((node) => {
      const at = this.#graph.nodes[node];
      return at?.is === 'contact' && at.cable === cable;
    });
  }

  /** The contacts at pins that copper leads to from a contact, and the wires on the way. What is beyond such a contact goes by its pin. */
  #reachedFrom(start: number): { readonly at: number; readonly wires: readonly WireIn[] }[] {
    const reached: { at: number; wires: readonly WireIn[] }[] = [];
    const seen = new Set([start]);
    const queue: { readonly at: number; readonly wires: readonly WireIn[] }[] = [{ at: start, wires: [] }];
    for (let next = queue.shift(); next !== undefined; next = queue.shift()) {
      const { at, wires } = next;
      if (at !== start && this.#pinAt.has(at)) {
        reached.push(next);
        continue;
      }
      for (const i of this.#edgesAt.get(at) ?? []) {
        const edge = this.#graph.edges[i];
        const on = edge === undefined ? at : edge.a === at ? edge.b : edge.a;
        if (edge === undefined || seen.has(on)) continue;
        seen.add(on);
        queue.push({ at: on, wires: [...wires, ...wireOf(this.#graph, edge)] });
      }
    }
    return reached;
  }

  #join(start: number, end: number, wires: readonly WireIn[]): Join | undefined {
    const [contactA, contactB] = [contactAt(this.#graph, start), contactAt(this.#graph, end)];
    const [a, b] = [this.#pin(start), this.#pin(end)];
    return a === undefined || b === undefined || contactA === undefined || contactB === undefined
      ? undefined
      : { a, b, wires, contactA, contactB };
  }

  #pin(contact: number): FoundPin | undefined {
    return pinOfNode(this.#graph, this.#pinAt.get(contact) ?? -1);
  }

  #portOf({ itemIx, ref, port }: FoundPin): PortAt {
    const itemId = this.#graph.items[itemIx]?.item.id;
    if (itemId === undefined) throw new Error(`${ref} is in no place of the graph.`);
    return { item: itemIx, itemId, ref, port };
  }
}

/** 1 for the cables with a splice, and for both of two that are plugged together. */
function wovenCables(graph: Graph): Uint8Array {
  const woven = new Uint8Array(graph.cables.length);
  graph.nodes.forEach((node) => {
    if (node.is === 'splice') woven[node.cable] = 1;
  });
  for (const edge of graph.edges) {
    if (edge.is !== 'contact') continue;
    const [from, to] = [graph.nodes[edge.a], graph.nodes[edge.b]];
    if (from?.is === 'contact' && to?.is === 'contact') woven[from.cable] = woven[to.cable] = 1;
  }
  return woven;
}

function wireOf(graph: Graph, edge: GraphEdge): readonly WireIn[] {
  const cable = edge.is === 'conductor' ? graph.cables[edge.cable] : undefined;
  return edge.is === 'conductor' && cable !== undefined ? [{ cable, conductor: edge.conductor }] : [];
}

function contactAt(graph: Graph, node: number): ContactOf | undefined {
  const at = graph.nodes[node];
  const cable = at?.is === 'contact' ? graph.cables[at.cable] : undefined;
  return at?.is === 'contact' && cable !== undefined ? { cable, end: at.end, n: at.n } : undefined;
}
