import { isJoined } from '../../graph/matesAt.ts';
import { against } from '../../text/numbers.ts';
import { circuitNode, groupOf, pinsOf, type Graph } from '../../graph/graph.ts';
import { voltsAt } from '../../graph/railsOf.ts';
import { powerNetwork } from '../../power/network/powerNetwork.ts';
import { scenariosOf } from '../../power/scenarios/scenario.ts';
import { solveScenario, voltsAcross, type ScenarioResult } from '../../power/scenarios/solveScenario.ts';
import type { Check, Saying } from '../finding.ts';
import { ownSupplyRemedies } from './remedies/ownSupply.ts';
import { railRemedies } from './remedies/railSupply.ts';
import { situation } from './helpers/situations.ts';

/** Below this a load has no supply at all: leaks and floating leads. */
const NOTHING_V = 0.3;

/** A wired part that no supply reaches; with the packs plugged in, or on a computer's USB alone. */
export const noSupply: Check = {
  id: 'power.no-supply',
  stage: 'power',
  title: 'Wired, and without a supply',
  run: ({ graph }) => {
    const cruise = situation(graph, 'cruise');
    if (cruise === undefined) return [];
    const dark = unfed(graph, cruise);
    return [...darkSayings(graph, cruise, dark), ...usbSayings(graph, cruise, dark)];
  },
};

/** The loads of wired items that have no voltage, though they should be on, by device. */
function unfed(graph: Graph, result: ScenarioResult): number[] {
  return result.network.devices.flatMap(({ device }, i): number[] => {
    if (device.is !== 'element' || device.element.is !== 'load') return [];
    if (!isJoined(graph, device.item) || graph.items[device.item]?.item.where !== 'aircraft') return [];
    if (result.circuit.laws[i]?.is === 'open') return [];
    const volts = voltsAcross(result.network, result.before, i);
    // A lead turned round is told as such.
    if (volts < -NOTHING_V) return [];
    return (result.dark.includes(i) && volts < device.element.minV) || volts < NOTHING_V ? [i] : [];
  });
}

function darkSayings(graph: Graph, result: ScenarioResult, dark: readonly number[]): Saying[] {
  // What a regulator that gives way leaves without voltage is told as an overload.
  if (result.before.trippings.some(({ what }) => what !== 'window')) return [];
  const hasSource = result.circuit.laws.some((law) => law.is === 'supply');
  const [first] = dark;
  if (!hasSource && first !== undefined) return [noSourceSaying(graph, first, dark.length)];
  const byItem = new Map<number, number>();
  for (const device of dark) {
    const item = result.network.devices[device]?.device.item ?? -1;
    if (!byItem.has(item)) byItem.set(item, device);
  }
  return [...byItem].flatMap(([item, device]) => darkSaying(graph, result, item, device));
}

function noSourceSaying(graph: Graph, device: number, count: number): Saying {
  const { devices } = powerNetwork(graph);
  const item = graph.items[devices[device]?.device.item ?? -1]?.item;
  return {
    severity: 'mend',
    where: item === undefined ? [] : [{ is: 'item', item: item.id }],
    what: `Nothing supplies ${item?.ref ?? '?'}${count === 1 ? '' : ' and the others'}: there is no pack in the aircraft yet.`,
    evidence: [{ label: 'parts without a supply', value: String(count) }],
    why: 'Without a pack nothing can be computed of voltages and currents either.',
    discriminator: 'no source',
  };
}

function darkSaying(graph: Graph, result: ScenarioResult, item: number, device: number): Saying[] {
  const entry = graph.items[item];
  const placed = result.network.devices[device]?.device;
  if (entry === undefined || placed?.is !== 'element' || placed.element.is !== 'load') return [];
  const { element } = placed;
  const rail = railOf(graph, item, element.supply);
  const ref = entry.item.ref;
  const supply = circuitNode(graph, item, element.supply);
  const ground = circuitNode(graph, item, element.gnd);
  const hasGround =
    ground !== undefined &&
    pinsOf(graph, graph.nets, groupOf(graph.nets, ground)).some(({ at }) => at.item !== item && at.pin.role === 'gnd');
  const lacksGround = !hasGround || (supply !== undefined && voltsAt(graph, supply) !== undefined);
  return [
    {
      severity: 'mend',
      where: [{ is: 'item', item: entry.item.id }],
      what: lacksGround
        ? `${ref} has no ground that leads back from its ${element.id}.`
        : rail === undefined
          ? `${ref} is wired, and no supply reaches its ${element.id}.`
          : `${ref} hangs on ${rail.name}, and nothing feeds that rail.`,
      evidence: [
        {
          label: `${ref} ${element.id}`,
          ...against(voltsAcross(result.network, result.before, device), element.minV, 'V'),
        },
      ],
      why: `${ref} stays dark.`,
      remedies: () => (lacksGround ? [] : rail === undefined ? ownSupplyRemedies(graph, item, element) : railRemedies(graph, rail.node)),
    },
  ];
}

/** The rail of a board that a load hangs on: pins of a controller on the same net. */
function railOf(graph: Graph, item: number, supply: string): { readonly name: string; readonly node: number } | undefined {
  const node = circuitNode(graph, item, supply);
  const net = node === undefined ? -1 : groupOf(graph.nets, node);
  const pin = net < 0 ? undefined : pinsOf(graph, graph.nets, net).find(({ at }) => graph.items[at.item]?.part?.kind === 'controller');
  const ref = graph.items[pin?.at.item ?? -1]?.item.ref;
  return pin === undefined || ref === undefined ? undefined : { name: `the rail of ${ref} ${pin.at.port.label}`, node: pin.node };
}

/** One note: what lives on the pack and not on a computer's USB, so that nobody looks for a fault there on the bench. */
function usbSayings(graph: Graph, cruise: ScenarioResult, darkAnyway: readonly number[]): Saying[] {
  const usbOnly = scenariosOf(graph.design.aircraft).find(({ charge }) => charge === undefined);
  if (usbOnly === undefined || !cruise.network.devices.some(({ device }) => device.is === 'usb')) return [];
  const onUsb = solveScenario(graph, usbOnly);
  const off = [...onUsb.falls.map(({ device }) => device), ...unfed(graph, { ...onUsb, before: onUsb.after })];
  const dark = off.filter((device) => !darkAnyway.includes(device) && !cruise.falls.some((fall) => fall.device === device));
  const entries = [...new Set(dark.map((device) => cruise.network.devices[device]?.device.item ?? -1))].flatMap(
    (item) => graph.items[item] ?? [],
  );
  const electronics = entries.filter(
    ({ part }) => part?.kind !== 'servo' && part?.kind !== 'motor-controller' && part?.kind !== 'power-module',
  );
  if (electronics.length === 0) return [];
  const refs = electronics.map(({ item }) => item.ref);
  return [
    {
      severity: 'note',
      where: electronics.map(({ item }) => ({ is: 'item', item: item.id })),
      what: `On a computer's USB alone ${refs.slice(0, 6).join(', ')}${refs.length > 6 ? ' and others' : ''} ${refs.length === 1 ? 'stays' : 'stay'} dark.`,
      evidence: [{ label: 'dark on USB', value: refs.join(', ') }],
      why: 'They are not broken: they live on the pack. Plug it in to see them, propellers off.',
      discriminator: 'usb',
    },
  ];
}
