import { bondsOf, proposeBonds, withFreshIds, type BondProposal, type Graph, type Item } from '@wired-falcon/core';
import { makeId } from '../../session/author.ts';
import { useMake } from '../../session/SessionContext.tsx';

/** The radios that those of an item are bonded with, and those that they could be. */
export function Bonds({ item, graph }: { readonly item: Item; readonly graph: Graph }) {
  const make = useMake();
  const bonds = bondsOf(graph, item.id);
  const proposals = proposeBonds(graph, item.id);
  if (bonds.length === 0 && proposals.length === 0) return null;
  const bond = (key: string): void => {
    const chosen = proposals.find((one) => keyOf(one) === key);
    if (chosen !== undefined) make(withFreshIds({ kind: 'add-bond', bond: chosen.bond }, makeId));
  };
  const fitting = proposals.filter(({ fits }) => fits);
  return (
    <section aria-label="Paired radios" className="mt-3 text-[12.5px]">
      <h3 className="font-semibold">Paired by radio</h3>
      <ul>
        {bonds.map(({ id, a, b }) => {
          const other = graph.design.aircraft.items[a.item === item.id ? b.item : a.item]?.ref ?? '?';
          return (
            <li key={id} className="flex flex-wrap gap-x-2">
              with {other}
              <button
                type="button"
                className="underline"
                aria-label={`Unpair ${item.ref} and ${other}`}
                onClick={() => make({ kind: 'remove-bond', bond: id })}
              >
                Unpair
              </button>
            </li>
          );
        })}
      </ul>
      {proposals.length > 0 && (
        <select
          className="field mt-1 w-full py-0"
          aria-label={`Pair ${item.ref} with`}
          value=""
          onChange={(event) => bond(event.target.value)}
        >
          <option value="">pair with ...</option>
          {fitting.map((one) => (
            <option key={keyOf(one)} value={keyOf(one)}>
              {nameOf(one)}
            </option>
          ))}
          {fitting.length < proposals.length && (
            <optgroup label="of another kind">
              {proposals
                .filter(({ fits }) => !fits)
                .map((one) => (
                  <option key={keyOf(one)} value={keyOf(one)}>
                    {nameOf(one)}
                  </option>
                ))}
            </optgroup>
          )}
        </select>
      )}
    </section>
  );
}

function keyOf({ bond: { a, b } }: BondProposal): string {
  return [a.radio, b.item, b.radio].join(' ');
}

function nameOf({ b }: BondProposal): string {
  return `${b.entry.item.ref} ${b.radio.title}${b.entry.item.where === 'aircraft' ? '' : ', on the ground'}`;
}
