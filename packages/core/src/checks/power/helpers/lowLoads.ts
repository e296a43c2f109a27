import type { Graph } from '../../../graph/graph.ts';
import { voltsAcross, type ScenarioResult } from '../../../power/scenarios/solveScenario.ts';
import { workingSituations } from './situations.ts';

/** A load at its lowest. */
export interface LowLoad {
  readonly result: ScenarioResult;
  readonly device: number;
  readonly item: number;
  readonly element: string;
  readonly volts: number;
  readonly minV: number;
}

/** Every load that is short of voltage in some situation, at its worst. What no supply reaches is another matter. */
export function lowLoads(graph: Graph): LowLoad[] {
  const worst = new Map<number, LowLoad>();
  for (const result of workingSituations(graph)) {
    result.network.devices.forEach(({ device }, i) => {
      if (device.is !== 'element' || (device.element.is !== 'load' && device.element.is !== 'drive')) return;
      if (result.live.laws[i]?.is === 'open' || result.stalled === i) return;
      const { minV, id } = device.element;
      const volts = voltsAcross(result.network, result.before, i);
      const known = worst.get(i);
      // What no supply reaches is told by another check; a lead turned round as well.
      if (volts >= minV || volts < -0.5 || (known !== undefined && known.volts <= volts)) return;
      worst.set(i, { result, device: i, item: device.item, element: id, volts, minV });
    });
  }
  return [...worst.values()].filter(({ volts, result }) => volts > 0.3 || result.before.trippings.length > 0);
}
