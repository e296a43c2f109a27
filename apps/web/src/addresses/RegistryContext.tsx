import { createContext, useContext } from 'react';
import { useMatches } from 'react-router';
import type { Registry } from './screens.ts';
import type { PageDef, StageDef } from './stageDef.ts';

/** Given by the application around everything, so that no floor below the stages needs to know them. */
export const RegistryContext = createContext<Registry | undefined>(undefined);

export function useRegistry(): Registry {
  const registry = useContext(RegistryContext);
  if (registry === undefined) throw new Error('This needs the registry of stages around it.');
  return registry;
}

/** What the route of a page carries. */
export class PageHandle {
  constructor(
    readonly stage: StageDef,
    readonly page: PageDef,
  ) {}
}

/** The page that is open, and its stage; undefined while none is. */
export function useOpenPage(): PageHandle | undefined {
  return useMatches()
    .map(({ handle }) => handle)
    .findLast((handle) => handle instanceof PageHandle);
}
