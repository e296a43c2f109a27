import { boardOf, type DialectBoard } from '../dialects/boardOf.ts';
import { dialectOf } from '../dialects/dialectOf.ts';
import type { Graph, GraphItem } from '../graph/graph.ts';
import type { Dialect } from '../model/dialect.ts';
import type { DialectText } from '../model/dialectText.ts';
import type { ItemId } from '../model/ids.ts';
import type { ResolvedPart } from '../model/part.ts';
import { mainRack } from '../outputs/plan/racks.ts';

/** One controller of an aircraft, with the dialect that its configuration is written in. */
export interface FirmwareScope {
  readonly graph: Graph;
  /** Index of the controller in the graph. */
  readonly index: number;
  readonly entry: GraphItem;
  readonly part: ResolvedPart;
  readonly dialect: Dialect;
  readonly text: DialectText;
  /** Undefined where the dialect does not know the board. */
  readonly board: DialectBoard | undefined;
}

/** Why there is no configuration. */
export type NoScope = 'no-controller' | 'no-dialect' | 'no-text';

/** What a person reads then, and what to do. */
export const NO_SCOPE: Readonly<Record<NoScope, string>> = {
  'no-controller': 'There is no controller in the aircraft yet. Add one; its configuration then follows from the wiring and the plans.',
  'no-dialect': 'The dialect of this aircraft is not in this workshop. Choose one on the Brief.',
  'no-text':
    'This revision of the dialect has no configuration lines. Choose a newer one on the Brief, or write its lines in the dialect editor.',
};

/** The controllers in the aircraft, in natural order. */
export function configurable({ items }: Graph): readonly GraphItem[] {
  return items.filter(({ item, part }) => part?.kind === 'controller' && item.where === 'aircraft');
}

/** The target to load into a controller: the one that is planned, of an aircraft with one controller; else the one that the board names. */
export function plannedTarget(graph: Graph, { part }: GraphItem): string | undefined {
  const { target } = graph.design.aircraft.firmware.facts;
  return (configurable(graph).length === 1 ? target : undefined) ?? part?.board?.target;
}

/**
 * A controller with its dialect.
 * @param controller the main one where none is named
 */
export function scopeOf(graph: Graph, controller?: ItemId): FirmwareScope | NoScope {
  const all = configurable(graph);
  const entry = controller === undefined ? (mainRack(graph)?.entry ?? all[0]) : all.find(({ item }) => item.id === controller);
  const dialect = dialectOf(graph.design);
  if (entry?.part === undefined) return 'no-controller';
  if (dialect === undefined) return 'no-dialect';
  if (dialect.text === undefined) return 'no-text';
  const index = graph.itemIx.get(entry.item.id);
  if (index === undefined) return 'no-controller';
  return { graph, index, entry, part: entry.part, dialect, text: dialect.text, board: boardOf(dialect, entry.part) };
}
