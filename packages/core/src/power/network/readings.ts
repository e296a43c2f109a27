import type { PowerNetwork } from './powerNetwork.ts';

type Volts = { readonly volts: Float64Array };

/** The voltage at a node of the graph, against the reference of its island; undefined where no supply network reaches. */
export function voltsAtNode(network: PowerNetwork, { volts }: Volts, graphNode: number): number | undefined {
  const place = network.copper.places[network.pieceOf[graphNode] ?? -1];
  switch (place?.is) {
    case 'node':
      return volts[place.node];
    case 'inside': {
      const branch = network.copper.branches[place.branch];
      if (branch === undefined) return undefined;
      const from = volts[branch.a] ?? 0;
      return from - ((from - (volts[branch.b] ?? 0)) * place.ohmFromA) / branch.ohm;
    }
    case 'apart':
    case undefined:
      return undefined;
  }
}

const cache = new WeakMap<Float64Array, { readonly ohms: Float64Array; readonly amps: Float64Array }>();

/** The current in every edge of the graph, from its a to its b, in amperes; 0 where nothing flows. Reckoned once for a solution. */
export function ampsOfEdges(network: PowerNetwork, { volts }: Volts, ohms: Float64Array = network.ohms): Float64Array {
  const known = cache.get(volts);
  if (known?.ohms === ohms) return known.amps;
  const amps = reckoned(network, volts, ohms);
  cache.set(volts, { ohms, amps });
  return amps;
}

function reckoned(network: PowerNetwork, volts: Float64Array, ohms: Float64Array): Float64Array {
  const amps = new Float64Array(network.graph.edges.length);
  network.copper.branches.forEach(({ a, b, edges }, i) => {
    const current = ((volts[a] ?? 0) - (volts[b] ?? 0)) / (ohms[i] ?? Infinity);
    for (const { edge, isForward } of edges) amps[edge] = isForward ? current : -current;
  });
  return amps;
}
