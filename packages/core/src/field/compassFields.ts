import { isJoined } from '../graph/matesAt.ts';
import type { Graph } from '../graph/graph.ts';
import { placedItems, type PlacedItem } from '../layout/placedItems.ts';
import { turned, turningOf } from '../layout/turning.ts';
import { usualOr, type Spot } from '../model/frame.ts';
import { scenariosOf } from '../power/scenarios/scenario.ts';
import { solveScenario } from '../power/scenarios/solveScenario.ts';
import { ampsIn, loadedWires, segmentsOf, type LegWires } from './currentPaths.ts';
import { dipoleField, fieldOfSegments, type Dipole } from './fieldOf.ts';
import { lengthOf, sum, ZERO, type Vector } from './vector.ts';

/** The situation that a compass is calibrated in: powered, nothing moving. */
export const CALIBRATED_IN = 'battery-bench';

/** A situation as a compass sees it. */
export interface FieldIn {
  readonly title: string;
  /** What differs from the state of calibration, in microtesla aft, right and up. */
  readonly varyingUt: Vector;
  /** Its level part: what turns the heading. */
  readonly levelUt: number;
  /** Its vertical part, which turns nothing while the aircraft is level. */
  readonly verticalUt: number;
  /** The worst heading error: `asin(min(1, b / H))` with the level part of the earth's field H. */
  readonly errorDeg: number;
}

/** The strength of a field, and its two parts: `ut` squared is the sum of their squares. */
export interface FieldParts {
  readonly ut: number;
  readonly levelUt: number;
  readonly verticalUt: number;
}

/** What the aircraft's own currents and magnets do to one compass. */
export interface CompassField {
  readonly compass: PlacedItem;
  readonly rangeUt: number;
  /** What is there when it is calibrated, which is calibrated away. */
  readonly constantUt: Vector;
  readonly situations: readonly FieldIn[];
  readonly worst: FieldIn;
  /** What each leg adds to the varying field in the worst situation, the strongest first. */
  readonly legs: readonly ({ readonly of: LegWires; readonly amps: number } & FieldParts)[];
}

const cache = new WeakMap<Graph, readonly CompassField[]>();

/** The field at every placed compass that is in use. */
export function compassFields(graph: Graph): readonly CompassField[] {
  const known = cache.get(graph);
  if (known !== undefined) return known;
  const fields = compassesInUse(graph).map((compass) => compassFieldAt(graph, compass));
  cache.set(graph, fields);
  return fields;
}

/** Compasses of their own that are wired; where there is none, those inside controllers. */
export function compassesInUse(graph: Graph): readonly PlacedItem[] {
  const all = placedItems(graph).filter(({ part }) => part.compass !== undefined);
  const apart = all.filter(({ part, index }) => part.kind !== 'controller' && isJoined(graph, index));
  return apart.length > 0 ? apart : all.filter(({ part }) => part.kind === 'controller');
}

/** The magnets of everything that is placed, as they are turned: each along the longest way of its part. */
export function dipolesOf(graph: Graph): readonly (Dipole & { readonly item: number })[] {
  return placedItems(graph).flatMap(({ index, part, place }) => {
    if (part.magnetAm2 === undefined) return [];
    const [length, width, height] = part.sizeMm;
    const axis: Vector = length >= width && length >= height ? [1, 0, 0] : width >= height ? [0, 1, 0] : [0, 0, 1];
    const [x, y, z] = turned(axis, turningOf(place));
    const m = part.magnetAm2;
    return [{ item: index, at: place.at, momentAm2: [x * m, y * m, z * m] as const }];
  });
}

/** Everything around the compasses of an aircraft that makes a field, whichever way they are moved. */
interface Surroundings {
  readonly situations: readonly { readonly title: string; readonly amps: Float64Array }[];
  /** What flows in the state of calibration. */
  readonly still: Float64Array;
  readonly wires: readonly LegWires[];
  readonly dipoles: ReturnType<typeof dipolesOf>;
  readonly earthUt: number;
}

const surroundingsCache = new WeakMap<Graph, Surroundings>();

function surroundingsOf(graph: Graph): Surroundings {
  const known = surroundingsCache.get(graph);
  if (known !== undefined) return known;
  const scenarios = scenariosOf(graph.design.aircraft).filter(({ charge, isJammed }) => charge !== undefined && isJammed !== true);
  const situations = scenarios.map((scenario) => ({
    id: scenario.id,
    title: scenario.title,
    amps: ampsIn(solveScenario(graph, scenario)),
  }));
  const surroundings: Surroundings = {
    situations,
    still: situations.find(({ id }) => id === CALIBRATED_IN)?.amps ?? new Float64Array(),
    wires: loadedWires(
      graph,
      situations.map(({ amps }) => amps),
    ),
    dipoles: dipolesOf(graph),
    earthUt: usualOr(graph.design.aircraft.airframe.frame?.numbers, 'earthFieldUt'),
  };
  surroundingsCache.set(graph, surroundings);
  return surroundings;
}

/** The field at a compass, where it is or somewhere else: with all other things as they are. */
export function compassFieldAt(graph: Graph, compass: PlacedItem, at: Spot = compass.place.at): CompassField {
  const { situations, still, wires, dipoles, earthUt } = surroundingsOf(graph);
  const legs = legsAround(wires, compass.index, at);
  const magnets = dipoles.filter(({ item }) => item !== compass.index).map((dipole) => dipoleField(dipole, at));
  const fields = situations.map(({ title, amps }) => fieldIn(title, varyingOf(legs, amps, still), earthUt));
  const worst = fields.reduce((most, next) => (next.levelUt > most.levelUt ? next : most), fields[0] ?? NONE);
  const then = situations[fields.indexOf(worst)]?.amps ?? still;
  return {
    compass,
    rangeUt: compass.part.compass?.rangeUt ?? Infinity,
    constantUt: magnets.reduce(
      sum,
      total(legs, (edge) => still[edge] ?? 0),
    ),
    situations: fields,
    worst,
    legs: legs
      .map((leg) => ({
        of: leg.of,
        amps: Math.max(0, ...leg.wires.map(({ edge }) => Math.abs(then[edge] ?? 0))),
        ...partsOf(varyingOf([leg], then, still)),
      }))
      .sort((x, y) => y.ut - x.ut),
  };
}

function partsOf(field: Vector): FieldParts {
  return { ut: lengthOf(field), levelUt: Math.hypot(field[0], field[1]), verticalUt: Math.abs(field[2]) };
}

/** What a situation adds to the state of calibration. */
function varyingOf(legs: readonly LegAround[], amps: Float64Array, still: Float64Array): Vector {
  return total(legs, (edge) => (amps[edge] ?? 0) - (still[edge] ?? 0));
}

/** The legs around a compass with what an ampere in each of their wires makes at it: currents differ, places do not. */
interface LegAround {
  readonly of: LegWires;
  readonly wires: readonly { readonly edge: number; readonly anAmpereUt: Vector }[];
}

/** All but its own cable, which ends in it: what that does inside the part is in the part's hands. */
function legsAround(wires: readonly LegWires[], compass: number, at: Spot): readonly LegAround[] {
  return wires
    .filter(({ items }) => !items.includes(compass))
    .map((of) => ({
      of,
      wires: of.wires.map((wire) => ({ edge: wire.edge, anAmpereUt: fieldOfSegments(segmentsOf(wire, 1), at) })),
    }));
}

function total(legs: readonly LegAround[], ampsOf: (edge: number) => number): Vector {
  let [aft, right, up] = [0, 0, 0];
  for (const { wires } of legs) {
    for (const { edge, anAmpereUt } of wires) {
      const amps = ampsOf(edge);
      if (amps === 0) continue;
      aft += amps * anAmpereUt[0];
      right += amps * anAmpereUt[1];
      up += amps * anAmpereUt[2];
    }
  }
  return [aft, right, up];
}

const NONE: FieldIn = { title: '', varyingUt: ZERO, levelUt: 0, verticalUt: 0, errorDeg: 0 };

function fieldIn(title: string, varyingUt: Vector, earthUt: number): FieldIn {
  const levelUt = Math.hypot(varyingUt[0], varyingUt[1]);
  const verticalUt = Math.abs(varyingUt[2]);
  return { title, varyingUt, levelUt, verticalUt, errorDeg: (Math.asin(Math.min(1, levelUt / earthUt)) * 180) / Math.PI };
}
