import { quantity } from '../../text/numbers.ts';
import type { ScenarioResult } from '../scenarios/solveScenario.ts';
import { inputShare } from '../solve/deviceStates.ts';
import type { Feed } from './feedsOf.ts';
import { nameOf } from './nameOf.ts';

/**
 * Supplies that run, and that would not start into their load from zero, in sentences: on the way up an electronic load takes more
 * than when it runs, most at half of its least voltage, where it begins to regulate itself; a supply that gives less stays below.
 * An estimate: loads are taken to start together, and ramps and capacitors are left out.
 */
export function startingUp(result: ScenarioResult, feeds: readonly Feed[]): string[] {
  const { network, circuit, before } = result;
  return network.devices.flatMap(({ device }, i) => {
    const law = circuit.laws[i];
    const runningA = before.amps[i] ?? 0;
    const givenA =
      law?.is === 'supply' ? law.maxA : device.is === 'element' && device.element.is === 'regulator' ? device.element.burstA : Infinity;
    if (givenA === Infinity || !(runningA > 1e-3) || law?.is === 'open') return [];
    const upA = feeds.filter(({ from }) => from === i).reduce((sum, { to, amps }) => sum + risingA(result, feeds, to, amps), 0);
    if (upA <= givenA * 1.001) return [];
    return [
      `${nameOf(network, i)} runs, but may not start into its load: up to ${quantity(upA, 'A')} at start, limit ${quantity(givenA, 'A')}.`,
    ];
  });
}

/** The most that a device takes while its supply rises: what it takes by itself, or what hangs behind it. */
function risingA(result: ScenarioResult, feeds: readonly Feed[], device: number, runningA: number): number {
  const { circuit, before, network } = result;
  const law = circuit.laws[device];
  switch (law?.is) {
    case 'constant-power':
      return law.watts / law.kneeV;
    case 'regulator': {
      const nodes = network.shape.devices[device]?.nodes ?? [];
      const outV = (before.volts[nodes[1] ?? 0] ?? 0) - (before.volts[nodes[2] ?? 0] ?? 0);
      // It begins at its least input, and takes the same power there.
      return law.quiescentA + inputShare(law, law.inputMinV, outV) * Math.max(before.amps[device] ?? 0, 0);
    }
    case 'sense':
    case 'diode':
    case 'limiter':
    case 'selector':
      return feeds.filter(({ from }) => from === device).reduce((sum, feed) => sum + risingA(result, feeds, feed.to, feed.amps), 0);
    default:
      return Math.max(runningA, 0);
  }
}
