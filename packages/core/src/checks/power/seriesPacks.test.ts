import { describe, expect, it } from '@jest/globals';
import { graphOf } from '../../graph/graphOf.ts';
import { circuitNode } from '../../graph/graph.ts';
import { voltsAt } from '../../graph/railsOf.ts';
import { bench, joined, withElement } from '../../test/checkCases/build.ts';
import { inSeries } from '../../test/checkCases/powerDesigns.ts';
import { findingsBy, itemOf, made } from '../../test/designs.ts';
import type { Part } from '../../model/part.ts';
import { remediesOf } from '../findingsOf.ts';
import type { Design } from '../../model/design.ts';
import { situation } from './helpers/situations.ts';

/** What the regulator gets and gives in cruise, in volts. */
function regulatorOf(design: Design): { readonly getsV: number; readonly givesV: number } {
  const graph = graphOf(design);
  const result = situation(graph, 'cruise');
  const at = result?.network.devices.findIndex(
    ({ device }) => device.is === 'element' && device.element.is === 'regulator' && graph.items[device.item]?.item.ref === 'BEC1',
  );
  const [input = 0, output = 0, ground = 0] = result?.network.shape.devices[at ?? -1]?.nodes ?? [];
  const volts = (node: number): number => result?.before.volts[node] ?? NaN;
  return { getsV: volts(input) - volts(ground), givesV: volts(output) - volts(ground) };
}

const partOf = (design: Design, ref: string): Part | undefined => graphOf(design).items.find(({ item }) => item.ref === ref)?.part;

/** Two packs whose plugs are joined by these wires alone, from a contact of the first to one of the second. */
function plugged(...wires: readonly (readonly [number, number])[]): Design {
  const one = bench('battery-lipo-4s-5000', 'battery-lipo-4s-5000');
  one.wire('BAT1 main', 'BAT2 main', 'straight', 100);
  one.forget(1);
  one.forget(2);
  return joined(one.design, 'W01', wires);
}

describe('two packs on a series lead', () => {
  const two = inSeries('battery-lipo-3s-3300', 'battery-lipo-3s-3300');

  it('feed a regulator with the voltage of both', () => {
    const { getsV, givesV } = regulatorOf(two.design);
    expect(getsV).toBeGreaterThan(2 * 3 * 3.7);
    expect(getsV).toBeLessThanOrEqual(2 * 3 * 4.2);
    expect(givesV).toBeCloseTo(5, 1);
    const graph = graphOf(two.design);
    const bus = circuitNode(graph, graph.itemIx.get(itemOf(two.design, 'PWR2').id) ?? -1, '@bat');
    expect(bus === undefined ? undefined : voltsAt(graph, bus)).toBeCloseTo(25.2, 9);
  });

  it('get no finding but what is not wired yet', () => {
    for (const check of ['power.reversed', 'power.no-supply', 'power.over-voltage', 'power.parallel-batteries', 'power.series-batteries'])
      expect([check, findingsBy(two.design, check)]).toEqual([check, []]);
  });

  it('are too much for a part that stands one of them', () => {
    const [first, ...more] = findingsBy(inSeries('battery-lipo-6s-10000', 'battery-lipo-6s-10000').design, 'power.over-voltage');
    expect(first?.evidence[0]).toMatchObject({ value: '50.40 V', limit: '36.00 V' });
    expect(more).toEqual([]);
  });

  it.each([
    [6, 0],
    [4, 1],
  ])('are the pack that the brief plans if it plans %d cells', (cells, findings) => {
    const planned = inSeries('battery-lipo-3s-3300', 'battery-lipo-3s-3300');
    planned.want({ cells, chemistry: 'lipo' }, {});
    expect(findingsBy(planned.design, 'power.battery')).toHaveLength(findings);
  });

  it('of unlike packs are said to be so, with what differs', () => {
    const [finding] = findingsBy(inSeries('battery-lipo-4s-5000', 'battery-lipo-3s-3300').design, 'power.series-batteries');
    expect([finding?.severity, finding?.what]).toEqual(['stop', 'BAT1 and BAT2 are in series and are not alike: 3300 mAh with 5000 mAh.']);
  });

  it.each([
    [4750, 0],
    [4749, 1],
  ])('of one kind may differ by a twentieth: 5000 with %d mAh', (capacityMah, findings) => {
    const design = withElement(inSeries('battery-lipo-4s-5000', 'battery-lipo-3s-3300').design, 'battery-lipo-3s-3300', 'battery', () => ({
      capacityMah,
    }));
    expect(findingsBy(design, 'power.series-batteries')).toHaveLength(findings);
  });

  it('of unlike chemistry are told by it', () => {
    const [finding] = findingsBy(inSeries('battery-lipo-4s-5000', 'battery-li-ion-4s-7000').design, 'power.series-batteries');
    expect(finding?.what).toBe('BAT1 and BAT2 are in series and are not alike: their chemistry differs.');
    expect(finding?.evidence).toEqual([
      { label: 'BAT1', value: 'lipo, 5000 mAh' },
      { label: 'BAT2', value: 'li-ion, 7000 mAh' },
    ]);
  });

  it('become alike by a pack of the kind and capacity of the other one, and by no other pack', () => {
    const { design } = inSeries('battery-lipo-4s-5000', 'battery-lipo-3s-3300');
    const [finding] = findingsBy(design, 'power.series-batteries');
    const drafts = finding === undefined ? [] : remediesOf(design, finding);
    expect(drafts.length).toBeGreaterThan(0);
    for (const { edit } of drafts) {
      const packs = ['BAT1', 'BAT2'].map((ref) => partOf(made(design, edit), ref)?.circuit.find(({ is }) => is === 'battery'));
      const [one, other] = packs.map((pack) => (pack?.is === 'battery' ? [pack.chemistry, pack.capacityMah] : undefined));
      expect(one).toBeDefined();
      expect(one).toEqual(other);
    }
  });
});

describe('two packs joined by their plugs', () => {
  it('minus to plus are in series, and nothing is reversed', () => {
    expect(findingsBy(plugged([2, 1]), 'power.reversed')).toEqual([]);
    expect(findingsBy(plugged([1, 2]), 'power.reversed')).toEqual([]);
  });

  it('both ways are a short, which is no higher than one of them', () => {
    const ring = graphOf(plugged([1, 2], [2, 1]));
    expect(ring.items.map((_, item) => voltsAt(ring, circuitNode(ring, item, 'main.1') ?? -1))).toEqual([16.8, 16.8]);
    expect(findingsBy(plugged([1, 2], [2, 1]), 'power.reversed').map(({ severity }) => severity)).toEqual(['stop']);
  });
});
