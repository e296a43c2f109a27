import { circuitNode, groupOf, pinsOf, type Graph } from '../../graph/graph.ts';
import type { Device, DeviceElement } from '../network/devicesOf.ts';
import type { PowerNetwork } from '../network/powerNetwork.ts';
import type { DrawLaw, Law } from '../solve/circuit.ts';
import { cellVolts, interpolated } from './cellVolts.ts';
import { cruisePowerW } from './cruisePower.ts';
import { hoverOf } from './hoverOf.ts';
import { withHeldFuses } from './heldFuses.ts';
import { driveGroup, motorOf, type DrivenMotor } from './drives.ts';
import { USUAL_HOVER_THROTTLE, type LoadState, type Scenario } from './scenario.ts';

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

/** What the laws of a network need to know that no scenario changes, by device. */
interface DeviceFacts {
  readonly motor: DrivenMotor | undefined;
  readonly group: 'lift' | 'cruise';
  readonly isSwitched: boolean;
}

interface NetworkFacts {
  readonly devices: readonly DeviceFacts[];
  /** How many drives share the power of cruising. */
  readonly cruising: number;
  readonly cruiseW: number;
  /** The throttle that carries the weight. */
  readonly hoverThrottle: number;
}

const cache = new WeakMap<PowerNetwork, NetworkFacts>();

function factsOf(network: PowerNetwork): NetworkFacts {
  const known = cache.get(network);
  if (known !== undefined) return known;
  const { graph } = network;
  const devices = network.devices.map(({ device }): DeviceFacts => {
    const element = device.is === 'element' ? device.element : undefined;
    const isDrive = element?.is === 'drive';
    return {
      motor: isDrive ? motorOf(graph, device.item, element) : undefined,
      group: isDrive ? driveGroup(graph, device.item, element) : 'cruise',
      isSwitched: element?.is === 'load' && isSwitched(graph, device.item, element),
    };
  });
  const cruising = devices.filter(({ motor, group }) => motor !== undefined && group === 'cruise').length;
  const facts = { devices, cruising, cruiseW: cruisePowerW(graph), hoverThrottle: hoverOf(graph)?.throttle ?? USUAL_HOVER_THROTTLE };
  cache.set(network, facts);
  return facts;
}

/** The law of every device of a network in a scenario. */
export function lawsOf(network: PowerNetwork, scenario: Scenario): Law[] {
  const facts = factsOf(network);
  const laws = network.devices.map(({ device }, i) => {
    const own = facts.devices[i];
    if (device.is === 'usb' || own === undefined) return usbLaw(scenario);
    return elementLaw(network, scenario, device, own, facts);
  });
  return withHeldFuses(network, laws);
}

function usbLaw({ charge, usbA = USB_A }: Scenario): Law {
  return charge === undefined ? { is: 'supply', emfV: USB_V, ohm: USB_OHM, maxA: usbA } : OPEN;
}

function elementLaw(
  network: PowerNetwork,
  scenario: Scenario,
  { item, element }: Extract<Device, { is: 'element' }>,
  own: DeviceFacts,
  facts: NetworkFacts,
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
    case 'limiter':
      // What it holds by when it has tripped is known once every supply of the situation is.
      return {
        is: 'limiter',
        ohm: element.ohm,
        tripA: scenario.durationS >= element.tripS ? element.tripA : Infinity,
        trippedOhm: Infinity,
      };
    case 'sense':
      return { is: 'sense', ohm: element.ohm };
    case 'load':
      return own.isSwitched ? OPEN : loadLaw(element, loadAmps(network, scenario, item, element));
    case 'drive':
      return driveLaw(scenario, element, own, facts);
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

/** What a motor controller takes while its motor stands; nothing on a computer, where there is no pack. */
function idleLaw({ charge }: Scenario, { idleA = 0, minV }: Of<'drive'>): DrawLaw {
  return idleA <= 0 || charge === undefined ? OPEN : { is: 'constant-current', amps: idleA, kneeV: minV * KNEE_SHARE };
}

function driveLaw(scenario: Scenario, element: Of<'drive'>, { motor: driven, group }: DeviceFacts, facts: NetworkFacts): DrawLaw {
  const idle = idleLaw(scenario, element);
  if (driven === undefined) return idle;
  const liftThrottle = scenario.liftThrottle === 'hover' ? facts.hoverThrottle : scenario.liftThrottle;
  const throttle = group === 'lift' ? liftThrottle : scenario.cruiseThrottle;
  if (throttle === 'cruise') {
    const { cruiseA } = scenario;
    if (cruiseA !== undefined)
      return { is: 'constant-current', amps: cruiseA / Math.max(facts.cruising, 1), kneeV: element.minV * KNEE_SHARE };
    return { is: 'constant-power', watts: facts.cruiseW / Math.max(facts.cruising, 1), kneeV: element.minV * KNEE_SHARE };
  }
  const { table, tableV } = driven.motor;
  const amps = interpolated(
    table.map((row) => [row.throttle, row.currentA] as const),
    throttle,
  );
  return amps <= 0 ? idle : { is: 'square', ampsPerV2: amps / (tableV * tableV) };
}
