import { isClearlyMore } from './clearlyMore.ts';
import type { Graph } from '../../graph/graph.ts';
import { sizesOf, wireAmps } from '../../harness/wireLimits.ts';
import { conductorLengthMm } from '../../harness/wireFacts.ts';
import type { Cable, Conductor } from '../../model/aircraft.ts';
import { voltsAt } from '../../graph/railsOf.ts';
import { ampsOfEdges } from '../network/readings.ts';
import { ASSUMED_LENGTH_MM, wireOhm } from '../network/wireOhm.ts';
import type { ScenarioResult } from '../scenarios/solveScenario.ts';

/** Both wires of a supply together may lose this share of its voltage. */
const SUPPLY_SHARE = 0.02;
/** A servo lead may lose this while servos move, and this while one is stalled; again both wires together. */
const SERVO_V = 0.15;
const SERVO_STALLED_V = 0.5;

/** A conductor that carries supply current, at its worst over the situations. */
export interface WireLoad {
  readonly cable: Cable;
  readonly conductor: Conductor;
  readonly lengthMm: number;
  /** True where nobody has said how long it is, and nothing is laid out. */
  readonly isAssumed: boolean;
  /** Where it is loaded most, against what it carries for so long. */
  readonly heat: { readonly amps: number; readonly result: ScenarioResult };
  /** Where it loses most, against what is allowed. */
  readonly drop: { readonly volts: number; readonly allowedV: number; readonly result: ScenarioResult };
  /** The thinnest size that carries the current and keeps the drop, of those that its contacts take; undefined where none does. */
  readonly propose: () => number | undefined;
}

/** Every conductor that carries supply current in one of these situations, with what it should be. */
export function wireLoads(graph: Graph, results: readonly ScenarioResult[]): readonly WireLoad[] {
  const all = results.map((result) => ({ result, amps: ampsOfEdges(result.network, result.before, result.circuit.ohms) }));
  const railV = railVolts(graph);
  const servos = graph.cables.map((cable) => itemsAt(graph, cable).filter((item) => graph.items[item]?.part?.kind === 'servo'));
  return graph.edges.flatMap((edge, i): WireLoad[] => {
    if (edge.is !== 'conductor') return [];
    const cable = graph.cables[edge.cable];
    if (cable === undefined || !all.some(({ amps }) => Math.abs(amps[i] ?? 0) > 1e-3)) return [];
    const { conductor } = edge;
    const knownMm = conductorLengthMm(graph, cable, conductor);
    const lengthMm = knownMm ?? ASSUMED_LENGTH_MM;
    const lead = { railV: railV[edge.cable] ?? 0, servos: servos[edge.cable] ?? [], feedsRail: feedsServoRail(graph, cable) };
    const readings = all.map(({ result, amps }) => ({ result, amps: Math.abs(amps[i] ?? 0), allowedV: allowedIn(lead, result) }));
    return [{ ...loadOf(cable, conductor, lengthMm, readings), isAssumed: knownMm === undefined }];
  });
}

interface Reading {
  readonly result: ScenarioResult;
  readonly amps: number;
  readonly allowedV: number;
}

function loadOf(cable: Cable, conductor: Conductor, lengthMm: number, readings: readonly Reading[]): Omit<WireLoad, 'isAssumed'> {
  const ohm = wireOhm(conductor.awg, lengthMm);
  const share = ({ amps, result }: Reading): number => amps / (wireAmps(conductor.awg, result.scenario.durationS) ?? Infinity);
  const hottest = readings.reduce((worst, next) => (isClearlyMore(share(next), share(worst)) ? next : worst));
  const longest = readings.reduce((worst, next) => (isClearlyMore(next.amps / next.allowedV, worst.amps / worst.allowedV) ? next : worst));
  const carriesAll = (awg: number): boolean =>
    readings.every(
      ({ amps, allowedV, result }) => amps <= (wireAmps(awg, result.scenario.durationS) ?? 0) && amps * wireOhm(awg, lengthMm) <= allowedV,
    );
  return {
    cable,
    conductor,
    lengthMm,
    heat: { amps: hottest.amps, result: hottest.result },
    drop: { volts: longest.amps * ohm, allowedV: longest.allowedV, result: longest.result },
    propose: () => sizesOf(cable, conductor).find(carriesAll),
  };
}

function itemsAt(graph: Graph, cable: Cable): number[] {
  return Object.values(cable.nodes).flatMap((node) =>
    node.is === 'end' && node.at.is === 'port' ? (graph.itemIx.get(node.at.item) ?? []) : [],
  );
}

/** True for a lead from a supply to the pins of servos, such as that of a motor controller with a regulator. */
function feedsServoRail(graph: Graph, cable: Cable): boolean {
  const roles = Object.values(cable.nodes).flatMap((node) => {
    if (node.is !== 'end' || node.at.is !== 'port') return [];
    const { item, port: id } = node.at;
    const port = graph.items[graph.itemIx.get(item) ?? -1]?.part?.ports.find((one) => one.id === id);
    return (port?.pins ?? []).map(({ role }) => role);
  });
  return roles.includes('supply-through') && roles.includes('supply-out') && roles.includes('pulse-out');
}

interface Lead {
  /** The highest voltage that the cable carries without any load. */
  readonly railV: number;
  /** The servos at its ends. */
  readonly servos: readonly number[];
  /** True where it brings the supply of a servo rail: what any servo takes goes over it. */
  readonly feedsRail: boolean;
}

/** What a cable without any voltage is taken to carry. */
const USUAL_V = 5;

/** What one wire of a lead may lose: half of what both may. */
function allowedIn({ railV, servos, feedsRail }: Lead, result: ScenarioResult): number {
  if (servos.length === 0 && !feedsRail) return ((railV > 0 ? railV : USUAL_V) * SUPPLY_SHARE) / 2;
  const stalled = result.network.devices[result.stalled ?? -1]?.device.item;
  const isStalled = stalled !== undefined && (feedsRail || servos.includes(stalled));
  return (isStalled ? SERVO_STALLED_V : SERVO_V) / 2;
}

/** The highest voltage without any load at the contacts of each cable. */
function railVolts(graph: Graph): Float64Array {
  const highest = new Float64Array(graph.cables.length);
  graph.nodes.forEach((at, node) => {
    if (at.is !== 'contact') return;
    const volts = voltsAt(graph, node) ?? 0;
    if (volts > (highest[at.cable] ?? 0)) highest[at.cable] = volts;
  });
  return highest;
}
