import { expect, it } from '@jest/globals';
import { circuitNode } from '../../graph/graph.ts';
import { graphOf } from '../../graph/graphOf.ts';
import { voltsAt } from '../../graph/railsOf.ts';
import type { Design } from '../../model/design.ts';
import { bench, FC, joined, powered } from '../../test/checkCases/build.ts';
import { findingsBy, itemOf, made } from '../../test/designs.ts';
import { remediesOf } from '../findingsOf.ts';

it('a regulator that nothing feeds drives no rail: two on one are told once both are fed', () => {
  const one = powered('motor-controller-40a-5v2a', 'regulator-buck-5v-3a');
  one.wire('ESC1 signal', 'FC1 out1');
  one.wire('BEC1 out', 'FC1 out2', 'straight');
  expect(findingsBy(one.design, 'power.parallel-regulators')).toEqual([]);
  one.wire('FC1 motor', 'ESC1 power', 'meaning', 80);
  expect(findingsBy(one.design, 'power.parallel-regulators')).toEqual([]);
  one.wire('FC1 motor', 'BEC1 in', 'meaning', 80);
  expect(findingsBy(one.design, 'power.parallel-regulators').map(({ severity, what }) => [severity, what])).toEqual([
    ['stop', 'BEC1 and ESC1 drive one rail with no diode or selector between them.'],
  ]);
});

/** So many regulators on the pack, all of them on the servo row of the wing board. */
function together(count: number): Design {
  const one = powered(...Array.from({ length: count }, () => 'regulator-buck-5v-3a'));
  for (let n = 1; n <= count; n++) {
    one.wire('FC1 motor', `BEC${n} in`, 'meaning', 80);
    one.wire(`BEC${n} out`, `FC1 out${n}`, 'straight', 60);
  }
  return one.design;
}

const said = (design: Design): readonly string[] => findingsBy(design, 'power.parallel-regulators').map(({ what }) => what);

it('all that drive one rail are named', () => {
  expect(said(together(1))).toEqual([]);
  expect(said(together(2))).toEqual(['BEC1 and BEC2 drive one rail with no diode or selector between them.']);
  expect(said(together(3))).toEqual(['BEC1, BEC2 and BEC3 drive one rail with no diode or selector between them.']);
  const [finding] = findingsBy(together(3), 'power.parallel-regulators');
  expect(finding?.where).toEqual(['BEC1', 'BEC2', 'BEC3'].map((ref) => ({ is: 'item', item: itemOf(together(3), ref).id })));
});

it('packs alone are no regulators, and a pack on the rail of a regulator is a supply', () => {
  const packs = bench('battery-lipo-4s-5000', 'battery-lipo-4s-5000', 'distribution-plain-bus');
  packs.wire('BAT1 main', 'PWR1 battery', 'straight', 80);
  packs.wire('BAT2 main', 'PWR1 b1', 'straight', 80);
  expect(findingsBy(packs.design, 'power.parallel-batteries')).toHaveLength(1);
  expect(said(packs.design)).toEqual([]);
  const mixed = bench('battery-lipo-4s-5000', 'battery-receiver-lipo-2s-1800', 'regulator-buck-selectable-10a', FC);
  mixed.wire('BAT1 main', 'BEC1 in', 'meaning', 80);
  mixed.wire('BEC1 out', 'FC1 out1', 'straight', 80);
  mixed.wire('BAT2 main', 'FC1 out2', 'straight', 80);
  expect(said(mixed.design)).toEqual(['BAT2 and BEC1 drive one rail with no diode or selector between them.']);
});

it('the regulator of a board that a computer can power drives its rail, also where no pack feeds it', () => {
  const one = bench(FC, 'battery-lipo-4s-5000', 'regulator-buck-5v-3a');
  one.wire('BAT1 main', 'BEC1 in', 'meaning', 80);
  one.wire('BEC1 out', 'FC1 S1', 'none', 80);
  const fed = joined(one.design, 'W02', [
    [2, 1],
    [1, 4],
  ]);
  expect(said(fed)).toEqual(['BEC1 and FC1 drive one rail with no diode or selector between them.']);
});

it('pulls one of them, the one inside a motor controller first, and leaves the rail on the other', () => {
  const one = powered('motor-controller-40a-5v2a', 'regulator-buck-5v-3a');
  one.wire('ESC1 signal', 'FC1 out1');
  one.wire('BEC1 out', 'FC1 out2', 'straight');
  one.wire('FC1 motor', 'ESC1 power', 'meaning', 80);
  one.wire('FC1 motor', 'BEC1 in', 'meaning', 80);
  const [finding] = findingsBy(one.design, 'power.parallel-regulators');
  const remedies = finding === undefined ? [] : remediesOf(one.design, finding);
  expect(remedies.map(({ label }) => label)).toEqual(["Pull ESC1's supply pin", "Pull BEC1's supply pin"]);
  for (const { edit } of remedies) {
    const graph = graphOf(made(one.design, edit));
    expect(said(graph.design)).toEqual([]);
    const rail = circuitNode(graph, graph.itemIx.get(itemOf(graph.design, 'FC1').id) ?? -1, 'out1.2');
    expect(rail === undefined ? undefined : voltsAt(graph, rail)).toBe(5);
  }
});
