import { against, quantity } from '../../text/numbers.ts';
import { circuitNode, type Graph } from '../../graph/graph.ts';
import { isSignal } from '../../harness/joinVerdict.ts';
import { groundAddress } from '../../power/network/devicesOf.ts';
import { voltsAtNode } from '../../power/network/readings.ts';
import { type ScenarioResult } from '../../power/scenarios/solveScenario.ts';
import type { Check, Saying } from '../finding.ts';
import { joinedGroups } from '../helpers/signalGroups.ts';
import { workingSituations } from '../power/helpers/situations.ts';
import { inSentence } from '../../text/sentences.ts';

const NOTE_V = 0.3;
const MEND_V = 0.8;

/** The grounds of two parts that talk to each other stand at different potentials. */
export const groundShift: Check = {
  id: 'wire.ground-shift',
  stage: 'wiring',
  title: 'Ground offset',
  leftToPeople: 'thicker or shorter ground, where the wire runs',
  run: ({ graph }) => {
    const worst = new Map<number, { readonly volts: number; readonly result: ScenarioResult; readonly pair: readonly [number, number] }>();
    const pairs = talkingPairs(graph);
    for (const result of workingSituations(graph)) {
      const grounds = groundVolts(graph, result);
      for (const [key, pair] of pairs) {
        const [a, b] = [grounds[pair[0]], grounds[pair[1]]];
        if (a === undefined || b === undefined) continue;
        const volts = Math.abs(a - b);
        if (volts > NOTE_V && volts > (worst.get(key)?.volts ?? 0)) worst.set(key, { volts, result, pair });
      }
    }
    return [...worst.values()].flatMap(({ volts, result, pair }) => shiftSaying(graph, volts, result, pair));
  },
};

/** Pairs of items that share a signal wire and both have a ground in the supply network, by key. */
function talkingPairs(graph: Graph): ReadonlyMap<number, readonly [number, number]> {
  const pairs = new Map<number, readonly [number, number]>();
  for (const group of joinedGroups(graph)) {
    const signals = group.filter(({ pin }) => isSignal(pin.role));
    for (const a of signals)
      for (const b of signals) if (a.item < b.item) pairs.set(a.item * graph.items.length + b.item, [a.item, b.item]);
  }
  return pairs;
}

/** The voltage at the ground of each item that takes current: a ground that hangs free stands nowhere. */
function groundVolts(graph: Graph, { network, before, live }: ScenarioResult): readonly (number | undefined)[] {
  const isOn = new Uint8Array(graph.items.length);
  network.devices.forEach(({ device, kind }, i) => {
    if (kind === 'draw' && live.laws[i]?.is !== 'open') isOn[device.item] = 1;
  });
  return groundNodes(graph).map((node, item) => (node === undefined || isOn[item] !== 1 ? undefined : voltsAtNode(network, before, node)));
}

const nodeCache = new WeakMap<Graph, readonly (number | undefined)[]>();

/** The node of the ground of each item. */
function groundNodes(graph: Graph): readonly (number | undefined)[] {
  const known = nodeCache.get(graph);
  if (known !== undefined) return known;
  const nodes = graph.items.map(({ part }, item) => (part === undefined ? undefined : circuitNode(graph, item, groundAddress(part))));
  nodeCache.set(graph, nodes);
  return nodes;
}

function shiftSaying(graph: Graph, volts: number, result: ScenarioResult, pair: readonly [number, number]): Saying[] {
  const [a, b] = [graph.items[pair[0]]?.item, graph.items[pair[1]]?.item];
  if (a === undefined || b === undefined) return [];
  return [
    {
      severity: volts > MEND_V ? 'mend' : 'note',
      where: [
        { is: 'item', item: a.id },
        { is: 'item', item: b.id },
      ],
      what: `The grounds of ${a.ref} and ${b.ref} differ by ${quantity(volts, 'V')} (${inSentence(result.scenario.title)}).`,
      evidence: [
        {
          label: `between their grounds, ${inSentence(result.scenario.title)}`,
          ...against(volts, NOTE_V, 'V'),
        },
      ],
      why: 'Each part reads signals against its own ground: an offset of this size makes highs and lows uncertain. Thicker or shorter ground wires reduce it.',
    },
  ];
}
