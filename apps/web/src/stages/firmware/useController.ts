import { useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { configurable, type ItemId } from '@wired-falcon/core';
import { useGraph } from '../../session/SessionContext.tsx';

/** The controller that the page is about, by its reference in the address; undefined for the main one. */
export function useController(): { readonly id: ItemId | undefined; readonly choose: (ref: string) => void } {
  const graph = useGraph();
  const [query, setQuery] = useSearchParams();
  const ref = query.get('controller');
  const id = useMemo(() => configurable(graph).find(({ item }) => item.ref === ref)?.item.id, [graph, ref]);
  return { id, choose: (next) => setQuery({ controller: next }, { replace: true }) };
}
