import type { Graph, GraphItem } from '../../graph/graph.ts';
import { surfaceShapes } from '../../layout/surfaceShapes.ts';
import { linkageFigure, type Linkage } from '../../model/linkage.ts';
import type { OutputFunction } from '../../model/outputFunctions.ts';
import { outputKey, type OutputUse } from '../../model/outputPlan.ts';
import { powerReport } from '../../power/report/powerReport.ts';
import { surfaceRow } from '../mixing/surfaceRows.ts';
import { racksOf, slotsIn } from '../plan/racks.ts';
import { hingeMomentNcm, momentCases, type MomentCase, type Surface } from './hingeMoment.ts';
import { limitsOf, surfaceAt, surfaceTravel, type Limits, type SurfacePose, type SurfaceTravel } from './surfaceTravel.ts';

/** A servo that moves something, with what is known of how. */
export interface LinkedServo {
  readonly item: number;
  readonly entry: GraphItem;
  readonly servo: NonNullable<NonNullable<GraphItem['part']>['servo']>;
  /** The entry of the output that moves it; of a servo on a bus its own. Undefined as long as it has no function. */
  readonly use: OutputUse | undefined;
  readonly function: OutputFunction | undefined;
  /** Of what opens the trim is where it is closed. */
  readonly limits: Limits;
  /** True for a flap or a spoiler: it goes one way only, from closed. */
  readonly isOpening: boolean;
  readonly linkage: Linkage | undefined;
  /** The surface by the linkage's figures, else as the frame has it. */
  readonly surface: Surface | undefined;
}

/** Everything in the aircraft that has an arm, in the order of the items. */
export function linkedServos(graph: Graph): readonly LinkedServo[] {
  const { aircraft } = graph.design;
  const slots = racksOf(graph).flatMap(slotsIn);
  return graph.items.flatMap((entry, item): LinkedServo[] => {
    const { part } = entry;
    if (part?.servo === undefined || entry.item.where !== 'aircraft') return [];
    const onBus = part.endpoints.flatMap(({ is, id }) => (is === 'can' ? [aircraft.outputs[outputKey(entry.item.id, id)]] : []));
    const use = slots.find((slot) => slot.on.some((consumer) => consumer.item === item))?.use ?? onBus.find((one) => one !== undefined);
    const linkage = aircraft.linkages[entry.item.id];
    const isOpening = use !== undefined && surfaceRow(use.function, aircraft.mixing)?.scale === 'opens';
    return [
      {
        item,
        entry,
        servo: part.servo,
        use,
        function: use?.function,
        limits: isOpening ? fromClosed(use) : limitsOf(use ?? {}),
        isOpening,
        linkage,
        surface: surfaceOf(graph, use?.function, linkage),
      },
    ];
  });
}

function fromClosed(use: OutputUse): Limits {
  const limits = limitsOf(use);
  return { ...limits, trimUs: use.reversed === true ? limits.maxUs : limits.minUs };
}

/** The surface that a linkage moves: as its figures say, else as the frame has it. Undefined where neither is known. */
function surfaceOf({ design }: Graph, name: OutputFunction | undefined, linkage: Linkage | undefined): Surface | undefined {
  const { kind, frame } = design.aircraft.airframe;
  const shape = frame === undefined || name === undefined ? undefined : surfaceShapes(kind, frame).find((one) => one.function === name);
  const [[x1, y1], [x2, y2]] = shape?.hinge ?? [
    [0, 0],
    [0, 0],
  ];
  // One that is upright is drawn as a point: its length along the hinge is not known from above.
  const drawn = Math.hypot(x2 - x1, y2 - y1);
  const lengthMm = linkage?.lengthMm ?? (drawn > 0 ? drawn : undefined);
  const chordMm = linkage?.chordMm ?? shape?.chordMm;
  return lengthMm === undefined || chordMm === undefined ? undefined : { lengthMm, chordMm };
}

/** What the servo gives against what the air asks for, in one case, at the worse end of the throw. */
export interface MomentMargin {
  readonly of: MomentCase;
  readonly pose: SurfacePose;
  readonly deflectionDeg: number;
  /** The moment at the hinge. */
  readonly neededNcm: number;
  /** What the servo brings there through the linkage. */
  readonly givenNcm: number;
  readonly margin: number;
}

/** How hard and how fast a servo moves its surface. */
export interface ServoForce {
  /** The lowest voltage at the servo in any situation of flight, and which. */
  readonly volts: number;
  readonly situation: string;
  readonly torqueNcm: number;
  /** From one end of the travel to the other, without load. */
  readonly travelS: number;
  readonly margins: readonly MomentMargin[];
  /** What it takes in the hardest case, in amperes; undefined where its stall current is not known. */
  readonly loadedA: number | undefined;
}

/** The travel of a servo's surface; undefined where it has no linkage, or that cannot be put together. */
export function travelOfServo({ linkage, limits }: LinkedServo): SurfaceTravel | undefined {
  return linkage === undefined ? undefined : surfaceTravel(linkage, limits);
}

/** Situations in which a servo has to hold its surface against the air, besides those that a person has added. */
const IN_FLIGHT = ['launch', 'climb', 'transition', 'cruise', 'servo-storm', 'glide', 'low-battery'];

/**
 * A servo at the voltage that it gets: moment and speed in proportion to that, against the moment of the air.
 * @returns undefined where no rail feeds it
 */
export function forceOfServo(graph: Graph, linked: LinkedServo): ServoForce | undefined {
  const { servo, entry, linkage, limits, surface } = linked;
  const rail = lowestVolts(graph, entry.item.id);
  if (rail === undefined || rail.volts <= 0) return undefined;
  const share = rail.volts / servo.atV;
  const torqueNcm = servo.torqueNcm * share;
  const turnDeg = linkage === undefined ? 0 : ((limits.maxUs - limits.minUs) / 500) * linkageFigure(linkage, 'servoDeg');
  const travel = travelOfServo(linked);
  const numbers = graph.design.aircraft.airframe.frame?.numbers ?? {};
  const margins =
    travel === undefined || linkage === undefined || surface === undefined
      ? []
      : momentCases(numbers).map((one) => marginOf(linkage, travel, surface, torqueNcm, one));
  const hardest = Math.max(0, ...margins.map(({ margin }) => 1 / margin));
  return {
    ...rail,
    torqueNcm,
    travelS: ((turnDeg / 60) * servo.secondsPer60Deg) / share,
    margins,
    loadedA: margins.length === 0 ? undefined : loadedAmps(entry, Math.min(hardest, 1), share),
  };
}

/** At the end of the throw at which the least is left. */
function marginOf(linkage: Linkage, travel: SurfaceTravel, surface: Surface, torqueNcm: number, of: MomentCase): MomentMargin {
  const ends = [travel.atLeast, travel.atMost].filter((one) => one !== undefined);
  const all = [travel.atTrim, ...ends].map((end): MomentMargin => {
    // A part of the throw is that part of the pulse.
    const us = travel.atTrim.us + of.share * (end.us - travel.atTrim.us);
    const pose = surfaceAt(linkage, travel.bar, us) ?? travel.atTrim;
    const deflectionDeg = Math.abs(pose.surfaceDeg);
    const neededNcm = hingeMomentNcm(surface, linkageFigure(linkage, 'momentPerRad'), of.speedMs, deflectionDeg);
    const givenNcm = torqueNcm / Math.abs(pose.pose.ratio);
    return { of, pose, deflectionDeg, neededNcm, givenNcm, margin: neededNcm === 0 ? Infinity : givenNcm / neededNcm };
  });
  return all.reduce((worst, one) => (one.margin < worst.margin ? one : worst));
}

function lowestVolts(graph: Graph, item: GraphItem['item']['id']): { readonly volts: number; readonly situation: string } | undefined {
  return powerReport(graph)
    .scenarios.filter(({ id }) => IN_FLIGHT.includes(id) || id.startsWith('own-'))
    .flatMap(({ title, loads }) =>
      loads.flatMap((load) => (load.item === item && load.is === 'load' ? [{ volts: load.volts, situation: title }] : [])),
    )
    .reduce<{ volts: number; situation: string } | undefined>(
      (best, one) => (best === undefined || one.volts < best.volts ? one : best),
      undefined,
    );
}

/** Between idle and stall, in proportion to the moment it gives. */
function loadedAmps({ part }: GraphItem, torqueShare: number, voltShare: number): number | undefined {
  const load = part?.circuit.find((element) => element.is === 'load');
  if (load?.is !== 'load' || load.stallA === undefined) return undefined;
  return load.idleA + torqueShare * (load.stallA * voltShare - load.idleA);
}
