import { useState } from 'react';
import {
  asId,
  isLinkKindId,
  linkKindIds,
  LINKS,
  withFreshIds,
  type Graph,
  type ItemId,
  type LinkKindId,
  type WishId,
} from '@wired-falcon/core';
import { makeId } from '../../session/author.ts';
import { useMake } from '../../session/SessionContext.tsx';

/** A link beyond those that exist by themselves: from one item to another. */
export function WishForm({ graph }: { readonly graph: Graph }) {
  const make = useMake();
  const [kind, setKind] = useState<LinkKindId>('telemetry');
  const [from, setFrom] = useState<ItemId>();
  const [to, setTo] = useState<ItemId>();
  const [problem, setProblem] = useState<string>();
  const submit = (): void => {
    const wrong =
      from === undefined || to === undefined
        ? 'Choose both ends of the link.'
        : from === to
          ? 'A link needs two different items.'
          : undefined;
    setProblem(wrong);
    if (from === undefined || to === undefined || wrong !== undefined) return;
    make(withFreshIds({ kind: 'add-wish', wish: { id: asId<WishId>('?1'), kind, from, to } }, makeId));
  };
  return (
    <details className="no-print mt-4 text-[13px]">
      <summary className="cursor-pointer text-ink2">Add a link of your own</summary>
      <form
        aria-label="A link of your own"
        className="mt-2 flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          submit();
        }}
      >
        <label className="flex flex-col">
          What
          <select className="field" value={kind} onChange={(event) => isLinkKindId(event.target.value) && setKind(event.target.value)}>
            {linkKindIds.map((id) => (
              <option key={id} value={id}>
                {LINKS[id]}
              </option>
            ))}
          </select>
        </label>
        <ItemList label="From" graph={graph} value={from} onChange={setFrom} />
        <ItemList label="To" graph={graph} value={to} onChange={setTo} />
        <button type="submit" className="action">
          Add it
        </button>
        {problem !== undefined && (
          <p role="alert" className="w-full text-rust">
            {problem}
          </p>
        )}
      </form>
    </details>
  );
}

interface ItemListProps {
  readonly label: string;
  readonly graph: Graph;
  readonly value: ItemId | undefined;
  readonly onChange: (item: ItemId | undefined) => void;
}

function ItemList({ label, graph, value, onChange }: ItemListProps) {
  return (
    <label className="flex flex-col">
      {label}
      <select
        className="field"
        value={value ?? ''}
        onChange={(event) => onChange(graph.items.find(({ item }) => item.id === event.target.value)?.item.id)}
      >
        <option value="">choose ...</option>
        {graph.items.map(({ item }) => (
          <option key={item.id} value={item.id}>
            {item.ref} {item.label ?? ''}
          </option>
        ))}
      </select>
    </label>
  );
}
