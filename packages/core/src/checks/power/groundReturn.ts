import { currentAgainst } from '../../text/numbers.ts';
import { plainCable } from '../../graph/cableJoins.ts';
import type { Graph } from '../../graph/graph.ts';
import { proposeCable } from '../../harness/proposeCable.ts';
import type { Cable, Conductor } from '../../model/aircraft.ts';
import { CONNECTOR_FAMILIES } from '../../model/connector.ts';
import { asId, type ConductorId } from '../../model/ids.ts';
import type { PowerNetwork } from '../../power/network/powerNetwork.ts';
import { contactName } from '../../power/network/edgeName.ts';
import { ampsOfEdges } from '../../power/network/readings.ts';
import { liveCircuit, type ScenarioResult } from '../../power/scenarios/solveScenario.ts';
import { nodeIslands } from '../../power/solve/islandsOf.ts';
import { solveCircuit, solveNear } from '../../power/solve/solveCircuit.ts';
import type { Check, Remedy, Saying } from '../finding.ts';
import { workingSituations } from './helpers/situations.ts';

/** Grounds that carry at least this much are power grounds. */
const POWER_A = 3;

/** With one power ground open, the current comes home through a thin signal ground. */
export const groundReturn: Check = {
  id: 'power.ground-return',
  stage: 'power',
  title: 'A signal ground as the only second way home',
  run: ({ graph }) => {
    const loaded = workingSituations(graph).filter(({ scenario }) => scenario.durationS >= 30 && scenario.isJammed !== true);
    return turnsOf(powerGrounds(graph, loaded)).flatMap((turn) => returnSayings(graph, turn));
  },
};

interface Ground {
  readonly edge: number;
  readonly result: ScenarioResult;
}

/** The conductors between ground pins that carry much, each in the situation in which it carries most. */
function powerGrounds(graph: Graph, results: readonly ScenarioResult[]): Ground[] {
  const most = new Map<number, { amps: number; result: ScenarioResult }>();
  for (const result of results) {
    ampsOfEdges(result.network, result.before, result.circuit.ohms).forEach((signed, edge) => {
      const amps = Math.abs(signed);
      if (amps > Math.max(POWER_A, most.get(edge)?.amps ?? 0)) most.set(edge, { amps, result });
    });
  }
  const isGround = groundContacts(graph);
  return [...most].flatMap(([edge, { result }]) => {
    const at = graph.edges[edge];
    return at?.is === 'conductor' && isGround[at.a] === 1 ? [{ edge, result }] : [];
  });
}

/** 1 for the nodes that are contacts on a ground pin. */
function groundContacts(graph: Graph): Uint8Array {
  const isGround = new Uint8Array(graph.nodes.length);
  for (const edge of graph.edges) {
    if (edge.is !== 'contact') continue;
    const [a, b] = [graph.nodes[edge.a], graph.nodes[edge.b]];
    if (b?.is === 'pin' && b.pin.role === 'gnd') isGround[edge.a] = 1;
    if (a?.is === 'pin' && a.pin.role === 'gnd') isGround[edge.b] = 1;
  }
  return isGround;
}

/** Grounds that are opened in one solve: one of each island at most, since islands know nothing of each other. */
interface Turn {
  readonly result: ScenarioResult;
  readonly edges: readonly number[];
}

function turnsOf(grounds: readonly Ground[]): readonly Turn[] {
  const turns = new Map<ScenarioResult, Map<number, number>[]>();
  for (const { edge, result } of grounds) {
    const island = islandOfEdge(result.network, edge);
    const own = turns.get(result) ?? [];
    turns.set(result, own);
    const free = own.find((turn) => !turn.has(island));
    if (free === undefined) own.push(new Map([[island, edge]]));
    else free.set(island, edge);
  }
  return [...turns].flatMap(([result, own]) => own.map((turn) => ({ result, edges: [...turn.values()] })));
}

const branchCache = new WeakMap<PowerNetwork, Int32Array>();

/** The branch of the reduced network that each edge of the graph is in, or -1. */
function branchesByEdge(network: PowerNetwork): Int32Array {
  const known = branchCache.get(network);
  if (known !== undefined) return known;
  const byEdge = new Int32Array(network.graph.edges.length).fill(-1);
  network.copper.branches.forEach(({ edges }, branch) => {
    for (const { edge } of edges) byEdge[edge] = branch;
  });
  branchCache.set(network, byEdge);
  return byEdge;
}

function islandOfEdge(network: PowerNetwork, edge: number): number {
  const branch = network.copper.branches[branchesByEdge(network)[edge] ?? -1];
  return branch === undefined ? -1 : (nodeIslands(network.shape)[branch.a] ?? -1);
}

interface Burnt {
  readonly amps: number;
  readonly limitA: number;
  readonly name: string;
}

function returnSayings(graph: Graph, { result, edges }: Turn): Saying[] {
  const { network, circuit } = result;
  const byEdge = branchesByEdge(network);
  const ohms = circuit.ohms.slice();
  for (const edge of edges) ohms[byEdge[edge] ?? -1] = Infinity;
  const live = liveCircuit(network, { ...circuit, ohms });
  const solved = solveNear(live.circuit, result.before) ?? solveCircuit(live.circuit, live.start);
  const [before, after] = [ampsOfEdges(network, result.before, circuit.ohms), ampsOfEdges(network, solved, ohms)];
  const worst = new Map<number, Burnt>();
  graph.edges.forEach((at, i) => {
    if (at.is !== 'contact') return;
    const { contactA } = CONNECTOR_FAMILIES[at.end.connector.family];
    const amps = Math.abs(after[i] ?? 0);
    if (amps <= contactA || Math.abs(before[i] ?? 0) > contactA) return;
    const island = islandOfEdge(network, i);
    const known = worst.get(island);
    if (known !== undefined && amps / contactA <= known.amps / known.limitA) return;
    worst.set(island, { amps, limitA: contactA, name: contactName(graph, at) });
  });
  return edges.flatMap((edge) => {
    const burnt = worst.get(islandOfEdge(network, edge));
    return burnt === undefined ? [] : returnSaying(graph, result, edge, burnt);
  });
}

function returnSaying(graph: Graph, { scenario }: ScenarioResult, edge: number, { amps, limitA, name }: Burnt): Saying[] {
  const opened = graph.edges[edge];
  const cable = opened?.is === 'conductor' ? graph.cables[opened.cable] : undefined;
  if (opened?.is !== 'conductor' || cable === undefined) return [];
  const { conductor } = opened;
  const carried = currentAgainst(amps, limitA);
  return [
    {
      severity: 'mend',
      where: [
        { is: 'cable', cable: cable.id },
        { is: 'conductor', cable: cable.id, conductor: conductor.id },
      ],
      what: `If the ground wire of ${cable.tag} opens, ${name} carries ${carried.value} home and is made for ${carried.limit}.`,
      evidence: [{ label: `${name}, ${scenario.title.toLowerCase()}`, ...carried }],
      why: 'The motor goes on, the thin wire burns, and with it goes the signal beside it.',
      remedies: () => doubled(graph, cable, conductor),
    },
  ];
}

/** A ground wire of its own beside the cable, where both ends are soldered. */
function doubled(graph: Graph, cable: Cable, conductor: Conductor): Remedy[] {
  const plain = plainCable(graph, cable);
  if (plain === undefined || plain.endA.connector.gender !== 'pads' || plain.endB.connector.gender !== 'pads') return [];
  const { edit } = proposeCable(graph, plain.a, plain.b, 'none');
  if (edit.kind !== 'add-cable') return [];
  const [leg] = Object.values(edit.cable.legs);
  if (leg === undefined) return [];
  const strap: Conductor = {
    ...conductor,
    id: asId<ConductorId>('?2'),
    leg: leg.id,
    a: { node: leg.a, n: conductor.a.n },
    b: { node: leg.b, n: conductor.b.n },
  };
  return [
    {
      label: 'Double the ground',
      sentence: `Solder a second ground wire from ${plain.a.ref} ${plain.a.port.label} to ${plain.b.ref} ${plain.b.port.label}, beside ${cable.tag}.`,
      edit: { ...edit, cable: { ...edit.cable, conductors: { [strap.id]: strap } } },
    },
  ];
}
