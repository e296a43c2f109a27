import { connectorWords, nodeNames, type Cable, type CableEnd, type Graph } from '@wired-falcon/core';
import { useSelection } from '../../selection/SelectionContext.tsx';

/** The cables of which an end is plugged in nowhere, with those ends, so that they can be plugged in from here. */
export function UnpluggedStrip({ graph }: { readonly graph: Graph }) {
  const { selection, select } = useSelection();
  const cables = graph.cables.map((cable) => ({ cable, free: freeEnds(cable) })).filter(({ free }) => free.length > 0);
  if (cables.length === 0) return null;
  return (
    <section aria-label="Unplugged" className="px-4 pt-1 pb-3">
      <h3 className="text-[12.5px] text-ink2">Unplugged: choose an end, then a pin of its port</h3>
      <ul className="mt-1 flex flex-wrap gap-3">
        {cables.map(({ cable, free }) => (
          <li key={cable.id} className="border border-dashed border-ink2 bg-sheet px-2 py-1.5" data-unplugged={cable.tag}>
            <button type="button" className="font-bold hover:underline" onClick={() => select({ is: 'cable', cable: cable.id })}>
              {cable.tag}
            </button>{' '}
            <span className="text-[12.5px] text-ink2">{pluggedWords(graph, cable)}</span>
            {free.map((end) => {
              const isChosen = selection.is === 'end' && selection.node === end.id && selection.cable === cable.id;
              const name = nodeNames(graph, cable).get(end.id) ?? 'free end';
              return (
                <button
                  key={end.id}
                  type="button"
                  aria-label={`${cable.tag}, ${name}`}
                  aria-pressed={isChosen}
                  className={`mt-1 block border px-1.5 text-left text-[12.5px] ${isChosen ? 'border-rust bg-white' : 'border-rule bg-paper'}`}
                  onClick={() => select(isChosen ? { is: 'nothing' } : { is: 'end', cable: cable.id, node: end.id })}
                >
                  {name} <span className="value text-[11.5px]">{connectorWords(end.connector)}</span>
                </button>
              );
            })}
          </li>
        ))}
      </ul>
    </section>
  );
}

function freeEnds(cable: Cable): readonly CableEnd[] {
  return Object.values(cable.nodes).filter((node): node is CableEnd => node.is === 'end' && node.at.is === 'free');
}

function pluggedWords(graph: Graph, cable: Cable): string {
  const names = nodeNames(graph, cable);
  const plugged = Object.values(cable.nodes).flatMap((node) =>
    node.is === 'end' && node.at.is !== 'free' ? (names.get(node.id) ?? '?') : [],
  );
  return plugged.length === 0 ? 'not plugged in' : `in ${plugged.join(', ')}`;
}
