import type { Graph } from '@wired-falcon/core';
import { useSelection } from '../../selection/SelectionContext.tsx';
import type { SheetScopeState } from './useSheetScope.ts';

/** Which part of the aircraft the sheet shows: all, or one item and what it is joined to; with free ports or without. */
export function ScopeControls({ scope, graph }: { readonly scope: SheetScopeState; readonly graph: Graph }) {
  const { select } = useSelection();
  return (
    <>
      {!scope.isAll && (
        <label className="flex items-center gap-1.5 bg-sheet">
          Around
          <select
            className="field value"
            value={scope.around ?? ''}
            onChange={(event) => {
              const found = graph.items.find(({ item }) => item.id === event.target.value);
              if (found !== undefined) select({ is: 'item', item: found.item.id });
            }}
          >
            {graph.items.map(({ item }) => (
              <option key={item.id} value={item.id}>
                {item.ref}
              </option>
            ))}
          </select>
        </label>
      )}
      <button
        type="button"
        className="action py-0.5 font-normal whitespace-nowrap"
        aria-pressed={!scope.isAll}
        onClick={() => scope.showAll(!scope.isAll)}
      >
        {scope.isAll ? 'One and its neighbours' : `All ${graph.items.length}`}
      </button>
      <button
        type="button"
        className="action py-0.5 font-normal whitespace-nowrap"
        aria-pressed={scope.isUsedOnly}
        onClick={() => scope.showUsedOnly(!scope.isUsedOnly)}
      >
        {scope.isUsedOnly ? 'Free ports too' : 'Used ports only'}
      </button>
    </>
  );
}
