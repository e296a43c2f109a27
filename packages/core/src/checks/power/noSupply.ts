import { groupBy } from 'es-toolkit/array';
import { against } from '../../text/numbers.ts';
import { circuitNode, groupOf, pinsOf, type Graph } from '../../graph/graph.ts';
import { isJoined } from '../../graph/matesAt.ts';
import type { CircuitElement } from '../../model/part.ts';
import { powerNetwork } from '../../power/network/powerNetwork.ts';
import { scenariosOf } from '../../power/scenarios/scenario.ts';
import { solveScenario, voltsAcross, type ScenarioResult } from '../../power/scenarios/solveScenario.ts';
import { runningStart } from '../../power/solve/startOf.ts';
import { listed } from '../../text/lists.ts';
import type { Check, Remedy, Saying } from '../finding.ts';
import { NOTHING_V, terminalsOf, whyDark, type Consumer, type WhyDark } from './helpers/whyDark.ts';
import { feedRemedies } from './remedies/feedRegulator.ts';
import { runsAt } from '../helpers/runsAt.ts';
import { groundlessSignal } from '../helpers/commonGround.ts';
import type { Run } from '../../harness/runs.ts';
import { missingGround, missingSupply } from './remedies/missingWire.ts';
import { ownSupplyRemedies } from './remedies/ownSupply.ts';
import { railRemedies } from './remedies/railSupply.ts';
import { situation } from './helpers/situations.ts';

/** A wired part that no supply reaches; with the packs plugged in, or on a computer's USB alone. */
export const noSupply: Check = {
  id: 'power.no-supply',
  stage: 'power',
  title: 'Wired but unpowered',
  run: ({ graph }) => {
    const cruise = situation(graph, 'cruise');
    if (cruise === undefined) return [];
    const dark = unfed(graph, cruise);
    return [...darkSayings(graph, cruise, dark), ...usbSayings(graph, cruise, dark)];
  },
};

function isConsumer(element: CircuitElement): element is Consumer {
  return element.is === 'load' || element.is === 'drive';
}

/** The loads and drives of wired items that have no voltage, though they should be on, by device. */
function unfed(graph: Graph, result: ScenarioResult): number[] {
  return result.network.devices.flatMap(({ device }, i): number[] => {
    if (device.is !== 'element' || !isConsumer(device.element)) return [];
    if (!isJoined(graph, device.item) || graph.items[device.item]?.item.where !== 'aircraft') return [];
    if (result.circuit.laws[i]?.is === 'open') return [];
    const volts = voltsAcross(result.network, result.before, i);
    // A lead turned round is told as such.
    if (volts < -NOTHING_V) return [];
    return result.dark.includes(i) || volts < NOTHING_V ? [i] : [];
  });
}

function darkSayings(graph: Graph, result: ScenarioResult, dark: readonly number[]): Saying[] {
  const hasSource = result.circuit.laws.some((law) => law.is === 'supply');
  const [first] = dark;
  if (first === undefined) return [];
  if (!hasSource) return [noSourceSaying(graph, first, dark.length)];
  // A board at a desk: what lives on a pack is dark there, and that is no mistake.
  if (!flies(graph, result)) return usbNote(graph, result, dark);
  const start = runningStart(result.circuit);
  const isOverloaded = result.before.trippings.some(({ what }) => what !== 'window');
  const byItem = new Map<number, { readonly device: number; readonly load: Consumer; readonly why: WhyDark }>();
  for (const device of dark) {
    const placed = result.network.devices[device]?.device;
    if (placed?.is !== 'element' || !isConsumer(placed.element) || byItem.has(placed.item)) continue;
    // What an overload leaves without voltage is told as the overload: it would have some with nothing switched on, and can give it back.
    const wouldRun = !result.dark.includes(device) && voltsAcross(result.network, start, device) > NOTHING_V;
    if (isOverloaded && wouldRun && leadsBack(graph, placed.item, placed.element)) continue;
    byItem.set(placed.item, { device, load: placed.element, why: whyDark(graph, result, start, device, placed.element) });
  }
  const unfed = groupBy(
    [...byItem].flatMap(([item, { why }]) => (why.is === 'regulator-unfed' ? [{ item, why }] : [])),
    ({ why }) => `${why.regulator} ${why.element.id}`,
  );
  return [
    ...Object.values(unfed).flatMap((parts) => regulatorSaying(graph, parts)),
    ...[...byItem].flatMap(([item, { device, load, why }]) => darkSaying(graph, result, item, device, load, why)),
  ];
}

/** True where a supply is in the aircraft, and not a computer or a bench supply beside it. */
function flies(graph: Graph, { network, circuit }: ScenarioResult): boolean {
  return circuit.laws.some(
    (law, i) => law.is === 'supply' && graph.items[network.devices[i]?.device.item ?? -1]?.item.where === 'aircraft',
  );
}

/** True where the ground of a load is joined to that of another part. */
function leadsBack(graph: Graph, item: number, load: Consumer): boolean {
  const ground = circuitNode(graph, item, terminalsOf(load).minus);
  if (ground === undefined) return false;
  return pinsOf(graph, graph.nets, groupOf(graph.nets, ground)).some(({ at }) => at.item !== item && at.pin.role === 'gnd');
}

/** One finding for all that a regulator would feed if it were fed itself. */
function regulatorSaying(
  graph: Graph,
  parts: readonly { readonly item: number; readonly why: Extract<WhyDark, { is: 'regulator-unfed' }> }[],
): Saying[] {
  const [first] = parts;
  const regulator = graph.items[first?.why.regulator ?? -1]?.item;
  if (first === undefined || regulator === undefined) return [];
  const { element, volts } = first.why;
  // A board that feeds itself by its own regulator is named once.
  const fed = parts.flatMap(({ item }) => (item === first.why.regulator ? [] : (graph.items[item]?.item ?? [])));
  const [name, refs] = [`${regulator.ref} ${element.id}`, listed(fed.map(({ ref }) => ref))];
  const isUnfed = volts < NOTHING_V;
  const feeding = fed.length === 0 ? '' : `, which feeds ${refs}`;
  return [
    {
      severity: 'mend',
      where: [regulator, ...fed].map(({ id }) => ({ is: 'item', item: id })),
      what: isUnfed
        ? `No supply reaches ${name}${feeding}.`
        : `${name}${feeding === '' ? '' : `${feeding},`} gets too little voltage to start.`,
      evidence: [{ label: `${name} input`, ...against(volts, element.inputMinV, 'V') }],
      why: fed.length === 0 ? `${regulator.ref} stays unpowered.` : `Without it ${refs} ${fed.length === 1 ? 'stays' : 'stay'} unpowered.`,
      discriminator: element.id,
      remedies: () => (isUnfed ? [...missingSupply(graph, first.why.regulator), ...feedRemedies(graph, first.why.regulator, element)] : []),
    },
  ];
}

function noSourceSaying(graph: Graph, device: number, count: number): Saying {
  const { devices } = powerNetwork(graph);
  const item = graph.items[devices[device]?.device.item ?? -1]?.item;
  return {
    severity: 'mend',
    where: item === undefined ? [] : [{ is: 'item', item: item.id }],
    what: `Nothing supplies ${item?.ref ?? '?'}${count === 1 ? '' : ' and the others'}: there is no pack in the aircraft yet.`,
    evidence: [{ label: 'parts without a supply', value: String(count) }],
    why: 'Without a pack no voltages or currents can be computed.',
    discriminator: 'no source',
  };
}

function darkSaying(graph: Graph, result: ScenarioResult, item: number, device: number, load: Consumer, why: WhyDark): Saying[] {
  const entry = graph.items[item];
  if (entry === undefined || why.is === 'regulator-unfed') return [];
  // One mistake is one finding: where a signal has no common ground either, or the ground is on another pin, that one is told.
  if (why.is === 'no-ground' && runsAt(graph, item).some((run) => groundlessSignal(graph, run) !== undefined || strayGround(run, item))) {
    return [];
  }
  const { ref } = entry.item;
  return [
    {
      severity: cannotTurn(graph, item, load, why) ? 'stop' : 'mend',
      where: [{ is: 'item', item: entry.item.id }],
      what: whatIsMissing(ref, load, why),
      evidence: [
        {
          label: `${ref} ${load.id}`,
          ...against(why.is === 'too-low' ? why.volts : voltsAcross(result.network, result.before, device), load.minV, 'V'),
        },
      ],
      why: load.is === 'drive' ? `Nothing that ${ref} drives turns.` : `${ref} stays unpowered.`,
      remedies: () => darkRemedies(graph, item, load, why),
    },
  ];
}

/** A motor controller that is plugged in and lacks a wire of its supply; one that is not plugged in yet is only unfinished. */
function cannotTurn(graph: Graph, item: number, load: Consumer, why: WhyDark): boolean {
  const entry = graph.items[item];
  if (entry === undefined || load.is !== 'drive' || why.is === 'too-low') return false;
  const port = plusPort(graph, item, load);
  // A cable whose other end is free is not plugged in yet either.
  return runsAt(graph, item).some(({ a, b, joins }) => joins.length > 0 && [a, b].some((at) => at.item === item && at.port.id === port));
}

/** The port of the pin on which a consumer takes its supply; undefined where that is inside the part. */
function plusPort(graph: Graph, item: number, load: Consumer): string | undefined {
  const node = circuitNode(graph, item, terminalsOf(load).plus);
  const at = node === undefined ? undefined : graph.nodes[node];
  return at?.is === 'pin' ? at.port.id : undefined;
}

/** True where a ground of an item is joined to a pin that is none. */
function strayGround({ joins }: Run, item: number): boolean {
  return joins.some(({ a, b }) => [a, b].some((pin) => pin.itemIx === item && pin.pin.role === 'gnd') && a.pin.role !== b.pin.role);
}

function whatIsMissing(ref: string, load: Consumer, why: Exclude<WhyDark, { is: 'regulator-unfed' }>): string {
  switch (why.is) {
    case 'no-ground':
      return `${ref} has no ground return for its ${load.id}.`;
    case 'too-low':
      return `${ref} gets too little voltage at its ${load.id}, even with nothing else switched on.`;
    case 'rail':
      return `${ref} is on ${why.name}, which nothing feeds.`;
    case 'no-plus':
      return `${ref} is wired, but no supply reaches its ${load.id}.`;
  }
}

/** A wire that is missing comes before a part that would do as well. */
function darkRemedies(graph: Graph, item: number, load: Consumer, why: Exclude<WhyDark, { is: 'regulator-unfed' }>): readonly Remedy[] {
  switch (why.is) {
    case 'no-ground':
      return missingGround(graph, item);
    case 'too-low':
      return load.is === 'load' ? ownSupplyRemedies(graph, item, load) : [];
    case 'rail':
      return [...missingSupply(graph, item), ...railRemedies(graph, why.node)];
    case 'no-plus':
      return [
        ...missingSupply(graph, item, plusPort(graph, item, load)),
        ...(load.is === 'load' ? ownSupplyRemedies(graph, item, load) : []),
      ];
  }
}

/** One note: what lives on the pack and not on a computer's USB, so that nobody looks for a fault there on the bench. */
function usbSayings(graph: Graph, cruise: ScenarioResult, darkAnyway: readonly number[]): Saying[] {
  const usbOnly = scenariosOf(graph.design.aircraft).find(({ charge }) => charge === undefined);
  if (usbOnly === undefined || !cruise.network.devices.some(({ device }) => device.is === 'usb')) return [];
  const onUsb = solveScenario(graph, usbOnly);
  const off = [...onUsb.falls.map(({ device }) => device), ...unfed(graph, { ...onUsb, before: onUsb.after })];
  const dark = off.filter((device) => !darkAnyway.includes(device) && !cruise.falls.some((fall) => fall.device === device));
  return usbNote(graph, cruise, dark);
}

function usbNote(graph: Graph, { network }: ScenarioResult, dark: readonly number[]): Saying[] {
  const entries = [...new Set(dark.map((device) => network.devices[device]?.device.item ?? -1))].flatMap((item) => graph.items[item] ?? []);
  const electronics = entries.filter(
    ({ part }) => part?.kind !== 'servo' && part?.kind !== 'motor-controller' && part?.kind !== 'power-module',
  );
  if (electronics.length === 0) return [];
  const refs = electronics.map(({ item }) => item.ref);
  return [
    {
      severity: 'note',
      where: electronics.map(({ item }) => ({ is: 'item', item: item.id })),
      what: `On USB power alone ${refs.slice(0, 6).join(', ')}${refs.length > 6 ? ' and others' : ''} ${refs.length === 1 ? 'stays' : 'stay'} unpowered.`,
      evidence: [{ label: 'unpowered on USB', value: refs.join(', ') }],
      why: 'They are not faulty: the pack powers them. To see them work, plug it in with the propellers off.',
      discriminator: 'usb',
    },
  ];
}
