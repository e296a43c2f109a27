import { circuitNode, groupOf, type Graph } from '../../graph/graph.ts';
import { counterpartsOf } from '../../graph/counterparts.ts';
import { outputKey } from '../../model/outputPlan.ts';
import { isWingless } from '../../model/airframes.ts';
import { isLiftFunction } from '../../model/outputFunctions.ts';
import type { CircuitElement, Endpoint } from '../../model/part.ts';

type Of<K extends CircuitElement['is']> = Extract<CircuitElement, { is: K }>;

/** What a motor controller turns. */
export interface DrivenMotor {
  readonly item: number;
  readonly motor: Of<'motor'>;
}

/** The motor across the phases of a drive; undefined when none is wired to all of them. */
export function motorOf(graph: Graph, item: number, drive: Of<'drive'>): DrivenMotor | undefined {
  const nets = (itemIx: number, phases: readonly string[]): number[] =>
    phases.map((address) => groupOf(graph.nets, circuitNode(graph, itemIx, address) ?? -1)).sort((a, b) => a - b);
  const wanted = nets(item, drive.phases).join(' ');
  for (let other = 0; other < graph.items.length; other++) {
    for (const element of graph.items[other]?.part?.circuit ?? []) {
      if (element.is === 'motor' && nets(other, element.phases).join(' ') === wanted) return { item: other, motor: element };
    }
  }
  return undefined;
}

/** Whether a drive lifts or pushes: by the function of the output that its throttle hangs on, else by the kind of airframe. */
export function driveGroup(graph: Graph, item: number, drive: Of<'drive'>): 'lift' | 'cruise' {
  const functions = throttlesOf(graph, item, drive).flatMap((endpoint) =>
    counterpartsOf(graph, item, endpoint).flatMap(({ item: other, endpoint: output }) => {
      const id = graph.items[other]?.item.id;
      const use = id === undefined || output.is !== 'pulse-out' ? undefined : graph.design.aircraft.outputs[outputKey(id, output.id)];
      return use === undefined ? [] : [use.function];
    }),
  );
  if (functions.length > 0) return functions.some(isLiftFunction) ? 'lift' : 'cruise';
  const { kind } = graph.design.aircraft.airframe;
  return isWingless(kind) ? 'lift' : 'cruise';
}

/** The throttle inputs of a drive: on a part with one for each drive, the one in the same place of the list. */
function throttlesOf(graph: Graph, item: number, drive: Of<'drive'>): readonly Endpoint[] {
  const part = graph.items[item]?.part;
  const throttles = part?.endpoints.filter((endpoint) => endpoint.is === 'pulse-in' && endpoint.use === 'motor') ?? [];
  const drives = part?.circuit.filter((element) => element.is === 'drive') ?? [];
  if (drives.length !== throttles.length) return throttles;
  return throttles.slice(drives.indexOf(drive), drives.indexOf(drive) + 1);
}
