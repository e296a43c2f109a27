import { currentAgainst } from '../../text/numbers.ts';
import type { Graph, GraphEdge } from '../../graph/graph.ts';
import type { Cable, Conductor } from '../../model/aircraft.ts';
import { isSupply } from '../../harness/joinVerdict.ts';
import { ofCable } from './helpers/causes.ts';
import { missingGround } from './remedies/missingWire.ts';
import { starGrounds } from './remedies/starGround.ts';
import type { PowerNetwork } from '../../power/network/powerNetwork.ts';
import { contactRating } from '../../power/network/contactRating.ts';
import { contactName } from '../../power/network/edgeName.ts';
import { ampsOfEdges } from '../../power/network/readings.ts';
import { liveCircuit, type ScenarioResult } from '../../power/scenarios/solveScenario.ts';
import { nodeIslands } from '../../power/solve/islandsOf.ts';
import { solveCircuit, solveNear } from '../../power/solve/solveCircuit.ts';
import type { Check, Saying, Subject } from '../finding.ts';
import { situationWords, workingSituations } from './helpers/situations.ts';
import { inSentence } from '../../text/sentences.ts';

/** Grounds that carry at least this much are power grounds. */
const POWER_A = 3;

/** Supply current that returns through a signal ground: now, or when a power ground opens. */
export const groundReturn: Check = {
  id: 'power.ground-return',
  stage: 'power',
  title: 'Ground return through a signal cable',
  run: ({ graph }) => {
    const loaded = workingSituations(graph).filter(({ scenario }) => scenario.durationS >= 30 && scenario.isJammed !== true);
    const burnt = turnsOf(powerGrounds(graph, loaded)).flatMap((turn) => burntIn(graph, turn));
    return [...returningNow(graph, loaded), ...(burnt.length === 0 ? [] : [openedSaying(graph, burnt)])];
  },
};

/** A ground carries so much more than the supply beside it that it must be the return of something else. */
const OTHERS_SHARE = 1.5;

/** Cables whose ground carries the return of others, for long enough to burn and beyond its rating. */
function returningNow(graph: Graph, lasting: readonly ScenarioResult[]): Saying[] {
  const worst = new Map<number, Returning>();
  for (const result of lasting) {
    for (const [cable, returning] of returnsIn(graph, result)) {
      if (returning.amps > (worst.get(cable)?.amps ?? returning.limitA)) worst.set(cable, returning);
    }
  }
  return [...worst].flatMap(([ix, returning]) => {
    const cable = graph.cables[ix];
    return cable === undefined ? [] : [returningSaying(graph, cable, returning)];
  });
}

function returningSaying(graph: Graph, cable: Cable, { amps, limitA, contact, result }: Returning): Saying {
  const carried = currentAgainst(amps, limitA);
  const ends = Object.values(cable.nodes).flatMap((node) => (node.is === 'end' && node.at.is === 'port' ? [node.at.item] : []));
  const items = [...new Set(ends)];
  return {
    severity: amps > 1.5 * limitA ? 'stop' : 'mend',
    where: [{ is: 'cable', cable: cable.id }, ...items.map((item): Subject => ({ is: 'item', item }))],
    what: `Return current of other parts flows through the ground of ${cable.tag}: ${carried.value}, rated ${carried.limit} (${situationWords(result.scenario)}).`,
    evidence: [{ label: `${contactName(graph, contact)}, ${inSentence(result.scenario.title)}`, ...carried }],
    why: 'The thin wire burns, and the signal wire beside it with it.',
    discriminator: 'now',
    cause: { of: ofCable(cable), distance: 0 },
    remedies: () => items.flatMap((item) => missingGround(graph, graph.itemIx.get(item) ?? -1)),
  };
}

/** What a ground contact carries in a situation. */
interface Returning extends Omit<Burnt, 'name'> {
  readonly contact: Extract<GraphEdge, { is: 'contact' }>;
  readonly result: ScenarioResult;
}

/** By cable, what its ground carries, where that is not the return of its own supply. */
function returnsIn(graph: Graph, result: ScenarioResult): ReadonlyMap<number, Returning> {
  const amps = ampsOfEdges(result.network, result.before, result.circuit.ohms);
  const grounds = new Map<number, Returning>();
  const supplyA = new Map<number, number>();
  graph.edges.forEach((edge, i) => {
    if (edge.is !== 'contact') return;
    const pin = [graph.nodes[edge.a], graph.nodes[edge.b]].find((node) => node?.is === 'pin');
    if (pin?.is !== 'pin') return;
    const { role } = pin.pin;
    const carried = Math.abs(amps[i] ?? 0);
    if (isSupply(role)) supplyA.set(edge.cable, Math.max(supplyA.get(edge.cable) ?? 0, carried));
    if (role !== 'gnd' || (grounds.get(edge.cable)?.amps ?? -1) >= carried) return;
    grounds.set(edge.cable, { amps: carried, limitA: contactRating(graph, edge.end, Infinity), contact: edge, result });
  });
  return new Map([...grounds].filter(([cable, ground]) => ground.amps > OTHERS_SHARE * (supplyA.get(cable) ?? 0)));
}

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

/** A power ground, and what burns when it opens. */
interface Opened {
  readonly cable: Cable;
  readonly conductor: Conductor;
  readonly burnt: Burnt;
  readonly result: ScenarioResult;
}

function burntIn(graph: Graph, { result, edges }: Turn): Opened[] {
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
    const contactA = contactRating(graph, at.end, Infinity);
    const amps = Math.abs(after[i] ?? 0);
    if (amps <= contactA || Math.abs(before[i] ?? 0) > contactA) return;
    const island = islandOfEdge(network, i);
    const known = worst.get(island);
    if (known !== undefined && amps / contactA <= known.amps / known.limitA) return;
    worst.set(island, { amps, limitA: contactA, name: contactName(graph, at) });
  });
  return edges.flatMap((edge): Opened[] => {
    const burnt = worst.get(islandOfEdge(network, edge));
    const opened = graph.edges[edge];
    const cable = opened?.is === 'conductor' ? graph.cables[opened.cable] : undefined;
    return burnt === undefined || opened?.is !== 'conductor' || cable === undefined
      ? []
      : [{ cable, conductor: opened.conductor, burnt, result }];
  });
}

/** One note for all of them: it is so wherever a motor controller shares a ground with its signal, and worth knowing. */
function openedSaying(graph: Graph, opened: readonly Opened[]): Saying {
  const byShare = [...opened].sort((a, b) => b.burnt.amps / b.burnt.limitA - a.burnt.amps / a.burnt.limitA);
  const [worst] = byShare;
  if (worst === undefined) throw new Error('A note about grounds that open, and none does.');
  const carried = currentAgainst(worst.burnt.amps, worst.burnt.limitA);
  const others = byShare.length - 1;
  return {
    severity: 'note',
    where: byShare.flatMap(({ cable, conductor }): Subject[] => [
      { is: 'cable', cable: cable.id },
      { is: 'conductor', cable: cable.id, conductor: conductor.id },
    ]),
    what: `If the ground wire of ${worst.cable.tag} opens, ${worst.burnt.name} carries ${carried.value}, rated ${carried.limit}${
      others === 0 ? '' : `; ${others === 1 ? 'one more power ground' : `${others} more power grounds`} like it`
    }.`,
    evidence: byShare.slice(0, 6).map(({ cable, burnt, result }) => ({
      label: `${cable.tag} open: ${burnt.name}, ${inSentence(result.scenario.title)}`,
      ...currentAgainst(burnt.amps, burnt.limitA),
    })),
    why: 'The motor keeps running, and the thin wire burns together with the signal wire beside it. A second ground to the star point, where all power grounds meet, carries the current instead.',
    discriminator: 'opened',
    remedies: () => starGrounds(graph, byShare),
  };
}
