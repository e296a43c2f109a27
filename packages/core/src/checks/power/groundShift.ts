import { circuitNode, type Graph } from '../../graph/graph.ts';
import { isSignal } from '../../harness/joinVerdict.ts';
import { groundAddress } from '../../power/network/devicesOf.ts';
import { voltsAtNode } from '../../power/network/readings.ts';
import { type ScenarioResult } from '../../power/scenarios/solveScenario.ts';
import type { Check, Saying } from '../finding.ts';
import { joinedGroups } from '../signalGroups.ts';
import { workingSituations } from './situations.ts';

const NOTE_V = 0.3;
const MEND_V = 0.8;

/** The grounds of two parts that talk to each other stand at different potentials. */
export const groundShift: Check = {
  id: 'wire.ground-shift',
  stage: 'wiring',
  title: 'Grounds that stand apart',
  run: ({ graph }) => {
    const worst = new Map<string, { readonly volts: number; readonly result: ScenarioResult; readonly pair: readonly [number, number] }>();
    const pairs = talkingPairs(graph);
    for (const result of workingSituations(graph)) {
      for (const [key, pair] of pairs) {
        const [a, b] = [groundVolts(graph, result, pair[0]), groundVolts(graph, result, pair[1])];
        if (a === undefined || b === undefined) continue;
        const volts = Math.abs(a - b);
        if (volts > NOTE_V && volts > (worst.get(key)?.volts ?? 0)) worst.set(key, { volts, result, pair });
      }
    }
    return [...worst.values()].flatMap(({ volts, result, pair }) => shiftSaying(graph, volts, result, pair));
  },
};

/** Pairs of items that share a signal wire and both have a ground in the supply network, by key. */
function talkingPairs(graph: Graph): ReadonlyMap<string, readonly [number, number]> {
  const pairs = new Map<string, readonly [number, number]>();
  for (const group of joinedGroups(graph)) {
    const signals = group.filter(({ pin }) => isSignal(pin.role));
    for (const a of signals) for (const b of signals) if (a.item < b.item) pairs.set(`${a.item} ${b.item}`, [a.item, b.item]);
  }
  return pairs;
}

function groundVolts(graph: Graph, { network, before, live }: ScenarioResult, item: number): number | undefined {
  const part = graph.items[item]?.part;
  const node = part === undefined ? undefined : circuitNode(graph, item, groundAddress(part));
  // Only between parts that take current: a ground that hangs free stands nowhere.
  const isOn = network.devices.some(({ device, kind }, i) => device.item === item && kind === 'draw' && live.laws[i]?.is !== 'open');
  return node === undefined || !isOn ? undefined : voltsAtNode(network, before, node);
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
      what: `The grounds of ${a.ref} and ${b.ref} stand ${volts.toFixed(2)} V apart (${result.scenario.title.toLowerCase()}).`,
      evidence: [
        {
          label: `between their grounds, ${result.scenario.title.toLowerCase()}`,
          value: `${volts.toFixed(2)} V`,
          limit: `${NOTE_V.toFixed(2)} V`,
        },
      ],
      why: 'Signals are read against the own ground: a shift of this size makes highs and lows uncertain. Thicker or shorter ground wires lower it.',
      remedies: [],
    },
  ];
}
