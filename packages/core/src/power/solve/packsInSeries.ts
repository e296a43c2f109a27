import type { Partition } from '../../graph/graph.ts';
import { Grouping } from '../../graph/partition.ts';
import type { CircuitShape, Law } from './circuit.ts';

/** The supplies of a circuit that stand on top of others: the minus of one at the plus of the next, by copper. */
export interface Stack {
  /** Pieces of copper: what resistors, sense elements and limiters join. */
  readonly pieces: Partition;
  /** The supplies that have their plus at each piece of copper, but for those that are shorted by it. */
  readonly atPlus: ReadonlyMap<number, readonly number[]>;
}

const cache = new WeakMap<CircuitShape, Stack | null>();

/** The supplies in series of a circuit; undefined where none are. Once a shape: copper that opens in a fault counts as whole. */
export function stackOf(shape: CircuitShape): Stack | undefined {
  const known = cache.get(shape);
  if (known !== undefined) return known ?? undefined;
  const stack = findStack(shape);
  cache.set(shape, stack ?? null);
  return stack;
}

function findStack({ nodeCount, resistorA, resistorB, devices }: CircuitShape): Stack | undefined {
  if (devices.filter(({ kind }) => kind === 'supply').length < 2) return undefined;
  const grouping = new Grouping(nodeCount);
  resistorA.forEach((a, i) => grouping.join(a, resistorB[i] ?? 0));
  for (const { kind, nodes } of devices) if (kind === 'sense' || kind === 'limiter') grouping.join(nodes[0] ?? 0, nodes[1] ?? 0);
  const pieces = grouping.partition();
  const atPlus = new Map<number, number[]>();
  const minuses = new Set<number>();
  devices.forEach(({ kind, nodes }, device) => {
    const [plus, minus] = nodes.map((node) => pieces.groupOf[node] ?? -1);
    if (kind !== 'supply' || plus === undefined || minus === undefined || plus === minus) return;
    atPlus.set(plus, [...(atPlus.get(plus) ?? []), device]);
    minuses.add(minus);
  });
  return [...atPlus.keys()].some((piece) => minuses.has(piece)) ? { pieces, atPlus } : undefined;
}

/** True for a supply whose minus stands at the plus of another one. */
export function isStacked({ devices }: CircuitShape, { pieces, atPlus }: Stack, supply: number): boolean {
  return atPlus.has(pieces.groupOf[devices[supply]?.nodes[1] ?? -1] ?? -1);
}

/**
 * The no-load volts of nodes above the minus of the lowest supply of their stack; 0 for what is on no stack, and for supplies that are
 * joined in a ring, which is a short. Each piece of copper is worked out once.
 */
export function stackedVolts({ devices }: CircuitShape, { pieces, atPlus }: Stack, laws: readonly Law[]): (node: number) => number {
  const known = new Map<number, number>();
  const voltsOf = (piece: number): number => {
    const volts = known.get(piece);
    if (volts !== undefined) return volts;
    // Met again before it is known, it stands on itself.
    known.set(piece, NaN);
    const found = (atPlus.get(piece) ?? []).flatMap((supply) => {
      const law = laws[supply];
      return law?.is === 'supply' ? [law.emfV + voltsOf(pieces.groupOf[devices[supply]?.nodes[1] ?? -1] ?? -1)] : [];
    });
    const most = found.length === 0 ? 0 : Math.max(...found);
    known.set(piece, most);
    return most;
  };
  return (node) => {
    const volts = voltsOf(pieces.groupOf[node] ?? -1);
    return Number.isNaN(volts) ? 0 : volts;
  };
}
