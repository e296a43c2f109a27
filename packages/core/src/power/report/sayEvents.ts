import { quantity } from '../../text/numbers.ts';
import type { PowerNetwork } from '../network/powerNetwork.ts';
import type { Fall } from '../scenarios/solveScenario.ts';
import type { Tripping } from '../solve/circuit.ts';

function refOf({ graph, devices }: PowerNetwork, device: number): string {
  return graph.items[devices[device]?.device.item ?? -1]?.item.ref ?? '?';
}

function elementOf({ devices }: PowerNetwork, device: number): string {
  const placed = devices[device]?.device;
  return placed?.is === 'element' ? placed.element.id : 'USB';
}

/** Below this a supply is dead: what the current in a shared ground leaves there, of either sign, says nothing. */
const DEAD_V = 0.05;

/** The voltage of a supply in words; that of a dead one is zero. */
function level(volts: number): string {
  return quantity(Math.abs(volts) < DEAD_V ? 0 : volts, 'V');
}

/** What changed over for good, and why: "BEC1 buck shuts down: 3.42 A asked, 3.00 A given." */
export function sayTripping(network: PowerNetwork, { device, what, value, limit, input }: Tripping): string {
  const name = `${refOf(network, device)} ${elementOf(network, device)}`;
  switch (what) {
    case 'overload':
      return `${name} is overloaded: ${quantity(value, 'A')} drawn, limit ${quantity(limit, 'A')}.`;
    case 'input-low':
      return `${name} shuts down: ${level(value)} at its input, minimum ${quantity(limit, 'V')}.`;
    case 'trip':
      return `${name} trips: ${quantity(value, 'A')}, limit ${quantity(limit, 'A')}.`;
    case 'window':
      return `${name} drops its input ${(input ?? 0) + 1}: ${level(value)}, limit ${quantity(limit, 'V')}.`;
  }
}

/** A load that falls out: "FC1 logic resets: 4.41 V, 4.50 V needed." */
export function sayFall(network: PowerNetwork, { device, volts, minV }: Fall): string {
  return `${refOf(network, device)} ${elementOf(network, device)} resets: ${level(volts)}, minimum ${quantity(minV, 'V')}.`;
}
