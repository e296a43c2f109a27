import type { Edit } from '../../edits/registry.ts';
import type { Graph, GraphItem } from '../../graph/graph.ts';
import type { OwnSituation } from '../../model/powerPlan.ts';
import { forceOfServo, linkedServos } from './servoTravel.ts';

/** All servos against the air in its hardest case, as one situation for the power stage. */
export interface LoadedSituation {
  /** What they take together, in amperes. */
  readonly totalA: number;
  /** From 0, all holding still, to 1, all moving as their data has it. */
  readonly share: number;
  /** True where they take more than servos that move freely: then the situation shows less than there is. */
  readonly isBeyond: boolean;
  /** Undefined where the aircraft has this situation already. */
  readonly edit: Edit | undefined;
}

const ID = 'own-loaded';

/** The situation of loaded servos; undefined as long as the load of none is known. */
export function loadedSituation(graph: Graph): LoadedSituation | undefined {
  const servos = linkedServos(graph).flatMap((linked) => {
    const amps = forceOfServo(graph, linked)?.loadedA;
    const load = servoLoad(linked.entry);
    return amps === undefined || load === undefined ? [] : [{ amps, ...load }];
  });
  if (servos.length === 0) return undefined;
  const sum = (of: (servo: (typeof servos)[number]) => number): number => servos.reduce((total, servo) => total + of(servo), 0);
  const totalA = sum(({ amps }) => amps);
  const [idleA, movingA] = [sum((servo) => servo.idleA), sum((servo) => servo.movingA)];
  const asked = movingA > idleA ? (totalA - idleA) / (movingA - idleA) : 1;
  const share = Math.round(Math.min(Math.max(asked, 0), 1) * 100) / 100;
  const situation: OwnSituation = {
    title: 'Surfaces loaded',
    charge: 0.5,
    durationS: 5,
    cruiseThrottle: 1,
    liftThrottle: 0,
    servos: share,
    transmitters: 'typical',
    others: 'typical',
    internalFactor: 1,
  };
  const was = graph.design.aircraft.power?.situations?.[ID] ?? null;
  return {
    totalA,
    share,
    isBeyond: asked > 1,
    edit: was?.servos === share ? undefined : { kind: 'set-own-situation', id: ID, situation, was },
  };
}

function servoLoad({ part }: GraphItem): { readonly idleA: number; readonly movingA: number } | undefined {
  const load = part?.circuit.find((element) => element.is === 'load' && element.stallA !== undefined);
  return load?.is === 'load' ? { idleA: load.idleA, movingA: load.typicalA } : undefined;
}
