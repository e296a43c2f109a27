import { useMemo, useState } from 'react';
import { withNeighbours, type Graph, type ItemId, type SheetScope } from '@wired-falcon/core';
import { useSelection } from '../../selection/SelectionContext.tsx';

/** From so many items on, the sheet shows one item and its neighbours unless a person wants all. */
const MANY_ITEMS = 60;

/** What the sheet shows, and how that is changed. */
export interface SheetScopeState {
  readonly value: SheetScope;
  /** The item in the middle of what is shown; undefined when all is shown. */
  readonly around: ItemId | undefined;
  readonly isAll: boolean;
  readonly isUsedOnly: boolean;
  readonly showAll: (isAll: boolean) => void;
  readonly showUsedOnly: (isUsedOnly: boolean) => void;
}

/** All of a small aircraft; of a large one what is selected and its neighbours, from the first controller on. */
export function useSheetScope(graph: Graph): SheetScopeState {
  const { selection } = useSelection();
  const [wantsAll, setWantsAll] = useState<boolean>();
  const [isUsedOnly, setUsedOnly] = useState(false);
  const [last, setLast] = useState<ItemId>();
  const isAll = wantsAll ?? graph.items.length <= MANY_ITEMS;
  const chosen = selection.is === 'item' && graph.itemIx.has(selection.item) ? selection.item : undefined;
  if (chosen !== undefined && chosen !== last) setLast(chosen);
  const first = graph.items.find(({ part }) => part?.kind === 'controller') ?? graph.items[0];
  const kept = last !== undefined && graph.itemIx.has(last) ? last : undefined;
  const around = isAll ? undefined : (chosen ?? kept ?? first?.item.id);
  const value = useMemo(
    (): SheetScope => ({
      ...(around === undefined ? {} : { only: withNeighbours(graph, around) }),
      ...(isUsedOnly ? { usedPortsOnly: true } : {}),
    }),
    [graph, around, isUsedOnly],
  );
  return { value, around, isAll, isUsedOnly, showAll: setWantsAll, showUsedOnly: setUsedOnly };
}
