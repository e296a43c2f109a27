import { counterpartsOf } from '../../graph/counterparts.ts';
import type { Graph } from '../../graph/graph.ts';
import { AIRFRAME_KINDS, isWingless, liftFunctions, survivingSets, type AirframeKind } from '../../model/airframes.ts';
import type { OutputFunction } from '../../model/outputFunctions.ts';
import type { PartKind } from '../../model/partKinds.ts';

/** What an aircraft must be able to do. */
export const ABILITIES = {
  control: 'control',
  propulsion: 'propulsion',
  navigation: 'navigation',
  link: 'telemetry link',
} as const;
export type Ability = keyof typeof ABILITIES;

export type Phase = 'cruise' | 'hover';

/** Who does what in an aircraft, by index of the item. */
export interface Crew {
  readonly graph: Graph;
  readonly airframe: AirframeKind;
  /** The items that each function moves. */
  readonly byFunction: ReadonlyMap<OutputFunction, readonly number[]>;
  readonly byKind: ReadonlyMap<PartKind, readonly number[]>;
}

/** Who does what: items by kind, and what hangs on the outputs by their functions. */
export function crewOf(graph: Graph): Crew {
  const byKind = new Map<PartKind, number[]>();
  graph.items.forEach(({ item, part }, i) => {
    if (part !== undefined && item.where === 'aircraft') byKind.set(part.kind, [...(byKind.get(part.kind) ?? []), i]);
  });
  const byFunction = new Map<OutputFunction, number[]>();
  for (const { item, output, function: use } of Object.values(graph.design.aircraft.outputs)) {
    const itemIx = graph.itemIx.get(item);
    const endpoint = graph.items[itemIx ?? -1]?.part?.endpoints.find(({ id }) => id === output);
    if (itemIx === undefined || endpoint === undefined) continue;
    const moved =
      endpoint.is === 'can'
        ? [itemIx]
        : counterpartsOf(graph, itemIx, endpoint).flatMap(({ item: other, endpoint: at }) => (at.is === 'pulse-in' ? [other] : []));
    byFunction.set(use, [...(byFunction.get(use) ?? []), ...moved]);
  }
  return { graph, airframe: graph.design.aircraft.airframe.kind, byFunction, byKind };
}

/** The abilities that are there with these items alive. */
export function abilitiesOf(crew: Crew, alive: Uint8Array, phase: Phase): ReadonlySet<Ability> {
  const some = (...kinds: readonly PartKind[]): boolean => kinds.some((kind) => (crew.byKind.get(kind) ?? []).some((i) => alive[i] === 1));
  const works = (use: OutputFunction): boolean => (crew.byFunction.get(use) ?? []).some((i) => alive[i] === 1);
  const hasController = some('controller');
  const found = new Set<Ability>();
  const hasNavigation = hasController && some('gnss');
  const hasRc = some('rc-receiver', 'handheld-link');
  const rows = survivingSets(crew.airframe)[phase];
  if (hasController && (hasRc || hasNavigation) && rows.every((ways) => ways.some((way) => way.every(works)))) found.add('control');
  if (hasController && motorsOf(crew.airframe, phase).some(works)) found.add('propulsion');
  if (hasNavigation) found.add('navigation');
  if (some('telemetry-radio') || hasRc) found.add('link');
  return found;
}

/** True where outputs have the functions that an airframe is controlled by in a phase. */
export function hasFunctions({ airframe, byFunction }: Crew, phase: Phase): boolean {
  return survivingSets(airframe)[phase].every((ways) => ways.some((way) => way.every((use) => byFunction.has(use))));
}

/** The motors that carry an airframe on in a phase. */
function motorsOf(airframe: AirframeKind, phase: Phase): readonly OutputFunction[] {
  return phase === 'hover' || isWingless(airframe) ? liftFunctions(airframe) : AIRFRAME_KINDS[airframe].thrust;
}
