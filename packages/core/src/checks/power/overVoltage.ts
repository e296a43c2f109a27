import { quantity } from '../../text/numbers.ts';
import type { Graph } from '../../graph/graph.ts';
import type { DeviceElement } from '../../power/network/devicesOf.ts';
import { powerNetwork } from '../../power/network/powerNetwork.ts';
import { lawsOf } from '../../power/scenarios/lawsOf.ts';
import { SCENARIOS } from '../../power/scenarios/scenario.ts';
import { runningStart } from '../../power/solve/startOf.ts';
import { replacements } from '../helpers/replacements.ts';
import type { Check, Saying } from '../finding.ts';

/** A hair above the limit is rounding. */
const SLACK = 1.001;

interface Input {
  readonly volts: number;
  readonly limit: number;
}

/** A supply pin that can see more than it stands, with the packs full and nothing switched on. */
export const overVoltage: Check = {
  id: 'power.over-voltage',
  stage: 'power',
  title: 'Over-voltage',
  run: ({ graph }) => overVoltages(graph),
};

function overVoltages(graph: Graph): Saying[] {
  const full = SCENARIOS.find(({ id }) => id === 'battery-bench');
  const network = powerNetwork(graph);
  if (full === undefined || network.devices.length === 0) return [];
  const circuit = { shape: network.shape, ohms: network.ohms, laws: lawsOf(network, full) };
  const { volts } = runningStart(circuit);
  return network.devices.flatMap(({ device }, i): Saying[] => {
    const item = graph.items[device.item]?.item;
    if (device.is !== 'element' || item === undefined) return [];
    const nodes = network.shape.devices[i]?.nodes ?? [];
    const over = inputsOf(device.element, (k) => volts[nodes[k] ?? -1] ?? 0, nodes.length).filter(
      (input) => input.volts > input.limit * SLACK,
    );
    const [worst] = over.sort((a, b) => b.volts / b.limit - a.volts / a.limit);
    if (worst === undefined) return [];
    const [seen, limit] = [quantity(worst.volts, 'V'), quantity(worst.limit, 'V')];
    return [
      {
        severity: 'stop',
        where: [{ is: 'item', item: item.id }],
        what: `${item.ref} ${device.element.id} gets ${seen}, above its maximum of ${limit}.`,
        evidence: [{ label: `${item.ref} ${device.element.id}, packs full, nothing switched on`, value: seen, limit }],
        why: `${item.ref} is destroyed when power is applied. Do not apply power.`,
        discriminator: device.element.id,
        remedies: () => replacements(graph, item.id),
      },
    ];
  });
}

/** The inputs of an element with what they see and stand. @param at the voltage at its k-th node */
function inputsOf(element: DeviceElement, at: (k: number) => number, nodeCount: number): readonly Input[] {
  switch (element.is) {
    case 'load':
    case 'drive':
      return [{ volts: at(0) - at(1), limit: element.maxV }];
    case 'regulator':
      return [{ volts: at(0) - at(2), limit: element.inputMaxV }];
    case 'selector':
      return element.inputs.map(({ absoluteMaxV }, k) => ({ volts: at(k) - at(nodeCount - 1), limit: absoluteMaxV }));
    case 'source':
    case 'battery':
    case 'diode':
    case 'limiter':
    case 'sense':
    case 'clamp':
      return [];
  }
}
