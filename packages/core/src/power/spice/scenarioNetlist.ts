import { stated, withPlainSpaces } from '../../text/numbers.ts';
import type { Graph } from '../../graph/graph.ts';
import { ASSUMED_LENGTH_MM } from '../network/wireOhm.ts';
import type { PowerNetwork } from '../network/powerNetwork.ts';
import { nameOf } from '../report/nameOf.ts';
import { scenariosOf } from '../scenarios/scenario.ts';
import { solveScenario } from '../scenarios/solveScenario.ts';
import { spiceNetlist } from './spiceNetlist.ts';

/**
 * A situation of an aircraft as a SPICE netlist, so that anyone can check the figures with a simulator of their own. Undefined when
 * there is no such situation.
 */
export function scenarioNetlist(graph: Graph, scenarioId: string): string | undefined {
  const { name } = graph.design.aircraft;
  const scenario = scenariosOf(graph.design.aircraft).find(({ id }) => id === scenarioId);
  if (scenario === undefined) return undefined;
  const { network, circuit, stalled } = solveScenario(graph, scenario);
  const nodes = nodeNames(network);
  const devices = uniqueNames(network.devices.map((_, i) => nameOf(network, i)));
  // As one would put the black lead of a meter.
  const zeroNode = circuit.shape.devices.find((_, i) => circuit.laws[i]?.is === 'supply')?.nodes[1];
  return spiceNetlist(circuit, {
    ...(zeroNode === undefined ? {} : { zeroNode }),
    title: plainLine(`${name}, ${scenario.title.toLowerCase()}: operating point`),
    comments: [
      'Elements by their laws, guesses from voltages without load. Nodes are named after the first pin on them.',
      `A wire without a length is assumed to be ${withPlainSpaces(stated(ASSUMED_LENGTH_MM, 'mm'))}.`,
      ...(stalled === undefined ? [] : [`Stalled: ${nameOf(network, stalled)}.`]),
      ...network.copper.branches.map(({ edges }, i) => `Rw${i + 1}: ${branchWords(graph, edges)}`),
    ],
    nodeName: (node) => nodes[node] ?? `n${node}`,
    deviceName: (device) => devices[device] ?? `d${device}`,
  });
}

/** A line of a comment: whatever is in a name, it stays one line. */
function plainLine(text: string): string {
  return text.replaceAll(/[^\x20-\x7e]/g, ' ');
}

function branchWords(graph: Graph, edges: PowerNetwork['copper']['branches'][number]['edges']): string {
  const tags = edges.flatMap(({ edge }) => {
    const at = graph.edges[edge];
    return at?.is === 'conductor' ? [`${graph.cables[at.cable]?.tag ?? '?'} wire ${at.conductor.a.n}`] : [];
  });
  return tags.length === 0 ? 'inside a part' : `${[...new Set(tags)].join(', ')} and its contacts`;
}

/** Each node after the first pin or inner node on it. */
function nodeNames({ graph, copper, pieceOf }: PowerNetwork): readonly string[] {
  const names: string[] = Array.from({ length: copper.nodeCount }, (_, n) => `n${n}`);
  const isNamed = new Uint8Array(copper.nodeCount);
  graph.nodes.forEach((at, i) => {
    const node = copper.nodeOf[pieceOf[i] ?? -1] ?? -1;
    if (node < 0 || isNamed[node] === 1 || (at.is !== 'pin' && at.is !== 'inner')) return;
    isNamed[node] = 1;
    const ref = graph.items[at.item]?.item.ref ?? '?';
    names[node] = at.is === 'pin' ? `${ref} ${at.port.id} ${at.pin.n}` : `${ref} ${at.name.slice(1)}`;
  });
  return uniqueNames(names);
}

/** Letters, digits and underscores only, each name once. */
function uniqueNames(names: readonly string[]): readonly string[] {
  const used = new Set<string>();
  return names.map((name) => {
    const plain = name.replaceAll(/[^A-Za-z0-9]+/g, '_').toLowerCase();
    let unique = plain;
    for (let n = 2; used.has(unique); n++) unique = `${plain}_${n}`;
    used.add(unique);
    return unique;
  });
}
