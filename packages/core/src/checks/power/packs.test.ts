import { describe, expect, it } from '@jest/globals';
import { graphOf } from '../../graph/graphOf.ts';
import { burstAmps } from '../../model/burst.ts';
import type { Design } from '../../model/design.ts';
import { bench, powered, withElement } from '../../test/checkCases/build.ts';
import { motorised } from '../../test/checkCases/powerDesigns.ts';
import { findingsBy, made } from '../../test/designs.ts';
import { remediesOf } from '../findingsOf.ts';
import { workingSituations } from './helpers/situations.ts';

const said = (design: Design, check: string): readonly (readonly string[])[] =>
  findingsBy(design, check).map(({ severity, what }) => [severity, what]);

describe('packs on one bus', () => {
  const together = (...packs: readonly string[]): Design => {
    const one = bench(...packs, 'distribution-plain-bus');
    one.wire('BAT1 main', 'PWR1 battery', 'straight', 80);
    one.wire('BAT2 main', 'PWR1 b1', 'straight', 80);
    return one.design;
  };

  it('of one kind are joined at the same voltage, and unlike ones never', () => {
    expect(said(together('battery-lipo-4s-5000', 'battery-lipo-4s-5000'), 'power.parallel-batteries')).toEqual([
      ['note', 'BAT1 and BAT2 are in parallel with nothing between them.'],
    ]);
    const unlike = ['stop', 'BAT1 and BAT2 are in parallel and are not alike.'];
    expect(said(together('battery-lipo-4s-5000', 'battery-lipo-3s-3300'), 'power.parallel-batteries')).toEqual([unlike]);
    expect(said(together('battery-lipo-4s-5000', 'battery-li-ion-4s-7000'), 'power.parallel-batteries')).toEqual([unlike]);
  });

  it('behind a diode each are no longer joined', () => {
    const one = bench('battery-lipo-4s-5000', 'battery-lipo-3s-3300', 'combiner-two-packs-60a');
    one.wire('BAT1 main', 'PWR1 A', 'meaning', 80);
    one.wire('BAT2 main', 'PWR1 B', 'meaning', 80);
    expect(said(one.design, 'power.parallel-batteries')).toEqual([]);
  });
});

describe('what a pack delivers', () => {
  const PACK = 'battery-lipo-4s-5000';
  const rated = (continuousA: number): Design =>
    withElement(motorised('motor-controller-40a-5v2a', 'motor-28mm-9x6', 10).design, PACK, 'battery', () => ({ continuousA }));

  it('is judged by what it may give for as long as the situation lasts', () => {
    // The largest share of a pack of 1 A: for a short time it may give more.
    const shares = workingSituations(graphOf(rated(1000))).map(({ scenario, network, before }) => {
      const at = network.devices.findIndex(({ device }) => device.is === 'element' && device.element.is === 'battery');
      return (before.amps[at] ?? NaN) / burstAmps(1, scenario.durationS);
    });
    const least = Math.max(...shares);
    expect(said(rated(least * 1.001), 'power.battery')).toEqual([]);
    expect(said(rated(least * 0.98), 'power.battery')).toEqual([
      ['mend', expect.stringMatching(/^BAT1 delivers .* A, rated .* A \(climb, /)],
    ]);
  });

  it('leads to packs of as many cells', () => {
    const design = rated(20);
    const [finding] = findingsBy(design, 'power.battery');
    const remedies = finding === undefined ? [] : remediesOf(design, finding);
    expect(remedies.length).toBeGreaterThan(1);
    for (const { edit } of remedies) {
      const pack = graphOf(made(design, edit)).items.flatMap(({ part }) => part?.circuit.filter(({ is }) => is === 'battery') ?? []);
      expect(pack).toEqual([expect.objectContaining({ cells: 4 })]);
    }
  });
});

describe('the pack that the brief plans', () => {
  const planned = (pack: string, cells: number, chemistry: 'lipo' | 'li-ion', second?: 'aircraft' | 'ground'): Design => {
    const one = bench('controller-f4-wing', pack);
    one.wire('BAT1 main', 'FC1 battery');
    if (second !== undefined) one.add('battery-lipo-3s-3300', 'another', {}, second);
    one.want({ cells, chemistry }, {});
    return one.design;
  };
  const differs = [['note', 'BAT1 has 4 cells, lipo, and the brief plans 3 cells, lipo.']];

  it('is told where no pack of the aircraft is like it', () => {
    expect(said(planned('battery-lipo-4s-5000', 4, 'lipo'), 'power.battery')).toEqual([]);
    expect(said(planned('battery-lipo-4s-5000', 3, 'lipo'), 'power.battery')).toEqual(differs);
    expect(said(planned('battery-lipo-4s-5000', 4, 'li-ion'), 'power.battery')).toEqual([
      ['note', 'BAT1 has 4 cells, lipo, and the brief plans 4 cells, li-ion.'],
    ]);
    expect(said(planned('battery-lipo-4s-5000', 3, 'lipo', 'aircraft'), 'power.battery')).toEqual([]);
    expect(said(planned('battery-lipo-4s-5000', 3, 'lipo', 'ground'), 'power.battery')).toEqual(differs);
  });

  it('is not asked for before there is a pack', () => {
    const one = bench('controller-f4-wing');
    one.want({ cells: 4, chemistry: 'lipo' }, {});
    expect(said(one.design, 'power.battery')).toEqual([]);
    expect(said(powered().design, 'power.battery')).toEqual([]);
  });

  it('leads to packs of its cells and its chemistry', () => {
    const design = planned('battery-lipo-4s-5000', 4, 'li-ion');
    const [finding] = findingsBy(design, 'power.battery');
    const remedies = finding === undefined ? [] : remediesOf(design, finding);
    expect(remedies.length).toBeGreaterThan(0);
    for (const { edit } of remedies) expect(said(made(design, edit), 'power.battery')).toEqual([]);
  });
});
