import { circuitNode, groupOf, pinsOf, type Graph } from '../../graph/graph.ts';
import { voltsAt } from '../../graph/railsOf.ts';
import type { Device, DeviceElement } from '../network/devicesOf.ts';
import type { PowerNetwork } from '../network/powerNetwork.ts';
import type { DrawLaw, Law } from '../solve/circuit.ts';
import { cellVolts, interpolated } from './cellVolts.ts';
import { cruisePowerW } from './cruisePower.ts';
import { driveGroup, motorOf } from './drives.ts';
import type { LoadState, Scenario } from './scenario.ts';

type Of<K extends DeviceElement['is']> = Extract<DeviceElement, { is: K }>;

/** A computer's USB port (5 V behind a thin cable). */
const USB_V = 5;
const USB_OHM = 0.25;
const USB_A = 0.5;
/** The kinds of part whose load is a transmitter. */
const TRANSMITTERS = ['telemetry-radio', 'handheld-link', 'video-transmitter'];
/** Below this share of its least voltage a load takes no more than a resistance would. */
const KNEE_SHARE = 0.5;

const OPEN = { is: 'open' } as const;

/** The law of every device of a network in a scenario. */
export function lawsOf(network: PowerNetwork, scenario: Scenario): Law[] {
  const cruise = cruiseDrives(network);
  return network.devices.map(({ device, nodes }, i) => {
    if (device.is === 'usb') return usbLaw(scenario);
    return elementLaw(network, scenario, device, nodes[0] ?? 0, cruise.includes(i) ? cruise.length : 0);
  });
}

/** The drives that share the power of cruising. */
function cruiseDrives({ graph, devices }: PowerNetwork): readonly number[] {
  return devices.flatMap(({ device }, i) => {
    if (device.is !== 'element' || device.element.is !== 'drive') return [];
    const isCruise =
      driveGroup(graph, device.item, device.element) === 'cruise' && motorOf(graph, device.item, device.element) !== undefined;
    return isCruise ? [i] : [];
  });
}

function usbLaw({ charge, usbA = USB_A }: Scenario): Law {
  return charge === undefined ? { is: 'supply', emfV: USB_V, ohm: USB_OHM, maxA: usbA } : OPEN;
}

function elementLaw(
  network: PowerNetwork,
  scenario: Scenario,
  { item, element }: Extract<Device, { is: 'element' }>,
  firstNode: number,
  cruising: number,
): Law {
  switch (element.is) {
    case 'source':
      return { is: 'supply', emfV: element.volts, ohm: element.ohm, maxA: element.maxA };
    case 'battery':
      return batteryLaw(element, scenario);
    case 'regulator':
      return {
        is: 'regulator',
        topology: element.topology,
        setV: element.setV,
        inputMinV: element.inputMinV,
        dropoutV: element.dropoutV,
        efficiency: element.efficiency,
        quiescentA: element.quiescentA,
        limitA: scenario.durationS <= element.burstS ? element.burstA : element.continuousA,
        onOverload: element.onOverload,
      };
    case 'selector':
      return { is: 'selector', windows: element.inputs.map(({ minV, maxV }) => ({ minV, maxV })), dropV: element.dropV };
    case 'diode':
      return { is: 'diode', dropV: element.dropV };
    case 'limiter': {
      const beforeV = Math.max(voltsAt(network.graph, firstNode) ?? 5, 1);
      return {
        is: 'limiter',
        ohm: element.ohm,
        tripA: scenario.durationS >= element.tripS ? element.tripA : Infinity,
        trippedOhm: (beforeV * beforeV) / element.trippedW,
      };
    }
    case 'sense':
      return { is: 'sense', ohm: element.ohm };
    case 'load':
      return isSwitched(network.graph, item, element) ? OPEN : loadLaw(element, loadAmps(network, scenario, item, element));
    case 'drive':
      return driveLaw(network, scenario, item, element, cruising);
    case 'clamp':
      return { is: 'clamp', volts: element.volts, ohm: element.slopeOhm };
  }
}

/** True for a load whose one side a controller switches, such as a buzzer: it takes something only now and then. */
function isSwitched(graph: Graph, item: number, element: Of<'load'>): boolean {
  return [element.supply, element.gnd].some((address) => {
    const node = circuitNode(graph, item, address);
    return (
      node !== undefined &&
      pinsOf(graph, graph.wires, groupOf(graph.wires, node)).some(({ at }) => at.item !== item && at.pin.role === 'switch')
    );
  });
}

function batteryLaw(element: Of<'battery'>, { charge, internalFactor = 1 }: Scenario): Law {
  if (charge === undefined) return OPEN;
  const emfV = element.cells * cellVolts(element.chemistry, charge);
  return { is: 'supply', emfV, ohm: element.internalOhm * internalFactor, maxA: Infinity };
}

/** The law of a load that takes so many amperes at its nominal voltage. */
export function loadLaw(element: Of<'load'>, amps: number): DrawLaw {
  if (amps <= 0) return OPEN;
  const kneeV = Math.max(element.minV * KNEE_SHARE, 0.5);
  switch (element.law) {
    case 'constant-current':
      return { is: 'constant-current', amps, kneeV };
    case 'constant-power':
      return { is: 'constant-power', watts: amps * element.nominalV, kneeV };
    case 'resistance':
      return { is: 'resistance', ohm: element.nominalV / amps };
  }
}

/** A stalled servo: `R = Vref / Istall`. */
export function stalledLaw(element: Of<'load'>): DrawLaw {
  return { is: 'resistance', ohm: element.nominalV / (element.stallA ?? element.peakA) };
}

function loadAmps({ graph }: PowerNetwork, scenario: Scenario, item: number, element: Of<'load'>): number {
  if (element.stallA !== undefined) return element.idleA + scenario.servos * (element.typicalA - element.idleA);
  const kind = graph.items[item]?.part?.kind ?? '';
  return ampsIn(element, TRANSMITTERS.includes(kind) ? scenario.transmitters : scenario.others);
}

function ampsIn(element: Of<'load'>, state: LoadState): number {
  switch (state) {
    case 'off':
      return 0;
    case 'idle':
      return element.idleA;
    case 'typical':
      return element.typicalA;
    case 'peak':
      return element.peakA;
  }
}

function driveLaw(network: PowerNetwork, scenario: Scenario, item: number, element: Of<'drive'>, cruising: number): DrawLaw {
  const driven = motorOf(network.graph, item, element);
  if (driven === undefined) return OPEN;
  const isLift = driveGroup(network.graph, item, element) === 'lift';
  const throttle = isLift ? scenario.liftThrottle : scenario.cruiseThrottle;
  if (throttle === 'cruise') {
    const watts = cruisePowerW(network.graph) / Math.max(cruising, 1);
    return { is: 'constant-power', watts, kneeV: element.minV * KNEE_SHARE };
  }
  const { table, tableV } = driven.motor;
  const amps = interpolated(
    table.map((row) => [row.throttle, row.currentA] as const),
    throttle,
  );
  return amps <= 0 ? OPEN : { is: 'square', ampsPerV2: amps / (tableV * tableV) };
}
