import type { CircuitShape, DeviceShape } from './circuit.ts';
import { deviceIslands, referencesOf } from './islandsOf.ts';
import { leadsOf, type Leads } from './leadsOf.ts';
import type { PivotPlan } from './matrixPattern.ts';
import { pivotPlanOf } from './pivotPlanOf.ts';

/**
 * Where the equations of a circuit stand in its matrix (modified nodal analysis): one row a node (the currents that leave it add
 * up to nothing) and one a device with a current of its own. A slot is a place in `values`; the last place takes what is not
 * wanted: the rows of the reference nodes.
 */
export interface Equations {
  readonly size: number;
  readonly starts: Int32Array;
  readonly rows: Int32Array;
  /** How the unknowns are eliminated; the ends of leads are none. */
  readonly pivots: PivotPlan;
  readonly leads: Leads;
  /** The slots aa, bb, ab, ba of each resistor, four after four; of a lead the place for what is not wanted. */
  readonly resistorSlots: Int32Array;
  /** The first three nodes of each device, three after three; 0 where it has fewer. */
  readonly terminals: Int32Array;
  /** The devices without a current of their own: draws and limiters. */
  readonly draws: Int32Array;
  /** The devices that have one. */
  readonly branches: Int32Array;
  /** The devices whose law bends with the voltage: draws, limiters and regulators. */
  readonly curved: Int32Array;
  /** The devices that change between states without a jump. */
  readonly switching: Int32Array;
  /** The devices that can change over for good. */
  readonly jumping: Int32Array;
  /** The slots of each device, in the order of `entriesOf`. */
  readonly deviceSlots: readonly Int32Array[];
  /** The slot on the diagonal of each node; of a reference node it is where its row says "0 V". */
  readonly diagonal: Int32Array;
  readonly isReference: Uint8Array;
  /** The unknown that holds a device's own current, or -1. */
  readonly branchOf: Int32Array;
  /** The island that each device is on: islands know nothing of each other. */
  readonly islandOf: Int32Array;
  readonly dump: number;
}

/** Lays out the equations. */
export function equationsOf(shape: CircuitShape): Equations {
  const { nodeCount, devices } = shape;
  const branchOf = new Int32Array(devices.length).fill(-1);
  let size = nodeCount;
  devices.forEach((device, i) => {
    if (device.kind !== 'draw' && device.kind !== 'limiter') branchOf[i] = size++;
  });
  const isReference = referencesOf(shape);
  const leads = leadsOf(shape);
  const columns = Array.from({ length: size }, () => new Set<number>());
  const entry = (row: number, column: number): void => {
    if (row >= nodeCount || isReference[row] !== 1) columns[column]?.add(row);
  };
  for (let node = 0; node < nodeCount; node++) if (leads.isEnd[node] !== 1) columns[node]?.add(node);
  const resistors = Array.from(shape.resistorA, (a, i) => (leads.isLead[i] === 1 ? NOWHERE : pair(a, shape.resistorB[i] ?? 0)));
  const stamps = devices.map(({ kind, nodes }, i) =>
    entriesOf(kind, nodes.length === 2 ? [...leads.hubs.subarray(2 * i, 2 * i + 2)] : nodes, branchOf[i] ?? -1),
  );
  for (const list of [...resistors, ...stamps]) for (const [row, column] of list) entry(row, column);
  const { starts, rows } = packed(columns);
  const dump = rows.length;
  const slotOf = (row: number, column: number): number => {
    if (row < nodeCount && isReference[row] === 1) return dump;
    for (let p = starts[column] ?? 0; p < (starts[column + 1] ?? 0); p++) if (rows[p] === row) return p;
    return dump;
  };
  const slotsOf = (list: readonly Entry[]): Int32Array => Int32Array.from(list, ([row, column]) => slotOf(row, column));
  return {
    size,
    starts,
    rows,
    pivots: pivotPlanOf(shape, columns, branchOf, isReference, leads),
    leads,
    resistorSlots: Int32Array.from(resistors.flatMap((list) => (list === NOWHERE ? [dump, dump, dump, dump] : [...slotsOf(list)]))),
    terminals: Int32Array.from(devices.flatMap(({ nodes }) => [nodes[0] ?? 0, nodes[1] ?? 0, nodes[2] ?? 0])),
    draws: placesOf(devices, ({ kind }) => kind === 'draw' || kind === 'limiter'),
    branches: placesOf(devices, ({ kind }) => kind !== 'draw' && kind !== 'limiter'),
    curved: placesOf(devices, ({ kind }) => kind === 'draw' || kind === 'limiter' || kind === 'regulator'),
    jumping: placesOf(devices, ({ kind }) => kind === 'regulator' || kind === 'limiter' || kind === 'selector'),
    switching: placesOf(devices, ({ kind }) => kind === 'supply' || kind === 'diode' || kind === 'selector' || kind === 'regulator'),
    deviceSlots: stamps.map(slotsOf),
    diagonal: Int32Array.from({ length: nodeCount }, (_, node) => (leads.isEnd[node] === 1 ? dump : diagonalSlot(starts, rows, node))),
    isReference,
    branchOf,
    islandOf: deviceIslands(shape),
    dump,
  };
}

function placesOf(devices: readonly DeviceShape[], isWanted: (device: DeviceShape) => boolean): Int32Array {
  return Int32Array.from(devices.flatMap((device, i) => (isWanted(device) ? [i] : [])));
}

type Entry = readonly [row: number, column: number];

const NOWHERE: readonly Entry[] = [];

function pair(a: number, b: number): Entry[] {
  return [
    [a, a],
    [b, b],
    [a, b],
    [b, a],
  ];
}

/** The places that a device can write to, whatever its law and state. `solveCircuit` writes in the same order. */
function entriesOf(kind: DeviceShape['kind'], nodes: readonly number[], branch: number): Entry[] {
  const [a = 0, b = 0, c = 0] = nodes;
  switch (kind) {
    case 'draw':
    case 'limiter':
      return pair(a, b);
    case 'supply':
    case 'sense':
    case 'diode':
      return [
        [a, branch],
        [b, branch],
        [branch, a],
        [branch, b],
        [branch, branch],
      ];
    case 'regulator':
      return [
        [a, branch],
        [a, a],
        [a, b],
        [a, c],
        [b, branch],
        [c, branch],
        [c, a],
        [c, b],
        [c, c],
        [branch, a],
        [branch, b],
        [branch, c],
        [branch, branch],
      ];
    case 'selector': {
      const out = nodes[nodes.length - 2] ?? 0;
      return [
        [out, branch],
        [branch, out],
        [branch, branch],
        ...nodes.slice(0, -2).flatMap((input): Entry[] => [
          [input, branch],
          [branch, input],
        ]),
      ];
    }
  }
}

function packed(columns: readonly ReadonlySet<number>[]): { starts: Int32Array; rows: Int32Array } {
  const starts = new Int32Array(columns.length + 1);
  columns.forEach((set, i) => (starts[i + 1] = (starts[i] ?? 0) + set.size));
  const rows = new Int32Array(starts[columns.length] ?? 0);
  columns.forEach((set, i) => rows.set(Int32Array.from(set).sort(), starts[i]));
  return { starts, rows };
}

function diagonalSlot(starts: Int32Array, rows: Int32Array, node: number): number {
  const from = starts[node] ?? 0;
  return from + rows.subarray(from, starts[node + 1] ?? 0).indexOf(node);
}
