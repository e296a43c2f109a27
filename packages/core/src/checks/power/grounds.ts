import { circuitNode, type Graph } from '../../graph/graph.ts';
import { plainCable } from '../../graph/cableJoins.ts';
import type { Cable, Conductor } from '../../model/aircraft.ts';
import { proposeCable } from '../../harness/proposeCable.ts';
import { CONNECTOR_FAMILIES } from '../../model/connector.ts';
import { asId, type ConductorId } from '../../model/ids.ts';
import { isSignal } from '../../harness/joinVerdict.ts';
import { groundAddress } from '../../power/network/devicesOf.ts';
import { ampsOfEdges, voltsAtNode } from '../../power/network/readings.ts';
import { liveCircuit, type ScenarioResult } from '../../power/scenarios/solveScenario.ts';
import { solveCircuit, solveNear } from '../../power/solve/solveCircuit.ts';
import type { Check, Remedy, Saying } from '../finding.ts';
import { joinedGroups } from '../signalGroups.ts';
import { ampsText, workingSituations } from './situations.ts';

const NOTE_V = 0.3;
const MEND_V = 0.8;

/** The grounds of two parts that talk to each other stand at different potentials. */
export const groundShift: Check = {
  id: 'wire.ground-shift',
  stage: 'wiring',
  title: 'Grounds that stand apart',
  run: ({ graph }) => {
    const worst = new Map<string, { readonly volts: number; readonly result: ScenarioResult; readonly pair: readonly [number, number] }>();
    const pairs = talkingPairs(graph);
    for (const result of workingSituations(graph)) {
      for (const [key, pair] of pairs) {
        const [a, b] = [groundVolts(graph, result, pair[0]), groundVolts(graph, result, pair[1])];
        if (a === undefined || b === undefined) continue;
        const volts = Math.abs(a - b);
        if (volts > NOTE_V && volts > (worst.get(key)?.volts ?? 0)) worst.set(key, { volts, result, pair });
      }
    }
    return [...worst.values()].flatMap(({ volts, result, pair }) => shiftSaying(graph, volts, result, pair));
  },
};

/** Pairs of items that share a signal wire and both have a ground in the supply network, by key. */
function talkingPairs(graph: Graph): ReadonlyMap<string, readonly [number, number]> {
  const pairs = new Map<string, readonly [number, number]>();
  for (const group of joinedGroups(graph)) {
    const signals = group.filter(({ pin }) => isSignal(pin.role));
    for (const a of signals) for (const b of signals) if (a.item < b.item) pairs.set(`${a.item} ${b.item}`, [a.item, b.item]);
  }
  return pairs;
}

function groundVolts(graph: Graph, { network, before, live }: ScenarioResult, item: number): number | undefined {
  const part = graph.items[item]?.part;
  const node = part === undefined ? undefined : circuitNode(graph, item, groundAddress(part));
  // Only between parts that take current: a ground that hangs free stands nowhere.
  const isOn = network.devices.some(({ device, kind }, i) => device.item === item && kind === 'draw' && live.laws[i]?.is !== 'open');
  return node === undefined || !isOn ? undefined : voltsAtNode(network, before, node);
}

function shiftSaying(graph: Graph, volts: number, result: ScenarioResult, pair: readonly [number, number]): Saying[] {
  const [a, b] = [graph.items[pair[0]]?.item, graph.items[pair[1]]?.item];
  if (a === undefined || b === undefined) return [];
  return [
    {
      severity: volts > MEND_V ? 'mend' : 'note',
      where: [
        { is: 'item', item: a.id },
        { is: 'item', item: b.id },
      ],
      what: `The grounds of ${a.ref} and ${b.ref} stand ${volts.toFixed(2)} V apart (${result.scenario.title.toLowerCase()}).`,
      evidence: [
        {
          label: `between their grounds, ${result.scenario.title.toLowerCase()}`,
          value: `${volts.toFixed(2)} V`,
          limit: `${NOTE_V.toFixed(2)} V`,
        },
      ],
      why: 'Signals are read against the own ground: a shift of this size makes highs and lows uncertain. Thicker or shorter ground wires lower it.',
      remedies: [],
    },
  ];
}

/** Grounds that carry at least this much are power grounds. */
const POWER_A = 3;

/** With one power ground open, the current comes home through a thin signal ground. */
export const groundReturn: Check = {
  id: 'power.ground-return',
  stage: 'power',
  title: 'A signal ground as the only second way home',
  run: ({ graph }) => {
    const loaded = workingSituations(graph).filter(({ scenario }) => scenario.durationS >= 30 && scenario.isJammed !== true);
    return powerGrounds(graph, loaded).flatMap(({ edge, result }) => returnSaying(graph, result, edge));
  },
};

/** The conductors between ground pins that carry much, each in the situation in which it carries most. */
function powerGrounds(graph: Graph, results: readonly ScenarioResult[]): { readonly edge: number; readonly result: ScenarioResult }[] {
  const most = new Map<number, { amps: number; result: ScenarioResult }>();
  for (const result of results) {
    ampsOfEdges(result.network, result.before, result.circuit.ohms).forEach((signed, edge) => {
      const amps = Math.abs(signed);
      if (amps > Math.max(POWER_A, most.get(edge)?.amps ?? 0)) most.set(edge, { amps, result });
    });
  }
  return [...most].flatMap(([edge, { result }]) => {
    const at = graph.edges[edge];
    return at?.is === 'conductor' && isGround(graph, at.a) ? [{ edge, result }] : [];
  });
}

function isGround(graph: Graph, contact: number): boolean {
  return graph.edges.some((edge) => {
    if (edge.is !== 'contact' || (edge.a !== contact && edge.b !== contact)) return false;
    const at = graph.nodes[edge.a === contact ? edge.b : edge.a];
    return at?.is === 'pin' && at.pin.role === 'gnd';
  });
}

function returnSaying(graph: Graph, result: ScenarioResult, edge: number): Saying[] {
  const opened = graph.edges[edge];
  const branch = result.network.copper.branches.findIndex(({ edges }) => edges.some((one) => one.edge === edge));
  if (opened?.is !== 'conductor' || branch < 0) return [];
  const ohms = result.circuit.ohms.slice();
  ohms[branch] = Infinity;
  const live = liveCircuit(result.network, { ...result.circuit, ohms });
  const solved = solveNear(live.circuit, result.before) ?? solveCircuit(live.circuit, live.start);
  const [before, after] = [result.before, solved].map((one) =>
    ampsOfEdges(result.network, one, one === solved ? ohms : result.circuit.ohms),
  );
  let worst: { readonly amps: number; readonly limitA: number; readonly name: string } | undefined;
  graph.edges.forEach((at, i) => {
    if (at.is !== 'contact') return;
    const { contactA } = CONNECTOR_FAMILIES[at.end.connector.family];
    const amps = Math.abs(after?.[i] ?? 0);
    if (
      amps <= contactA ||
      Math.abs(before?.[i] ?? 0) > contactA ||
      amps / contactA <= (worst === undefined ? 1 : worst.amps / worst.limitA)
    )
      return;
    worst = { amps, limitA: contactA, name: `${graph.cables[at.cable]?.tag ?? '?'} contact ${at.n}` };
  });
  const cable = graph.cables[opened.cable];
  if (worst === undefined || cable === undefined) return [];
  const { conductor } = opened;
  return [
    {
      severity: 'mend',
      where: [
        { is: 'cable', cable: cable.id },
        { is: 'conductor', cable: cable.id, conductor: conductor.id },
      ],
      what: `If the ground wire of ${cable.tag} opens, ${worst.name} carries ${ampsText(worst.amps)} home and is made for ${ampsText(worst.limitA)}.`,
      evidence: [
        { label: `${worst.name}, ${result.scenario.title.toLowerCase()}`, value: ampsText(worst.amps), limit: ampsText(worst.limitA) },
      ],
      why: 'The motor goes on, the thin wire burns, and with it goes the signal beside it.',
      remedies: doubled(graph, cable, conductor),
    },
  ];
}

/** A ground wire of its own beside the cable, where both ends are soldered. */
function doubled(graph: Graph, cable: Cable, conductor: Conductor): Remedy[] {
  const plain = plainCable(graph, cable);
  if (plain === undefined || plain.endA.connector.gender !== 'pads' || plain.endB.connector.gender !== 'pads') return [];
  const { edit } = proposeCable(graph, plain.a, plain.b, 'none');
  if (edit.kind !== 'add-cable') return [];
  const [leg] = Object.values(edit.cable.legs);
  if (leg === undefined) return [];
  const strap: Conductor = {
    ...conductor,
    id: asId<ConductorId>('?2'),
    leg: leg.id,
    a: { node: leg.a, n: conductor.a.n },
    b: { node: leg.b, n: conductor.b.n },
  };
  return [
    {
      label: 'Double the ground',
      sentence: `Solder a second ground wire from ${plain.a.ref} ${plain.a.port.label} to ${plain.b.ref} ${plain.b.port.label}, beside ${cable.tag}.`,
      edit: { ...edit, cable: { ...edit.cable, conductors: { [strap.id]: strap } } },
    },
  ];
}
