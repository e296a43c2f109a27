import { against } from '../../text/numbers.ts';
import type { Graph } from '../../graph/graph.ts';
import type { ScenarioResult } from '../../power/scenarios/solveScenario.ts';
import type { Tripping } from '../../power/solve/circuit.ts';
import { inputOf } from '../../power/solve/deviceStates.ts';
import type { Check, Saying } from '../finding.ts';
import type { CircuitElement } from '../../model/part.ts';
import { situation, workingSituations } from './helpers/situations.ts';
import { inSentence } from '../../text/sentences.ts';

type Of<K extends CircuitElement['is']> = Extract<CircuitElement, { is: K }>;

/** A power input that a controller has chosen, or would choose when another one fails, leaves the window in which it is accepted. */
export const inputWindow: Check = {
  id: 'power.input-window',
  stage: 'power',
  title: 'Supply outside the range of its input',
  leftToPeople: 'another supply or another part',
  run: ({ graph }) => {
    const worst = new Map<string, Saying>();
    for (const result of workingSituations(graph)) {
      for (const tripping of result.before.trippings) {
        const saying = tripping.what === 'window' ? sayingOf(graph, result, tripping) : undefined;
        if (saying === undefined) continue;
        const key = `${tripping.device} ${tripping.input ?? 0}`;
        if (!worst.has(key) || saying.severity === 'stop') worst.set(key, saying);
      }
    }
    const told = new Set(worst.keys());
    return [
      ...worst.values(),
      ...waitingInputs(graph).flatMap((waiting) => (told.has(waiting.key) ? [] : [waitingSaying(graph, waiting)])),
    ];
  },
};

/** An input that is fed and waits for another one to fail, and that would be refused then. */
interface Waiting {
  readonly key: string;
  readonly item: number;
  readonly element: Of<'selector'>;
  readonly input: number;
  readonly volts: number;
  readonly limitV: number;
}

/** Every fed input of a selector that is not the one in use, where what it sees in cruise is outside its window. */
function waitingInputs(graph: Graph): readonly Waiting[] {
  const cruise = situation(graph, 'cruise');
  if (cruise === undefined) return [];
  const { network, before } = cruise;
  return network.devices.flatMap(({ device }, i): Waiting[] => {
    if (device.is !== 'element' || device.element.is !== 'selector') return [];
    const { item, element } = device;
    const nodes = network.shape.devices[i]?.nodes ?? [];
    const ground = before.volts[nodes.at(-1) ?? -1] ?? 0;
    return element.inputs.flatMap(({ minV, maxV }, input): Waiting[] => {
      const volts = (before.volts[nodes[input] ?? -1] ?? 0) - ground;
      if (volts < UNFED_V || input === inputOf(before.states[i] ?? -1) || (volts >= minV && volts <= maxV)) return [];
      return [{ key: `${i} ${input}`, item, element, input, volts, limitV: volts < minV ? minV : maxV }];
    });
  });
}

/** Below this nothing feeds an input: leaks. */
const UNFED_V = 0.5;

function waitingSaying(graph: Graph, { item, element, input, volts, limitV }: Waiting): Saying {
  const entry = graph.items[item];
  const ref = entry?.item.ref ?? '?';
  const seen = against(volts, limitV, 'V');
  return {
    severity: 'mend',
    where: entry === undefined ? [] : [{ is: 'item', item: entry.item.id }],
    what: `Input ${input + 1} of ${ref} ${element.id} is at ${seen.value}; it accepts ${volts < limitV ? 'at least' : 'at most'} ${seen.limit}.`,
    evidence: [{ label: `input ${input + 1}, cruise`, ...seen }],
    why: `When the supply in use fails, ${ref} rejects this one: there is no backup.`,
    discriminator: `${element.id} ${input}`,
  };
}

function sayingOf(graph: Graph, result: ScenarioResult, { device, value, limit, input = 0 }: Tripping): Saying | undefined {
  const placed = result.network.devices[device]?.device;
  const entry = graph.items[placed?.item ?? -1];
  if (placed?.is !== 'element' || entry === undefined) return undefined;
  const { ref } = entry.item;
  const isDead = inputOf(result.before.states[device] ?? -1) < 0;
  const seen = against(value, limit, 'V');
  return {
    severity: isDead ? 'stop' : 'mend',
    where: [{ is: 'item', item: entry.item.id }],
    what: `Input ${input + 1} of ${ref} ${placed.element.id} gets ${seen.value}; it accepts ${value < limit ? 'at least' : 'at most'} ${seen.limit} (${inSentence(result.scenario.title)}).`,
    evidence: [{ label: `input ${input + 1}`, ...seen }],
    why: isDead ? `${ref} has no other input and resets in flight.` : `${ref} switches to another input and has no backup left.`,
    discriminator: `${placed.element.id} ${input}`,
  };
}
