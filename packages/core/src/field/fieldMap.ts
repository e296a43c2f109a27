import type { Graph } from '../graph/graph.ts';
import type { Spot } from '../model/frame.ts';
import { areaMm2 } from '../model/wire.ts';
import { scenariosOf } from '../power/scenarios/scenario.ts';
import { solveScenario } from '../power/scenarios/solveScenario.ts';
import { CALIBRATED_IN } from './compassFields.ts';
import { ampsIn, loadedWires, netAmps } from './currentPaths.ts';

/** A level net of points: rows along station, columns along butt line. */
export interface MapGrid {
  /** The first point. */
  readonly stationMm: number;
  readonly buttMm: number;
  readonly stepMm: number;
  readonly columns: number;
  readonly rows: number;
}

/** A net of at least so many points that covers a window, with square meshes. */
export function gridOver(window: { readonly x: number; readonly y: number; readonly width: number; readonly height: number }): MapGrid {
  const stepMm = Math.max(Math.min(window.width / 200, window.height / 120), 1);
  return {
    buttMm: window.x,
    stationMm: window.y,
    stepMm,
    columns: Math.ceil(window.width / stepMm) + 1,
    rows: Math.ceil(window.height / stepMm) + 1,
  };
}

/** So many numbers a piece of wire has in a flat list. */
const EACH = 9;
/** How the wires of a leg are twisted is not felt further off than so many pitches: it falls by 500 with each. */
const PITCHES = 2;

/** Straight pieces in one flat list: begin, direction, length, 100 uT mm times amperes, radius. */
interface Flat {
  readonly pieces: Float64Array;
  readonly twisted: readonly TwistedLeg[];
}

/** A twisted leg: its wires as they are wound, for what is near, and what they carry together along its way, for what is far. */
interface TwistedLeg {
  readonly near: Float64Array;
  readonly far: Float64Array;
  readonly spots: readonly (readonly number[])[];
  readonly reachMm: number;
}

/**
 * The level part of the field that varies in a situation over a net of points at a water line, in microtesla, row by row: what
 * turns the heading of a compass there. In steps, so that it can be left: yields after every row.
 */
export function* fieldMapSteps(graph: Graph, scenarioId: string, waterMm: number, grid: MapGrid): Generator<number, Float32Array, void> {
  const flat = flatten(graph, scenarioId);
  const { columns, rows, stepMm } = grid;
  const map = new Float32Array(columns * rows);
  const sum = new Float64Array(2);
  for (let row = 0; row < rows; row++) {
    const x = grid.stationMm + row * stepMm;
    for (let column = 0; column < columns; column++) {
      const y = grid.buttMm + column * stepMm;
      sum.fill(0);
      addPieces(flat.pieces, x, y, waterMm, sum);
      for (const { near, far, spots, reachMm } of flat.twisted) {
        addPieces(isNear(spots, x, y, waterMm, reachMm) ? near : far, x, y, waterMm, sum);
      }
      map[row * columns + column] = Math.hypot(sum[0] ?? 0, sum[1] ?? 0);
    }
    yield (row + 1) / rows;
  }
  return map;
}

/** The whole map at once. */
export function fieldMap(graph: Graph, scenarioId: string, waterMm: number, grid: MapGrid): Float32Array {
  const steps = fieldMapSteps(graph, scenarioId, waterMm, grid);
  for (;;) {
    const step = steps.next();
    if (step.done === true) return step.value;
  }
}

function flatten(graph: Graph, scenarioId: string): Flat {
  const scenarios = scenariosOf(graph.design.aircraft);
  const ampsOf = (id: string): Float64Array | undefined => {
    const scenario = scenarios.find((one) => one.id === id);
    return scenario === undefined ? undefined : ampsIn(solveScenario(graph, scenario));
  };
  const [then, still] = [ampsOf(scenarioId), ampsOf(CALIBRATED_IN)];
  if (then === undefined) return { pieces: new Float64Array(), twisted: [] };
  const varying = then.map((amps, edge) => amps - (still?.[edge] ?? 0));
  const plain: number[] = [];
  const twisted: TwistedLeg[] = [];
  for (const legWires of loadedWires(graph, [varying])) {
    const { leg, way, wires } = legWires;
    const own: number[] = leg.twistMm === undefined ? plain : [];
    for (const { conductor, edge, spots } of wires) {
      const radius = Math.sqrt(areaMm2(conductor.awg) / Math.PI);
      addLine(own, spots, varying[edge] ?? 0, radius);
    }
    if (leg.twistMm === undefined) continue;
    const far: number[] = [];
    addLine(far, way, netAmps(legWires, varying), 1);
    twisted.push({
      near: Float64Array.from(own),
      far: Float64Array.from(far),
      spots: wires[0]?.spots ?? [],
      reachMm: PITCHES * leg.twistMm,
    });
  }
  return { pieces: Float64Array.from(plain), twisted };
}

/** Appends the pieces of a line that carries a current. */
function addLine(list: number[], spots: readonly Spot[], amps: number, radius: number): void {
  for (let i = 0; i + 1 < spots.length; i++) {
    const [a = 0, b = 0, c = 0] = spots[i] ?? [];
    const [d = 0, e = 0, f = 0] = spots[i + 1] ?? [];
    const length = Math.sqrt((d - a) ** 2 + (e - b) ** 2 + (f - c) ** 2);
    if (length > 0) list.push(a, b, c, (d - a) / length, (e - b) / length, (f - c) / length, length, 100 * amps, radius);
  }
}

/** Adds the level part of what pieces make at a point: the formula of `segmentField`, without making anything. */
function addPieces(pieces: Float64Array, x: number, y: number, z: number, sum: Float64Array): void {
  let [bx, by] = [0, 0];
  for (let p = 0; p < pieces.length; p += EACH) {
    const ux = pieces[p + 3] ?? 0;
    const uy = pieces[p + 4] ?? 0;
    const uz = pieces[p + 5] ?? 0;
    const tx = x - (pieces[p] ?? 0);
    const ty = y - (pieces[p + 1] ?? 0);
    const tz = z - (pieces[p + 2] ?? 0);
    const forward = tx * ux + ty * uy + tz * uz;
    const ox = tx - forward * ux;
    const oy = ty - forward * uy;
    const oz = tz - forward * uz;
    const distance = Math.sqrt(ox * ox + oy * oy + oz * oz);
    if (distance < 1e-9) continue;
    const radius = pieces[p + 8] ?? 0;
    const outside = distance > radius ? distance : radius;
    const beyond = (pieces[p + 6] ?? 0) - forward;
    const sines = beyond / Math.sqrt(beyond * beyond + outside * outside) + forward / Math.sqrt(forward * forward + outside * outside);
    const strength = (((pieces[p + 7] ?? 0) / outside) * sines * (distance < radius ? distance / radius : 1)) / distance;
    bx += strength * (uy * oz - uz * oy);
    by += strength * (uz * ox - ux * oz);
  }
  sum[0] = (sum[0] ?? 0) + bx;
  sum[1] = (sum[1] ?? 0) + by;
}

function isNear(spots: readonly (readonly number[])[], x: number, y: number, z: number, reachMm: number): boolean {
  return spots.some(([a = 0, b = 0, c = 0]) => (a - x) ** 2 + (b - y) ** 2 + (c - z) ** 2 < reachMm * reachMm);
}
