/** A resistance between two pieces of copper: an edge of the graph. */
export interface CopperEdge {
  readonly edge: number;
  readonly a: number;
  readonly b: number;
  readonly ohm: number;
}

/** Edges in series between two nodes of the circuit: one current, one resistance. */
export interface Branch {
  readonly a: number;
  readonly b: number;
  readonly ohm: number;
  /** From a to b. `isForward` says whether the edge's own a comes first. */
  readonly edges: readonly { readonly edge: number; readonly ohm: number; readonly isForward: boolean }[];
}

/** Where a piece of copper is in the reduced circuit. */
export type PiecePlace =
  | { readonly is: 'node'; readonly node: number }
  /** Between two edges of a branch: so many ohm from its a. */
  | { readonly is: 'inside'; readonly branch: number; readonly ohmFromA: number }
  | { readonly is: 'apart' };

export interface Reduced {
  readonly nodeCount: number;
  /** The node of each piece that is one, or -1. */
  readonly nodeOf: Int32Array;
  readonly branches: readonly Branch[];
  readonly places: readonly PiecePlace[];
}

interface Link {
  readonly a: number;
  readonly b: number;
  readonly edges: Branch['edges'];
}

/** Pieces of copper with the links that are left at each: links are taken off and put together until only branches are left. */
class Mesh {
  readonly links: (Link | undefined)[];
  readonly at: readonly number[][];
  readonly #isTerminal: Uint8Array;

  constructor(pieceCount: number, edges: readonly CopperEdge[], isTerminal: Uint8Array) {
    this.#isTerminal = isTerminal;
    this.at = Array.from({ length: pieceCount }, (): number[] => []);
    this.links = edges.map(({ edge, a, b, ohm }) => ({ a, b, edges: [{ edge, ohm, isForward: true }] }));
    edges.forEach(({ a, b }, link) => {
      this.at[a]?.push(link);
      this.at[b]?.push(link);
    });
  }

  /** True for a piece without a device at which so many links end. */
  isBare(piece: number, ends: number): boolean {
    return this.at[piece]?.length === ends && this.#isTerminal[piece] !== 1;
  }

  add(link: Link): void {
    this.at[link.a]?.push(this.links.length);
    this.at[link.b]?.push(this.links.length);
    this.links.push(link);
  }

  take(link: number): void {
    const taken = this.links[link];
    if (taken === undefined) return;
    this.links[link] = undefined;
    for (const piece of [taken.a, taken.b]) {
      const own = this.at[piece] ?? [];
      own.splice(own.indexOf(link), 1);
    }
  }
}

/**
 * Leaves out what carries no direct current (what hangs on at one end only), and puts edges in series together, so that the
 * circuit has a node only where currents meet or a device stands.
 * @param isTerminal 1 for the pieces that a device stands on
 */
export function reduceCopper(pieceCount: number, edges: readonly CopperEdge[], isTerminal: Uint8Array): Reduced {
  const mesh = new Mesh(pieceCount, edges, isTerminal);
  const hangsOn = prune(mesh);
  merge(mesh);
  return numbered(edges, mesh, isTerminal, hangsOn);
}

function otherEnd(link: Link, piece: number): number {
  return link.a === piece ? link.b : link.a;
}

/** Takes off what hangs on at one end, from the tips on. @returns what each of those pieces hung on, or -1 */
function prune(mesh: Mesh): Int32Array {
  const hangsOn = new Int32Array(mesh.at.length).fill(-1);
  const tips: number[] = [];
  for (let piece = 0; piece < mesh.at.length; piece++) if (mesh.isBare(piece, 1)) tips.push(piece);
  for (let piece = tips.pop(); piece !== undefined; piece = tips.pop()) {
    const only = mesh.at[piece]?.[0] ?? -1;
    const link = mesh.links[only];
    if (link === undefined) continue;
    const root = otherEnd(link, piece);
    hangsOn[piece] = root;
    mesh.take(only);
    if (mesh.isBare(root, 1)) tips.push(root);
  }
  return hangsOn;
}

/** Puts the two links of every piece that only passes a current on together. */
function merge(mesh: Mesh): void {
  for (let piece = 0; piece < mesh.at.length; piece++) {
    if (!mesh.isBare(piece, 2)) continue;
    const [i = -1, j = -1] = mesh.at[piece] ?? [];
    const [first, second] = [mesh.links[i], mesh.links[j]];
    if (first === undefined || second === undefined) continue;
    const [from, to] = [otherEnd(first, piece), otherEnd(second, piece)];
    if (from === piece || to === piece || from === to) continue;
    mesh.take(i);
    mesh.take(j);
    mesh.add({ a: from, b: to, edges: [...directed(first, from), ...directed(second, piece)] });
  }
}

/** The edges of a link as they come from its end `from`. */
function directed(link: Link, from: number): Branch['edges'] {
  if (link.a === from) return link.edges;
  return [...link.edges].reverse().map((edge) => ({ ...edge, isForward: !edge.isForward }));
}

const APART: PiecePlace = { is: 'apart' };

function numbered(copper: readonly CopperEdge[], { at, links }: Mesh, isTerminal: Uint8Array, hangsOn: Int32Array): Reduced {
  const nodeOf = new Int32Array(at.length).fill(-1);
  let nodeCount = 0;
  for (let piece = 0; piece < at.length; piece++) {
    if (isTerminal[piece] === 1 || (at[piece]?.length ?? 0) > 0) nodeOf[piece] = nodeCount++;
  }
  const branches: Branch[] = [];
  for (const link of links) {
    if (link === undefined) continue;
    let ohm = 0;
    for (const edge of link.edges) ohm += edge.ohm;
    branches.push({ a: nodeOf[link.a] ?? 0, b: nodeOf[link.b] ?? 0, ohm, edges: link.edges });
  }
  const places: PiecePlace[] = Array.from(nodeOf, (node) => (node >= 0 ? { is: 'node', node } : APART));
  placeInside(places, branches, copper);
  placeHanging(places, hangsOn);
  return { nodeCount, nodeOf, branches, places };
}

/** What a branch passes stands so many ohm along it. */
function placeInside(places: PiecePlace[], branches: readonly Branch[], copper: readonly CopperEdge[]): void {
  const byEdge = new Map(copper.map((entry) => [entry.edge, entry] as const));
  branches.forEach(({ edges }, branch) => {
    let ohmFromA = 0;
    for (let i = 0; i + 1 < edges.length; i++) {
      const passing = edges[i];
      const entry = byEdge.get(passing?.edge ?? -1);
      if (passing === undefined || entry === undefined) continue;
      ohmFromA += passing.ohm;
      places[passing.isForward ? entry.b : entry.a] = { is: 'inside', branch, ohmFromA };
    }
  });
}

/** What hangs on at one end stands where its root does. */
function placeHanging(places: PiecePlace[], hangsOn: Int32Array): void {
  for (let piece = 0; piece < hangsOn.length; piece++) {
    if (hangsOn[piece] === -1) continue;
    let root = piece;
    for (let up = hangsOn[root] ?? -1; up !== -1; up = hangsOn[root] ?? -1) root = up;
    places[piece] = places[root] ?? APART;
  }
}
