import type { Graph } from '../../graph/graph.ts';
import { groupOf } from '../../graph/graph.ts';
import { sizesBetween, wireAmps } from '../../harness/wireLimits.ts';
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
  /** Where it is loaded most, against what it carries for so long. */
  readonly heat: { readonly amps: number; readonly result: ScenarioResult };
  /** Where it loses most, against what is allowed. */
  readonly drop: { readonly volts: number; readonly allowedV: number; readonly result: ScenarioResult };
  /** The thinnest size that carries the current and keeps the drop, of those that its contacts take; undefined where none does. */
  readonly proposedAwg: number | undefined;
}

/** Every conductor that carries supply current in one of these situations, with what it should be. */
export function wireLoads(graph: Graph, results: readonly ScenarioResult[]): readonly WireLoad[] {
  const all = results.map((result) => ({ result, amps: ampsOfEdges(result.network, result.before, result.circuit.ohms) }));
  return graph.edges.flatMap((edge, i): WireLoad[] => {
    if (edge.is !== 'conductor') return [];
    const cable = graph.cables[edge.cable];
    if (cable === undefined || !all.some(({ amps }) => Math.abs(amps[i] ?? 0) > 1e-3)) return [];
    const { conductor } = edge;
    const lengthMm = conductorLengthMm(cable, conductor) ?? ASSUMED_LENGTH_MM;
    const kind = leadKind(graph, cable);
    const railV = railVolts(graph, cable);
    const readings = all.map(({ result, amps }) => ({
      result,
      amps: Math.abs(amps[i] ?? 0),
      allowedV: allowedIn(kind, railV, result, graph, cable),
    }));
    return [loadOf(cable, conductor, lengthMm, readings)];
  });
}

interface Reading {
  readonly result: ScenarioResult;
  readonly amps: number;
  readonly allowedV: number;
}

function loadOf(cable: Cable, conductor: Conductor, lengthMm: number, readings: readonly Reading[]): WireLoad {
  const ohm = wireOhm(conductor.awg, lengthMm);
  const share = ({ amps, result }: Reading): number => amps / (wireAmps(conductor.awg, result.scenario.durationS) ?? Infinity);
  const hottest = readings.reduce((worst, next) => (share(next) > share(worst) ? next : worst));
  const longest = readings.reduce((worst, next) => (next.amps / next.allowedV > worst.amps / worst.allowedV ? next : worst));
  const ends = [conductor.a.node, conductor.b.node].map((id) => {
    const node = cable.nodes[id];
    return node?.is === 'end' ? node.connector : undefined;
  });
  const proposedAwg = sizesBetween(ends[0], ends[1]).find((awg) =>
    readings.every(
      ({ amps, allowedV, result }) => amps <= (wireAmps(awg, result.scenario.durationS) ?? 0) && amps * wireOhm(awg, lengthMm) <= allowedV,
    ),
  );
  return {
    cable,
    conductor,
    lengthMm,
    heat: { amps: hottest.amps, result: hottest.result },
    drop: { volts: longest.amps * ohm, allowedV: longest.allowedV, result: longest.result },
    proposedAwg,
  };
}

function leadKind(graph: Graph, cable: Cable): 'servo' | 'supply' {
  return itemsAt(graph, cable).some((item) => graph.items[item]?.part?.kind === 'servo') ? 'servo' : 'supply';
}

function itemsAt(graph: Graph, cable: Cable): number[] {
  return Object.values(cable.nodes).flatMap((node) =>
    node.is === 'end' && node.at.is === 'port' ? (graph.itemIx.get(node.at.item) ?? []) : [],
  );
}

/** What one wire of a lead may lose: half of what both may. */
function allowedIn(kind: 'servo' | 'supply', railV: number, result: ScenarioResult, graph: Graph, cable: Cable): number {
  if (kind === 'supply') return (railV * SUPPLY_SHARE) / 2;
  const stalled = result.stalled === undefined ? undefined : result.network.devices[result.stalled]?.device.item;
  return (stalled !== undefined && itemsAt(graph, cable).includes(stalled) ? SERVO_STALLED_V : SERVO_V) / 2;
}

/** The highest voltage that a cable carries without any load. */
function railVolts(graph: Graph, cable: Cable): number {
  let highest = 0;
  for (const [key, node] of graph.nodeIx) {
    if (!key.startsWith(`c|${cable.id}|`) || groupOf(graph.nets, node) < 0) continue;
    highest = Math.max(highest, voltsAt(graph, node) ?? 0);
  }
  return highest > 0 ? highest : 5;
}
