import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { cableOf, demoDesign, emptyBench, itemOf, made } from '../test/designs.ts';
import { cablesAtPort, plainCable } from './cableJoins.ts';
import { counterpartsOf } from './counterparts.ts';
import { groupOf, membersOf, pinNode, pinsOf } from './graph.ts';
import { graphOf } from './graphOf.ts';
import { partitionOf } from './partition.ts';
import { driverAt, railsOf, voltsAt } from './railsOf.ts';
import type { Design } from '../model/design.ts';

function nodeOf(design: Design, ref: string, port: string, n: number): number {
  const node = pinNode(graphOf(design), itemOf(design, ref).id, port, n);
  if (node === undefined) throw new Error(`There is no pin ${n} of ${ref} ${port}.`);
  return node;
}

describe('partitions', () => {
  it('equal a search from every node', () => {
    const joint = fc.tuple(fc.nat(29), fc.nat(29));
    fc.assert(
      fc.property(fc.array(joint, { maxLength: 40 }), (joints) => {
        const partition = partitionOf(30, joints);
        for (let from = 0; from < 30; from++) {
          const reached = new Set([from]);
          for (let grown = true; grown;) {
            const before = reached.size;
            for (const [a, b] of joints) if (reached.has(a) || reached.has(b)) reached.add(a).add(b);
            grown = reached.size > before;
          }
          expect([...membersOf(partition, groupOf(partition, from))]).toEqual([...reached].sort((a, b) => a - b));
        }
      }),
      { numRuns: 60 },
    );
  });
});

describe('the graph of the demo aircraft', () => {
  const design = demoDesign();
  const graph = graphOf(design);

  it('is built once per design', () => {
    expect(graphOf(design)).toBe(graph);
  });

  it('lists items and cables in natural order', () => {
    expect(graph.items.map(({ item }) => item.ref)).toEqual(
      [...graph.items.map(({ item }) => item.ref)].sort((a, b) => a.localeCompare(b, 'en', { numeric: true })),
    );
    expect(graph.cables[1]?.tag).toBe('W02');
  });

  it('joins what a cable joins, and nothing else', () => {
    const wires = pinsOf(graph, graph.wires, groupOf(graph.wires, nodeOf(design, 'RADIO1', 'UART', 3)));
    expect(wires.map(({ at }) => `${graph.items[at.item]?.item.ref} ${at.port.id}.${at.pin.n}`)).toEqual(['FC1 S1.3', 'RADIO1 UART.3']);
  });

  it('has one net for all grounds of the board, reached through its inside', () => {
    const net = groupOf(graph.nets, nodeOf(design, 'FC1', 'S1', 4));
    for (const [ref, port, n] of [
      ['RADIO1', 'UART', 1],
      ['BAT1', 'main', 2],
      ['SRV1', 'lead', 3],
      ['VTX1', 'AV', 2],
    ] as const) {
      expect(groupOf(graph.nets, nodeOf(design, ref, port, n))).toBe(net);
    }
    expect(groupOf(graph.nets, nodeOf(design, 'FC1', 'S1', 1))).not.toBe(net);
  });

  it('knows no-load voltages through sense elements, limiters and selectors', () => {
    expect(voltsAt(graph, nodeOf(design, 'BAT1', 'main', 1))).toBeCloseTo(16.8);
    expect(voltsAt(graph, nodeOf(design, 'ESC1', 'power', 1))).toBeCloseTo(16.8);
    expect(voltsAt(graph, nodeOf(design, 'RADIO1', 'UART', 4))).toBe(5);
    expect(voltsAt(graph, nodeOf(design, 'RX1', 'SBUS', 2))).toBe(5);
    expect(voltsAt(graph, nodeOf(design, 'VTX1', 'AV', 1))).toBe(9);
    expect(voltsAt(graph, nodeOf(design, 'BZ1', 'leads', 1))).toBeUndefined();
    expect(driverAt(graph, nodeOf(design, 'VTX1', 'AV', 1))?.element.id).toBe('reg-9v');
  });

  it('finds the two regulators that share the servo rail, and no other pair', () => {
    const shared = railsOf(graph).sharedRails.map((drivers) => drivers.map((driver) => graph.items[driver.item]?.item.ref));
    expect(shared).toEqual([['BEC1', 'ESC1']]);
  });

  it('follows a camera through the overlay of the board to the transmitter', () => {
    const camera = graph.itemIx.get(itemOf(design, 'CAM1').id) ?? -1;
    const endpoint = graph.items[camera]?.part?.endpoints[0];
    if (endpoint === undefined) throw new Error('The camera has no endpoint.');
    const found = counterpartsOf(graph, camera, endpoint).map((far) => [graph.items[far.item]?.item.ref, far.endpoint.id, far.transforms]);
    expect(found).toEqual([
      ['FC1', 'cam', []],
      ['VTX1', 'vid', ['overlay']],
    ]);
  });

  it('opens a net where a contact is pulled', () => {
    const cable = cableOf(design, 'W10');
    const end = Object.values(cable.nodes)[0];
    if (end === undefined) throw new Error('A cable without ends.');
    const pulled = made(design, { kind: 'set-absent-contacts', cable: cable.id, node: end.id, absent: [4], was: [] });
    expect(voltsAt(graphOf(pulled), nodeOf(pulled, 'RADIO1', 'UART', 4))).toBeUndefined();
    expect(voltsAt(graphOf(pulled), nodeOf(pulled, 'FC1', 'S1', 1))).toBe(5);
  });

  it('gives the cables at a port and a plain cable with its conductors in pin order', () => {
    const fc1 = itemOf(design, 'FC1').id;
    expect(cablesAtPort(graph, fc1, 'motor').map((cable) => cable.tag)).toEqual(['W02', 'W05']);
    expect(cablesAtPort(graph, fc1, 'S4')).toEqual([]);
    expect(plainCable(graph, cableOf(design, 'W09'))?.conductors.map((conductor) => [conductor.a.n, conductor.b.n])).toEqual([
      [1, 3],
      [2, 1],
      [3, 2],
    ]);
  });
});

describe('half-done designs', () => {
  it('keep diode-combined supplies apart, and pass their voltage on', () => {
    const bench = emptyBench();
    for (const part of ['controller-f4-wing', 'regulator-buck-5v-3a', 'regulator-buck-5v-3a', 'combiner-two-inputs']) bench.add(part, '');
    bench.wire('BEC1 out', 'PWR1 A');
    bench.wire('BEC2 out', 'PWR1 B');
    bench.wire('PWR1 out', 'FC1 out1');
    expect(railsOf(graphOf(bench.design)).sharedRails).toEqual([]);
    expect(voltsAt(graphOf(bench.design), nodeOf(bench.design, 'FC1', 'out3', 2))).toBe(5);
  });

  it('accept unknown parts, dangling ends and empty cables', () => {
    const design = demoDesign();
    const { [itemOf(design, 'FC1').id]: _gone, ...items } = design.aircraft.items;
    const dangling: Design = { aircraft: { ...design.aircraft, items }, parts: new Map(), dialects: new Map() };
    expect(graphOf(dangling).nodes.every((node) => node.is !== 'pin')).toBe(true);
    expect(railsOf(graphOf(dangling)).drivers).toEqual([]);
  });
});
