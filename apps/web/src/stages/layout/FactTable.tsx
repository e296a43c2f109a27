import type { ReactNode } from 'react';
import type { Graph } from '@wired-falcon/core';
import { useSelection } from '../../selection/SelectionContext.tsx';
import { HeadRow } from '../../ui/HeadRow.tsx';
import { useReadersUnits } from '../../ui/readersUnits.ts';

interface FactTableProps {
  readonly title: string;
  readonly head: readonly string[];
  readonly empty: string;
  readonly rows: readonly { readonly key: string; readonly isOver: boolean; readonly cells: readonly ReactNode[] }[];
}

/** A table of figures under its title; rows that are over a limit stand in rust. Without rows a sentence. */
export function FactTable({ title, head, empty, rows }: FactTableProps) {
  const { read } = useReadersUnits();
  return (
    <section className="mt-4" aria-label={title}>
      <h3 className="text-[13px] font-semibold text-ink2">{read(title)}</h3>
      {rows.length === 0 ? (
        <p className="mt-1 text-[13px]">{empty}</p>
      ) : (
        <table className="mt-1 text-[13px]">
          <HeadRow cell="py-1 pr-6" heads={head} />
          <tbody>
            {rows.map(({ key, isOver, cells }) => (
              <tr key={key} className={`border-b border-rule ${isOver ? 'text-rust' : ''}`}>
                {cells.map((cell, i) => (
                  <td key={head[i]} className="value py-1 pr-6">
                    {typeof cell === 'string' ? read(cell) : cell}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

/** The reference of an item, to choose it. A name may go on after it. */
export function ItemLink({ graph, itemRef }: { readonly graph: Graph; readonly itemRef: string }) {
  const { select } = useSelection();
  const item = graph.items.find((entry) => itemRef.startsWith(entry.item.ref))?.item;
  if (item === undefined) return itemRef;
  return (
    <button type="button" className="underline" onClick={() => select({ is: 'item', item: item.id })}>
      {itemRef}
    </button>
  );
}
