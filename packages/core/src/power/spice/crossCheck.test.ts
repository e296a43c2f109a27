import { describe, expect, it } from '@jest/globals';
import { bench } from '../../test/checkCases/build.ts';
import { inSeries } from '../../test/checkCases/powerDesigns.ts';
import { demoDesign } from '../../test/designs.ts';
import { mudflat } from '../../demo/mudflat.ts';
import { saltmarsh } from '../../demo/saltmarsh.ts';
import { graphOf } from '../../graph/graphOf.ts';
import { Grouping } from '../../graph/partition.ts';
import { asId, type AircraftId } from '../../model/ids.ts';
import { faultsOf } from '../faults/faultsOf.ts';
import { faultyCircuit } from '../faults/solveFault.ts';
import { powerNetwork } from '../network/powerNetwork.ts';
import { powerReport } from '../report/powerReport.ts';
import { liveCircuit, solveScenarios } from '../scenarios/solveScenario.ts';
import type { Circuit, Solved } from '../solve/circuit.ts';
import { solveCircuit } from '../solve/solveCircuit.ts';
import { CircuitSketch } from '../test/circuits.ts';
import { hasNgspice, operatingPoint } from '../test/ngspice.ts';
import { numbersFrom, randomCircuit } from '../test/randomCircuit.ts';
import { scenarioNetlist } from './scenarioNetlist.ts';
import { spiceNetlist, type NetlistWords } from './spiceNetlist.ts';

const plain: NetlistWords = { title: 'cross-check', comments: [], nodeName: (n) => `n${n}`, deviceName: (d) => `d${d}` };

/** What carries less than this stands where the leaks leave it, which no two simulators agree on. */
const DEAD_A = 1e-6;

/** The nodes that some current reaches. */
function liveNodes({ shape, ohms }: Circuit, { volts, amps }: Solved): ReadonlySet<number> {
  const live = new Set<number>();
  ohms.forEach((ohm, i) => {
    const [a, b] = [shape.resistorA[i] ?? 0, shape.resistorB[i] ?? 0];
    if (Math.abs((volts[a] ?? 0) - (volts[b] ?? 0)) / ohm > DEAD_A) live.add(a).add(b);
  });
  shape.devices.forEach(({ kind, nodes }, i) => {
    if (kind !== 'selector' && Math.abs(amps[i] ?? 0) > DEAD_A) for (const node of nodes) live.add(node);
  });
  return live;
}

/**
 * For each live node the one that it is measured against: the first that its current can reach. What a fault has cut off from the
 * reference of a circuit floats as a whole, at a potential that leaks alone decide.
 */
function measuredAgainst({ shape, ohms }: Circuit, { amps }: Solved, live: ReadonlySet<number>): ReadonlyMap<number, number> {
  const groups = new Grouping(shape.nodeCount);
  ohms.forEach((ohm, i) => {
    if (ohm !== Infinity) groups.join(shape.resistorA[i] ?? 0, shape.resistorB[i] ?? 0);
  });
  shape.devices.forEach(({ kind, nodes }, i) => {
    if (kind !== 'selector' && Math.abs(amps[i] ?? 0) > DEAD_A) for (const node of nodes) groups.join(nodes[0] ?? node, node);
  });
  const { groupOf } = groups.partition();
  const firsts = new Map<number, number>();
  return new Map(
    [...live].map((node) => {
      const group = groupOf[node] ?? -1;
      if (!firsts.has(group)) firsts.set(group, node);
      return [node, firsts.get(group) ?? node];
    }),
  );
}

/** The node that most is joined to: in an aircraft its ground. */
function busiestNode({ shape, ohms }: Circuit): number {
  const degree = new Int32Array(shape.nodeCount);
  const count = (node: number): void => void (degree[node] = (degree[node] ?? 0) + 1);
  ohms.forEach((ohm, i) => {
    if (ohm === Infinity) return;
    count(shape.resistorA[i] ?? 0);
    count(shape.resistorB[i] ?? 0);
  });
  for (const { nodes } of shape.devices) nodes.forEach(count);
  return degree.indexOf(Math.max(...degree));
}

/** Every so many faults are tried with each run; `WF_SPICE=whole` tries all. */
const SAMPLE = 10;

interface Difference {
  /** At the worst live node, in shares of 0.1 % or 1 mV; at the worst pack, in shares of 0.5 % or 1 mA. */
  readonly share: number;
  /** True where the simulator found a balance that is nowhere higher than ours: we give the highest, that of a running system. */
  readonly isLower: boolean;
}

/** How far the simulator is from us; undefined when it finds nothing. */
function apart(circuit: Circuit, solved: Solved, words: NetlistWords): Difference | undefined {
  const netlist = spiceNetlist(circuit, words);
  const nodes = [...liveNodes(circuit, solved)].filter((node) => netlist.includes(` n${node} `));
  if (nodes.length === 0) return { share: 0, isLower: false };
  const packs = circuit.laws.flatMap((law, i) => (law.is === 'supply' && law.maxA === Infinity ? [i] : []));
  const answer = operatingPoint(netlist, [...nodes.map((node) => `v(n${node})`), ...packs.map((device) => `i(vd${device})`)]);
  if (answer === undefined) return undefined;
  const there = (node: number): number => answer.get(`v(n${node})`) ?? (netlist.includes(` n${node} `) ? NaN : 0);
  const here = (node: number): number => solved.volts[node] ?? NaN;
  const against = measuredAgainst(circuit, solved, new Set(nodes));
  const differences = nodes.map((node) => {
    const zero = against.get(node) ?? node;
    const asIs = { there: there(node), here: here(node) };
    const floating = { there: there(node) - there(zero), here: here(node) - here(zero) };
    return Math.abs(asIs.there - asIs.here) < Math.abs(floating.there - floating.here) ? asIs : floating;
  });
  // What a source gives leaves its plus, which the simulator counts as negative.
  const currents = packs.map((device) => ({ there: -(answer.get(`i(vd${device})`) ?? NaN), here: solved.amps[device] ?? NaN }));
  return {
    share: Math.max(
      ...differences.map(({ there, here }) => Math.abs(there - here) / Math.max(1e-3, 1e-3 * Math.abs(here))),
      ...currents.map(({ there, here }) => Math.abs(there - here) / Math.max(1e-3, 5e-3 * Math.abs(here))),
    ),
    isLower: differences.every(({ there, here }) => there <= here + 2e-3),
  };
}

/** `none`: the simulator finds no operating point at all. `held`: it finds another of several, and ours where it begins there. */
type Verdict = 'same' | 'held' | 'lower' | 'apart' | 'none';

/**
 * Compares; where something shuts down for good the simulator may find nothing, or another of several balances. Then it begins
 * with what shut down off, still by the same laws.
 */
function compare(circuit: Circuit, name: string): { readonly verdict: Verdict; readonly isSecondTry: boolean; readonly said: string } {
  const solved = solveCircuit(circuit);
  const verdictOf = (found: Difference | undefined): Verdict =>
    found === undefined ? 'none' : found.share <= 1 ? 'same' : found.isLower ? 'lower' : 'apart';
  const first = apart(circuit, solved, plain);
  if (verdictOf(first) === 'same' || solved.trippings.length === 0) {
    return { verdict: verdictOf(first), isSecondTry: false, said: `${name}: ${JSON.stringify(first)}` };
  }
  const down = new Set(solved.trippings.map(({ device }) => device));
  const second = apart(circuit, solved, { ...plain, isOffInGuess: (device) => down.has(device) });
  return { verdict: verdictOf(second), isSecondTry: true, said: `${name}: ${JSON.stringify(first)}, then ${JSON.stringify(second)}` };
}

/** Where the simulator finds another balance: whether ours is one by its reckoning too, so that it stays where it begins there. */
function compareHolding(circuit: Circuit, name: string): { readonly verdict: Verdict; readonly said: string } {
  const found = compare(circuit, name);
  if (found.verdict === 'same') return found;
  const { volts } = solveCircuit(circuit);
  const zeroNode = busiestNode(circuit);
  const held = apart(circuit, solveCircuit(circuit), { ...plain, guessV: (node) => volts[node] ?? 0 });
  if (held !== undefined && held.share <= 1) return { verdict: 'held', said: found.said };
  const grounded = apart(circuit, solveCircuit(circuit), {
    ...plain,
    guessV: (node) => (volts[node] ?? 0) - (volts[zeroNode] ?? 0),
    zeroNode,
  });
  if (grounded !== undefined && grounded.share <= 1) return { verdict: 'held', said: found.said };
  return { verdict: found.verdict, said: `${found.said}, from ours ${JSON.stringify(held)}, grounded ${JSON.stringify(grounded)}` };
}

(hasNgspice ? describe : describe.skip)('against an independent simulator', () => {
  it('200 generated networks agree within 0.1 % or 1 mV, and their packs within 0.5 % or 1 mA', () => {
    const results = Array.from({ length: 200 }, (_, i) =>
      compare(randomCircuit(numbersFrom(i + 1), { jumps: i % 2 === 1, branches: 3 + (i % 30) }).circuit, `network ${i + 1}`),
    );
    expect(results.filter(({ verdict }) => verdict === 'apart').map(({ said }) => said)).toEqual([]);
    const count = (wanted: Verdict): number => results.filter(({ verdict }) => verdict === wanted).length;
    expect(count('same')).toBeGreaterThanOrEqual(195);
    expect(count('none')).toBeLessThanOrEqual(2);
    expect(results.filter(({ isSecondTry }) => isSecondTry).length).toBeLessThan(20);
  });

  it('every scenario of the demo aircraft agrees', () => {
    let made = 0;
    const makeId = (): string => `x${++made}`;
    const designs = [saltmarsh(asId<AircraftId>('s'), makeId), demoDesign(), mudflat(asId<AircraftId>('m'), makeId)];
    const results = designs.flatMap((design) =>
      solveScenarios(graphOf(design)).map(({ scenario, circuit }) => compare(circuit, `${design.aircraft.name} ${scenario.id}`)),
    );
    expect(results.length).toBeGreaterThan(30);
    expect(results.filter(({ verdict }) => verdict !== 'same').map(({ said }) => said)).toEqual([]);
  });

  it.each([
    ['battery-lipo-3s-3300', 'battery-lipo-3s-3300'],
    ['battery-lipo-2s-2200', 'battery-lipo-4s-5000'],
    ['battery-li-ion-4s-7000', 'battery-lipo-2s-2200'],
  ])('every scenario of %s under %s on a series lead agrees', (below, above) => {
    const one = inSeries(below, above);
    one.add('servo-20g-standard', '');
    one.wire('BEC1 out', 'SRV1 lead', 'meaning', 300);
    const results = solveScenarios(graphOf(one.design)).map(({ scenario, circuit }) => compare(circuit, scenario.id));
    expect(results.length).toBeGreaterThan(5);
    expect(results.filter(({ verdict }) => verdict !== 'same').map(({ said }) => said)).toEqual([]);
  });

  it.each([
    ['controller-h7-carrier', 'controller-h7-carrier'],
    ['controller-h7-carrier', 'controller-f4-wing'],
    ['controller-f7-mini', 'controller-8-bit-servo-fed'],
    ['controller-f7-rows', 'controller-h7-carrier'],
  ])('%s and %s on a computer each agree', (one, other) => {
    const { design } = bench(one, other);
    const results = solveScenarios(graphOf(design)).filter(({ scenario }) => scenario.id === 'usb-only');
    expect(results.map(({ scenario, circuit }) => compare(circuit, scenario.id).verdict)).toEqual(['same']);
  });

  it.each([2, 3, 4])('a selector with %i equal inputs agrees, fed by packs or by regulators', (count) => {
    const inputs = Array.from({ length: count }, (_, k) => `in${k}`);
    const windows = inputs.map(() => ({ minV: 4.5, maxV: 5.7 }));
    const load = { is: 'constant-power', watts: 6, kneeV: 2 } as const;
    const packs = new CircuitSketch();
    for (const input of inputs) packs.battery(input, '0', 5.2, 0.05);
    const regulated = new CircuitSketch().battery('p', '0', 14.8, 0.02);
    for (const input of inputs) regulated.regulator(`r ${input}`, ['p', input, '0'], { setV: 5.2 });
    for (const sketch of [packs, regulated]) {
      const { circuit } = sketch.selector('s', inputs, 'out', '0', { windows, dropV: 0.05 }).draw('load', 'out', '0', load);
      expect(compare(circuit, `${count} inputs`)).toMatchObject({ verdict: 'same', isSecondTry: false });
    }
  });

  it('every single fault of the demo aircraft agrees', () => {
    let made = 0;
    const makeId = (): string => `z${++made}`;
    const isWhole = process.env['WF_SPICE'] === 'whole';
    const designs = [demoDesign(), saltmarsh(asId<AircraftId>('s'), makeId), mudflat(asId<AircraftId>('m'), makeId)];
    const results = designs.flatMap((design) => {
      const graph = graphOf(design);
      const cruise = solveScenarios(graph).find(({ scenario }) => scenario.id === 'cruise');
      if (cruise === undefined) throw new Error('There is no cruise.');
      return faultsOf(powerNetwork(graph)).flatMap((fault, i) => {
        if (!isWhole && i % SAMPLE !== 0) return [];
        const { circuit } = liveCircuit(cruise.network, faultyCircuit(cruise.circuit, fault));
        return [compareHolding(circuit, `${design.aircraft.name} ${fault.names.join(', ')}`)];
      });
    });
    expect(results.length).toBeGreaterThan(isWhole ? 200 : 20);
    const others = results.filter(({ verdict }) => verdict !== 'same' && verdict !== 'held');
    expect(others.map(({ said }) => said)).toEqual([]);
    // With a short there are several balances; nearly all others are found from the guesses of the netlist. A sample is too small for a share.
    if (isWhole) expect(results.filter(({ verdict }) => verdict === 'same').length / results.length).toBeGreaterThan(0.85);
  }, 600_000);

  it('a netlist as it is exported runs there, with names of pins and cables', () => {
    let made = 0;
    const graph = graphOf(saltmarsh(asId<AircraftId>('s'), () => `y${++made}`));
    const netlist = scenarioNetlist(graph, 'cruise') ?? '';
    expect(netlist).toMatch(/^\* Saltmarsh, cruise: operating point$/m);
    expect(netlist).toContain('W08 wire 2 and its contacts');
    const found = operatingPoint(netlist, ['v(bat1_main_1)', 'v(srv1_lead_2)']);
    const cruise = powerReport(graph).scenarios.find(({ id }) => id === 'cruise');
    expect(found?.get('v(bat1_main_1)')).toBeCloseTo(cruise?.supplies.find(({ ref }) => ref === 'BAT1')?.volts ?? NaN, 2);
    expect(scenarioNetlist(graph, 'nowhere')).toBeUndefined();
  });

  it('finds a circuit apart that is not the same', () => {
    const { circuit } = randomCircuit(numbersFrom(1), { jumps: false, branches: 12 });
    const other = { ...circuit, ohms: circuit.ohms.map((ohm) => ohm * 2) };
    expect(apart(other, solveCircuit(circuit), plain)?.share).toBeGreaterThan(1);
  });
});
