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

/**
 * Leaves out what carries no direct current (what hangs on at one end only), and puts edges in series together, so that the
 * circuit has a node only where currents meet or a device stands.
 * @param isTerminal 1 for the pieces that a device stands on
 */
export function reduceCopper(pieceCount: number, edges: readonly CopperEdge[], isTerminal: Uint8Array): Reduced {
  const links = new Map<number, Link>();
  const at: Set<number>[] = Array.from({ length: pieceCount }, () => new Set<number>());
  edges.forEach(({ edge, a, b, ohm }, i) => {
    links.set(i, { a, b, edges: [{ edge, ohm, isForward: true }] });
    at[a]?.add(i);
    at[b]?.add(i);
  });
  const hangsOn = prune(at, links, isTerminal);
  const passed = merge(at, links, isTerminal);
  return numbered(edges, at, links, isTerminal, hangsOn, passed);
}

function otherEnd(link: Link, piece: number): number {
  return link.a === piece ? link.b : link.a;
}

/** Takes off what hangs on at one end, from the tips on. @returns what each of those pieces hung on */
function prune(at: readonly Set<number>[], links: Map<number, Link>, isTerminal: Uint8Array): Map<number, number> {
  const hangsOn = new Map<number, number>();
  const tips = at.flatMap((set, piece) => (set.size === 1 && isTerminal[piece] !== 1 ? [piece] : []));
  for (let piece = tips.pop(); piece !== undefined; piece = tips.pop()) {
    const [only] = at[piece] ?? [];
    const link = only === undefined ? undefined : links.get(only);
    if (only === undefined || link === undefined) continue;
    const root = otherEnd(link, piece);
    hangsOn.set(piece, root);
    links.delete(only);
    at[piece]?.delete(only);
    at[root]?.delete(only);
    if (at[root]?.size === 1 && isTerminal[root] !== 1) tips.push(root);
  }
  return hangsOn;
}

/** Puts the two links of every piece that only passes a current on together. @returns the pieces that were passed */
function merge(at: readonly Set<number>[], links: Map<number, Link>, isTerminal: Uint8Array): Set<number> {
  const passed = new Set<number>();
  let next = links.size === 0 ? 0 : Math.max(...links.keys()) + 1;
  at.forEach((set, piece) => {
    if (set.size !== 2 || isTerminal[piece] === 1) return;
    const [i = -1, j = -1] = set;
    const [first, second] = [links.get(i), links.get(j)];
    if (first === undefined || second === undefined) return;
    const [from, to] = [otherEnd(first, piece), otherEnd(second, piece)];
    if (from === piece || to === piece || from === to) return;
    links.delete(i);
    links.delete(j);
    links.set(next, { a: from, b: to, edges: [...directed(first, from), ...directed(second, piece)] });
    for (const end of [from, to]) {
      at[end]?.delete(i);
      at[end]?.delete(j);
      at[end]?.add(next);
    }
    set.clear();
    passed.add(piece);
    next += 1;
  });
  return passed;
}

/** The edges of a link as they come from its end `from`. */
function directed(link: Link, from: number): Branch['edges'] {
  if (link.a === from) return link.edges;
  return [...link.edges].reverse().map((edge) => ({ ...edge, isForward: !edge.isForward }));
}

function numbered(
  copper: readonly CopperEdge[],
  at: readonly ReadonlySet<number>[],
  links: ReadonlyMap<number, Link>,
  isTerminal: Uint8Array,
  hangsOn: ReadonlyMap<number, number>,
  passed: ReadonlySet<number>,
): Reduced {
  const nodeOf = new Int32Array(at.length).fill(-1);
  let nodeCount = 0;
  for (let piece = 0; piece < at.length; piece++) {
    if (isTerminal[piece] === 1 || ((at[piece]?.size ?? 0) > 0 && !passed.has(piece))) nodeOf[piece] = nodeCount++;
  }
  const branches = [...links.values()].map(({ a, b, edges }): Branch => ({
    a: nodeOf[a] ?? 0,
    b: nodeOf[b] ?? 0,
    ohm: edges.reduce((sum, { ohm }) => sum + ohm, 0),
    edges,
  }));
  const places: PiecePlace[] = Array.from(nodeOf, (node) => (node >= 0 ? { is: 'node', node } : { is: 'apart' }));
  placeInside(places, branches, copper);
  placeHanging(places, hangsOn);
  return { nodeCount, nodeOf, branches, places };
}

/** What a branch passes stands so many ohm along it. */
function placeInside(places: PiecePlace[], branches: readonly Branch[], copper: readonly CopperEdge[]): void {
  const byEdge = new Map(copper.map((entry) => [entry.edge, entry] as const));
  branches.forEach(({ edges }, branch) => {
    let ohmFromA = 0;
    for (const { edge, ohm, isForward } of edges.slice(0, -1)) {
      ohmFromA += ohm;
      const entry = byEdge.get(edge);
      if (entry !== undefined) places[isForward ? entry.b : entry.a] = { is: 'inside', branch, ohmFromA };
    }
  });
}

/** What hangs on at one end stands where its root does. */
function placeHanging(places: PiecePlace[], hangsOn: ReadonlyMap<number, number>): void {
  for (const piece of hangsOn.keys()) {
    let root = piece;
    for (let up = hangsOn.get(root); up !== undefined; up = hangsOn.get(root)) root = up;
    const place = places[root];
    if (place !== undefined) places[piece] = place;
  }
}
