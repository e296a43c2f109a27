import { mateName, matesOf, proposeMates, withFreshIds, type Graph, type Item } from '@wired-falcon/core';
import { useMake } from '../../session/SessionContext.tsx';
import { makeId } from '../../session/author.ts';

/** What an item sits on, or what sits on it, without a cable; and what it could be put on. */
export function Mates({ item, graph }: { readonly item: Item; readonly graph: Graph }) {
  const make = useMake();
  const mates = matesOf(graph, item.id);
  const proposals = proposeMates(graph, item.id);
  if (mates.length === 0 && proposals.length === 0) return null;
  const put = (key: string): void => {
    const chosen = proposals.find(({ a, b }) => keyOf(a.port.id, b.itemId, b.port.id) === key);
    if (chosen !== undefined) make(withFreshIds({ kind: 'add-mate', mate: chosen.mate }, makeId));
  };
  return (
    <section aria-label="Without a cable" className="mt-3 text-[12.5px]">
      <h3 className="font-semibold">Without a cable</h3>
      <ul>
        {mates.map((mate) => {
          const name = mateName(graph.design, mate);
          return (
            <li key={mate.id} className="flex flex-wrap gap-x-2">
              {name}
              <button
                type="button"
                className="underline"
                aria-label={`Separate ${name}`}
                onClick={() => make({ kind: 'remove-mate', mate: mate.id })}
              >
                Separate
              </button>
            </li>
          );
        })}
      </ul>
      {proposals.length > 0 && (
        <select
          className="field mt-1 w-full py-0"
          aria-label={`Mount ${item.ref} on`}
          value=""
          onChange={(event) => put(event.target.value)}
        >
          <option value="">mount on ...</option>
          {proposals.map(({ a, b }) => (
            <option key={keyOf(a.port.id, b.itemId, b.port.id)} value={keyOf(a.port.id, b.itemId, b.port.id)}>
              {a.port.label} on {b.ref} {b.port.label}
            </option>
          ))}
        </select>
      )}
    </section>
  );
}

function keyOf(...parts: readonly string[]): string {
  return parts.join(' ');
}
