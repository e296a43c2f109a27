import type { Circuit } from './circuit.ts';

/**
 * The devices that are the only joint between two parts of a circuit, so that no current flows through them whatever they do: a load
 * whose ground is open, a battery without a return. Of devices with more than two nodes never one. Open resistors and devices join
 * nothing. One walk in depth (R. E. Tarjan 1974).
 * @returns 1 by device
 */
export function bridgesOf({ shape, ohms, laws }: Circuit): Uint8Array {
  const { nodeCount, resistorA, resistorB, devices } = shape;
  const isBridge = new Uint8Array(devices.length);
  // A device with several nodes stands as a star around a node of its own.
  const ends: number[] = [];
  const owners: number[] = [];
  const join = (a: number, b: number, owner: number): void => {
    ends.push(a, b);
    owners.push(owner);
  };
  ohms.forEach((ohm, i) => {
    if (ohm !== Infinity) join(resistorA[i] ?? 0, resistorB[i] ?? 0, -1);
  });
  devices.forEach(({ nodes }, i) => {
    if (laws[i]?.is === 'open') return;
    if (nodes.length === 2) join(nodes[0] ?? 0, nodes[1] ?? 0, i);
    else for (const node of nodes) join(node, nodeCount + i, -1);
  });
  const { starts, edges } = edgesByNode(nodeCount + devices.length, ends);
  const size = starts.length - 1;
  const found = new Int32Array(size).fill(-1);
  const lowest = new Int32Array(size);
  const next = starts.slice(0, size);
  const path: number[] = [];
  const cameBy = new Int32Array(size).fill(-1);
  let count = 0;
  for (let root = 0; root < size; root++) {
    if (found[root] !== -1) continue;
    path.push(root);
    found[root] = lowest[root] = count++;
    for (let node = path.at(-1); node !== undefined; node = path.at(-1)) {
      const at = next[node] ?? 0;
      if (at < (starts[node + 1] ?? 0)) {
        next[node] = at + 1;
        const edge = edges[at] ?? 0;
        if (edge === cameBy[node]) continue;
        const other = ends[2 * edge] === node ? (ends[2 * edge + 1] ?? 0) : (ends[2 * edge] ?? 0);
        if (found[other] === -1) {
          found[other] = lowest[other] = count++;
          cameBy[other] = edge;
          path.push(other);
        } else lowest[node] = Math.min(lowest[node] ?? 0, found[other] ?? 0);
        continue;
      }
      path.pop();
      const above = path.at(-1);
      if (above === undefined) continue;
      lowest[above] = Math.min(lowest[above] ?? 0, lowest[node] ?? 0);
      const owner = owners[cameBy[node] ?? 0] ?? -1;
      if (owner >= 0 && (lowest[node] ?? 0) > (found[above] ?? 0)) isBridge[owner] = 1;
    }
  }
  return isBridge;
}

/** The numbers of the edges at each node; `ends` holds both nodes of each edge, two after two. */
function edgesByNode(size: number, ends: readonly number[]): { readonly starts: Int32Array; readonly edges: Int32Array } {
  const starts = new Int32Array(size + 1);
  for (const node of ends) starts[node + 1] = (starts[node + 1] ?? 0) + 1;
  for (let node = 0; node < size; node++) starts[node + 1] = (starts[node + 1] ?? 0) + (starts[node] ?? 0);
  const edges = new Int32Array(ends.length);
  const place = starts.slice(0, size);
  ends.forEach((node, i) => {
    const at = place[node] ?? 0;
    edges[at] = i >> 1;
    place[node] = at + 1;
  });
  return { starts, edges };
}
