import { circuitNode } from '../../graph/graph.ts';
import { onceBuilt } from '../../graph/onceBuilt.ts';
import type { ItemId } from '../../model/ids.ts';
import { groundAddress, type Device, type DeviceElement } from '../network/devicesOf.ts';
import type { PowerNetwork } from '../network/powerNetwork.ts';
import { leastVolts, solveScenarios, voltsAcross, type ScenarioResult } from '../scenarios/solveScenario.ts';
import type { Solved } from '../solve/circuit.ts';
import { BLOCKED, DOWN, FOLLOWS, inputOf, LIMITED, NO_INPUT } from '../solve/deviceStates.ts';
import { feedsOf, type Feed } from './feedsOf.ts';
import { nameOf } from './nameOf.ts';
import { startingUp } from './startingUp.ts';
import { senseReadings } from './senseReadings.ts';
import { sayFall, sayTripping } from './sayEvents.ts';

/** What a supply, a regulator or another device on the way does. */
export type SupplyState = 'on' | 'off' | 'standing by' | 'in dropout' | 'at its limit' | 'shut down' | 'no input';
/** What a load does: works, has fallen out, is reached by no supply, takes nothing here; a servo is stalled or has little force. */
export type LoadState = 'on' | 'reset' | 'unpowered' | 'off' | 'under-voltage' | 'reversed' | 'stalled' | 'weak';

type ElementDevice = Extract<Device, { is: 'element' }>;

interface Line {
  /** Index of the device in the network. */
  readonly device: number;
  readonly item: ItemId;
  readonly ref: string;
  /** What the item is for, and the element's name in the part. */
  readonly label: string;
  readonly element: string;
  readonly volts: number;
  readonly amps: number;
}

export interface SupplyLine extends Line {
  readonly is: 'battery' | 'usb' | 'source' | 'regulator' | 'selector' | 'diode' | 'limiter' | 'sense';
  readonly state: SupplyState;
  /** What it may carry for ever, in amperes; undefined where its data does not say. */
  readonly ratedA: number | undefined;
}

export interface LoadLine extends Line {
  readonly is: 'load' | 'drive' | 'clamp';
  readonly state: LoadState;
  /** The least it works at; of a servo, the least in its data, below which it is weak but does not reset. */
  readonly minV: number | undefined;
}

/** An aircraft in one situation, for people. */
export interface ScenarioReport {
  readonly id: string;
  readonly title: string;
  readonly charge: number | undefined;
  readonly durationS: number;
  readonly supplies: readonly SupplyLine[];
  readonly loads: readonly LoadLine[];
  /** What shuts down and falls, in order, in sentences. */
  readonly events: readonly string[];
  /** Supplies that run and would not start from zero, in sentences. */
  readonly starts: readonly string[];
  readonly stalled: string | undefined;
  /** The name of an element that does not settle; then the figures are not to be trusted. */
  readonly unsettled: string | undefined;
  readonly feeds: readonly Feed[];
  /** What every current sensor reads, and what of each pack's current none sees. */
  readonly sense: ReturnType<typeof senseReadings>;
}

export interface PowerReport {
  readonly scenarios: readonly ScenarioReport[];
}

/** Everything that the power view shows, as plain data. Voltages and currents are those before any load falls. */
export const powerReport = onceBuilt((graph): PowerReport => ({ scenarios: solveScenarios(graph).map(scenarioReport) }));

/** One situation for people. */
export function scenarioReport(result: ScenarioResult): ScenarioReport {
  const { scenario, network, before, falls, stalled } = result;
  const feeds = feedsOf(network, before);
  const lines = network.devices.map(({ device }, i) => ({ device, i }));
  return {
    id: scenario.id,
    title: scenario.title,
    charge: scenario.charge,
    durationS: scenario.durationS,
    supplies: lines.flatMap(({ device, i }) => supplyLine(result, device, i) ?? []),
    loads: lines.flatMap(({ device, i }) => loadLine(result, device, i) ?? []),
    events: [...before.trippings.map((tripping) => sayTripping(network, tripping)), ...falls.map((fall) => sayFall(network, fall))],
    starts: startingUp(result, feeds),
    stalled: stalled === undefined ? undefined : network.graph.items[network.devices[stalled]?.device.item ?? -1]?.item.ref,
    unsettled: before.unsettled === undefined ? undefined : nameOf(network, before.unsettled),
    feeds,
    sense: senseReadings(result),
  };
}

function lineOf({ network }: ScenarioResult, device: Device, i: number, volts: number, amps: number): Line | undefined {
  const entry = network.graph.items[device.item];
  if (entry === undefined) return undefined;
  return {
    device: i,
    item: entry.item.id,
    ref: entry.item.ref,
    label: entry.item.label ?? entry.part?.name ?? '',
    element: device.is === 'usb' ? 'USB' : device.element.id,
    volts,
    amps,
  };
}

function supplyLine(result: ScenarioResult, device: Device, i: number): SupplyLine | undefined {
  const { network, before, circuit } = result;
  const law = circuit.laws[i];
  if (device.is === 'usb') {
    if (law?.is !== 'supply') return undefined;
    const line = lineOf(result, device, i, voltsAcross(network, before, i), before.amps[i] ?? 0);
    return line === undefined ? undefined : { ...line, is: 'usb', state: stateOf(before, i), ratedA: law.maxA };
  }
  const { element } = device;
  if (element.is === 'load' || element.is === 'drive' || element.is === 'clamp') return undefined;
  const line = lineOf(result, device, i, outputVolts(network, before, device, i), before.amps[i] ?? 0);
  if (line === undefined) return undefined;
  const state = law?.is === 'open' ? 'off' : element.is === 'selector' ? selectorState(before, i) : stateOf(before, i);
  return { ...line, is: element.is, state, ratedA: ratedAmps(element) };
}

function stateOf({ states }: Solved, i: number): SupplyState {
  switch (states[i]) {
    case BLOCKED:
      return 'standing by';
    case FOLLOWS:
      return 'in dropout';
    case LIMITED:
      return 'at its limit';
    case DOWN:
      return 'shut down';
    default:
      return 'on';
  }
}

function selectorState({ states }: Solved, i: number): SupplyState {
  const state = states[i] ?? NO_INPUT;
  if (inputOf(state) < 0) return 'no input';
  return (state & 1) === BLOCKED ? 'standing by' : 'on';
}

/** The voltage that a device gives: between its terminals, or at its output against the ground that it knows. */
function outputVolts(network: PowerNetwork, { volts }: Solved, { item, element }: ElementDevice, i: number): number {
  const nodes = network.shape.devices[i]?.nodes ?? [];
  const at = (k: number): number => volts[nodes[k] ?? -1] ?? 0;
  switch (element.is) {
    case 'regulator':
      return at(1) - at(2);
    case 'selector':
      return at(nodes.length - 2) - at(nodes.length - 1);
    case 'diode':
    case 'limiter':
    case 'sense':
      return at(1) - groundVolts(network, volts, item);
    case 'battery':
    case 'source':
    case 'load':
    case 'drive':
    case 'clamp':
      return at(0) - at(1);
  }
}

/** The voltage of an item's own ground. */
function groundVolts({ graph, copper, pieceOf }: PowerNetwork, volts: Float64Array, item: number): number {
  const part = graph.items[item]?.part;
  const node = part === undefined ? undefined : circuitNode(graph, item, groundAddress(part));
  return node === undefined ? 0 : (volts[copper.nodeOf[pieceOf[node] ?? -1] ?? -1] ?? 0);
}

/** What a device may carry for ever. */
export function ratedAmps(element: DeviceElement): number | undefined {
  switch (element.is) {
    case 'battery':
    case 'regulator':
    case 'drive':
      return element.continuousA;
    case 'source':
    case 'diode':
      return element.maxA;
    case 'limiter':
      return element.holdA;
    case 'sense':
      return element.fullScaleA;
    case 'selector':
    case 'load':
    case 'clamp':
      return undefined;
  }
}

function loadLine(result: ScenarioResult, device: Device, i: number): LoadLine | undefined {
  if (device.is === 'usb') return undefined;
  const { element } = device;
  if (element.is !== 'load' && element.is !== 'drive' && element.is !== 'clamp') return undefined;
  const volts = voltsAcross(result.network, result.before, i);
  const line = lineOf(result, device, i, volts, result.before.amps[i] ?? 0);
  if (line === undefined) return undefined;
  const minV = element.is === 'clamp' ? undefined : element.minV;
  return { ...line, is: element.is, state: loadState(result, i, volts, minV), minV };
}

function loadState(result: ScenarioResult, i: number, volts: number, minV: number | undefined): LoadState {
  if (volts < -0.5) return 'reversed';
  if (result.circuit.laws[i]?.is === 'open') return 'off';
  if (result.falls.some(({ device }) => device === i)) return 'reset';
  if (result.stalled === i) return 'stalled';
  if (result.dark.includes(i) || (leastVolts(result.network, i) === undefined && volts < 0.5)) return 'unpowered';
  if (minV === undefined || volts >= minV) return 'on';
  return leastVolts(result.network, i) === undefined ? 'weak' : 'under-voltage';
}
