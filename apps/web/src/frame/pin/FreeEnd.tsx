import { connectorWords, nodeNames, type CableId, type Graph, type NodeId } from '@wired-falcon/core';

/** The end of a cable that waits for its port, and how to go on. */
export function FreeEnd({ cable: id, node, graph }: { readonly cable: CableId; readonly node: NodeId; readonly graph: Graph }) {
  const cable = graph.cables[graph.cableIx.get(id) ?? -1];
  const end = cable?.nodes[node];
  if (cable === undefined || end?.is !== 'end') return <p className="mt-2">This end is no longer there.</p>;
  const others = [...nodeNames(graph, cable)]
    .filter(([other]) => other !== node && cable.nodes[other]?.is === 'end')
    .map(([, name]) => name);
  return (
    <section className="mt-1">
      <h2 className="text-lg font-bold">
        {cable.tag}, {nodeNames(graph, cable).get(node)}
      </h2>
      <p className="value mt-1 text-[12.5px]">{connectorWords(end.connector)}</p>
      <p className="mt-1 text-[12.5px] text-ink2">The cable leads to {others.join(', ')}.</p>
      <p className="mt-2">Choose a pin of the port to plug it into. Escape clears it.</p>
    </section>
  );
}
