import type { Graph, GraphItem } from '../../graph/graph.ts';
import { settingsOf } from '../../model/settingsOf.ts';
import type { FacetSide } from './hop.ts';

/** A side that the part leaves no choice about; not set where it does not state it either. */
export function fixedSide(value: string | undefined): FacetSide {
  return { value, source: value === undefined ? 'not set' : 'fixed by the part', setting: undefined };
}

/** A side whose value is that of a setting of an item; fixed where the part has no such setting. */
export function settingSide(graph: Graph, { item }: GraphItem, setting: string, value: string | undefined): FacetSide {
  const part = graph.design.parts.get(item.part);
  if (part === undefined || !settingsOf(part).some(({ id }) => id === setting)) return fixedSide(value);
  const isSet = item.settings[setting] !== undefined;
  return { value, source: value === undefined ? 'not set' : isSet ? 'set' : 'default', setting };
}
