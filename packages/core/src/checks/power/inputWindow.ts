import { against } from '../../text/numbers.ts';
import type { Graph } from '../../graph/graph.ts';
import type { ScenarioResult } from '../../power/scenarios/solveScenario.ts';
import type { Tripping } from '../../power/solve/circuit.ts';
import { inputOf } from '../../power/solve/deviceStates.ts';
import type { Check, Saying } from '../finding.ts';
import { workingSituations } from './helpers/situations.ts';

/** A power input that a controller has chosen leaves the window in which it is accepted. */
export const inputWindow: Check = {
  id: 'power.input-window',
  stage: 'power',
  title: 'A supply leaves the window of its input',
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
    return [...worst.values()];
  },
};

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
    what: `Input ${input + 1} of ${ref} ${placed.element.id} sees ${seen.value} and accepts ${value < limit ? 'no less' : 'no more'} than ${seen.limit} (${result.scenario.title.toLowerCase()}).`,
    evidence: [{ label: `input ${input + 1}`, ...seen }],
    why: isDead
      ? `${ref} has no other input: it resets in flight.`
      : `${ref} changes over to another input, and its redundancy is used up.`,
    discriminator: `${placed.element.id} ${input}`,
  };
}
